export { boreForPack, boreOf, inside, pipeForPack, plugMm, type Fit } from './fits';
export { holeLine, mitreWrap, saddleWrap, sleeveMm, type Wrap } from './wraps';

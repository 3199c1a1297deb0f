export {
  boreForPack,
  boreOf,
  inside,
  pipeForPack,
  type PipeForPack,
  pipesForPack,
  plugMm,
  type Fit,
} from './fits';
export { holeLine, mitreWrap, saddleWrap, sleeveMm, type Wrap } from './wraps';

export { tiltDeg } from './camera';
export { homography, type Homography, inverse, seenThrough } from './homography';
export {
  type GivenLine,
  type KnownLength,
  knownSheets,
  type Picture,
  type Spot,
  spotAt,
  type Squaring,
  type View,
  contentRule,
  pictureRule,
  views,
} from './picture';
export { disagreement, type Known, type Laid, laidPicture, MARK_PX, measuredOn } from './scale';
export { type Pixels, squaredPicture, type SquaredPicture } from './squared';
export { type OnTable, photographed, type Shot, shotPicture } from './simulatedCamera';
export { type Height, type Standing, standingBy } from './standing';
export { type Traced, tracedOn } from './traced';

export {
  nothing,
  notLaid,
  type Bought,
  type Drawn,
  type FeatureKind,
  type Item,
  type Laid,
  type LaidPart,
  type LightRun,
  type LightMethod,
  type Pointed,
  type Work,
} from './contract';
export { diffuserRows, type DiffuserRow } from './lightBox/compared';
export { boxFace, diffuserOf, type LightBox } from './lightBox/box';
export { features } from './registry';

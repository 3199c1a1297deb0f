export {
  nothing,
  notLaid,
  type Bears,
  type Bought,
  type Drawn,
  type FeatureKind,
  type Item,
  type Laid,
  type Probed,
  type LaidPart,
  type LightRun,
  type LightMethod,
  type Pointed,
  type Work,
} from './contract';
export { diffuserRows, type DiffuserRow } from './lightBox/compared';
export { diffuserOf, type LightBox } from './lightBox/box';
export { boxFace, spreadRead } from './lightBox/tile';
export { tinted } from './lightBox/shine';
export { features } from './registry';
export {
  lampFlux,
  lampRgb,
  type LightRgb,
  type LitPatch,
  type LitPoint,
  type LitShell,
  noShine,
  shellsOf,
  type Shine,
} from './laying/shine';

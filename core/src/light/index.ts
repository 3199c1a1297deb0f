export {
  type Effect,
  effectAt,
  type EffectKind,
  effectRule,
  effectWords,
  flashesPerSecond,
  meanShare,
} from './effect';
export {
  irradiance,
  leastDistanceMm,
  litFace,
  type Brightness,
  type DiffuserLayer,
  type LightSource,
  type LitFace,
} from './face';
export { edgeGlow, type EdgeGlow, type EdgeLit, mostEngraved } from './edgeLit';
export { contrastSense, hotSpotsSeen, type Surroundings } from './hotSpots';

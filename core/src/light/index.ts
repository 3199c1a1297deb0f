export {
  irradiance,
  leastDistanceMm,
  litFace,
  type Brightness,
  type DiffuserLayer,
  type LightSource,
  type LitFace,
} from './face';

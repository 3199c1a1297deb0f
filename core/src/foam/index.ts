export {
  bendStrain,
  strainLimits,
  ringTestNeutralFraction,
  strainClass,
  strainClassName,
  type StrainClass,
} from './bend';
export { foamMassG } from './foamMass';
export { foldOpeningMm, grooveDepthMm, groovesForBend } from './groove';
export { sprungOpeningMm } from './spring';
export { stackWays, type StackWay } from './stacks';

export { caseWall } from './caseWall';
export { catalogue, type Catalogue } from './catalogue';
export { cautionNames, cautions, type CautionKey } from './cautions';
export { isRigid, type SheetKind } from './foams';
export { type Surface, surfaceOfSheet, surfaceWays } from './surfaces';
export { type ClosureKind, closureKinds, closures, gapClosures } from './closures';
export { gels, type Gel } from './gels';
export { ledBodies, ledMaxA, leds, type LampColour, type LedBody } from './lamps';
export {
  coats,
  diffusers,
  LEAST_OVER_BORE_MM,
  lobes,
  SEEN_SHARE,
  throughFoam,
  throughSheet,
  walls,
  type Diffuser,
} from './diffusers';
export { cells, packs, type Cell, type CapacityCurve, type Pack, type VoltageCurve } from './packs';
export { fittingPrice, type PipeFitting, pipeFittings, socketMm, takeOffMm } from './pipeFittings';
export { type LightMatter, rodMatters, rods, type Rod } from './rods';
export { habitsRule, startHabits, type Habits } from './habits';
export { catalogueWith, foamOf, type OwnFoam, ownFoamRule } from './ownFoams';
export { foamStockRule, type FoamStock, type Offcut, type Turns } from './foamStock';
export { foamSheet, thicknessesOf, type FoamSheet } from './stock';
export { controller, controllerLoad, rings, strip12V, strip5V, type SteadyLoad } from './steadyLights';
export { switches, type Switch, type SwitchKind } from './switches';
export { gaugeGPerM, gaugeMm, gaugeOhmPerM, gauges, startGauge, type Gauge } from './wire';
export {
  clearBetweenMin,
  clearWearMin,
  coatings,
  cutSpeedMPerMin,
  glues,
  paints,
  speeds,
  type Coating,
  type PaintCoat,
} from './working';
export { linearMostW, type Regulator, type RegulatorKind, regulators } from './regulators';
export { bevelPictures, foamPicture, foldPictures, packPicture, switchPicture } from './pictures';
export { colourName, lightness } from './colourNames';

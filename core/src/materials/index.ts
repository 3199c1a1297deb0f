export { catalogue, type Catalogue } from './catalogue';
export { cautions, type CautionKey } from './cautions';
export { closures, type ClosureKind } from './closures';
export { ledBodies, ledMaxA, leds, type LampColour, type LedBody } from './lamps';
export { packs, type CapacityCurve, type Pack, type VoltageCurve } from './packs';
export { foamSheet, thicknessesOf, type FoamSheet, type FoamStock } from './stock';
export { switches, type Switch } from './switches';
export { coatings, cutSpeedMPerMin, glues, paintGPerM2, speeds, startHabits, type Habits } from './working';

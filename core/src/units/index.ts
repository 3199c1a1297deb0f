export { chance } from './chance';
export { isRealDay } from './day';
export { inUnit } from './inUnit';
export { letterAt } from './letter';
export { MM_PER_INCH, parseLengthMm, printLength, printMm, trimNumber, type LengthUnit } from './length';
export { fail, ok, type Result } from './result';
export { figure, sureLabel, type Figure, type Sure } from './sure';
export { printHours, printMinutes } from './time';
export { printVolts } from './volts';

import type { Pack } from '../materials';
import type { Lights } from './network';
import type { Junction } from './nodal';

/** Tables of cells and lamps are of this temperature. */
export const ROOM_C = 20;
/** A cell's own resistance doubles for so many kelvin less; from memory. */
const DOUBLES_K = 20;

const colder = (atC: number): number => Math.max(0, ROOM_C - atC);

/** A pack as its cells are in the cold: their own resistance grows. Warmer than a room it is as in one. */
export const coldPack = (pack: Pack, atC: number): Pack =>
  colder(atC) === 0
    ? pack
    : {
        ...pack,
        cell: { ...pack.cell, internalOhm: pack.cell.internalOhm * 2 ** (colder(atC) / DOUBLES_K) },
      };

/** A junction in the cold: its forward voltage is higher by what it is a kelvin, at any current well over its leak. */
export const coldJunction = (junction: Junction, atC: number): Junction =>
  colder(atC) === 0
    ? junction
    : {
        ...junction,
        saturationA: junction.saturationA * Math.exp(-(junction.voltsPerK * colder(atC)) / junction.slopeV),
      };

/** Lamps in the cold; their resistors are as they were chosen at room temperature. */
export const coldLights = (lights: Lights, atC: number): Lights =>
  colder(atC) === 0
    ? lights
    : {
        ...lights,
        strings: lights.strings.map((s) => ({ ...s, junction: coldJunction(s.junction, atC) })),
        atC,
      };

import type { Provenance } from '../units';

export type SwitchKind = 'latching' | 'momentary' | 'remote';

export interface Switch {
  id: string;
  name: string;
  kind: SwitchKind;
  maxA: number;
  /** Of its closed contacts, from memory. */
  contactOhm: number;
  /** What it draws while the light is off, amperes. */
  idleA?: number;
  /** Room to leave round the lever so that it can move. */
  throwMm: number;
  lengthMm: number;
  widthMm: number;
  deepMm: number;
  /** What shows of it in a thin wall: the way of its lever, or the bush or cap that goes through; from memory. */
  face?: { widthMm: number; lengthMm: number; round?: true };
  massG: number;
  price: number;
  provenance: Provenance;
}

export const switches: Switch[] = [
  {
    id: 'slide',
    contactOhm: 0.05,
    name: 'slide switch',
    kind: 'latching',
    maxA: 0.3,
    throwMm: 4,
    lengthMm: 20,
    widthMm: 6,
    deepMm: 6,
    face: { widthMm: 4, lengthMm: 8 },
    massG: 2,
    price: 1,
    provenance: 'memory',
  },
  {
    id: 'rocker',
    contactOhm: 0.03,
    name: 'small rocker switch',
    kind: 'latching',
    maxA: 3,
    throwMm: 3,
    lengthMm: 21,
    widthMm: 15,
    deepMm: 16,
    face: { widthMm: 14, lengthMm: 20 },
    massG: 6,
    price: 1.5,
    provenance: 'memory',
  },
  {
    id: 'push',
    contactOhm: 0.05,
    name: 'push-to-light button',
    kind: 'momentary',
    maxA: 0.5,
    throwMm: 2,
    lengthMm: 12,
    widthMm: 12,
    deepMm: 12,
    face: { widthMm: 7, lengthMm: 7, round: true },
    massG: 3,
    price: 1,
    provenance: 'memory',
  },
  {
    id: 'remote',
    contactOhm: 0.1,
    idleA: 0.008,
    name: 'remote receiver',
    kind: 'remote',
    maxA: 2,
    throwMm: 0,
    lengthMm: 32,
    widthMm: 20,
    deepMm: 7,
    massG: 8,
    price: 6,
    provenance: 'memory',
  },
  {
    id: 'toggle',
    contactOhm: 0.03,
    name: 'toggle switch',
    kind: 'latching',
    maxA: 3,
    throwMm: 10,
    lengthMm: 13,
    widthMm: 8,
    deepMm: 18,
    face: { widthMm: 6, lengthMm: 6, round: true },
    massG: 6,
    price: 1.5,
    provenance: 'memory',
  },
  {
    id: 'push-latching',
    contactOhm: 0.05,
    name: 'latching push button',
    kind: 'latching',
    maxA: 1,
    throwMm: 3,
    lengthMm: 12,
    widthMm: 12,
    deepMm: 18,
    face: { widthMm: 12, lengthMm: 12, round: true },
    massG: 4,
    price: 1.5,
    provenance: 'memory',
  },
  {
    id: 'reed',
    contactOhm: 0.15,
    name: 'reed switch and magnet',
    kind: 'momentary',
    maxA: 0.4,
    throwMm: 0,
    lengthMm: 20,
    widthMm: 4,
    deepMm: 4,
    massG: 2,
    price: 2,
    provenance: 'memory',
  },
  {
    id: 'tilt',
    contactOhm: 0.2,
    name: 'tilt switch, closed when it is turned over',
    kind: 'momentary',
    maxA: 0.3,
    throwMm: 0,
    lengthMm: 14,
    widthMm: 6,
    deepMm: 6,
    massG: 1,
    price: 1.5,
    provenance: 'memory',
  },
  {
    id: 'foils',
    contactOhm: 0.5,
    name: 'contact of two copper foils',
    kind: 'momentary',
    maxA: 0.3,
    throwMm: 0,
    lengthMm: 30,
    widthMm: 15,
    deepMm: 1,
    massG: 1,
    price: 1,
    provenance: 'memory',
  },
  {
    id: 'touch',
    contactOhm: 0.1,
    idleA: 0.00001,
    name: 'touch switch board',
    kind: 'latching',
    maxA: 1,
    throwMm: 0,
    lengthMm: 25,
    widthMm: 15,
    deepMm: 6,
    massG: 3,
    price: 2.5,
    provenance: 'memory',
  },
];

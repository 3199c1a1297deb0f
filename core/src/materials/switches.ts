import type { Sure } from '../units';

export type SwitchKind = 'latching' | 'momentary' | 'remote';

export interface Switch {
  id: string;
  name: string;
  kind: SwitchKind;
  maxA: number;
  /** Room to leave round the lever so that it can move. */
  throwMm: number;
  lengthMm: number;
  widthMm: number;
  deepMm: number;
  massG: number;
  price: number;
  sure: Sure;
}

export const switches: Switch[] = [
  {
    id: 'slide',
    name: 'slide switch',
    kind: 'latching',
    maxA: 0.3,
    throwMm: 4,
    lengthMm: 20,
    widthMm: 6,
    deepMm: 6,
    massG: 2,
    price: 1,
    sure: 'memory',
  },
  {
    id: 'rocker',
    name: 'small rocker switch',
    kind: 'latching',
    maxA: 3,
    throwMm: 3,
    lengthMm: 21,
    widthMm: 15,
    deepMm: 16,
    massG: 6,
    price: 1.5,
    sure: 'memory',
  },
  {
    id: 'push',
    name: 'push-to-light button',
    kind: 'momentary',
    maxA: 0.5,
    throwMm: 2,
    lengthMm: 12,
    widthMm: 12,
    deepMm: 12,
    massG: 3,
    price: 1,
    sure: 'memory',
  },
  {
    id: 'remote',
    name: 'remote receiver',
    kind: 'remote',
    maxA: 2,
    throwMm: 0,
    lengthMm: 32,
    widthMm: 20,
    deepMm: 7,
    massG: 8,
    price: 6,
    sure: 'memory',
  },
];

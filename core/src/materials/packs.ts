import type { Provenance } from '../units';

/** Capacity in ampere-hours against load in amperes, load rising. */
export type CapacityCurve = { loadA: number; capacityAh: number }[];

/** Cell voltage against the share of capacity used, 0 fresh to 1 empty. */
export type VoltageCurve = { used: number; volts: number }[];

export interface Cell {
  id: string;
  name: string;
  lithium: boolean;
  nominalV: number;
  maxA: number;
  capacity: CapacityCurve;
  voltage: VoltageCurve;
  /** Of one fresh cell; it grows as the cell is used. From memory. */
  internalOhm: number;
  /** Share of its capacity that is left when it is cold, by °C rising; from memory. */
  cold: { atC: number; share: number }[];
  /** Cells that can burn when they are shorted, so that a fuse belongs by them. */
  wantsFuse?: true;
  /** A bank that switches itself off when less is drawn, amperes. */
  sleepsBelowA?: number;
  provenance: Provenance;
}

/** Cells in a holder. Outside size of the holder in millimetres. */
export interface Pack {
  id: string;
  name: string;
  cell: Cell;
  series: number;
  lengthMm: number;
  widthMm: number;
  thickMm: number;
  massG: number;
  price: number;
  holderSure: Provenance;
}

const alkaline: VoltageCurve = [
  { used: 0, volts: 1.55 },
  { used: 0.05, volts: 1.45 },
  { used: 0.2, volts: 1.34 },
  { used: 0.5, volts: 1.22 },
  { used: 0.8, volts: 1.1 },
  { used: 0.95, volts: 1.0 },
  { used: 1, volts: 0.9 },
];

const alkalineCold: Cell['cold'] = [
  { atC: -20, share: 0.2 },
  { atC: -10, share: 0.45 },
  { atC: 0, share: 0.7 },
  { atC: 10, share: 0.9 },
  { atC: 20, share: 1 },
];
const lithiumCold: Cell['cold'] = [
  { atC: -20, share: 0.55 },
  { atC: -10, share: 0.75 },
  { atC: 0, share: 0.88 },
  { atC: 10, share: 0.96 },
  { atC: 20, share: 1 },
];

/** Capacities at load are typical values from memory. Cell sizes: IEC 60086-2 maxima. */
const aaa: Cell = {
  id: 'aaa',
  name: 'AAA alkaline',
  cold: alkalineCold,
  internalOhm: 0.25,
  lithium: false,
  nominalV: 1.5,
  maxA: 0.5,
  capacity: [
    { loadA: 0.01, capacityAh: 1.2 },
    { loadA: 0.05, capacityAh: 1.1 },
    { loadA: 0.1, capacityAh: 0.9 },
    { loadA: 0.25, capacityAh: 0.6 },
  ],
  voltage: alkaline,
  provenance: 'memory',
};

const aa: Cell = {
  id: 'aa',
  name: 'AA alkaline',
  cold: alkalineCold,
  internalOhm: 0.15,
  lithium: false,
  nominalV: 1.5,
  maxA: 1,
  capacity: [
    { loadA: 0.02, capacityAh: 2.8 },
    { loadA: 0.1, capacityAh: 2.5 },
    { loadA: 0.25, capacityAh: 1.8 },
    { loadA: 0.5, capacityAh: 1.2 },
  ],
  voltage: alkaline,
  provenance: 'memory',
};

const nineVolt: Cell = {
  id: '9v',
  name: '9 V alkaline block',
  cold: alkalineCold,
  internalOhm: 1.7,
  lithium: false,
  nominalV: 9,
  maxA: 0.2,
  capacity: [
    { loadA: 0.01, capacityAh: 0.55 },
    { loadA: 0.025, capacityAh: 0.5 },
    { loadA: 0.1, capacityAh: 0.35 },
  ],
  voltage: alkaline.map(({ used, volts }) => ({ used, volts: volts * 6 })),
  provenance: 'memory',
};

const coin: Cell = {
  id: 'cr2032',
  name: 'CR2032 coin',
  cold: lithiumCold,
  internalOhm: 15,
  lithium: true,
  nominalV: 3,
  maxA: 0.005,
  capacity: [
    { loadA: 0.0002, capacityAh: 0.22 },
    { loadA: 0.003, capacityAh: 0.17 },
    { loadA: 0.01, capacityAh: 0.1 },
  ],
  voltage: [
    { used: 0, volts: 3.1 },
    { used: 0.1, volts: 2.9 },
    { used: 0.8, volts: 2.75 },
    { used: 1, volts: 2.0 },
  ],
  provenance: 'memory',
};

const lithium: Cell = {
  id: '18650',
  name: 'protected 18650 lithium cell',
  cold: lithiumCold,
  lithium: true,
  wantsFuse: true,
  internalOhm: 0.08,
  nominalV: 3.7,
  maxA: 3,
  capacity: [
    { loadA: 0.1, capacityAh: 2.6 },
    { loadA: 1, capacityAh: 2.45 },
    { loadA: 3, capacityAh: 2.2 },
  ],
  voltage: [
    { used: 0, volts: 4.15 },
    { used: 0.1, volts: 4.0 },
    { used: 0.5, volts: 3.7 },
    { used: 0.9, volts: 3.4 },
    { used: 1, volts: 3.0 },
  ],
  provenance: 'memory',
};

/** Ten ampere-hours at 3.7 V inside; at 5 V, less what the converter takes, 6.2. */
const bank: Cell = {
  id: 'usb-bank',
  name: 'USB power bank',
  cold: lithiumCold,
  lithium: true,
  internalOhm: 0.1,
  sleepsBelowA: 0.06,
  nominalV: 5,
  maxA: 2,
  capacity: [
    { loadA: 0.1, capacityAh: 6.3 },
    { loadA: 0.5, capacityAh: 6.2 },
    { loadA: 2, capacityAh: 5.8 },
  ],
  voltage: [
    { used: 0, volts: 5.05 },
    { used: 1, volts: 4.95 },
  ],
  provenance: 'memory',
};

const holder = (
  id: string,
  name: string,
  cell: Cell,
  series: number,
  [lengthMm, widthMm, thickMm]: readonly [number, number, number],
  massG: number,
  price: number,
): Pack => ({ id, name, cell, series, lengthMm, widthMm, thickMm, massG, price, holderSure: 'memory' });

/** Every kind of cell, by its id. */
export const cells: readonly Cell[] = [coin, aaa, aa, nineVolt, lithium, bank];

/** Holder sizes are typical, from memory: cell maximum plus walls and springs. */
export const packs: Pack[] = [
  holder('2xcr2032', '2 × CR2032 flat holder', coin, 2, [44, 24, 6], 10, 4),
  holder('2xaaa', '2 × AAA flat holder', aaa, 2, [52, 25, 13], 30, 3),
  holder('3xaaa', '3 × AAA flat holder', aaa, 3, [52, 37, 13], 44, 4),
  holder('4xaaa', '4 × AAA flat holder', aaa, 4, [52, 49, 13], 58, 5),
  holder('2xaa', '2 × AA flat holder', aa, 2, [58, 31, 17], 55, 4),
  holder('3xaa', '3 × AA flat holder', aa, 3, [58, 47, 17], 82, 5),
  holder('4xaa', '4 × AA flat holder', aa, 4, [58, 62, 17], 108, 5),
  holder('6xaa', '6 × AA holder, 9 V', aa, 6, [58, 48, 33], 162, 7),
  holder('9v', '9 V block with clip', nineVolt, 1, [54, 26.5, 17.5], 50, 5),
  holder('8xaa', '8 × AA holder, 12 V', aa, 8, [58, 64, 33], 215, 9),
  holder('1x18650', '18650 holder', lithium, 1, [78, 21, 21], 55, 14),
  holder('3x18650', '3 × 18650 holder, 11 V', lithium, 3, [78, 60, 21], 160, 36),
  holder('usb-bank', 'USB power bank, 10 Ah', bank, 1, [138, 68, 15], 210, 20),
];

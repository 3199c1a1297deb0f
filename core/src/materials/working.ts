import type { Habits } from './habits';

/** Working speeds in metres per minute and minutes per job; typical values from memory. */
export const speeds = {
  /** Sanding a patterned face off, m² a minute; from memory. */
  sandM2PerMin: 0.02,
  traceMPerMin: 1.5,
  grooveMPerMin: 0.25,
  contactSeamMPerMin: 0.4,
  roundOverMPerMin: 0.3,
  solderJointMin: 3,
  drillHoleMin: 3,
  formPieceMin: 12,
};

/** Knife 0.6 m/min in 6 mm and 0.35 m/min in 10 mm foam, straight lines between and beyond; from memory. */
export function cutSpeedMPerMin(thicknessMm: number, cutter: Habits['cutter']): number {
  const knife = Math.min(1.2, Math.max(0.15, 0.6 + ((thicknessMm - 6) * (0.35 - 0.6)) / 4));
  return { knife, 'band-saw': knife * 2, laser: 1.2 }[cutter];
}

export interface Coating {
  name: string;
  coats: number;
  workMin: number;
  betweenMin: number;
  handleMin: number;
  pricePerM2: number;
  /** All coats, dry. */
  gPerM2: number;
  /** One coat, as it comes out of what it is sold in. */
  mlPerM2: number;
  soldMl: number;
  soldIn: string;
}

/** What goes over the sealer: how much of it, how long it takes and dries, by coat; from memory, the can's label wins. */
export interface PaintCoat {
  name: string;
  mlPerM2: number;
  /** For one copy, and for each square metre of it. */
  workMin: number;
  minPerM2: number;
  dryMin: number;
  gPerM2: number;
  soldMl: number;
  soldIn: string;
  price: number;
}

export const paints = {
  base: {
    name: 'acrylic paint, base colour',
    mlPerM2: 130,
    workMin: 15,
    minPerM2: 60,
    dryMin: 60,
    gPerM2: 40,
    soldMl: 250,
    soldIn: 'bottles',
    price: 7,
  },
  detail: {
    name: 'acrylic paint, detail colours',
    mlPerM2: 30,
    workMin: 20,
    minPerM2: 80,
    dryMin: 60,
    gPerM2: 10,
    soldMl: 60,
    soldIn: 'pots',
    price: 3,
  },
  wash: {
    name: 'thinned dark paint for the wash',
    mlPerM2: 40,
    workMin: 15,
    minPerM2: 40,
    dryMin: 60,
    gPerM2: 4,
    soldMl: 60,
    soldIn: 'pots',
    price: 3,
  },
  'dry-brush': {
    name: 'metallic paint for dry brushing',
    mlPerM2: 10,
    workMin: 15,
    minPerM2: 50,
    dryMin: 30,
    gPerM2: 3,
    soldMl: 60,
    soldIn: 'pots',
    price: 4,
  },
  clear: {
    name: 'flexible clear coat',
    mlPerM2: 120,
    workMin: 10,
    minPerM2: 30,
    dryMin: 240,
    gPerM2: 40,
    soldMl: 400,
    soldIn: 'cans',
    price: 12,
  },
} as const satisfies Record<string, PaintCoat>;

/** Between coats of clear, and from the last one to wearing; from memory. */
export const clearBetweenMin = 60;
export const clearWearMin = 1440;

/** Coats and drying by sealing habit; from memory, the can's label wins. */
export const coatings: Record<Habits['seal'], Coating> = {
  'spray-rubber': {
    name: 'spray-on rubber coating',
    coats: 3,
    workMin: 8,
    betweenMin: 30,
    handleMin: 240,
    pricePerM2: 30,
    gPerM2: 190,
    mlPerM2: 250,
    soldMl: 400,
    soldIn: 'cans',
  },
  'brush-on': {
    name: 'flexible brush-on sealer',
    coats: 3,
    workMin: 15,
    betweenMin: 45,
    handleMin: 120,
    pricePerM2: 18,
    gPerM2: 250,
    mlPerM2: 150,
    soldMl: 250,
    soldIn: 'jars',
  },
  acrylic: {
    name: 'acrylic coats',
    coats: 4,
    workMin: 12,
    betweenMin: 40,
    handleMin: 120,
    pricePerM2: 12,
    gPerM2: 120,
    mlPerM2: 100,
    soldMl: 500,
    soldIn: 'bottles',
  },
  latex: {
    name: 'latex',
    coats: 3,
    workMin: 15,
    betweenMin: 90,
    handleMin: 240,
    pricePerM2: 15,
    gPerM2: 300,
    mlPerM2: 200,
    soldMl: 1000,
    soldIn: 'bottles',
  },
  thermoplastic: {
    name: 'thermoplastic skin with filler and primer',
    coats: 4,
    workMin: 25,
    betweenMin: 60,
    handleMin: 240,
    pricePerM2: 90,
    gPerM2: 1100,
    mlPerM2: 150,
    soldMl: 400,
    soldIn: 'cans',
  },
};

export interface Glue {
  name: string;
  seamMPerMin: number;
  touchMin: number;
  cureMin: number;
  caution: 'solvent' | 'instantGlue' | 'hotGlue';
  pricePerM: number;
  /** Left in a metre of seam once dry. */
  gPerM: number;
}

/** Glues by habit; from memory, the can's label wins. */
export const glues: Record<Habits['glue'], Glue> = {
  contact: {
    name: 'contact cement',
    seamMPerMin: speeds.contactSeamMPerMin,
    touchMin: 10,
    cureMin: 1440,
    caution: 'solvent',
    pricePerM: 0.6,
    gPerM: 2.5,
  },
  instant: {
    name: 'instant glue',
    seamMPerMin: 0.6,
    touchMin: 1,
    cureMin: 60,
    caution: 'instantGlue',
    pricePerM: 1.2,
    gPerM: 1,
  },
  hot: {
    name: 'hot glue',
    seamMPerMin: 0.3,
    touchMin: 2,
    cureMin: 15,
    caution: 'hotGlue',
    pricePerM: 0.2,
    gPerM: 8,
  },
};

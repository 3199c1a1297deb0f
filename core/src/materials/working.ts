/** How a maker works where schools differ. */
export interface Habits {
  glue: 'contact' | 'instant' | 'hot';
  fold: 'v-groove' | 'slanted-pair' | 'heat-and-fold' | 'partial-cut';
  seal: 'spray-rubber' | 'brush-on' | 'acrylic' | 'latex' | 'thermoplastic';
  cutter: 'knife' | 'band-saw' | 'laser';
}

/** What a build begins with; the maker changes it under Make. */
export const startHabits: Habits = {
  glue: 'contact',
  fold: 'v-groove',
  seal: 'spray-rubber',
  cutter: 'knife',
};

/** Working speeds in metres per minute and minutes per job; typical values from memory. */
export const speeds = {
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
}

/** Paint and clear coat, dry, grams per square metre; from memory. */
export const paintGPerM2 = 90;

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
  },
  'brush-on': {
    name: 'flexible brush-on sealer',
    coats: 3,
    workMin: 15,
    betweenMin: 45,
    handleMin: 120,
    pricePerM2: 18,
    gPerM2: 250,
  },
  acrylic: {
    name: 'acrylic coats',
    coats: 4,
    workMin: 12,
    betweenMin: 40,
    handleMin: 120,
    pricePerM2: 12,
    gPerM2: 120,
  },
  latex: {
    name: 'latex',
    coats: 3,
    workMin: 15,
    betweenMin: 90,
    handleMin: 240,
    pricePerM2: 15,
    gPerM2: 300,
  },
  thermoplastic: {
    name: 'thermoplastic skin with filler and primer',
    coats: 4,
    workMin: 25,
    betweenMin: 60,
    handleMin: 240,
    pricePerM2: 90,
    gPerM2: 1100,
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

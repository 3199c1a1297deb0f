/** Where on the body a measure belongs; groups the fields and the figure's tapes. */
export type BodyRegion = 'whole' | 'arm' | 'hand';

export type MeasureKey =
  | 'stature'
  | 'wristGirth'
  | 'forearmGirth'
  | 'forearmGirthAt'
  | 'elbowGirth'
  | 'forearmLength'
  | 'handGirth'
  | 'handLength';

export interface MeasureInfo {
  key: MeasureKey;
  label: string;
  region: BodyRegion;
  /** Name in ISO 8559-1 / ISO 7250-1 where the standard has one. */
  standardName?: string;
  /** How to hold the tape. */
  how: string;
  /** Lowest and highest value seen on people from a small child to a very large adult, mm. */
  rangeMm: [number, number];
}

export const measures: MeasureInfo[] = [
  {
    key: 'stature',
    label: 'Stature',
    region: 'whole',
    standardName: 'stature (body height)',
    how: 'Stand barefoot against a wall, book flat on the head, mark, measure to the floor.',
    rangeMm: [800, 2300],
  },
  {
    key: 'wristGirth',
    label: 'Wrist girth',
    region: 'arm',
    standardName: 'wrist girth',
    how: 'Round the wrist over the bony knob, tape flat, snug but not pressing.',
    rangeMm: [95, 260],
  },
  {
    key: 'forearmGirth',
    label: 'Widest forearm girth',
    region: 'arm',
    standardName: 'forearm girth',
    how: 'Fist clenched, elbow bent. Slide the tape up the forearm and read the largest value.',
    rangeMm: [130, 450],
  },
  {
    key: 'forearmGirthAt',
    label: 'Widest forearm, from the wrist',
    region: 'arm',
    how: 'From the knob of the wrist straight up the arm to where the forearm was widest.',
    rangeMm: [50, 330],
  },
  {
    key: 'elbowGirth',
    label: 'Girth below the elbow',
    region: 'arm',
    how: 'Arm bent to a right angle, tape just clear of the crease on the forearm side.',
    rangeMm: [130, 460],
  },
  {
    key: 'forearmLength',
    label: 'Wrist to elbow crease',
    region: 'arm',
    how: 'Along the inside of the arm, from the wrist fold to the crease of the bent elbow.',
    rangeMm: [90, 360],
  },
  {
    key: 'handGirth',
    label: 'Hand girth',
    region: 'hand',
    standardName: 'hand circumference',
    how: 'Round the knuckles without the thumb, fingers together.',
    rangeMm: [100, 300],
  },
  {
    key: 'handLength',
    label: 'Hand length',
    region: 'hand',
    standardName: 'hand length',
    how: 'From the wrist fold to the tip of the middle finger, palm up.',
    rangeMm: [90, 260],
  },
];

export const measureInfo = (key: MeasureKey): MeasureInfo => measures.find((m) => m.key === key)!;

export type MeasureSource = 'tape' | 'scan' | 'csv';

/** One reading, dated and kept; the newest of a key counts. */
export interface Measure {
  key: MeasureKey;
  valueMm: number;
  source: MeasureSource;
  /** ISO date. */
  takenOn: string;
}

export interface Wearer {
  name: string;
  /** Thickness of clothing under the armour. */
  underLayerMm: number;
  measures: Measure[];
}

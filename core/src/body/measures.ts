import { findIn } from '../units';
import { armMeasures } from './measures/arm';
import { headMeasures } from './measures/head';
import { legMeasures } from './measures/leg';
import { torsoMeasures } from './measures/torso';
import type { MeasureInfo, MeasureKey } from './measures/types';

export type { BodyRegion, MeasureInfo, MeasureKey } from './measures/types';

const stature: MeasureInfo = {
  key: 'stature',
  label: 'Stature',
  region: 'whole',
  standardName: 'stature (body height)',
  how: 'Stand barefoot against a wall, book flat on the head, mark, measure to the floor.',
  rangeMm: [800, 2300],
};

/** The full tape set, head to foot. */
export const measures: MeasureInfo[] = [
  stature,
  ...headMeasures,
  ...torsoMeasures,
  ...armMeasures,
  ...legMeasures,
];

/** Eight readings that give a usable figure; the rest is estimated from them. */
export const shortSet: MeasureKey[] = [
  'stature',
  'headGirth',
  'neckGirth',
  'chestGirth',
  'waistGirth',
  'hipGirth',
  'wristGirth',
  'calfGirth',
];

export const measureInfo = (key: MeasureKey): MeasureInfo => findIn(measures, (m) => m.key === key);

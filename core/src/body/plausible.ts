import { trimNumber, itemAt } from '../units';
import { expectedMm, newestMeasures } from './estimate';
import { measureInfo, type MeasureKey } from './measures';
import type { Measure } from './wearer';

/** A reading that cannot be right, and what was probably meant. */
export interface Doubt {
  key: MeasureKey;
  message: string;
  /** No one has such a measure; nothing worked out from it can be right. */
  impossible: boolean;
  proposedMm?: number;
}

/** Girths of which the first should be smaller than the second on anyone. */
const smallerThan: [MeasureKey, MeasureKey][] = [
  ['wristGirth', 'forearmGirth'],
  ['wristGirth', 'handGirth'],
  ['elbowGirth', 'stature'],
  ['forearmGirthAt', 'forearmLength'],
  ['handLength', 'forearmLength'],
  ['neckGirth', 'chestGirth'],
  ['ankleGirth', 'calfGirth'],
  ['kneeHeight', 'insideLeg'],
  ['insideLeg', 'stature'],
  ['headBreadth', 'headLength'],
  ['upperArmGirth', 'thighGirth'],
  ['underBustGirth', 'chestGirth'],
  ['wristGirth', 'neckGirth'],
];

const slips: [string, (value: number) => number[]][] = [
  ['centimetres', (v) => [v * 10]],
  ['inches', (v) => [v * 25.4]],
  ['one digit too many', (v) => [v / 10]],
  ['two digits swapped', swapped],
];

function swapped(value: number): number[] {
  const digits = [...String(Math.round(value))];
  return digits.slice(1).map((digit, i) => {
    const copy = [...digits];
    copy[i + 1] = itemAt(copy, i);
    copy[i] = digit;
    return Number(copy.join(''));
  });
}

/** People of one stature differ by less than this factor in any measure; statures themselves by more. */
const spread = (key: MeasureKey): number => (key === 'stature' ? 2.2 : 1.45);

/** Whether a value is within range and not far from what the other readings say. */
function believable(key: MeasureKey, valueMm: number, expected: number): boolean {
  const [low, high] = measureInfo(key).rangeMm;
  return valueMm >= low && valueMm <= high && Math.abs(Math.log(valueMm / expected)) < Math.log(spread(key));
}

/** The slip of the pen that best explains a reading, if one lands near what is expected. */
function proposeReading(
  key: MeasureKey,
  valueMm: number,
  expected: number,
): { mm: number; slip: string } | undefined {
  const options = slips.flatMap(([slip, undo]) => undo(valueMm).map((mm) => ({ mm, slip })));
  return options
    .filter(({ mm }) => believable(key, mm, expected))
    .sort((a, b) => Math.abs(Math.log(a.mm / expected)) - Math.abs(Math.log(b.mm / expected)))[0];
}

const said = (mm: number): string => trimNumber(mm, 0);

/** Readings that are out of range, out of proportion, or contradict each other. */
export function doubts(readings: readonly Measure[]): Doubt[] {
  const newest = newestMeasures(readings);
  const found: Doubt[] = [];
  for (const [key, { valueMm }] of newest) {
    const expected = expectedMm(readings, key);
    if (believable(key, valueMm, expected)) continue;
    const { label, rangeMm } = measureInfo(key);
    const proposal = proposeReading(key, valueMm, expected);
    const outside = valueMm < rangeMm[0] || valueMm > rangeMm[1];
    const why = outside
      ? `${label} ${said(valueMm)} mm is outside ${rangeMm[0]}–${rangeMm[1]} mm.`
      : `${label} ${said(valueMm)} mm does not go with the other measures (about ${said(expected)} mm).`;
    const meant = proposal
      ? ` Did you mean ${said(proposal.mm)} mm (${proposal.slip})?`
      : ' Measure it again.';
    found.push({
      key,
      message: why + meant,
      impossible: outside,
      ...(proposal && { proposedMm: Math.round(proposal.mm) }),
    });
  }
  for (const [small, large] of smallerThan) {
    const a = newest.get(small);
    const b = newest.get(large);
    if (!a || !b || a.valueMm < b.valueMm || found.some((d) => d.key === small || d.key === large)) continue;
    const names = `${measureInfo(small).label} ${said(a.valueMm)} mm is not smaller than ${measureInfo(large).label.toLowerCase()} ${said(b.valueMm)} mm.`;
    found.push({
      key: small,
      impossible: false,
      message: `${names} Perhaps the two are swapped; measure both again.`,
    });
  }
  return found;
}

import { measureInfo, type MeasureKey, zoneInfo } from '../body';
import { byId, printMm, firstOf } from '../units';
import type { Finding } from '../document';
import { inPart, when, type PartRule } from './rule';

/** Up to this many similar findings are listed one by one; more are shown as one, with a count. */
const FEW = 2;

/** Groups similar findings: a large group is represented by its worst one. */
function asOne(checks: readonly Finding[]): { check: Finding; others: number }[] {
  const groups = new Map<string, Finding[]>();
  for (const check of checks) {
    const key = check.alike ?? check.id;
    groups.set(key, [...(groups.get(key) ?? []), check]);
  }
  return [...groups.values()].flatMap((all) => {
    if (all.length <= FEW) return all.map((check) => ({ check, others: 0 }));
    const worst = all.reduce((a, b) => (b.excess > a.excess ? b : a));
    return [{ check: worst, others: all.length - 1 }];
  });
}

/** What was noticed while the part was worked out. */
export const ownChecks: PartRule = ({ part, made, index }) =>
  asOne(made.checks).map(({ check: { remedies, ...check }, others }): Finding => ({
    ...check,
    id: `${check.id}:${part.id}`,
    title: `${part.name}: ${check.title}${others > 0 ? ` ${others} more like it.` : ''}`,
    partId: part.id,
    remedies: remedies.map(({ label, changes }) => ({ label, changes: inPart(index, changes) })),
  }));

/** Another thickness serves better. */
export const betterThickness: PartRule = ({ part, made, index }) => {
  const best = made.trial.find((row) => row.recommended);
  const { nominalMm } = firstOf(part.stack);
  // What the trial holds against a thickness is known of what is worn.
  return when(made.zone !== undefined && best !== undefined && !best.chosen, () => ({
    id: `thickness:${part.id}`,
    severity: 'note',
    station: 'shape',
    title: `${part.name}: ${best!.nominalMm} mm would serve better than ${nominalMm} mm.`,
    why: `${best!.reasons.join('; ')}.`,
    provenance: 'memory',
    excess: Math.abs(best!.nominalMm - nominalMm),
    partId: part.id,
    remedies: [
      {
        label: `Go to ${best!.nominalMm} mm foam`,
        changes: inPart(index, [{ path: ['stack', 0, 'nominalMm'], value: best!.nominalMm }]),
      },
    ],
  }));
};

/** Sides further apart than this want a pattern each; mm, from memory. */
const APART_MM = 8;

/** A mirrored pair for limbs that differ. */
export const pairFitsBoth: PartRule = ({ part, made, report, index }) => {
  const apart = (made.zone ? zoneInfo(made.zone).decisive : [])
    .map((key) => ({ key, mm: Math.abs(report.sides.left[key].valueMm - report.sides.right[key].valueMm) }))
    .reduce((a, b) => (b.mm > a.mm ? b : a), { key: 'wristGirth' as MeasureKey, mm: 0 });
  return when(made.copies === 2 && apart.mm > APART_MM, () => ({
    id: `sides:${part.id}`,
    severity: 'mind',
    station: 'body',
    title: `${part.name}: left and right differ by ${printMm(apart.mm, 0)} in ${measureInfo(apart.key).label.toLowerCase()}; the pair is cut to the larger.`,
    why: 'One flipped pattern serves both sides only when they are alike. Make this one the left, copy it, and make the copy the right.',
    provenance: 'memory',
    excess: apart.mm - APART_MM,
    partId: part.id,
    remedies: [
      {
        label: 'Make this one the left',
        changes: inPart(index, [{ path: ['mount', 'side'], value: 'left' }]),
      },
    ],
  }));
};

/** Mounted on something that is gone, or at a place it no longer has. */
export const mountHolds: PartRule = ({ part, report }) => {
  const { mount } = part;
  if (mount.to !== 'part') return [];
  const host = byId(report.parts, mount.part);
  if (host?.anchors.some((a) => a.id === mount.anchor)) return [];
  return [
    {
      id: `mount:${part.id}`,
      severity: 'mind',
      station: 'shape',
      title: host
        ? `${part.name}: ${host.name} has no place “${mount.anchor}” any more; it is shown at the first there is.`
        : `${part.name}: the part it was mounted on is gone.`,
      why: 'Choose another place for it.',
      provenance: 'standard',
      excess: 1,
      partId: part.id,
      remedies: [],
    },
  ];
};

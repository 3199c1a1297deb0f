import { wantedFlexionDeg } from '../forms/limbFit';
import { closures } from '../materials/closures';
import { printMm, trimNumber } from '../units/length';
import type { Remedy } from './finding';
import { setParam, setPart, when, type BracerRule } from './rule';

const up5 = (mm: number): number => Math.ceil(mm / 5) * 5;

/** The hand cannot get through. */
export const handPasses: BracerRule = (context) => {
  const { part, made } = context;
  const { openingMm, passNeedMm } = made.fit;
  const short = passNeedMm - openingMm;
  const closed = part.params.closure === 'none';
  const thinner = made.trial.filter((row) => row.passes && row.nominalMm < part.foam.nominalMm).at(-1);
  return when(short > 0, () => {
    const remedies: Remedy[] = [];
    const ease = Math.ceil(part.params.easeMm + short);
    if (ease <= 60) remedies.push({ label: `Ease ${ease} mm`, changes: [setParam(context, 'easeMm', ease)] });
    if (closed) {
      remedies.push({
        label: 'Open it: 20 mm gap, hook-and-loop',
        changes: [setParam(context, 'closure', 'hook-and-loop'), setParam(context, 'gapMm', 20)],
      });
    } else if (thinner) {
      remedies.push({
        label: `Go to ${thinner.nominalMm} mm foam`,
        changes: [setPart(context, ['foam', 'nominalMm'], thinner.nominalMm)],
      });
    }
    return {
      id: `hand-passes:${part.id}`,
      severity: 'stop',
      station: 'shape',
      title: `${part.name}: ${closed ? 'cuff' : 'sprung'} opening ${printMm(openingMm, 0)}, hand needs ${printMm(passNeedMm, 0)}.`,
      why: closed
        ? 'A closed cuff is slipped over the knuckles with the thumb tucked, about 12 % over the hand’s girth.'
        : `Springing ${made.foam.name} further than this strains it past 5 %, and it cracks or creases.`,
      sure: 'memory',
      partId: part.id,
      remedies,
    };
  });
};

/** The limb is thicker between the ends than a straight cone allows. */
export const bulgeFits: BracerRule = (context) => {
  const { part, made } = context;
  const { bulgeMisfitMm, bulgeAtMm, insideGirthMm } = made.fit;
  const share = bulgeMisfitMm / insideGirthMm;
  const spare = part.params.easeMm;
  return when(bulgeMisfitMm > Math.max(4, spare * 0.75), () => {
    const remedies: Remedy[] = [];
    const ease = Math.ceil(spare + bulgeMisfitMm);
    if (ease <= 60) remedies.push({ label: `Ease ${ease} mm`, changes: [setParam(context, 'easeMm', ease)] });
    const end = Math.floor(bulgeAtMm);
    if (end - part.params.elbowCutMm >= part.params.startMm + 30) {
      remedies.push({ label: `End ${end} mm from the wrist`, changes: [setParam(context, 'endMm', end)] });
    }
    return {
      id: `bulge:${part.id}`,
      severity: bulgeMisfitMm > spare + 12 ? 'stop' : 'mind',
      station: 'shape',
      title: `${part.name}: ${printMm(bulgeMisfitMm, 0)} of girth is missing ${printMm(bulgeAtMm, 0)} up from the wrist.`,
      why: `The arm swells between the two ends by ${trimNumber(share * 100, 1)} % more than a straight cone; ease of ${printMm(spare, 0)} must give way or the foam must be stretched there while hot.`,
      sure: 'standard',
      partId: part.id,
      remedies,
    };
  });
};

/** The elbow meets the shell before it is bent enough. */
export const elbowBends: BracerRule = (context) => {
  const { part, made } = context;
  const { flexionDeg, deeperCutMm } = made.fit;
  return when(flexionDeg < wantedFlexionDeg, () => {
    const remedies: Remedy[] = [];
    if (deeperCutMm !== undefined) {
      remedies.push({
        label: `Cut away ${deeperCutMm} mm`,
        changes: [setParam(context, 'elbowCutMm', deeperCutMm)],
      });
    }
    const shorter = Math.max(60, Math.floor((part.params.endMm - 25) / 5) * 5);
    if (shorter < part.params.endMm && shorter > part.params.startMm + 40) {
      remedies.push({
        label: `End ${shorter} mm from the wrist`,
        changes: [setParam(context, 'endMm', shorter)],
      });
    }
    return {
      id: `elbow:${part.id}`,
      severity: flexionDeg < 90 ? 'stop' : 'mind',
      station: 'shape',
      title: `${part.name}: the elbow bends ${trimNumber(flexionDeg, 0)}° before the shell meets the upper arm; ${wantedFlexionDeg}° reaches the mouth.`,
      why: 'Worked out from the sections in the plane of the bend, with a third of the upper arm’s depth giving way.',
      sure: 'memory',
      partId: part.id,
      remedies,
    };
  });
};

/** The gap does not suit what shuts it. */
export const gapSuitsClosure: BracerRule = (context) => {
  const { part } = context;
  const closure = closures[part.params.closure];
  const { gapMm } = part.params;
  const outside = part.params.closure !== 'none' && (gapMm < closure.minGapMm || gapMm > closure.maxGapMm);
  return when(outside, () => {
    const nearest = Math.min(closure.maxGapMm, Math.max(closure.minGapMm, gapMm));
    return {
      id: `gap:${part.id}`,
      severity: 'mind',
      station: 'shape',
      title: `${part.name}: a ${printMm(gapMm, 0)} gap is too ${gapMm < nearest ? 'small' : 'wide'} for ${closure.name} (${closure.minGapMm}–${closure.maxGapMm} mm).`,
      why:
        gapMm < nearest
          ? 'The edges meet before the straps pull tight, so it cannot be adjusted.'
          : 'The strap bends into the gap and the edges gape.',
      sure: closure.sure,
      partId: part.id,
      remedies: [{ label: `Gap ${nearest} mm`, changes: [setParam(context, 'gapMm', nearest)] }],
    };
  });
};

/** The shell is upside down or shorter than can be worn. */
export const endsInOrder: BracerRule = (context) => {
  const { part, report } = context;
  const { startMm, endMm, elbowCutMm } = part.params;
  const reach = report.body.forearmLength.valueMm;
  const tooShort = endMm - elbowCutMm < startMm + 30;
  const tooLong = endMm > reach;
  return [
    ...when(tooShort, () => ({
      id: `ends:${part.id}`,
      severity: 'stop',
      station: 'shape',
      title: `${part.name}: only ${printMm(endMm - elbowCutMm - startMm, 0)} of foam is left between cuff and elbow edge on the inside; 30 mm is the least.`,
      why: 'The cut-away eats the shell.',
      sure: 'practice',
      partId: part.id,
      remedies: [
        {
          label: `Elbow edge ${up5(startMm + elbowCutMm + 40)} mm from the wrist`,
          changes: [setParam(context, 'endMm', up5(startMm + elbowCutMm + 40))],
        },
      ],
    })),
    ...when(tooLong, () => ({
      id: `past-elbow:${part.id}`,
      severity: 'stop',
      station: 'shape',
      title: `${part.name}: the elbow edge stands ${printMm(endMm, 0)} from the wrist, past the crease at ${printMm(reach, 0)}.`,
      why: 'A stiff shell cannot cross the joint.',
      sure: 'practice',
      partId: part.id,
      remedies: [
        {
          label: `End ${Math.floor((reach * 0.88) / 5) * 5} mm from the wrist`,
          changes: [setParam(context, 'endMm', Math.floor((reach * 0.88) / 5) * 5)],
        },
      ],
    })),
  ];
};

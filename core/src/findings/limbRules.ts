import { byId, trimNumber } from '../units';
import type { BuildRule } from './rule';

/** Stockings that press a healthy leg harder are prescribed: 32 mmHg, the most of compression class 2 (RAL-GZ 387/1). */
const LIMB_KPA = 4.3;

/** What is held on arms and legs by its straps alone is not so heavy that they would have to cut in. */
export const staysUp: BuildRule = ({ report }) =>
  report.onLimbs
    .filter((l) => l.kPa > LIMB_KPA)
    .map((l) => ({
      id: `slides:${l.partId}`,
      severity: 'mind' as const,
      station: 'shape' as const,
      title: `${byId(report.parts, l.partId)?.name ?? l.name}: ${trimNumber(l.massG, 0)} g slide down, or ${l.straps === 1 ? 'its strap presses' : 'its straps press'} with ${trimNumber(l.kPa)} kPa; ${LIMB_KPA} kPa is the most for a limb.`,
      why: `Held by friction alone, each strap would have to be drawn with ${trimNumber(l.pullN)} N. Hang part of it from a belt or a harness, make it lighter, or add straps.`,
      provenance: 'standard' as const,
      excess: l.kPa - LIMB_KPA,
      partId: l.partId,
      remedies: [],
    }));

import { trimNumber } from '../units';
import type { Finding } from '../document';
import type { PartRule } from './rule';

/** Foam thinner than this lets a strip behind it shine through; from memory. */
const OPAQUE_MM = 4;
/** Light nearer than this to an edge finds the seam; common practice, no source. */
const LIP_MM = 12;

/** Light that shows where it should not: through thin foam, and out of seams. */
export const lightTells: PartRule = ({ made }) => {
  const behind = made.items.filter(({ steady }) => steady && (steady.kind !== 'board' || steady.lit));
  return behind.flatMap((item): Finding[] => {
    const foamMm = item.fit?.foamMm ?? 0;
    const thin = foamMm > 0 && foamMm < OPAQUE_MM;
    const leaks = item.pieceId !== undefined && item.marginMm < LIP_MM;
    if (!thin && !leaks) return [];
    return [
      {
        id: `tell:${made.id}:${item.id}`,
        severity: 'note',
        station: 'inside',
        title: thin
          ? `${made.name}: the ${item.name} shows through ${trimNumber(foamMm)} mm of foam.`
          : `${made.name}: the ${item.name} lies ${trimNumber(Math.max(0, item.marginMm), 0)} mm from a seam and shows through it.`,
        why: 'Three coats of opaque paint inside, or a 4 mm lip over the seam by 12 mm, stop it. Look for tells in a dark room before painting.',
        provenance: 'practice',
        excess: 1,
        partId: made.id,
        ...(item.pieceId !== undefined && { pieceId: item.pieceId }),
        remedies: [],
      },
    ];
  });
};

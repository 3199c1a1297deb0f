import { zoneInfo } from '../body';
import { togetherWeight, placedWeight } from '../geometry';
import { closures } from '../materials';
import { allOntoRoot, membersOf, type PartReport } from '../parts';
import { itemAt, newtonsOf } from '../units';

/** How straps hold something up on an arm or a leg: by friction alone. */
export interface OnLimb {
  partId: string;
  name: string;
  massG: number;
  straps: number;
  wideMm: number;
  /** What each strap has to be drawn with so that it does not slide, walking; and how hard it then presses. */
  pullN: number;
  kPa: number;
}

/** Foam and straps on cloth; from memory. */
const FRICTION = 0.3;
/** A step shakes it by as much again as it weighs; from memory. */
const SHAKEN = 2;

/**
 * What each of some straps round a limb must be drawn with: a loop drawn with T presses with 2πT in all (T/r on every
 * millimetre of its way), and friction holds its share of that.
 */
export const holdingN = (weightN: number, straps: number): number =>
  (SHAKEN * weightN) / (2 * Math.PI * FRICTION * straps);

/** What is worn on arms and legs and shut with straps. One that is hung from something else too is left out: what that takes is not known. */
export const onLimbs = (parts: readonly PartReport[]): OnLimb[] =>
  parts.flatMap((part): OnLimb[] => {
    const { mount } = part;
    if (mount.to !== 'wearer' || !zoneInfo(mount.zone).limb || part.ties.length > 0) return [];
    const held = part.fastenings.flatMap((f) => {
      const { wideMm } = closures[f.closure];
      return wideMm === undefined || f.shoulder ? [] : [{ count: f.count, wideMm }];
    });
    const straps = held.reduce((sum, h) => sum + h.count, 0);
    if (straps === 0 || part.girthMm <= 0) return [];
    const members = membersOf(parts, part.id).flatMap((p) =>
      allOntoRoot(parts, p.id, part.id).map((toRoot) => placedWeight(p.weight, toRoot)),
    );
    const { massG } = togetherWeight(members);
    const pullN = holdingN(newtonsOf(massG), straps);
    const { wideMm } = itemAt(held, 0);
    const radiusMm = part.girthMm / (2 * Math.PI);
    return [
      {
        partId: part.id,
        name: part.name,
        massG,
        straps,
        wideMm,
        pullN,
        kPa: (pullN / (radiusMm * wideMm)) * 1000,
      },
    ];
  });

import { type Body, levels, neckSection, STRAP_AT } from '../body';
import { placedWeight, togetherWeight } from '../geometry';
import { allOntoRoot, membersOf, type PartReport } from '../parts';
import { newtonsOf } from '../units';

/** What the shoulders carry of something worn on the back, with all that hangs on it. */
export interface OnBack {
  rootId: string;
  name: string;
  partIds: string[];
  massG: number;
  /** Its middle behind the shoulders, and to the right of the spine; mm. */
  behindMm: number;
  asideMm: number;
  /** Weight on each shoulder by the lever, newton; what a waist strap takes is not counted. */
  rightN: number;
  leftN: number;
  /** How hard it pulls the shoulders back, N·m. */
  backNm: number;
}

/** Everything worn on the back: masses and middles of all parts are summed, and each shoulder carries by its lever. */
export function onBack(parts: readonly PartReport[], body: Body): OnBack[] {
  const shouldersMm = neckSection(body, levels(body).chin).forwardMm;
  const strapMm = STRAP_AT * body.shoulderBreadth.valueMm;
  return parts
    .filter((p) => p.mount.to === 'wearer' && p.mount.zone === 'back')
    .map((root): OnBack => {
      const members = membersOf(parts, root.id).flatMap((part) =>
        allOntoRoot(parts, part.id, root.id).map((toRoot) => ({ part, toRoot })),
      );
      const { massG, at } = togetherWeight(members.map((m) => placedWeight(m.part.weight, m.toRoot)));
      const weightN = newtonsOf(massG);
      // Beyond a strap all of it hangs on that one.
      const share = Math.min(1, Math.max(0, 0.5 + at.x / (2 * strapMm)));
      const behindMm = Math.max(0, shouldersMm - at.y);
      return {
        rootId: root.id,
        name: root.name,
        partIds: members.map((m) => m.part.id),
        massG,
        behindMm,
        asideMm: at.x,
        rightN: weightN * share,
        leftN: weightN * (1 - share),
        backNm: (weightN * behindMm) / 1000,
      };
    });
}

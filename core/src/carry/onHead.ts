import { type Body, levels, neckSection } from '../body';
import { placedWeight, togetherWeight, type Vec2 } from '../geometry';
import { allOntoRoot, membersOf, type PartReport } from '../parts';
import { newtonsOf } from '../units';

/** Nearer to the neck than this it needs no lead, mm. */
const LEVEL_MM = 1;

/** What a part on the head weighs with everything that hangs on it, and how it pulls the neck over. */
export interface OnHead {
  rootId: string;
  name: string;
  partIds: string[];
  massG: number;
  /** Its middle ahead of the neck, and to the right of it; behind and to the left when negative, mm. */
  aheadMm: number;
  asideMm: number;
  /** How hard it tips the head, held upright, N·m. */
  momentNm: number;
  /** The lead that levels it: how much, and how far from the neck on the side it goes to; none where it is level. */
  lead?: { massG: number; armMm: number; side: 'behind' | 'ahead' | 'left' | 'right' };
}

/** The side of the head that a way points to most. */
const sideOf = ({ x, y }: Vec2): 'behind' | 'ahead' | 'left' | 'right' =>
  Math.abs(y) >= Math.abs(x) ? (y < 0 ? 'behind' : 'ahead') : x < 0 ? 'left' : 'right';

/**
 * Everything that is worn on the head, by what it hangs on: masses and middles of all parts are summed about the pivot of
 * the neck, under the middle of it at the height of the chin. The lead sits on the parts, straight across from the middle.
 */
export function onHead(parts: readonly PartReport[], body: Body): OnHead[] {
  const pivot = { x: 0, y: neckSection(body, levels(body).chin).forwardMm };
  return parts
    .filter((p) => p.mount.to === 'wearer' && p.mount.zone === 'head')
    .map((root): OnHead => {
      const members = membersOf(parts, root.id).flatMap((part) =>
        allOntoRoot(parts, part.id, root.id).map((toRoot) => ({ part, toRoot })),
      );
      const { massG, at } = togetherWeight(members.map((m) => placedWeight(m.part.weight, m.toRoot)));
      const off = { x: at.x - pivot.x, y: at.y - pivot.y };
      const offMm = Math.hypot(off.x, off.y);
      const away = { x: -off.x / (offMm || 1), y: -off.y / (offMm || 1) };
      // No further across than the parts reach there.
      const armMm = members.reduce(
        (most, { part, toRoot }) =>
          part.solid.mesh.points.reduce((m, p) => {
            const q = toRoot(p);
            return Math.max(m, (q.x - pivot.x) * away.x + (q.y - pivot.y) * away.y);
          }, most),
        0,
      );
      return {
        rootId: root.id,
        name: root.name,
        partIds: members.map((m) => m.part.id),
        massG,
        aheadMm: off.y,
        asideMm: off.x,
        momentNm: newtonsOf(massG) * (offMm / 1000),
        ...(offMm > LEVEL_MM &&
          armMm > 0 && { lead: { massG: (massG * offMm) / armMm, armMm, side: sideOf(away) } }),
      };
    });
}

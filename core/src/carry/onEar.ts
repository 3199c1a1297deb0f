import { type Body, earOf, headForm } from '../body';
import { placedWeight, togetherWeight } from '../geometry';
import { allOntoRoot, membersOf, type PartReport } from '../parts';
import { newtonsOf } from '../units';

/** What hangs on one ear with everything that is on it, and how it turns about the root of the ear. */
export interface OnEar {
  rootId: string;
  name: string;
  partIds: string[];
  massG: number;
  /** Its middle ahead of the root of the ear, behind when negative, and out from the head; mm. */
  aheadMm: number;
  outMm: number;
  /** How hard it nods forwards or backwards about the hook, and pulls the ear out; N·mm. */
  nodNmm: number;
  outNmm: number;
  /** What levels it, in a pocket at the wall on the other side of the hook; none where it is level. */
  lead?: { massG: number; armMm: number; side: 'behind' | 'ahead' };
}

/** Nearer than this it hangs level, mm. */
const LEVEL_MM = 3;

/** Everything that is worn on an ear, by what hangs on it; forms are made on the wearer’s right. */
export function onEar(parts: readonly PartReport[], body: Body): OnEar[] {
  const { at: root } = earOf(headForm(body), 1);
  return parts
    .filter((p) => p.mount.to === 'wearer' && p.mount.zone === 'ear')
    .map((part): OnEar => {
      const members = membersOf(parts, part.id).flatMap((p) =>
        allOntoRoot(parts, p.id, part.id).map((toRoot) => ({ p, toRoot })),
      );
      const { massG, at } = togetherWeight(members.map((m) => placedWeight(m.p.weight, m.toRoot)));
      const [aheadMm, outMm] = [at.y - root.y, Math.abs(at.x) - root.x];
      const weightN = newtonsOf(massG);
      const other = -Math.sign(aheadMm);
      const armMm = members.reduce(
        (most, { p, toRoot }) =>
          p.solid.mesh.points.reduce((m, q) => Math.max(m, (toRoot(q).y - root.y) * other), most),
        0,
      );
      return {
        rootId: part.id,
        name: part.name,
        partIds: members.map((m) => m.p.id),
        massG,
        aheadMm,
        outMm,
        nodNmm: weightN * Math.abs(aheadMm),
        outNmm: weightN * Math.max(0, outMm),
        ...(Math.abs(aheadMm) > LEVEL_MM &&
          armMm > 0 && {
            lead: {
              massG: (massG * Math.abs(aheadMm)) / armMm,
              armMm,
              side: aheadMm > 0 ? 'behind' : 'ahead',
            },
          }),
      };
    });
}

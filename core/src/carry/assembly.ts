import { type Mesh, placedWeight, togetherWeight, type Vec3, type Weight } from '../geometry';
import { allOntoRoot, membersOf, type PartReport } from '../parts';

/** A part that is carried or stands, with everything mounted on it, in its space. */
export interface Assembly {
  root: PartReport;
  parts: { part: PartReport; toRoot: (p: Vec3) => Vec3; weight: Weight; lowMm: number; highMm: number }[];
  weight: Weight;
  /** The way a stick runs; up when there is none. */
  axis: Vec3;
}

const spanAlong = (meshes: readonly Mesh[], place: (p: Vec3) => Vec3, axis: Vec3): [number, number] => {
  let [low, high] = [Infinity, -Infinity];
  for (const mesh of meshes)
    for (const p of mesh.points) {
      const q = place(p);
      const h = q.x * axis.x + q.y * axis.y + q.z * axis.z;
      low = Math.min(low, h);
      high = Math.max(high, h);
    }
  return low <= high ? [low, high] : [0, 0];
};

function axisOf({ sticks: [stick] }: PartReport): Vec3 {
  if (!stick) return { x: 0, y: 0, z: 1 };
  const run = { x: stick.to.x - stick.from.x, y: stick.to.y - stick.from.y, z: stick.to.z - stick.from.z };
  const size = Math.hypot(run.x, run.y, run.z) || 1;
  return { x: run.x / size, y: run.y / size, z: run.z / size };
}

/** Everything that is held in a hand: each part in the hand with what hangs on it, however deep. */
export function assembliesOf(parts: readonly PartReport[]): Assembly[] {
  const roots = parts.filter((p) => p.heldAt && p.mount.to !== 'part');
  return roots.map((root) => {
    const axis = axisOf(root);
    const members = membersOf(parts, root.id).flatMap((part) =>
      allOntoRoot(parts, part.id, root.id).map((toRoot) => {
        const [lowMm, highMm] = spanAlong([part.solid.mesh, part.extras], toRoot, axis);
        return { part, toRoot, weight: placedWeight(part.weight, toRoot), lowMm, highMm };
      }),
    );
    return { root, parts: members, weight: togetherWeight(members.map((m) => m.weight)), axis };
  });
}

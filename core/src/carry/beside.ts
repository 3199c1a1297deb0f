import { byId } from '../units';
import { dot3, joinMeshes, type Mesh, sub3, type Vec3 } from '../geometry';
import { allOntoRoot, membersOf, ontoRoot, type PartReport } from '../parts';

/** The way back of a rigid placing. */
function backOf(place: (p: Vec3) => Vec3): (p: Vec3) => Vec3 {
  const o = place({ x: 0, y: 0, z: 0 });
  const [x, y, z] = [
    { x: 1, y: 0, z: 0 },
    { x: 0, y: 1, z: 0 },
    { x: 0, y: 0, z: 1 },
  ].map((e) => sub3(place(e), o)) as [Vec3, Vec3, Vec3];
  return (p) => {
    const d = sub3(p, o);
    return { x: dot3(d, x), y: dot3(d, y), z: dot3(d, z) };
  };
}

/** Everything that is mounted together with a part, in the part's own space; the part itself left out. */
export function besideOf(parts: readonly PartReport[], id: string): Mesh | undefined {
  let rootId = id;
  for (let deep = 0; deep < parts.length; deep++) {
    const mount = byId(parts, rootId)?.mount;
    if (mount?.to !== 'part' || parts.every((p) => p.id !== mount.part)) break;
    rootId = mount.part;
  }
  const own = ontoRoot(parts, id, rootId);
  if (!own) return undefined;
  const back = backOf(own);
  const others = membersOf(parts, rootId).flatMap((part) => {
    const all = allOntoRoot(parts, part.id, rootId);
    // Of several alike the first is looked at, the others stand beside it.
    return (part.id === id ? all.slice(1) : all).flatMap((toRoot) =>
      [part.solid.mesh, part.extras].map((mesh) => ({
        ...mesh,
        points: mesh.points.map((p) => back(toRoot(p))),
      })),
    );
  });
  return others.length === 0 ? undefined : joinMeshes(others);
}

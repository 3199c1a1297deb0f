import { byId } from '../units';
import { dot3, joinMeshes, type Mesh, scale3, sub3, type Vec3 } from '../geometry';
import { allOntoRoot, type PartReport } from '../parts';
import { type AskedSolid, askedSolid, boxesMeet, inBox, spotsOn } from './solids';

/** Where two parts stand to each other. */
export interface Between {
  /** How deep one lies in the other at the deepest; 0 when they only touch. */
  deepMm: number;
  /** The least way from one to the other; 0 when they touch. */
  gapMm: number;
}

const bodies = new WeakMap<Mesh, WeakMap<Mesh, Mesh>>();

/** All that is solid of a part, in its own space. */
export function bodyOf({ solid, extras }: Pick<PartReport, 'solid' | 'extras'>): Mesh {
  const own = bodies.get(solid.mesh) ?? new WeakMap<Mesh, Mesh>();
  bodies.set(solid.mesh, own);
  const before = own.get(extras);
  if (before) return before;
  const all = joinMeshes([solid.mesh, extras]);
  own.set(extras, all);
  return all;
}

export const movedMesh = (mesh: Mesh, to: (p: Vec3) => Vec3): Mesh => ({
  triangles: mesh.triangles,
  points: mesh.points.map(to),
});

/** A way from one space into another and back, without any change of size. */
export interface Rigid {
  to: (p: Vec3) => Vec3;
  back: (p: Vec3) => Vec3;
}

/** A way with its inverse: the images of the axes are square to each other. */
export function rigid(to: (p: Vec3) => Vec3): Rigid {
  const at = to({ x: 0, y: 0, z: 0 });
  const [x, y, z] = [
    { x: 1, y: 0, z: 0 },
    { x: 0, y: 1, z: 0 },
    { x: 0, y: 0, z: 1 },
  ].map((axis) => sub3(to(axis), at)) as [Vec3, Vec3, Vec3];
  return {
    to,
    back: (p) => {
      const d = sub3(p, at);
      return { x: dot3(d, x), y: dot3(d, y), z: dot3(d, z) };
    },
  };
}

const inverse = ({ to, back }: Rigid): Rigid => ({ to: back, back: to });

type Box = Pick<AskedSolid, 'least' | 'most'>;

const wider = ({ least: l, most: m }: Box, byMm: number): Box => ({
  least: { x: l.x - byMm, y: l.y - byMm, z: l.z - byMm },
  most: { x: m.x + byMm, y: m.y + byMm, z: m.z + byMm },
});

/** The box along the axes round another that is turned into this space. */
export function boxOf({ least: l, most: m }: Box, to: (p: Vec3) => Vec3): Box {
  const corners = [l.x, m.x].flatMap((x) =>
    [l.y, m.y].flatMap((y) => [l.z, m.z].map((z) => to({ x, y, z }))),
  );
  const of = (pick: (...v: number[]) => number): Vec3 => ({
    x: pick(...corners.map((c) => c.x)),
    y: pick(...corners.map((c) => c.y)),
    z: pick(...corners.map((c) => c.z)),
  });
  return { least: of(Math.min), most: of(Math.max) };
}

/** The box that two boxes share. */
const meeting = (a: Box, b: Box): Box => ({
  least: {
    x: Math.max(a.least.x, b.least.x),
    y: Math.max(a.least.y, b.least.y),
    z: Math.max(a.least.z, b.least.z),
  },
  most: {
    x: Math.min(a.most.x, b.most.x),
    y: Math.min(a.most.y, b.most.y),
    z: Math.min(a.most.z, b.most.z),
  },
});

/** Spots nearer to a face than this lie on it, mm. */
const ON_MM = 0.25;

/** Where faces of both lie on each other, spots so deep behind them tell whether the solids do as well, mm. */
const BEHIND_MM = 1.2;

/** How deep spots of one lie in the other: on its faces, or a little behind them. */
function deepIn(own: AskedSolid, solid: AskedSolid, { to, back }: Rigid, behindMm: number): number {
  let deep = 0;
  for (const { at, out } of spotsOn(own.mesh, meeting(own, boxOf(solid, back)))) {
    const p = to(behindMm === 0 ? at : sub3(at, scale3(out, behindMm)));
    if (!inBox(p, solid)) continue;
    const { mm, behind } = solid.away(p, Math.max(deep, ON_MM));
    // What is no deeper than what is known, or before the nearest face, need not be looked through.
    if (behind && mm > Math.max(deep, ON_MM) && solid.inside(p)) deep = mm;
  }
  return deep;
}

/** How near two solids come, as far as it matters. */
function gapTo(own: AskedSolid, solid: AskedSolid, { to, back }: Rigid, mostMm: number): number {
  let gap = Infinity;
  for (const { at } of spotsOn(own.mesh, meeting(own, boxOf(wider(solid, mostMm), back)))) {
    gap = Math.min(gap, solid.away(to(at), ON_MM, gap).mm);
    if (gap < ON_MM) return gap;
  }
  return gap;
}

/**
 * How two solids stand to each other, the first brought into the space of the second.
 * @param mostMm further apart than this is just further; 0 where the gap between them is not asked.
 */
export function betweenMeshes(a: Mesh, b: Mesh, way: Rigid, mostMm: number): Between {
  if (a.triangles.length === 0 || b.triangles.length === 0) return { deepMm: 0, gapMm: Infinity };
  const [one, two] = [askedSolid(a), askedSolid(b)];
  const box = boxOf(one, way.to);
  if (!boxesMeet(box, two, mostMm)) return { deepMm: 0, gapMm: Infinity };
  const deep = (behindMm: number): number =>
    Math.max(deepIn(one, two, way, behindMm), deepIn(two, one, inverse(way), behindMm));
  const onFaces = boxesMeet(box, two) ? deep(0) : 0;
  // What hangs on another touches it on purpose; two beside each other may be in one place face on face.
  const deepMm = onFaces > ON_MM || mostMm > 0 || !boxesMeet(box, two) ? onFaces : deep(BEHIND_MM);
  if (deepMm > ON_MM || mostMm === 0) return { deepMm, gapMm: 0 };
  return { deepMm, gapMm: Math.min(gapTo(one, two, way, mostMm), gapTo(two, one, inverse(way), mostMm)) };
}

/** Further than this from what it hangs on a part floats for all that matters, mm. */
export const FAR_MM = 60;

const pairs = new WeakMap<Mesh, WeakMap<Mesh, Map<string, Between>>>();

/**
 * How a mounted part stands to one of its assembly, all copies of it; remembered while neither changes.
 * @param hung whether the first hangs on the second, so that the gap between them is asked.
 */
export function between(
  part: PartReport,
  other: PartReport,
  parts: readonly PartReport[],
  rootId: string,
  attached = false,
): Between {
  const [a, b] = [bodyOf(part), bodyOf(other)];
  const key = JSON.stringify([attached, chainOf(part, parts), chainOf(other, parts)]);
  const own = pairs.get(a) ?? new WeakMap<Mesh, Map<string, Between>>();
  pairs.set(a, own);
  const known = own.get(b) ?? new Map<string, Between>();
  own.set(b, known);
  const before = known.get(key);
  if (before) return before;
  const [theirs] = allOntoRoot(parts, other.id, rootId);
  if (!theirs) return { deepMm: 0, gapMm: Infinity };
  const { back } = rigid(theirs);
  const found = allOntoRoot(parts, part.id, rootId)
    .map((to) =>
      betweenMeshes(
        a,
        b,
        rigid((p) => back(to(p))),
        FAR_MM,
      ),
    )
    // Of several copies the one that lies deepest, or stands off furthest, speaks for all.
    .reduce<Between>(
      (worst, one) => ({
        deepMm: Math.max(worst.deepMm, one.deepMm),
        gapMm: Math.max(worst.gapMm, one.gapMm),
      }),
      { deepMm: 0, gapMm: 0 },
    );
  known.set(key, found);
  return found;
}

/** The mounts between a part and the root of its assembly. */
function chainOf(part: PartReport, parts: readonly PartReport[]): unknown[] {
  const chain: unknown[] = [];
  for (let now: PartReport | undefined = part, deep = 0; now && deep < parts.length; deep++) {
    chain.push(now.mount);
    const { mount }: PartReport = now;
    now = mount.to === 'part' ? byId(parts, mount.part) : undefined;
  }
  return chain;
}

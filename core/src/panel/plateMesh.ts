import { itemAt, firstOf, lastOf } from '../units';
import {
  add3,
  common,
  cross3,
  dist2,
  type Mesh,
  type Region,
  regionArea,
  scale3,
  signedArea,
  triangulated,
  type Vec2,
  without,
} from '../geometry';
import { onPlane, through, type Plate } from './plateShape';

const NEAR_MM = 2e-3;

/** Whether a point lies on a ring. */
function onRing(ring: readonly Vec2[], p: Vec2): boolean {
  return ring.some((a, i) => {
    const c = itemAt(ring, (i + 1) % ring.length);
    const [dx, dy] = [c.x - a.x, c.y - a.y];
    const size = dx * dx + dy * dy;
    const t = size === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / size));
    return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy) < NEAR_MM;
  });
}

const onAny = (region: Region, p: Vec2): boolean => region.some((ring) => onRing(ring, p));

/** Points of the plane at heights above it, and triangles over them. */
class Faces {
  readonly points: { p: Vec2; h: number }[] = [];
  readonly triangles: [number, number, number][] = [];

  triangle(...corners: { p: Vec2; h: number }[]): void {
    const base = this.points.length;
    this.points.push(...corners);
    this.triangles.push([base, base + 1, base + 2]);
  }

  cap(region: Region, h: number, up: boolean): void {
    this.cover(triangulated(region), () => h, up);
  }

  cover({ points, triangles }: Triangulated, heightOf: (p: Vec2) => number, up: boolean): void {
    const base = this.points.length;
    for (const p of points) this.points.push({ p, h: heightOf(p) });
    for (const [a, b, c] of triangles)
      this.triangles.push(up ? [a + base, b + base, c + base] : [a + base, c + base, b + base]);
  }

  /** An upright wall along a run of a ring: inside is on the left of the run. */
  wall(a: Vec2, b: Vec2, low: number, high: number): void {
    this.triangle({ p: a, h: low }, { p: b, h: low }, { p: b, h: high });
    this.triangle({ p: a, h: low }, { p: b, h: high }, { p: a, h: high });
  }
}

type Triangulated = ReturnType<typeof triangulated>;

/** Edges of triangles that no other triangle shares, as they run. */
function rimOf({ points, triangles }: Triangulated): [Vec2, Vec2][] {
  const key = (p: Vec2): string => `${p.x.toFixed(4)},${p.y.toFixed(4)}`;
  const sides = triangles.flatMap(([a, b, c]): [Vec2, Vec2][] => [
    [itemAt(points, a), itemAt(points, b)],
    [itemAt(points, b), itemAt(points, c)],
    [itemAt(points, c), itemAt(points, a)],
  ]);
  const known = new Set(sides.map(([a, b]) => `${key(a)} ${key(b)}`));
  return sides.filter(([a, b]) => !known.has(`${key(b)} ${key(a)}`));
}

/** Rings of one level beside those of the next: the same number, each with the one of its hand that lies nearest. */
function paired(low: Region, high: Region): [Vec2[], Vec2[]][] | undefined {
  if (low.length !== high.length) return undefined;
  const left = [...high];
  const pairs = low.map((ring): [Vec2[], Vec2[]] | undefined => {
    const c = middleOf(ring);
    const alike = left.filter((r) => signedArea(r) > 0 === signedArea(ring) > 0);
    if (alike.length === 0) return undefined;
    const nearest = alike.reduce((a, b) => (dist2(middleOf(b), c) < dist2(middleOf(a), c) ? b : a));
    left.splice(left.indexOf(nearest), 1);
    return [ring, nearest];
  });
  return pairs.every((p) => p !== undefined) ? pairs : undefined;
}

const middleOf = (ring: readonly Vec2[]): Vec2 => ({
  x: ring.reduce((sum, p) => sum + p.x, 0) / ring.length,
  y: ring.reduce((sum, p) => sum + p.y, 0) / ring.length,
});

/** A band of triangles between two rings of one hand, always over the shorter of the two next diagonals. */
function stitch(faces: Faces, low: readonly Vec2[], high: readonly Vec2[], from: number, to: number): void {
  const start = high.reduce(
    (best, p, k) => (dist2(p, firstOf(low)) < dist2(itemAt(high, best), firstOf(low)) ? k : best),
    0,
  );
  const a = (i: number): { p: Vec2; h: number } => ({ p: itemAt(low, i % low.length), h: from });
  const b = (k: number): { p: Vec2; h: number } => ({ p: itemAt(high, (start + k) % high.length), h: to });
  let [i, k] = [0, 0];
  while (i < low.length || k < high.length) {
    const onLow =
      k >= high.length || (i < low.length && dist2(a(i + 1).p, b(k).p) <= dist2(a(i).p, b(k + 1).p));
    if (onLow) {
      faces.triangle(a(i), a(i + 1), b(k));
      i += 1;
    } else {
      faces.triangle(a(i), b(k + 1), b(k));
      k += 1;
    }
  }
}

/** An outline at a height. */
interface Level {
  atMm: number;
  region: Region;
}

/** Slopes and walls from one level to the next; one of the two lies within the other. */
function between(faces: Faces, low: Level, high: Level): void {
  const pairs = paired(low.region, high.region);
  if (pairs) {
    for (const [a, b] of pairs) stitch(faces, a, b, low.atMm, high.atMm);
    return;
  }
  const narrows = regionArea(low.region) >= regionArea(high.region);
  const [wide, narrow] = narrows ? [low, high] : [high, low];
  const slope = without(wide.region, narrow.region);
  if (Math.abs(regionArea(slope)) > 1e-3) {
    const made = triangulated(slope);
    const heightOf = (p: Vec2): number => (onAny(narrow.region, p) ? narrow.atMm : wide.atMm);
    faces.cover(made, heightOf, narrows);
    // Where the slope begins on both outlines, the gap beneath it is upright.
    for (const [a, b] of rimOf(made)) {
      const [ha, hb] = [heightOf(a), heightOf(b)];
      if (Math.abs(ha - hb) < 1e-9) continue;
      const foot = ha === wide.atMm ? b : a;
      const corners = [
        { p: b, h: hb },
        { p: a, h: ha },
        { p: foot, h: wide.atMm },
      ];
      faces.triangle(...(narrows ? corners : [...corners].reverse()));
    }
  }
  for (const ring of narrow.region)
    ring.forEach((a, i) => {
      const b = itemAt(ring, (i + 1) % ring.length);
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      if (onAny(wide.region, middle)) faces.wall(a, b, low.atMm, high.atMm);
    });
}

const meshes = new WeakMap<Plate, { thicknessMm: number; mesh: Mesh }>();

/** What is cut into a face to a depth, each spot as deep as the deepest cut there, and what is left of the face. */
export function floorsOf(
  { cuts }: Pick<Plate, 'cuts'>,
  face: 'inner' | 'outer',
  whole: Region,
): { left: Region; floors: { region: Region; depthMm: number }[] } {
  const recesses = cuts.flatMap(({ outline, recess }) =>
    recess?.face === face ? [{ outline, depthMm: recess.depthMm }] : [],
  );
  let left = whole;
  const floors = recesses
    .sort((a, b) => b.depthMm - a.depthMm)
    .flatMap(({ outline, depthMm }) => {
      const region = common(left, [outline]);
      left = without(left, [outline]);
      return regionArea(region) > 1e-3 ? [{ region, depthMm }] : [];
    });
  return { left, floors };
}

/** A face of a plate with what is cut into it: floors as deep as they are, and walls round them. */
function hollowed(faces: Faces, plate: Plate, face: 'inner' | 'outer', { atMm, region }: Level): void {
  const { left, floors } = floorsOf(plate, face, region);
  const up = face === 'outer';
  faces.cap(left, atMm, up);
  for (const floor of floors) {
    const h = up ? atMm - floor.depthMm : atMm + floor.depthMm;
    faces.cap(floor.region, h, up);
    for (const ring of floor.region)
      ring.forEach((a, i) => {
        // The hollow is on the left of its rim, the foam on the right.
        faces.wall(itemAt(ring, (i + 1) % ring.length), a, Math.min(h, atMm), Math.max(h, atMm));
      });
  }
}

/** A recess as the span of heights it takes up. */
interface Hollow {
  outline: Vec2[];
  from: number;
  to: number;
}

const hollowsOf = ({ cuts }: Pick<Plate, 'cuts'>, thicknessMm: number): Hollow[] =>
  cuts.flatMap(({ outline, recess }): Hollow[] => {
    if (!recess) return [];
    const deep = Math.min(recess.depthMm, thicknessMm);
    return recess.face === 'inner'
      ? [{ outline, from: 0, to: deep }]
      : [{ outline, from: thicknessMm - deep, to: thicknessMm }];
  });

/** An outline that changes from one level to the next, between them. */
interface Slab {
  low: Level;
  high: Level;
}

/**
 * The levels of a plate with those at which hollows begin and end, as slabs without the hollows in them: a hollow that
 * runs out over the edge opens it. Nothing where a hollow ends between levels of an edge that slopes.
 */
function slabsOf(levels: readonly Level[], sloping: boolean, hollows: readonly Hollow[]): Slab[] | undefined {
  const known = (mm: number): Level | undefined => levels.find((l) => Math.abs(l.atMm - mm) < 1e-6);
  const ends = hollows.flatMap((h) => [h.from, h.to]);
  if (sloping && !ends.every((mm) => known(mm))) return undefined;
  const plain = firstOf(levels).region;
  const heights = [...levels.map((l) => l.atMm), ...ends.filter((mm) => !known(mm))].sort((a, b) => a - b);
  return heights.slice(1).map((to, i) => {
    const from = itemAt(heights, i);
    const cut = hollows.filter((h) => h.from < to - 1e-6 && h.to > from + 1e-6).map((h) => h.outline);
    const at = (mm: number): Level => ({
      atMm: mm,
      region: cut.reduce((left, hollow) => without(left, [hollow]), known(mm)?.region ?? plain),
    });
    return { low: at(from), high: at(to) };
  });
}

/** Slabs one on the other, with the floors and roofs where one reaches beyond the next. */
function stacked(faces: Faces, slabs: readonly Slab[], sloping: boolean): void {
  faces.cap(firstOf(slabs).low.region, firstOf(slabs).low.atMm, false);
  faces.cap(lastOf(slabs).high.region, lastOf(slabs).high.atMm, true);
  for (const { low, high } of slabs) {
    if (sloping) between(faces, low, high);
    else
      for (const ring of low.region)
        ring.forEach((a, k) => faces.wall(a, itemAt(ring, (k + 1) % ring.length), low.atMm, high.atMm));
  }
  slabs.slice(1).forEach(({ low: above }, i) => {
    const { high: below } = itemAt(slabs, i);
    const [floor, roof] = [without(below.region, above.region), without(above.region, below.region)];
    if (regionArea(floor) > 1e-3) faces.cap(floor, above.atMm, true);
    if (regionArea(roof) > 1e-3) faces.cap(roof, above.atMm, false);
  });
}

/** The plate in its thickness as a closed mesh: what is cut right through left out, what is cut to a depth hollow. */
export function plateMesh(plate: Plate, thicknessMm: number): Mesh {
  const known = meshes.get(plate);
  if (known?.thicknessMm === thicknessMm) return known.mesh;
  const open = through(plate.cuts);
  const sections = (
    plate.sections ?? [0, thicknessMm].map((atMm) => ({ atMm, region: [plate.outline] }))
  ).map(({ atMm, region }) => ({ atMm, region: without(region, open) }));
  const faces = new Faces();
  const sloping = plate.sections !== undefined;
  const slabs = slabsOf(sections, sloping, hollowsOf(plate, thicknessMm));
  if (slabs) stacked(faces, slabs, sloping);
  else {
    hollowed(faces, plate, 'inner', firstOf(sections));
    hollowed(faces, plate, 'outer', lastOf(sections));
    sections.slice(1).forEach((high, i) => between(faces, itemAt(sections, i), high));
  }
  const normal = cross3(plate.across, plate.up);
  const mesh = {
    points: faces.points.map(({ p, h }) => add3(onPlane(plate, p), scale3(normal, h))),
    triangles: faces.triangles,
  };
  meshes.set(plate, { thicknessMm, mesh });
  return mesh;
}

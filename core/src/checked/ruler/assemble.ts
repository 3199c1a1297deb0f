import type { Manifold } from 'manifold-3d';
import Module from 'manifold-3d';
import type { Point } from './readDrawing';
import { beyond, type Flat, type Fold, middle, outward, type RuledPiece } from './readPiece';

const solver = await Module();
solver.setup();

/**
 * A ruler of its own: pieces as they were exported are cut square on the cut line, their bevels and grooves taken away,
 * folded and joined in space. It shares no function with what it measures.
 */

type V3 = readonly [number, number, number];

/** A rigid place in space: three columns and where the origin goes. */
interface Place {
  x: V3;
  y: V3;
  z: V3;
  at: V3;
}

const dot = (a: V3, b: V3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const plus = (a: V3, b: V3, by = 1): V3 => [a[0] + by * b[0], a[1] + by * b[1], a[2] + by * b[2]];
const times = (a: V3, by: number): V3 => [a[0] * by, a[1] * by, a[2] * by];
const cross = (a: V3, b: V3): V3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a: V3): V3 => times(a, 1 / Math.hypot(...a));
const put = (p: Place, v: V3): V3 => plus(plus(plus(p.at, p.x, v[0]), p.y, v[1]), p.z, v[2]);
const way = (p: Place, v: V3): V3 => plus(plus(times(p.x, v[0]), p.y, v[1]), p.z, v[2]);

const HOME: Place = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], at: [0, 0, 0] };

/** An edge of a flat as it meets another: where its inner corner runs, and the angle it is cut at. */
export interface Meeting {
  a: Point;
  b: Point;
  angle: number;
}

/** A flat in its thickness: z from the back at nought to the outer face, what is bevelled and grooved taken away. */
function solidOf({ ring, bevels, folds }: Flat, t: number): Manifold {
  let made = new solver.CrossSection([ring.map((p): [number, number] => [p.x, p.y])], 'EvenOdd').extrude(t);
  /** Keeps what lies within a plane through a line at one height, and aside of it at another. */
  const trim = (a: Point, n: Point, atLow: number, atHigh: number, low: number, high: number): void => {
    const slope = (atHigh - atLow) / (high - low);
    // (x − a)·n ≤ atLow + slope (z − low), by a normal of unit length.
    const scale = 1 / Math.hypot(n.x, n.y, slope);
    made = made.trimByPlane(
      [-n.x * scale, -n.y * scale, slope * scale],
      -(a.x * n.x + a.y * n.y + atLow - slope * low) * scale,
    );
  };
  for (const { line, face, width, out } of bevels)
    trim(line.points[0]!, out, face === 'back' ? 0 : width, face === 'back' ? width : 0, 0, t);
  for (const { a, b, deep, open, face } of folds) {
    if (open === 0) continue;
    const n = outward(ring, a, b);
    if (face === 'back') trim(a, n, -open / 2, 0, 0, deep);
    else trim(a, n, 0, -open / 2, t - deep, t);
  }
  return made;
}

/** Where an edge's inner corner runs, and its angle off square, positive from the back. */
export function meetingAt(
  { flats, thickness }: RuledPiece,
  from: Point,
  to: Point,
): { flat: number; meeting: Meeting } {
  const m = middle([from, to]);
  const flat = flats.findIndex(({ ring }) =>
    [from, to].every((p) => ring.some((q) => Math.hypot(p.x - q.x, p.y - q.y) < 0.02)),
  );
  if (flat < 0) throw new Error('an edge lies on no flat');
  const { ring, bevels } = flats[flat]!;
  const out = outward(ring, from, to);
  const bevel = bevels.find(({ line, width }) => {
    const [a, b] = [line.points[0]!, line.points.at(-1)!];
    const size = Math.hypot(b.x - a.x, b.y - a.y);
    const parallel = Math.abs(((b.x - a.x) * out.x + (b.y - a.y) * out.y) / size) < 5e-3;
    return parallel && Math.abs(beyond(m, a, out) - width) < 0.1;
  });
  if (!bevel) return { flat, meeting: { a: from, b: to, angle: 0 } };
  const angle = Math.atan2(bevel.width, thickness);
  if (bevel.face === 'front') return { flat, meeting: { a: from, b: to, angle: -angle } };
  const line = bevel.line.points;
  const along = (p: Point): number => (p.x - from.x) * (to.x - from.x) + (p.y - from.y) * (to.y - from.y);
  const [a, b] = [line[0]!, line.at(-1)!];
  return { flat, meeting: { a: along(a) < along(b) ? a : b, b: along(a) < along(b) ? b : a, angle } };
}

/** The place of a flat beside a placed one along a line of each, turned by an angle towards the back. */
function beside(
  host: Place,
  own: { a: Point; b: Point },
  other: { a: Point; b: Point },
  z: number,
  turn: number,
): Place {
  // Along the seam, seen from the host; the other's line runs against it.
  const a = put(host, [own.a.x, own.a.y, z]);
  const b = put(host, [own.b.x, own.b.y, z]);
  const along = unit(plus(b, a, -1));
  const out = cross(along, host.z);
  const newOut = plus(times(out, Math.cos(turn)), host.z, -Math.sin(turn));
  const newZ = plus(times(host.z, Math.cos(turn)), out, Math.sin(turn));
  // In the other's plane: its line from b to a, its inside to the left.
  const size = Math.hypot(other.b.x - other.a.x, other.b.y - other.a.y);
  const u: Point = { x: (other.a.x - other.b.x) / size, y: (other.a.y - other.b.y) / size };
  // The line runs with `along` from other.b to other.a; square to it, into the other flat, is newOut.
  const into: Point = { x: u.y, y: -u.x };
  const x = plus(times(along, u.x), newOut, into.x);
  const y = plus(times(along, u.y), newOut, into.y);
  const mid = middle([other.a, other.b]);
  const at = times(plus(a, b), 0.5);
  return { x, y, z: newZ, at: plus(plus(plus(at, x, -mid.x), y, -mid.y), newZ, -z) };
}

/** How a fold places the next flat: both end a little before its line, and turn about what is left of the sheet. */
function folded(
  host: Place,
  ring: readonly Point[],
  { a, b, deg, deep, face }: Fold,
  t: number,
  k: number,
): Place {
  const turn = (deg * Math.PI) / 180;
  const web = t - deep;
  const half = (k * web * turn) / 2;
  const n = outward(ring, a, b);
  const shift = (p: Point, by: number): Point => ({ x: p.x + n.x * by, y: p.y + n.y * by });
  const [p, q] = [shift(a, -half), shift(b, -half)];
  const [r, s] = [shift(a, half), shift(b, half)];
  // The line is named so that the flat lies to its left.
  const m = middle(ring);
  const left = (q.x - p.x) * (m.y - p.y) - (q.y - p.y) * (m.x - p.x) > 0;
  const own = left ? { a: p, b: q } : { a: q, b: p };
  const other = left ? { a: s, b: r } : { a: r, b: s };
  return beside(host, own, other, face === 'back' ? deep : t - deep, face === 'back' ? turn : -turn);
}

export interface Seam {
  one: { piece: RuledPiece; from: Point; to: Point };
  other: { piece: RuledPiece; from: Point; to: Point };
}

export interface Assembled {
  /** Every flat as a solid where it stands, and the way its outer face looks. */
  solids: { piece: string; solid: Manifold; place: Place }[];
  /** Seams that were not used to place anything: how far their ends are apart. */
  gaps: number[];
  /** Reach along a direction. */
  reach: (along: V3) => { from: number; to: number };
  volume: number;
  union: () => Manifold;
}

/**
 * Pieces put together from the first on, seam by seam and fold by fold.
 * @param k where the sheet keeps its length when it is bent, from its back.
 */
export function assembled(pieces: readonly RuledPiece[], seams: readonly Seam[], k = 0.5): Assembled {
  const places = new Map<string, Place>();
  const key = (piece: RuledPiece, flat: number): string => `${piece.id}#${flat}`;
  const gaps: number[] = [];
  const used = new Set<Seam>();
  const foldAll = (piece: RuledPiece, flat: number): void => {
    const here = places.get(key(piece, flat))!;
    for (const fold of piece.flats[flat]!.folds) {
      if (places.has(key(piece, fold.to))) continue;
      places.set(key(piece, fold.to), folded(here, piece.flats[flat]!.ring, fold, piece.thickness, k));
      foldAll(piece, fold.to);
    }
  };
  places.set(key(pieces[0]!, 0), HOME);
  foldAll(pieces[0]!, 0);
  for (let going = true; going;) {
    going = false;
    for (const seam of seams) {
      for (const [one, other] of [
        [seam.one, seam.other],
        [seam.other, seam.one],
      ] as const) {
        const a = meetingAt(one.piece, one.from, one.to);
        const b = meetingAt(other.piece, other.from, other.to);
        const host = places.get(key(one.piece, a.flat));
        if (!host || places.has(key(other.piece, b.flat))) continue;
        places.set(
          key(other.piece, b.flat),
          beside(host, a.meeting, b.meeting, 0, a.meeting.angle + b.meeting.angle),
        );
        foldAll(other.piece, b.flat);
        used.add(seam);
        going = true;
      }
    }
  }
  for (const seam of seams) {
    if (used.has(seam)) continue;
    const [a, b] = [seam.one, seam.other].map(({ piece, from, to }) => {
      const { flat, meeting } = meetingAt(piece, from, to);
      const place = places.get(key(piece, flat));
      if (!place) throw new Error('a seam was reached by nothing');
      return [meeting.a, meeting.b].map((p) => put(place, [p.x, p.y, 0]));
    }) as [V3[], V3[]];
    gaps.push(Math.hypot(...plus(a[0]!, b[1]!, -1)), Math.hypot(...plus(a[1]!, b[0]!, -1)));
  }
  const solids = pieces.flatMap((piece) =>
    piece.flats.map((flat, i) => {
      const place = places.get(key(piece, i));
      if (!place) throw new Error(`${piece.id} hangs on nothing`);
      const { x, y, z, at } = place;
      const solid = solidOf(flat, piece.thickness).transform([...x, 0, ...y, 0, ...z, 0, ...at, 1]);
      return { piece: piece.id, solid, place };
    }),
  );
  return {
    solids,
    gaps,
    reach: (along) => {
      const u = unit(along);
      const all = solids.flatMap(({ solid }) => {
        const { vertProperties: v, numProp } = solid.getMesh();
        return Array.from({ length: v.length / numProp }, (_, i) =>
          dot([v[i * numProp]!, v[i * numProp + 1]!, v[i * numProp + 2]!], u),
        );
      });
      return { from: Math.min(...all), to: Math.max(...all) };
    },
    volume: solids.reduce((sum, s) => sum + s.solid.volume(), 0),
    union: () => solver.Manifold.union(solids.map((s) => s.solid)),
  };
}

/** Which way a direction of a piece's first flat looks in space. */
export const directionOf = (made: Assembled, piece: string, v: V3): V3 =>
  way(made.solids.find((s) => s.piece === piece)!.place, v);

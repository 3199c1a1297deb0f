import { itemAt } from '../../units';
import { type Body, canPair, hangOn, levels, neckSection, type Zone, zonesIn } from '../../body';
import { dist3, type Mesh, type Vec3 } from '../../geometry';
import type { MovingPart } from './joints';

/** Size of the cells that space round the neck is counted in. */
const STEP_DEG = 3;
const CELL_MM = 7;
const AROUND = 360 / STEP_DEG;

interface Cell {
  turn: number;
  rest: number;
}

type Span = [number, number];

/** Cells round the vertical axis through the neck that triangles lie in, between two heights. */
function cellsOf(
  points: readonly Vec3[],
  triangles: Mesh['triangles'],
  axis: { x: number; y: number },
  [low, high]: Span,
): Cell[] {
  const seen = new Map<number, Cell>();
  const add = (p: Vec3): void => {
    const turn =
      Math.floor(((Math.atan2(p.y - axis.y, p.x - axis.x) / Math.PI) * 180 + 360) / STEP_DEG) % AROUND;
    const r = Math.floor(Math.hypot(p.x - axis.x, p.y - axis.y) / CELL_MM);
    const z = Math.floor(p.z / CELL_MM);
    const rest = z * 1000 + r;
    seen.set(rest * AROUND + turn, { turn, rest });
  };
  for (const [i, j, k] of triangles) {
    const [a, b, c] = [itemAt(points, i), itemAt(points, j), itemAt(points, k)];
    if (Math.max(a.z, b.z, c.z) < low || Math.min(a.z, b.z, c.z) > high) continue;
    const n = Math.max(1, Math.ceil(Math.max(dist3(a, b), dist3(b, c), dist3(c, a)) / (CELL_MM * 0.8)));
    for (let s = 0; s <= n; s++)
      for (let t = 0; t <= n - s; t++) {
        const [u, v] = [s / n, t / n];
        const w = 1 - u - v;
        add({
          x: a.x * w + b.x * u + c.x * v,
          y: a.y * w + b.y * u + c.y * v,
          z: a.z * w + b.z * u + c.z * v,
        });
      }
  }
  return [...seen.values()];
}

export interface HeadTurn {
  angleDeg: number;
  mostDeg: number;
  pair?: [MovingPart, MovingPart];
}

const MOST_DEG = 78;

/**
 * How far the head turns before what is worn on it meets what is worn below, counted in cells of
 * three degrees and seven millimetres about the axis of the neck. Parts that touch when looking ahead are left out.
 */
export function headTurn(body: Body, parts: readonly MovingPart[]): HeadTurn | undefined {
  const on = (zones: readonly Zone[]): MovingPart[] => parts.filter((p) => zones.includes(p.zone));
  const [worn, below] = [on(zonesIn('head', 'moving')), on(zonesIn('head', 'fixed'))];
  if (worn.length === 0 || below.length === 0) return undefined;
  const axis = { x: 0, y: neckSection(body, levels(body).chin).forwardMm };
  const attached = (part: MovingPart): { points: Vec3[]; triangles: Mesh['triangles'] }[] =>
    (canPair(part.zone) ? ([1, -1] as const) : ([1] as const)).map((side) => ({
      points: part.mesh.points.map(hangOn(body, part.zone, side)),
      triangles: part.mesh.triangles,
    }));
  const [upper, lower] = [worn, below].map((side) =>
    side.map((part) => ({ part, attached: attached(part) })),
  ) as [
    { part: MovingPart; attached: ReturnType<typeof attached> }[],
    { part: MovingPart; attached: ReturnType<typeof attached> }[],
  ];
  const heights = (side: typeof upper): number[] =>
    side.flatMap((s) => s.attached.flatMap((h) => h.points.map((p) => p.z)));
  // Only what both sides reach can meet.
  const span: Span = [
    heights(upper).reduce((a, b) => Math.min(a, b), Infinity) - CELL_MM,
    heights(lower).reduce((a, b) => Math.max(a, b), -Infinity) + CELL_MM,
  ];
  const cells = (of: (typeof upper)[number]): Cell[] =>
    of.attached.flatMap(({ points, triangles }) => cellsOf(points, triangles, axis, span));
  const fixed = lower.map((of) => {
    const all = cells(of);
    return {
      part: of.part,
      taken: new Set(all.map((c) => c.rest * AROUND + c.turn)),
      rests: new Set(all.map((c) => c.rest)),
    };
  });
  const moving = upper.map((of) => ({ part: of.part, cells: cells(of) }));
  const pairs = moving.flatMap((m) =>
    fixed.map((f) => ({ m, f, cells: m.cells.filter((c) => f.rests.has(c.rest)) })),
  );
  const meets = ({ f, cells: near }: (typeof pairs)[number], by: number): boolean =>
    near.some((c) =>
      [by, AROUND - by].some((shift) => f.taken.has(c.rest * AROUND + ((c.turn + shift) % AROUND))),
    );
  const counted = pairs.filter((p) => p.cells.length > 0 && !meets(p, 0) && !meets(p, 1));
  for (let by = 2; by * STEP_DEG <= MOST_DEG; by++) {
    const hit = counted.find((p) => meets(p, by));
    if (hit) return { angleDeg: (by - 1) * STEP_DEG, mostDeg: MOST_DEG, pair: [hit.m.part, hit.f.part] };
  }
  return { angleDeg: MOST_DEG, mostDeg: MOST_DEG };
}

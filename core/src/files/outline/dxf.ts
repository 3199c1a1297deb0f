import DxfParser from 'dxf-parser';
import type { Vec2 } from '../../geometry';
import { fail, ok, type Result } from '../../units';
import type { Drawn } from './drawn';

/** $INSUNITS: inches, feet, millimetres, centimetres, metres. */
const insUnitsMm: Record<number, number> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };
const STEPS = 16;

interface Vertex extends Vec2 {
  bulge?: number;
}

/** A run with bulges (a quarter of an arc's angle, as its tangent) as points. */
function bulged(vertices: readonly Vertex[]): Vec2[] {
  return vertices.flatMap((a, i): Vec2[] => {
    const b = vertices[(i + 1) % vertices.length]!;
    const k = a.bulge ?? 0;
    if (Math.abs(k) < 1e-9) return [{ x: a.x, y: a.y }];
    const angle = 4 * Math.atan(k);
    const [mx, my] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const off = (1 - k * k) / (4 * k);
    const c = { x: mx - dy * off, y: my + dx * off };
    const from = Math.atan2(a.y - c.y, a.x - c.x);
    const r = Math.hypot(a.x - c.x, a.y - c.y);
    return Array.from({ length: STEPS }, (_, n) => ({
      x: c.x + r * Math.cos(from + (angle * n) / STEPS),
      y: c.y + r * Math.sin(from + (angle * n) / STEPS),
    }));
  });
}

interface Entity {
  type: string;
  vertices?: Vertex[];
  shape?: boolean;
  center?: Vec2;
  radius?: number;
  startAngle?: number;
  endAngle?: number;
}

/** Lines and arcs that end where others begin, followed until they close. */
function chained(runs: readonly Vec2[][]): Vec2[][] {
  const left = runs.filter((r) => r.length > 1);
  const near = (a: Vec2, b: Vec2): boolean => Math.hypot(a.x - b.x, a.y - b.y) < 1e-3;
  const rings: Vec2[][] = [];
  while (left.length > 0) {
    let ring = left.pop()!;
    for (let grown = true; grown && !near(ring[0]!, ring.at(-1)!);) {
      const end = ring.at(-1)!;
      const i = left.findIndex((r) => near(r[0]!, end) || near(r.at(-1)!, end));
      grown = i >= 0;
      if (!grown) break;
      const [next] = left.splice(i, 1);
      ring = [...ring, ...(near(next![0]!, end) ? next! : [...next!].reverse()).slice(1)];
    }
    rings.push(ring);
  }
  return rings;
}

/** Every closed outline of a DXF file: polylines, circles, and lines and arcs that meet. */
export function dxfRings(text: string): Result<Drawn> {
  let file: { header?: Record<string, unknown>; entities?: unknown[] } | null;
  try {
    file = new DxfParser().parseSync(text) as unknown as typeof file;
  } catch {
    return fail('This is no DXF drawing.');
  }
  if (!file) return fail('This is no DXF drawing.');
  const rings: Vec2[][] = [];
  const open: Vec2[][] = [];
  for (const entity of (file.entities ?? []) as Entity[]) {
    const { vertices, center, radius } = entity;
    if ((entity.type === 'LWPOLYLINE' || entity.type === 'POLYLINE') && vertices)
      rings.push(bulged(vertices));
    else if (entity.type === 'LINE' && vertices) open.push(vertices.map(({ x, y }) => ({ x, y })));
    else if ((entity.type === 'CIRCLE' || entity.type === 'ARC') && center && radius) {
      const from = entity.type === 'CIRCLE' ? 0 : (entity.startAngle ?? 0);
      const to = entity.type === 'CIRCLE' ? 2 * Math.PI : (entity.endAngle ?? 0);
      const sweep = to > from ? to - from : to - from + 2 * Math.PI;
      const run = Array.from({ length: 4 * STEPS + 1 }, (_, i) => ({
        x: center.x + radius * Math.cos(from + (sweep * i) / (4 * STEPS)),
        y: center.y + radius * Math.sin(from + (sweep * i) / (4 * STEPS)),
      }));
      if (entity.type === 'CIRCLE') rings.push(run.slice(0, -1));
      else open.push(run);
    }
  }
  const unitMm = insUnitsMm[Number(file.header?.['$INSUNITS'])];
  return ok({ rings: [...rings, ...chained(open)], ...(unitMm !== undefined && { unitMm }) });
}

import DxfParser from 'dxf-parser';
import { Vector4 } from 'three';
import { NURBSCurve } from 'three/examples/jsm/curves/NURBSCurve.js';
import type { Vec2 } from '../../geometry';
import { fail, ok, type Result, itemAt } from '../../units';
import { budget, chained, count, type Drawn, TooMany, MOST_POINTS } from './drawn';

/** $INSUNITS: inches, feet, millimetres, centimetres, metres. */
const insUnitsMm: Record<number, number> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };
const STEPS = 16;
/** Points between two knots of a spline. */
const SPLINE_STEPS = 24;
/** Blocks within blocks are followed so far. */
const MOST_DEEP = 6;

interface Vertex extends Vec2 {
  bulge?: number;
}

/** A run with bulges (a quarter of an arc's angle, as its tangent) as points. */
function bulged(vertices: readonly Vertex[], closed: boolean): Vec2[] {
  return vertices.flatMap((a, i): Vec2[] => {
    const b = itemAt(vertices, (i + 1) % vertices.length);
    const k = a.bulge ?? 0;
    if (Math.abs(k) < 1e-9 || (!closed && i === vertices.length - 1)) return [{ x: a.x, y: a.y }];
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
  majorAxisEndPoint?: Vec2;
  axisRatio?: number;
  controlPoints?: Vec2[];
  fitPoints?: Vec2[];
  knotValues?: number[];
  degreeOfSplineCurve?: number;
  name?: string;
  position?: Vec2;
  xScale?: number;
  yScale?: number;
  rotation?: number;
}

type Place = (p: Vec2) => Vec2;

/** Where the entities of a block come to lie. */
function placed(
  { position = { x: 0, y: 0 }, xScale = 1, yScale = 1, rotation = 0 }: Entity,
  base: Vec2,
): Place {
  const [c, s] = [Math.cos((rotation * Math.PI) / 180), Math.sin((rotation * Math.PI) / 180)];
  return (p) => {
    const [x, y] = [(p.x - base.x) * xScale, (p.y - base.y) * yScale];
    return { x: position.x + x * c - y * s, y: position.y + x * s + y * c };
  };
}

const turned = (from: number, to: number): number => (to > from ? to - from : to - from + 2 * Math.PI);

/** An arc of a circle or an ellipse as points, both ends included. */
function arc(
  { center, radius, majorAxisEndPoint: axis, axisRatio = 1, ...e }: Entity,
  whole: boolean,
): Vec2[] {
  const from = whole ? 0 : (e.startAngle ?? 0);
  const sweep = whole ? 2 * Math.PI : turned(from, e.endAngle ?? 2 * Math.PI);
  const major = axis ?? { x: radius!, y: 0 };
  const minor = { x: -major.y * axisRatio, y: major.x * axisRatio };
  return Array.from({ length: 4 * STEPS + 1 }, (_, i) => {
    const t = from + (sweep * i) / (4 * STEPS);
    return {
      x: center!.x + major.x * Math.cos(t) + minor.x * Math.sin(t),
      y: center!.y + major.y * Math.cos(t) + minor.y * Math.sin(t),
    };
  });
}

/** A spline by its control points and knots; nothing when it does not say them. */
function spline({ controlPoints, knotValues, degreeOfSplineCurve: degree }: Entity): Vec2[] | undefined {
  if (!controlPoints || !knotValues || !degree || degree > 10) return undefined;
  if (knotValues.length !== controlPoints.length + degree + 1) return undefined;
  const curve = new NURBSCurve(
    degree,
    knotValues,
    controlPoints.map((p) => new Vector4(p.x, p.y, 0, 1)),
    degree,
    controlPoints.length,
  );
  return curve.getPoints(SPLINE_STEPS * controlPoints.length).map(({ x, y }) => ({ x, y }));
}

interface DxfFile {
  header?: Record<string, unknown>;
  entities?: unknown[];
  blocks?: Record<string, { position?: Vec2; entities?: unknown[] }>;
}

/** Every closed outline of a DXF file: polylines, circles, ellipses, splines, blocks, and lines and arcs that meet. */
export function dxfRings(text: string): Result<Drawn> {
  let file: DxfFile | null;
  try {
    file = new DxfParser().parseSync(text) as unknown as DxfFile | null;
  } catch {
    return fail('This is no DXF drawing.');
  }
  if (!file) return fail('This is no DXF drawing.');
  const { header, blocks = {} } = file;
  const rings: Vec2[][] = [];
  const open: Vec2[][] = [];
  const left = new Map<string, number>();
  const spend = budget();
  const put = (to: Vec2[][], run: Vec2[], place: Place): void => {
    spend(run.length);
    to.push(run.map(place));
  };
  const read = (e: Entity, place: Place, deep: number): void => {
    const { vertices, center, type } = e;
    if ((type === 'LWPOLYLINE' || type === 'POLYLINE') && vertices) {
      const closed = e.shape === true;
      put(closed ? rings : open, bulged(vertices, closed), place);
    } else if (type === 'LINE' && vertices)
      put(
        open,
        vertices.map(({ x, y }) => ({ x, y })),
        place,
      );
    else if (type === 'CIRCLE' && center && e.radius) put(rings, arc(e, true).slice(0, -1), place);
    else if (type === 'ARC' && center && e.radius) put(open, arc(e, false), place);
    else if (type === 'ELLIPSE' && center && e.majorAxisEndPoint) put(open, arc(e, false), place);
    else if (type === 'SPLINE') {
      const run = spline(e);
      if (run) put(open, run, place);
      else count(left, 'spline without knots');
    } else if (type === 'INSERT' && e.name !== undefined) {
      const block = Object.hasOwn(blocks, e.name) ? blocks[e.name] : undefined;
      if (!block || deep >= MOST_DEEP) return count(left, 'block');
      const own = placed(e, block.position ?? { x: 0, y: 0 });
      for (const inner of (block.entities ?? []) as Entity[]) read(inner, (p) => place(own(p)), deep + 1);
    } else count(left, type.toLowerCase());
  };
  try {
    for (const entity of (file.entities ?? []) as Entity[]) read(entity, (p) => p, 0);
  } catch (error) {
    if (!(error instanceof TooMany)) throw error;
    return fail(`The drawing has more than ${MOST_POINTS} points. Save the outline alone.`);
  }
  const unitMm = insUnitsMm[Number(header?.['$INSUNITS'])];
  return ok({ rings: [...rings, ...chained(open)], left, ...(unitMm !== undefined && { unitMm }) });
}

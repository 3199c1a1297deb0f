import { firstOf, lastOf, itemAt } from '@fomrik/core/units';
import { type Body, figure, type MeasureKey, tapes } from '@fomrik/core/body';
import { boundsOf, convexHull, type Vec2, type Vec3 } from '@fomrik/core/geometry';

/** A small drawing of one measure: outlines of the body near it, and the tape; y down. */
export interface MeasureView {
  from: 'front' | 'side';
  outlines: Vec2[][];
  tape: Vec2[];
  /** Upper left corner and size of what is shown. */
  box: { x: number; y: number; width: number; height: number };
}

const spread = (points: readonly Vec3[], key: 'x' | 'y'): number =>
  Math.max(...points.map((p) => p[key])) - Math.min(...points.map((p) => p[key]));

/** At least so much of the body is shown round a tape, for a hand to recognise it. */
const LEAST_MM = 420;

/** Outline of a closed part seen flat: its hull at every few rings would be truer, one hull of slices serves. */
function outline(points: readonly Vec2[]): Vec2[] {
  const sorted = [...points].sort((a, b) => a.y - b.y);
  const rows = 14;
  const low = firstOf(sorted).y;
  const step = (lastOf(sorted).y - low) / rows || 1;
  const bands = Array.from({ length: rows + 1 }, () => ({ left: Infinity, right: -Infinity }));
  for (const p of sorted) {
    const band = itemAt(bands, Math.round((p.y - low) / step));
    band.left = Math.min(band.left, p.x);
    band.right = Math.max(band.right, p.x);
  }
  const kept = bands.map((b, i) => ({ ...b, y: low + i * step })).filter((b) => b.left <= b.right);
  return kept.length < 3
    ? convexHull(points)
    : [...kept.map((b) => ({ x: b.left, y: b.y })), ...kept.reverse().map((b) => ({ x: b.right, y: b.y }))];
}

/** Where the tape goes, seen from the side it is best seen from. */
export function measureView(body: Body, key: MeasureKey): MeasureView | undefined {
  const tape = tapes(body).find((t) => t.key === key)?.points;
  if (!tape) return undefined;
  const from = spread(tape, 'y') > spread(tape, 'x') * 1.05 ? 'side' : 'front';
  const flat = (p: Vec3): Vec2 => (from === 'front' ? { x: -p.x, y: -p.z } : { x: p.y, y: -p.z });
  const line = tape.map(flat);
  const b = boundsOf(line);
  const size = Math.max(LEAST_MM, (b.maxX - b.minX) * 1.5, (b.maxY - b.minY) * 1.25);
  const [cx, cy] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2];
  const parts = figure(body).parts.filter((p) => from === 'front' || !p.name.startsWith('left'));
  return {
    from,
    outlines: parts.map((p) => outline(p.mesh.points.map(flat))),
    tape: line,
    box: { x: cx - size / 2, y: cy - size / 2, width: size, height: size },
  };
}

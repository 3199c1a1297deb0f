import type { BracerPart, Part } from '@fomrik/core/build/document';
import type { PartReport } from '@fomrik/core/build/report';
import type { Vec3 } from '@fomrik/core/geometry/vec';
import type { Draft } from 'immer';
import type { Handle } from '../../parts/SolidGrip';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** The point of an edge line nearest to the eye: furthest back of the arm. */
const outermost = (points: readonly Vec3[]): Vec3 => points.reduce((a, b) => (b.x > a.x ? b : a));
const sidemost = (points: readonly Vec3[]): Vec3 => points.reduce((a, b) => (b.y > a.y ? b : a));
const clamp = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, Math.round(v)));

/** Diamonds on the cuff edge, the elbow edge and the point. */
export function bracerHandles(
  part: BracerPart,
  made: PartReport,
  drag: Changer,
  change: Changer,
  end: () => void,
): Handle[] {
  const line = (edgeId: string): Vec3[] =>
    made.solid.edgeLines.filter((l) => l.edgeId === edgeId).flatMap((l) => l.points);
  const cuff = line('cuff');
  const elbow = line('elbow');
  const { startMm, endMm, pointMm } = part.params;
  const moves = {
    cuff: (mm: number) => (p: Draft<Part>) => void (p.params['startMm'] = clamp(startMm + mm, 0, 120)),
    elbow: (mm: number) => (p: Draft<Part>) => void (p.params.endMm = clamp(endMm + mm, 60, 330)),
    point: (mm: number) => (p: Draft<Part>) => void (p.params.pointMm = clamp(pointMm - mm, 0, 120)),
  };
  const handle = (id: keyof typeof moves, label: string, at: Vec3): Handle => ({
    id,
    label,
    at,
    look: 'edge',
    onSlide: (mm) => drag(moves[id](mm)),
    onNudge: (mm) => {
      if (mm !== 0) change(moves[id](mm));
    },
    onEnd: end,
  });
  const handles = [
    handle('cuff', 'Cuff edge: slide along the arm', sidemost(cuff)),
    handle('elbow', 'Elbow edge: slide along the arm', outermost(elbow)),
  ];
  if (part.params.wristEnd === 'point')
    handles.push(
      handle(
        'point',
        'Point: slide over the hand',
        outermost(cuff.filter((p) => p.z <= Math.min(...cuff.map((q) => q.z)) + 1)),
      ),
    );
  return handles;
}

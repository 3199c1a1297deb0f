import { edgeRun } from '../edgeRun';
import { signedArea, polylineLength } from '../../geometry/polygon';
import { flatPoint, unrollStrip, type FlatStrip } from '../../geometry/unroll';
import { lerp2, rotate2, type Vec2 } from '../../geometry/vec';
import type { FoamSheet } from '../../materials/stock';
import type { Piece, PieceEdge } from '../piece';
import type { BracerParams } from './params';
import { ruling, trimAt, type BracerSurface } from './surface';

/** Rulings laid down round the whole arm; dense enough for 0.01 mm of edge. */
const RULINGS = 240;

export interface Turns {
  low: number;
  high: number;
}

/** One flat panel with the way back from surface angle to flat point. */
export interface FlatPanel {
  piece: Piece;
  /** Surface angles covered, from the closure counter-clockwise; radians from the gap's middle. */
  fromAngle: number;
  toAngle: number;
  flatAt: (turnRad: number, v: number) => Vec2;
  /** Turns (0…1 from the gap's middle) of its left and right side at the narrow and the wide end. */
  left: Turns;
  right: Turns;
}

/** Fraction of a turn (0…1, from the gap's middle) at which a rail has run `mm` of its length. */
function turnAtLength(rail: readonly Vec2[], mm: number): number {
  let run = 0;
  for (let i = 1; i < rail.length; i++) {
    const step = Math.hypot(rail[i]!.x - rail[i - 1]!.x, rail[i]!.y - rail[i - 1]!.y);
    if (run + step >= mm) return (i - 1 + (mm - run) / step) / (rail.length - 1);
    run += step;
  }
  return 1;
}

/** The whole wrap at a layer `layerMm` off the inner face, opened at the middle of the gap. */
function unrolledWrap(surface: BracerSurface, params: BracerParams, layerMm: number): FlatStrip {
  const gapAt = (params.gapAtDeg * Math.PI) / 180;
  const rulings = Array.from({ length: RULINGS + 1 }, (_, i) =>
    ruling(surface, gapAt + (i / RULINGS) * 2 * Math.PI, layerMm),
  );
  return unrollStrip({ low: rulings.map((r) => r.low), high: rulings.map((r) => r.high) });
}

/** Outline vertices of a panel: bottom left to right, top right to left. */
function outlineOf(
  flat: FlatStrip,
  params: BracerParams,
  left: Turns,
  right: Turns,
): { points: Vec2[]; corners: number[] } {
  const gapAt = (params.gapAtDeg * Math.PI) / 180;
  const at = (turn: number, end: 0 | 1): Vec2 => {
    const [bottom, top] = trimAt(params, gapAt + turn * 2 * Math.PI);
    return flatPoint(flat, turn * RULINGS, end === 0 ? bottom : top);
  };
  const turnsBetween = (a: number, b: number): number[] => {
    const turns = [a];
    for (let i = Math.floor(a * RULINGS) + 1; i < b * RULINGS - 1e-6; i++)
      if (i > a * RULINGS + 1e-6) turns.push(i / RULINGS);
    turns.push(b);
    return turns;
  };
  const bottom = turnsBetween(left.low, right.low).map((t) => at(t, 0));
  const top = turnsBetween(left.high, right.high)
    .map((t) => at(t, 1))
    .reverse();
  return {
    points: [...bottom, ...top],
    corners: [0, bottom.length - 1, bottom.length, bottom.length + top.length - 1],
  };
}

/** Turns the panel so that its middle stands upright and its corner box begins at the origin. */
function upright(flat: FlatStrip, points: Vec2[], middleTurn: number): (p: Vec2) => Vec2 {
  const a = flatPoint(flat, middleTurn * RULINGS, 0);
  const b = flatPoint(flat, middleTurn * RULINGS, 1);
  const angle = Math.PI / 2 - Math.atan2(b.y - a.y, b.x - a.x);
  const turned = points.map((p) => rotate2(p, angle));
  const x = Math.min(...turned.map((p) => p.x));
  const y = Math.min(...turned.map((p) => p.y));
  return (p) => {
    const q = rotate2(p, angle);
    return { x: q.x - x, y: q.y - y };
  };
}

/**
 * Flat panels of one layer of foam, cut at its neutral surface.
 * Panels meet along exact rulings, so mating edges agree in length by construction.
 * @param layerMm distance of this layer's inner face from the shell's inner face (negative for a lining).
 */
export function bracerPanels(
  surface: BracerSurface,
  params: BracerParams,
  foam: FoamSheet,
  role: Piece['role'],
  layerMm: number,
): FlatPanel[] {
  const neutral = layerMm + foam.neutralFraction.value * foam.thicknessMm.value;
  const flat = unrolledWrap(surface, params, neutral);
  const gap = params.closure === 'none' ? 0 : params.gapMm / 2;
  const whole = { low: polylineLength(flat.low), high: polylineLength(flat.high) };
  const first: Turns = { low: turnAtLength(flat.low, gap), high: turnAtLength(flat.high, gap) };
  const last: Turns = {
    low: turnAtLength(flat.low, whole.low - gap),
    high: turnAtLength(flat.high, whole.high - gap),
  };
  const seams: Turns[] = params.panels === 2 ? [first, { low: 0.5, high: 0.5 }, last] : [first, last];
  const sideNames = [
    'closure, thumb side',
    ...(params.panels === 2 ? ['back seam'] : []),
    'closure, little-finger side',
  ];
  return seams.slice(0, -1).map((left, i) => {
    const right = seams[i + 1]!;
    const { points, corners } = outlineOf(flat, params, left, right);
    const place = upright(flat, points, (left.low + left.high + right.low + right.high) / 4);
    const outline = points.map(place);
    const edge = (n: number, id: string, name: string, closing: boolean): PieceEdge => {
      const from = corners[n]!;
      const to = corners[(n + 1) % 4]!;
      return {
        id,
        name,
        from,
        to,
        lengthMm: polylineLength(edgeRun(outline, { from, to })),
        bevelDeg: 0,
        joint: closing ? 'closure' : 'free',
      };
    };
    const name = role === 'lining' ? 'lining' : 'shell';
    const piece: Piece = {
      id: `${role}-${i + 1}`,
      name: params.panels === 2 ? `${name} ${i === 0 ? 'A' : 'B'}` : name,
      role,
      outline,
      edges: [
        edge(0, 'cuff', 'cuff edge', false),
        edge(1, 'right', sideNames[i + 1]!, true),
        edge(2, 'elbow', 'elbow edge', false),
        edge(3, 'left', sideNames[i]!, true),
      ],
      holes: [],
      marks: [],
      foamId: foam.foamId,
      nominalMm: foam.nominalMm,
      thicknessMm: foam.thicknessMm.value,
      quantity: 1,
      flipped: 0,
      areaMm2: Math.abs(signedArea(outline)),
    };
    return {
      piece,
      left,
      right,
      fromAngle: ((left.low + left.high) / 2) * 2 * Math.PI,
      toAngle: ((right.low + right.high) / 2) * 2 * Math.PI,
      flatAt: (turnRad, v) => place(flatPoint(flat, (turnRad / (2 * Math.PI)) * RULINGS, v)),
    };
  });
}

/** Names the mates: panel seams, and the two edges of the gap (a glued seam when the tube is closed). */
export function joinPanels(panels: FlatPanel[], closed: boolean): void {
  panels.forEach(({ piece }, i) => {
    const next = panels[(i + 1) % panels.length]!.piece;
    const right = piece.edges[1]!;
    const left = next.edges[3]!;
    const joint = closed || i < panels.length - 1 ? 'seam' : 'closure';
    const letter = String.fromCharCode(65 + i);
    Object.assign(right, { joint, letter, mate: { pieceId: next.id, edgeId: left.id } });
    Object.assign(left, { joint, letter, mate: { pieceId: piece.id, edgeId: right.id } });
    if (joint === 'seam') {
      for (const [owner, edge] of [
        [piece, right],
        [next, left],
      ] as const) {
        const a = owner.outline[edge.from]!;
        const b = owner.outline[edge.to]!;
        owner.marks.push({ kind: 'notch', points: [lerp2(a, b, 0.5)], text: letter });
      }
    }
  });
}

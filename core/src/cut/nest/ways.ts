import { firstOf } from '../../units';
import { boundsOf, convexHull, grown, largestRing, type Vec2 } from '../../geometry';
import type { Piece } from '../../panel';
import type { Turns } from '../../materials';
import { laidOutline, roomyHoles, type ToLay } from '../sheets';
import { type Cells, cellsOf } from './raster';

/** A piece turned one way: its cells, and where its outline begins in them. */
export interface Way {
  flipped: boolean;
  turnRad: number;
  cells: Cells;
  /** Lower left of the box of the turned outline, kept room included. */
  minX: number;
  minY: number;
}

/** Turns that are tried besides those that lay an edge of the hull level. */
const STEPS = 4;
/** So many edges are laid level, the longest first: more ways make more no-fit regions, and fewer orders are tried. */
const EDGES = 1;

/** Turns worth trying: quarters of the way in which the longest edges of the hull lie level. */
function turnsOf(outline: readonly Vec2[], turns: Turns): number[] {
  if (turns === 'halves') return [0, Math.PI];
  const hull = convexHull([...outline]);
  const edges = hull
    .map((p, i) => {
      const q = hull[(i + 1) % hull.length]!;
      return { mm: Math.hypot(q.x - p.x, q.y - p.y), rad: -Math.atan2(q.y - p.y, q.x - p.x) };
    })
    .sort((a, b) => b.mm - a.mm)
    .slice(0, turns === 'any' ? EDGES : 0);
  const found: number[] = [];
  for (const { rad } of [...edges, { rad: 0 }])
    for (let k = 0; k < STEPS; k++) {
      const turn = (((rad + (k * Math.PI) / 2) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
      if (found.every((f) => Math.abs(f - turn) > 0.02 && Math.abs(f - turn) < 2 * Math.PI - 0.02))
        found.push(turn);
    }
  return found;
}

/** Rounded corners are drawn in chords: so much more is kept clear that none comes nearer than it may, mm. */
const ROUND_MM = 0.02;

const grownBy = new WeakMap<Piece, { spacingMm: number; rings: Vec2[][] }>();

/** A piece with half the spacing round it, and in its roomy holes: outer ring first. */
export function keptSolid({ piece }: ToLay, spacingMm: number): Vec2[][] {
  const known = grownBy.get(piece);
  if (known?.spacingMm === spacingMm) return known.rings;
  const rings = grownSolid(piece, spacingMm);
  grownBy.set(piece, { spacingMm, rings });
  return rings;
}

function grownSolid(piece: Piece, spacingMm: number): Vec2[][] {
  const { outline } = piece;
  const wide =
    spacingMm > 0 ? largestRing(grown([[...outline]], spacingMm / 2 + ROUND_MM, 'rounded')) : [...outline];
  // An outline that runs clockwise grows inwards: its box is the larger of the two.
  const outer = largestRing([wide, [...outline]]);
  const holes = roomyHoles(piece).flatMap((ring) => grown([ring], -spacingMm / 2 - ROUND_MM));
  return [outer.length > 0 ? outer : wide, ...holes];
}

const known = new WeakMap<object, Map<string, Way[]>>();

/**
 * Every way a piece is tried, in cells with half the spacing round it; remembered while the piece is. Only in its own
 * hand, unless either face may be up.
 */
export function waysOf(item: ToLay, cellMm: number, spacingMm: number, turns: Turns = 'any'): Way[] {
  const { piece, flipped, eitherFace } = item;
  let own = known.get(piece);
  if (!own) known.set(piece, (own = new Map<string, Way[]>()));
  const key = `${flipped}/${eitherFace}/${cellMm}/${spacingMm}/${turns}`;
  const before = own.get(key);
  if (before) return before;
  const solid = keptSolid(item, spacingMm);
  const ways = (eitherFace ? [flipped, !flipped] : [flipped]).flatMap((flip) =>
    turnsOf(
      piece.outline.map((p) => (flip ? { x: -p.x, y: p.y } : p)),
      turns,
    ).map((turnRad) => wayOf(solid, flip, turnRad, cellMm)),
  );
  own.set(key, ways);
  return ways;
}

function wayOf(solid: readonly Vec2[][], flipped: boolean, turnRad: number, cellMm: number): Way {
  const turned = solid.map((ring) => laidOutline(ring, { flipped, turnRad, x: 0, y: 0 }));
  const b = boundsOf(firstOf(turned));
  return { flipped, turnRad, cells: cellsOf(turned, cellMm, b), minX: b.minX, minY: b.minY };
}

/** The cells of a piece just where it lies, in those of a sheet that begin `edge` from its corner. */
export function cellsWhere(
  item: ToLay,
  laid: { flipped: boolean; turnRad: number; x: number; y: number },
  cellMm: number,
  spacingMm: number,
): { cells: Cells; column: number; row: number } {
  const edge = spacingMm / 2;
  const solid = keptSolid(item, spacingMm).map((ring) => laidOutline(ring, laid));
  const b = boundsOf(firstOf(solid));
  const column = Math.floor((b.minX - edge) / cellMm + 1e-9);
  const row = Math.floor((b.minY - edge) / cellMm + 1e-9);
  const frame = { ...b, minX: edge + column * cellMm, minY: edge + row * cellMm };
  return { cells: cellsOf(solid, cellMm, frame), column, row };
}

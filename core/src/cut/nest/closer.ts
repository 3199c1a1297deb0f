import { common, regionArea, type Region, type Vec2 } from '../../geometry';
import { getFrom } from '../../units';
import { laidOutline, type Laid, type Sheet, type ToLay } from '../sheets';
import { movedBy, slideMm, type Solid, solidOf } from './slide';
import { keptSolid } from './ways';

/** Ways a piece is slid in one round: straight on, and aslant of it by so much at most. */
const ASLANT = 4;
const MOST_ASLANT = 1.4;

/** Rounds until none is nearer, at most; and what is too little for another, mm. */
const ROUNDS = 8;
const LITTLE_MM = 0.02;

const keyOf = ({ partId, pieceId }: Pick<Laid, 'partId' | 'pieceId'>): string => `${partId}/${pieceId}`;

/** Pieces on a sheet while they are slid about. */
interface Sliding {
  sheet: Sheet;
  solids: Solid[];
  /** How far each went from where it lay. */
  went: Vec2[];
  /** Half the spacing: what is kept at the borders, since as much is kept round every piece. */
  edge: number;
}

function slidingOf(sheet: Sheet, items: ReadonlyMap<string, ToLay>, spacingMm: number): Sliding {
  const solids = sheet.laid.map((laid): Solid => {
    const rings = keptSolid(getFrom(items, keyOf(laid)), spacingMm);
    return solidOf(rings.map((ring) => laidOutline(ring, laid)));
  });
  return { sheet, solids, went: solids.map(() => ({ x: 0, y: 0 })), edge: spacingMm / 2 };
}

/** What two solids share of so little is rounding, mm². */
const TOUCH_MM2 = 0.05;

const regionOf = ({ rings }: Solid): Region => rings.map((ring) => [...ring]);

/** Whether none lies in another, by their areas. */
function areApart({ solids }: Sliding): boolean {
  return solids.every((a, i) =>
    solids
      .slice(i + 1)
      .every(
        (b) =>
          a.minX >= b.maxX ||
          b.minX >= a.maxX ||
          a.minY >= b.maxY ||
          b.minY >= a.maxY ||
          regionArea(common(regionOf(a), regionOf(b))) <= TOUCH_MM2,
      ),
  );
}

/**
 * The sheet with its pieces where they went; as it was where some lie in each other. Pieces that were laid nearer than
 * the search keeps them, as boxes and by hand, by the hair it keeps for rounded corners, may slide into each other.
 */
function settled(state: Sliding): Sheet {
  const { sheet, went } = state;
  if (!areApart(state)) return sheet;
  return {
    ...sheet,
    laid: sheet.laid.map((laid, i) => ({ ...laid, x: laid.x + went[i]!.x, y: laid.y + went[i]!.y })),
  };
}

const endOf = ({ solids }: Sliding): number => Math.max(...solids.map((s) => s.maxX));

/** How far a piece may go along a way: to the borders, to where the pieces end now, or to another piece. */
function freeMm(
  { sheet, solids, edge }: Sliding,
  i: number,
  others: readonly number[],
  way: Vec2,
  endMm: number,
): number {
  const s = solids[i]!;
  const high = sheet.heightMm - edge;
  let far = Math.min(
    way.x < -1e-9 ? (s.minX - edge) / -way.x : Infinity,
    way.x > 1e-9 ? (endMm - s.maxX) / way.x : Infinity,
    way.y < -1e-9 ? (s.minY - edge) / -way.y : Infinity,
    way.y > 1e-9 ? (high - s.maxY) / way.y : Infinity,
  );
  for (let k = 0; k < others.length && far > LITTLE_MM; k++) far = slideMm(s, solids[others[k]!]!, way, far);
  return far;
}

/** The other pieces, the nearest boxes first: they end a slide soonest, and the rest need hardly be looked at. */
function othersOf({ solids }: Sliding, i: number): number[] {
  const a = solids[i]!;
  const apart = solids.map((b) =>
    Math.max(a.minX - b.maxX, b.minX - a.maxX, a.minY - b.maxY, b.minY - a.maxY),
  );
  return solids.flatMap((_, k) => (k === i ? [] : [k])).sort((k, l) => apart[k]! - apart[l]!);
}

/** Slides every piece that is not locked to one side, again and again; none goes beyond where they end now. */
function slide(state: Sliding, side: -1 | 1, random: () => number): void {
  const { sheet, solids, went } = state;
  const endMm = endOf(state);
  for (let round = 0; round < ROUNDS; round++) {
    let gained = 0;
    const order = solids
      .map((_, i) => i)
      .sort((a, b) => (side < 0 ? solids[a]!.minX - solids[b]!.minX : solids[b]!.maxX - solids[a]!.maxX));
    for (const i of order) {
      if (sheet.laid[i]!.locked) continue;
      const others = othersOf(state, i);
      for (let k = 0; k <= ASLANT; k++) {
        const aslant = k === 0 ? 0 : MOST_ASLANT * (2 * random() - 1);
        const way = { x: side * Math.cos(aslant), y: Math.sin(aslant) };
        const far = freeMm(state, i, others, way, endMm);
        if (far < LITTLE_MM) continue;
        const by = { x: way.x * far, y: way.y * far };
        solids[i] = movedBy(solids[i]!, by);
        went[i] = { x: went[i]!.x + by.x, y: went[i]!.y + by.y };
        gained += side * by.x;
      }
    }
    if (gained < LITTLE_MM * solids.length) break;
  }
}

/** Jostles that come to nothing, one after another, before it is the end; and what one must come to, mm. */
const IDLE = 4;
const WORTH_MM = 0.2;

/** A sheet with its pieces brought closer to its left edge; none ends further right, and what is locked stays. */
export type Closer = (
  sheet: Sheet,
  items: ReadonlyMap<string, ToLay>,
  spacingMm: number,
  random: () => number,
) => Sheet;

const closerBy =
  (move: (state: Sliding, random: () => number) => void): Closer =>
  (sheet, items, spacingMm, random) => {
    const state = slidingOf(sheet, items, spacingMm);
    move(state, random);
    return settled(state);
  };

/** Slid together, exactly: cells leave up to one of them between pieces, this leaves nothing. */
export const slidTogether = closerBy((state, random) => slide(state, -1, random));

/**
 * Jostled: to the right within what they take and back to the left, which lets pieces past each other, for as long as
 * something comes of it (after Dowsland, Dowsland and Bennell, 1998, who lay them anew from either end).
 */
export const jostled = closerBy((state, random) => {
  for (let idle = 0; idle < IDLE; idle++) {
    const before = endOf(state);
    slide(state, 1, random);
    slide(state, -1, random);
    if (endOf(state) < before - WORTH_MM) idle = 0;
  }
});

/** Whether no piece on a sheet lies nearer to another than the spacing, by their areas. */
export const liesApart = (sheet: Sheet, items: ReadonlyMap<string, ToLay>, spacingMm: number): boolean =>
  areApart(slidingOf(sheet, items, spacingMm));

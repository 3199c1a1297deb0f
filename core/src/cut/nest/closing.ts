import { getFrom, itemAt } from '../../units';
import type { Laid, Sheet, SheetSize, ToLay } from '../sheets';
import { Bodies } from './bodies';
import { liesApart, slidTogether } from './closer';
import { Depths } from './depth';
import { type Lies, type Room, separated } from './separate';

/** What is taken off the last sheet at first, as a share of what is used of it; how that grows and shrinks, and its ends. */
const STRIDE = 0.02;
const FURTHER = 1.4;
const CLOSER = 0.5;
const MOST_STRIDE = 0.04;
const LEAST_STRIDE = 0.001;

/** What comes of longer strides is not slid together: the next wins as much sooner. */
const SLIDE_STRIDE = 0.004;

/** Rounds without anything better before a length is given up: so many more with every time it came to nothing. */
const IDLE = 60;
const MORE = 1.05;
const MOST_IDLE = 200;

/** Of the layouts that came to nothing so many are gone on from, those that came nearest the most often. */
const POOL = 5;

const keyOf = ({ partId, pieceId }: Laid): string => `${partId}/${pieceId}`;

/** Two pieces at each other's places. */
function swapped(lying: readonly Lies[], depths: Depths, random: () => number): Lies[] {
  const next = [...lying];
  const any = (): number => Math.floor(random() * next.length);
  const [i, j] = [any(), any()];
  const [a, b] = [itemAt(next, i), itemAt(next, j)];
  const at = (own: Lies, other: Lies): Lies => {
    const [p, q] = [depths.bodies[own.ways[own.way]!]!, depths.bodies[other.ways[other.way]!]!];
    return {
      ...own,
      room: other.room,
      x: other.x + (q.widthMm - p.widthMm) / 2,
      y: other.y + (q.heightMm - p.heightMm) / 2,
    };
  };
  [next[i], next[j]] = [at(a, b), at(b, a)];
  return next;
}

/** Which piece each laid copy is: copies of the same hand are as good as each other. */
function piecesOf(
  sheets: readonly Sheet[],
  items: readonly ToLay[],
): { item: ToLay; laid: Laid; room: number }[] {
  const left = new Map<string, ToLay[]>();
  for (const item of items) {
    const key = `${item.partId}/${item.piece.id}`;
    left.set(key, [...(left.get(key) ?? []), item]);
  }
  return sheets.flatMap((sheet, room) =>
    sheet.laid.map((laid) => {
      const own = laid.flipped !== (laid.over ?? false);
      const copies = getFrom(left, keyOf(laid));
      const at = copies.findIndex((c) => c.flipped === own);
      return { item: copies.splice(at, 1)[0]!, laid, room };
    }),
  );
}

/** A length that was tried, and the layout that came of it. */
interface Tried {
  found?: Sheet[];
}

/**
 * A layout closed up: a little is taken off the last whole sheet, and whatever lies in each other there is separated
 * anywhere between cells; what comes of small ones is slid together exactly, and so on, until the sheet is empty and the one
 * before it is the last.
 * @param sheets on which every piece lies; what is locked stays.
 * @returns what came of each length tried; after every move before, nothing. It ends where nothing but what is locked is on the last sheet.
 */
export function* closing(
  sheets: readonly Sheet[],
  items: readonly ToLay[],
  size: SheetSize,
  spacingMm: number,
  random: () => number,
): Generator<Tried | undefined, void> {
  const byKey = new Map(items.map((i) => [`${i.partId}/${i.piece.id}`, i]));
  const bodies = new Bodies(size, spacingMm);
  const pieces = piecesOf(sheets, items);
  const lying = pieces.flatMap(({ item, laid, room }) =>
    laid.locked ? [] : [{ item, lies: bodies.lies(item, laid, room) }],
  );
  const rooms = sheets.map((sheet, room) =>
    bodies.room(
      sheet,
      pieces.filter((p) => p.room === room && p.laid.locked),
    ),
  );
  const depths = new Depths(bodies.all);
  let whole = rooms.length;
  let best = lying.map((l) => l.lies);
  let stride = STRIDE;
  let idle = IDLE;
  let pool: { lying: Lies[]; depthMm: number }[] = [];
  const rightOf = (l: Lies): number => l.x + depths.bodies[l.ways[l.way]!]!.widthMm;
  const sheetsOf = (now: readonly Lies[]): Sheet[] =>
    sheets.slice(0, whole).map((sheet, room) => ({
      ...sheet,
      laid: [
        ...sheet.laid.filter((l) => l.locked),
        ...now.flatMap((l, i) => (l.room === room ? [bodies.laid(lying[i]!.item, l)] : [])),
      ],
    }));
  /** Where pieces lie once the sheets are slid together, in the order of `was`. */
  const liesOn = (now: readonly Sheet[], was: readonly Lies[]): Lies[] => {
    const free = now.map((sheet) => sheet.laid.filter((l) => !l.locked));
    return was.map((l, i) => bodies.lies(lying[i]!.item, free[l.room]!.shift()!, l.room));
  };
  for (;;) {
    const last = sheets.slice(0, whole).findLastIndex((s) => !s.offcut);
    const used = Math.max(0, ...best.filter((l) => l.room === last).map(rightOf));
    // What is left of it is locked.
    if (last < 0 || used === 0) return;
    const room: Room = { ...rooms[last]!, widthMm: used * (1 - stride) };
    const run = separated(
      pool.length === 0
        ? best
        : swapped(pool[Math.floor(pool.length * random() ** 2)]!.lying, depths, random),
      rooms.slice(0, whole).map((r, i) => (i === last ? room : r)),
      depths,
      random,
      Math.round(idle),
    );
    let now = run.next();
    for (; !now.done; now = run.next()) yield undefined;
    const found = now.value.depthMm === 0 ? sheetsOf(now.value.lying) : undefined;
    // Parts are only as good as their triangles: the areas of the true solids decide.
    if (found?.every((s) => liesApart(s, byKey, spacingMm))) {
      const slid = found.map((s, i) =>
        i === last && stride <= SLIDE_STRIDE ? slidTogether(s, byKey, spacingMm, random) : s,
      );
      best = liesOn(slid, now.value.lying);
      if (slid[last]!.laid.length === 0) whole = last;
      [pool, idle, stride] = [[], IDLE, Math.min(MOST_STRIDE, FURTHER * stride)];
      yield { found: slid.filter((s) => s.laid.length > 0) };
      continue;
    }
    if (stride > LEAST_STRIDE) stride = Math.max(LEAST_STRIDE, CLOSER * stride);
    else {
      if (!found) pool = [...pool, now.value].sort((a, b) => a.depthMm - b.depthMm).slice(0, POOL);
      idle = Math.min(MOST_IDLE, MORE * idle);
    }
    yield {};
  }
}

import { lastOf, itemAt, firstOf } from '../units';
import {
  boundsOf,
  common,
  contains,
  grown,
  regionArea,
  type Region,
  signedArea,
  type Vec2,
  without,
} from '../geometry';
import type { Offcut } from '../materials';
import { laidOutline, roomyHoles, type Sheet, type ToLay } from './sheets';

/** Narrower than this is thrown away, mm; so is what is smaller than this, mm². */
const NARROW_MM = 50;
const LEAST_MM2 = 15_000;
/** Outlines are kept no finer than this, and this far within the foam, mm. */
const FINE_MM = 1;

/** Points that lie nearly on the line of those beside them are left out. */
function simpler(ring: readonly Vec2[]): Vec2[] {
  const kept: Vec2[] = [];
  ring.forEach((p, i) => {
    const a = kept.at(-1) ?? lastOf(ring);
    const b = itemAt(ring, (i + 1) % ring.length);
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const off = Math.abs((p.x - a.x) * (b.y - a.y) - (p.y - a.y) * (b.x - a.x)) / (length || 1);
    if (off > FINE_MM / 4 || length < 1e-9) kept.push(p);
  });
  return kept.length >= 3 ? kept : [...ring];
}

/**
 * What is worth keeping of a sheet once its pieces are cut out: the foam that is left, opened by a disc so that strips
 * narrower than 50 mm fall away, each part of it with the holes in it; its lower left corner at nought.
 * @param apartMm room that is kept to the cuts.
 */
export function remaindersOf(
  sheet: Sheet,
  items: readonly ToLay[],
  apartMm: number,
): Pick<Offcut, 'outline' | 'holes'>[] {
  const foam: Region = sheet.offcut
    ? without(
        [[...sheet.offcut.outline]],
        (sheet.offcut.holes ?? []).map((h) => [...h]),
      )
    : [
        [
          { x: 0, y: 0 },
          { x: sheet.widthMm, y: 0 },
          { x: sheet.widthMm, y: sheet.heightMm },
          { x: 0, y: sheet.heightMm },
        ],
      ];
  const cuts = sheet.laid.flatMap((l) => {
    const item = items.find((i) => i.partId === l.partId && i.piece.id === l.pieceId);
    if (!item) return [];
    const ring = laidOutline(item.piece.outline, l);
    const outer = grown([signedArea(ring) < 0 ? ring.reverse() : ring], apartMm, 'rounded');
    // What drops out of a hole is foam too, unless another piece lies in it.
    const dropped = roomyHoles(item.piece).flatMap((hole) => {
      const cut = laidOutline(hole, l);
      return grown([signedArea(cut) < 0 ? cut.reverse() : cut], -apartMm);
    });
    return [dropped.length > 0 ? without(outer, dropped) : outer];
  });
  const left = cuts.reduce<Region>((rest, cut) => without(rest, cut), foam);
  // Mitres run past sharp corners: no further than there is foam.
  const opened = common(grown(grown(left, -NARROW_MM / 2), NARROW_MM / 2 - FINE_MM), grown(left, -FINE_MM));
  const holes = opened.filter((ring) => signedArea(ring) < 0);
  return opened.flatMap((ring) => {
    if (signedArea(ring) <= 0) return [];
    const own = holes.filter((h) => contains(ring, firstOf(h)));
    if (regionArea([ring, ...own]) < LEAST_MM2) return [];
    const b = boundsOf(ring);
    const moved = (r: readonly Vec2[]): Vec2[] =>
      simpler(r).map((p) => ({
        x: Math.max(0, Number((p.x - b.minX).toFixed(1))),
        y: Math.max(0, Number((p.y - b.minY).toFixed(1))),
      }));
    return [{ outline: moved(ring), ...(own.length > 0 && { holes: own.map(moved) }) }];
  });
}

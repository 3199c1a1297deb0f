import type { Nest } from '../../document';
import { boundsOf, common, grown, regionArea, signedArea, type Vec2 } from '../../geometry';
import {
  laidOutline,
  offcutSheet,
  roomyHoles,
  type Sheet,
  type SheetSize,
  type ToLay,
  wholeSheet,
} from '../sheets';

const named = ({ partId, piece, flipped }: ToLay): string => `${partId}/${piece.id}/${flipped}`;

/** FNV-1a over the letters of a text, twice from two starts, in hexadecimal. */
function hash(text: string): string {
  let [a, b] = [0x811c9dc5, 0x1b873593];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 0x01000193);
    b = Math.imul(b ^ c, 0x01000193);
  }
  return [a, b].map((v) => (v >>> 0).toString(16).padStart(8, '0')).join('');
}

/** What a nest was made for: the pieces in their shapes and hands, the sheet and the spacing. */
export function nestKey(items: readonly ToLay[], size: SheetSize, spacingMm: number): string {
  // A hole that others may lie in is part of the shape; pieces without one have the key they always had.
  const drawn = (ring: readonly Vec2[]): string =>
    ring.map((p) => `${p.x.toFixed(2)},${p.y.toFixed(2)}`).join(' ');
  const shapes = items
    .map((item) => `${named(item)}:${[item.piece.outline, ...roomyHoles(item.piece)].map(drawn).join(' o ')}`)
    .sort();
  const { foamId, nominalMm, widthMm, heightMm, turns, offcuts = [] } = size;
  // Sheets without grain or offcuts have the key they always had: what was kept stays kept.
  const grain = turns && turns !== 'any' ? [turns] : [];
  const left = offcuts.map((o) => o.id).sort();
  return hash([foamId, nominalMm, widthMm, heightMm, spacingMm, ...grain, ...left, ...shapes].join('|'));
}

/** Rounding of what is kept, mm. */
const KEPT_MM = 0.02;

/** The sheets of a kept nest; nothing when it does not hold just these pieces, or one lies over the edge. */
export function keptSheets(nest: Nest, items: readonly ToLay[], size: SheetSize): Sheet[] | undefined {
  const left = new Map<string, { count: number; item: ToLay }>();
  for (const item of items) {
    const known = left.get(named(item));
    left.set(named(item), { count: (known?.count ?? 0) + 1, item });
  }
  const sheets: Sheet[] = [];
  for (const [i, laid] of nest.sheets.entries()) {
    const on = nest.offcuts?.[i];
    const offcut = on ? size.offcuts?.find((o) => o.id === on) : undefined;
    if (on && !offcut) return undefined;
    const sheet: Sheet = { ...(offcut ? offcutSheet(size, offcut) : wholeSheet(size)), nested: true };
    for (const place of laid) {
      const own = left.get(`${place.partId}/${place.pieceId}/${place.flipped !== (place.over ?? false)}`);
      if (!own || own.count === 0 || (place.over && !own.item.eitherFace)) return undefined;
      own.count -= 1;
      const b = boundsOf(laidOutline(own.item.piece.outline, place));
      if (
        b.minX < -KEPT_MM ||
        b.minY < -KEPT_MM ||
        b.maxX > sheet.widthMm + KEPT_MM ||
        b.maxY > sheet.heightMm + KEPT_MM
      )
        return undefined;
      sheet.laid.push({ ...place, widthMm: b.maxX - b.minX, heightMm: b.maxY - b.minY });
    }
    sheets.push(sheet);
  }
  return [...left.values()].every(({ count }) => count === 0) ? sheets : undefined;
}

/** Overlaps smaller than this are rounding, mm². */
const TOUCH_MM2 = 0.05;

/**
 * What was locked in nests of these pieces before some of them changed: each where it lay, if it is still there, on the
 * sheet and clear of the others that are. The latest nest counts.
 */
export function lockedSheets(
  nests: readonly Nest[],
  items: readonly ToLay[],
  size: SheetSize,
  spacingMm: number,
): Sheet[] {
  const names = new Set(items.map(named));
  const nameOf = (l: Nest['sheets'][number][number]): string =>
    `${l.partId}/${l.pieceId}/${l.flipped !== (l.over ?? false)}`;
  const nest = nests.findLast((n) => n.sheets.flat().some((l) => l.locked && names.has(nameOf(l))));
  if (!nest) return [];
  const left = [...items];
  return nest.sheets.flatMap((laid, i) => {
    const on = nest.offcuts?.[i];
    const offcut = on ? size.offcuts?.find((o) => o.id === on) : undefined;
    if (on && !offcut) return [];
    const sheet: Sheet = { ...(offcut ? offcutSheet(size, offcut) : wholeSheet(size)), nested: true };
    const taken: Vec2[][] = [];
    for (const place of laid.filter((l) => l.locked)) {
      const at = left.findIndex((own) => named(own) === nameOf(place) && (!place.over || own.eitherFace));
      if (at < 0) continue;
      const ring = laidOutline(left[at]!.piece.outline, place);
      if (signedArea(ring) < 0) ring.reverse();
      const wide = grown([ring], spacingMm);
      const b = boundsOf(ring);
      const within =
        b.minX >= -KEPT_MM &&
        b.minY >= -KEPT_MM &&
        b.maxX <= sheet.widthMm + KEPT_MM &&
        b.maxY <= sheet.heightMm + KEPT_MM;
      if (!within || taken.some((other) => regionArea(common(wide, [other])) > TOUCH_MM2)) continue;
      left.splice(at, 1);
      taken.push(ring);
      sheet.laid.push({ ...place, widthMm: b.maxX - b.minX, heightMm: b.maxY - b.minY });
    }
    return sheet.laid.length > 0 ? [sheet] : [];
  });
}

/** A layout as it is kept. */
export const keepNest = (key: string, sheets: readonly Sheet[]): Nest => ({
  key,
  sheets: sheets.map((sheet) =>
    sheet.laid.map(({ partId, pieceId, flipped, turnRad, x, y, over, locked }) => ({
      partId,
      pieceId,
      flipped,
      turnRad,
      x,
      y,
      ...(over && { over }),
      ...(locked && { locked }),
    })),
  ),
  ...(sheets.some((s) => s.offcut) && { offcuts: sheets.map((s) => s.offcut?.id ?? '') }),
});

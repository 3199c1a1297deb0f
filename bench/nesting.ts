import { lyingTurn, type Nested, nesting, sheetGroups, type SheetGroup } from '@fomrik/core/cut';
import type { BuildDoc } from '@fomrik/core/document';
import { catalogue } from '@fomrik/core/materials';
import { boundsOf, rotate2 } from '@fomrik/core/geometry';
import type { Piece } from '@fomrik/core/panel';
import { derive } from '@fomrik/core/report';
import { dissection } from '../core/src/cut/nest/testing/dissection';
import { BEST_KNOWN, blazewicz, WIDTH } from '../core/src/cut/nest/testing/blazewicz';

/** The foam of a build with the most pieces. */
export const largestGroup = (doc: BuildDoc): SheetGroup =>
  sheetGroups(doc, derive(doc).parts, catalogue).reduce((a, b) => (b.items.length > a.items.length ? b : a));

/** The search after so many layouts, or so many milliseconds. */
export function nestedFor(
  { items, size }: SheetGroup,
  spacingMm: number,
  most: { layouts?: number; ms?: number },
): Nested {
  const begun = performance.now();
  let best: Nested | undefined;
  let n = 0;
  for (const now of nesting(items, size, spacingMm)) {
    best = now;
    n += 1;
    if (n >= (most.layouts ?? Infinity) || performance.now() - begun >= (most.ms ?? Infinity)) break;
  }
  return best!;
}

/** One search, told at several moments, ms. */
export function nestedAt(
  { items, size }: SheetGroup,
  spacingMm: number,
  moments: readonly number[],
): Nested[] {
  const begun = performance.now();
  const told: Nested[] = [];
  for (const now of nesting(items, size, spacingMm)) {
    while (told.length < moments.length && performance.now() - begun >= moments[told.length]!) told.push(now);
    if (told.length === moments.length) break;
  }
  return told;
}

/** The same pieces so many times over, as of so many builds on one shelf. */
export const timesOver = ({ items, size }: SheetGroup, times: number): SheetGroup => ({
  size,
  items: Array.from({ length: times }, (_, i) =>
    items.map((item) => ({ ...item, partId: `${item.partId}-${i}` })),
  ).flat(),
});

/** Share of what is taken off the roll, full sheets and the length used of the last, that is pieces. */
export const shareUsed = ({ used, sheets, lastMm }: Nested, { size }: SheetGroup): number =>
  (used * sheets) / (sheets - 1 + lastMm / size.widthMm);

const SCALE = 40;

/** How much longer than the best length known the shapes of SHAPES2 lie after so long. */
export function overBestKnown(ms: number): number {
  const strip: SheetGroup = {
    items: blazewicz(SCALE).map((outline, i) => ({
      partId: 'shapes',
      flipped: false,
      piece: { id: `${i}`, name: '', outline, holes: [], edges: [], marks: [] } as unknown as Piece,
    })),
    size: { foamId: 'dense-eva', nominalMm: 6, widthMm: 3000, heightMm: WIDTH * SCALE, turns: 'halves' },
  };
  return nestedFor(strip, 0, { ms }).lastMm / SCALE / BEST_KNOWN - 1;
}

/** How much longer than whole a sheet cut by slanting lines into so many lies after so long. */
export function dissectionOver(count: number, ms: number): number {
  const strip: SheetGroup = {
    items: dissection(count, count, 900, 600).map((outline, i) => ({
      partId: 'cuts',
      flipped: false,
      eitherFace: true,
      piece: { id: `${i}`, name: '', outline, holes: [], edges: [], marks: [] } as unknown as Piece,
    })),
    size: { foamId: 'dense-eva', nominalMm: 6, widthMm: 3000, heightMm: 600, turns: 'any' },
  };
  return nestedFor(strip, 0, { ms }).lastMm / 900 - 1;
}

/** The squared square of order 21 (Duijvestijn, 1978), five times as large. */
const SQUARES = [50, 42, 37, 35, 33, 29, 27, 25, 24, 19, 18, 17, 16, 15, 11, 9, 8, 7, 6, 4, 2].map(
  (s) => 5 * s,
);
const PERFECT_MM = 560;

/** How much longer than whole the square of twenty-one squares lies after so long. */
export function squaresOver(ms: number): number {
  const strip: SheetGroup = {
    items: SQUARES.map((side, i) => ({
      partId: 'squares',
      flipped: false,
      piece: {
        id: `${i}`,
        name: '',
        outline: [
          { x: 0, y: 0 },
          { x: side, y: 0 },
          { x: side, y: side },
          { x: 0, y: side },
        ],
        holes: [],
        edges: [],
        marks: [],
      } as unknown as Piece,
    })),
    size: { foamId: 'dense-eva', nominalMm: 6, widthMm: 3000, heightMm: PERFECT_MM, turns: 'any' },
  };
  return nestedFor(strip, 0, { ms }).lastMm / PERFECT_MM - 1;
}

// Its main file is no module that Node reads; the one beside it is.
const { MaxRectsPacker } = (await import(
  'maxrects-packer/dist/maxrects-packer.mjs' as string
)) as typeof import('maxrects-packer');

const upright = (of: Piece): [number, number] => {
  const turnRad = lyingTurn(of.outline);
  const { minX, minY, maxX, maxY } = boundsOf(of.outline.map((p) => rotate2(p, turnRad)));
  return [maxX - minX, maxY - minY];
};

/** Sheets the boxes of the pieces take by the library maxrects-packer, of the last only its length; as ours are counted. */
export function sheetsByLibrary({ items, size }: SheetGroup, spacingMm: number): number {
  // Room between pieces and to the edge alike, as in ours.
  const packer = new MaxRectsPacker(size.widthMm - 2 * spacingMm, size.heightMm - 2 * spacingMm, spacingMm, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
  });
  packer.addArray(
    items.map(({ piece }) => {
      const [width, height] = upright(piece);
      return { width, height, x: 0, y: 0 };
    }) as never[],
  );
  const last = packer.bins[packer.bins.length - 1]!;
  const reach = Math.max(...last.rects.map((r) => r.x + r.width)) + 2 * spacingMm;
  return packer.bins.length - 1 + Math.min(1, reach / size.widthMm);
}

/** The same count of ours. */
export const sheetsTaken = ({ sheets, lastMm }: Nested, { size }: SheetGroup): number =>
  sheets - 1 + lastMm / size.widthMm;

import { type Nested, nesting, sheetGroups, type SheetGroup } from '@fomrik/core/cut';
import type { BuildDoc } from '@fomrik/core/document';
import { catalogue } from '@fomrik/core/materials';
import type { Piece } from '@fomrik/core/panel';
import { derive } from '@fomrik/core/report';
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

import type { BuildDoc } from '@fomrik/core/document';
import { foldedPart } from '@fomrik/core/folding';
import { buildBook } from '../core/src/files/book/buildBook';
import { fontFile } from '../core/src/files/testing/font';
import { derive, type Report } from '@fomrik/core/report';
import { partPicture, shownOf } from '@fomrik/core/view';

/** What pictures are made of. */
export interface PicturesOf {
  doc: BuildDoc;
  report: Report;
}

export const picturesOf = (doc: BuildDoc): PicturesOf => ({ doc, report: derive(doc) });

/** Pictures of sixty parts as the rack shows them, each made anew. */
export function sixtyPictures({ doc, report }: PicturesOf): void {
  for (let i = 0; i < 60; i++) {
    // Another object each time, so that nothing of it is kept.
    const part = { ...report.parts[i % report.parts.length]! };
    shownOf(part);
    partPicture(part, doc.parts[i % doc.parts.length]?.scheme, 208, 156);
  }
}

/** Every part of a build, from flat pieces to the solid. */
export const foldings = ({ report }: PicturesOf): unknown => report.parts.map((p) => foldedPart(p));

export const book = ({ doc, report }: PicturesOf): Promise<Uint8Array> =>
  buildBook({ doc, report, unit: 'mm' }, fontFile);

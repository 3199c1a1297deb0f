import { stillPng, turntable } from './stills';
import type { BuildDoc } from '@fomrik/core/document';
import { type ExportId, exportOf, makeExport } from '@fomrik/core/files/exports';
import type { FontName } from '@fomrik/core/files/pdf/fonts';
import { derive } from '@fomrik/core/report';
import type { LengthUnit } from '@fomrik/core/units';

/** A font of printed pages, as this application serves it. */
export async function printFont(url: string): Promise<Uint8Array> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error('a font of the pages could not be fetched.');
  return new Uint8Array(await answer.arrayBuffer());
}

/** Files that take a while, made away from the page. */
export const files = {
  file: (
    doc: BuildDoc,
    id: ExportId,
    asked: { unit: LengthUnit; stamp: Date; fonts: Record<FontName, string> },
  ): Promise<Uint8Array | string> =>
    makeExport(exportOf(id), {
      doc,
      report: derive(doc),
      stamp: asked.stamp,
      unit: asked.unit,
      font: (name) => printFont(asked.fonts[name]),
    }),
  /** A part in its finish from one side, as a PNG. */
  still: stillPng,
  /** The same all round, in an archive. */
  turntable,
};

export type FilesApi = typeof files;

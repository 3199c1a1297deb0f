import type { PDFDocument, PDFFont } from '@cantoo/pdf-lib';
import { type FontSource, fontsFor } from './fonts';
import { has } from './pen';

/** The fonts some words want, put into a document; one of thousands of letters only for letters no other has. */
export async function embedded(pdf: PDFDocument, words: string, font: FontSource): Promise<PDFFont[]> {
  const fonts: PDFFont[] = [];
  for (const name of fontsFor(words))
    if (fonts.length === 0 || [...words].some((letter) => !fonts.some((f) => has(f, letter))))
      fonts.push(await pdf.embedFont(await font(name), { features: { liga: false } }));
  return fonts;
}

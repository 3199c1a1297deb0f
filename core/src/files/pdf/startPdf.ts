import { PDFDocument, type PDFFont } from '@cantoo/pdf-lib';
import fontkit from '@pdf-lib/fontkit';
import { embedded } from './embed';
import type { FontSource } from './fonts';

/** A file without a page yet, the same bytes for the same build whenever it is made, with the fonts its words need. */
export async function startPdf(
  title: string,
  words: string,
  font: FontSource,
): Promise<{ pdf: PDFDocument; fonts: PDFFont[] }> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  pdf.setCreator('Fomrik');
  pdf.setCreationDate(new Date(0));
  pdf.setModificationDate(new Date(0));
  return { pdf, fonts: await embedded(pdf, words, font) };
}

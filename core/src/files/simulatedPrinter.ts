import { PDFDocument } from '@cantoo/pdf-lib';

/** What a printer does to a page and does not say: its scales, and the margins it cannot reach. */
export interface PrinterFaults {
  across: number;
  along: number;
  marginMm: number;
}

const PT_PER_MM = 72 / 25.4;

/**
 * A printer that shrinks or stretches: every page drawn anew on paper of the same size, scaled about its middle, with
 * nothing in the margins. Stands in for a real one where there is none.
 * @throws Error when the bytes are no PDF.
 */
export async function simulatedPrint(pdf: Uint8Array, faults: PrinterFaults): Promise<Uint8Array> {
  const source = await PDFDocument.load(pdf);
  const printed = await PDFDocument.create();
  const margin = faults.marginMm * PT_PER_MM;
  for (const page of source.getPages()) {
    const { width, height } = page.getSize();
    // What the printer cannot reach is not taken along.
    const [left, bottom] = [
      width / 2 - (width / 2 - margin) / faults.across,
      height / 2 - (height / 2 - margin) / faults.along,
    ].map((v) => Math.max(0, v)) as [number, number];
    const content = await printed.embedPage(page, {
      left,
      bottom,
      right: width - left,
      top: height - bottom,
    });
    printed.addPage([width, height]).drawPage(content, {
      x: width / 2 + (left - width / 2) * faults.across,
      y: height / 2 + (bottom - height / 2) * faults.along,
      width: (width - 2 * left) * faults.across,
      height: (height - 2 * bottom) * faults.along,
    });
  }
  return printed.save();
}

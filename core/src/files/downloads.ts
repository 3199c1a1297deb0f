import type { BuildDoc } from '../document';
import type { Report } from '../report';
import { cutListCsv, effectsCsv, shoppingCsv, wiringCsv } from './csv';
import { handCsv } from './cutter/handSheet';
import { inRows } from '../pattern';
import { printedPieces } from '../pattern';
import type { DownloadKind } from './offered';
import { drawingDxf } from './dxf';
import { scheduleIcs } from './ics';
import { eventCardPdf } from './pdf/eventCardPdf';
import type { FontSource } from './pdf/fonts';
import { patternPdf } from './pdf/pattern';
import { wiringCard } from './pdf/wiringCard';
import { drawingSvg } from './svg';

/** Any file that can be taken away, as bytes or text. */
export async function makeDownload(
  kind: DownloadKind,
  doc: BuildDoc,
  report: Report,
  stamp: Date,
  font: FontSource,
): Promise<Uint8Array | string> {
  const pieces = printedPieces(report);
  switch (kind) {
    case 'pattern.pdf':
      return patternPdf(pieces, doc.cut, doc.name, font);
    case 'pattern.svg': {
      const { shapes, widthMm, heightMm } = inRows(pieces);
      return drawingSvg(shapes, widthMm, heightMm, doc.name);
    }
    case 'pattern.dxf':
      return drawingDxf(inRows(pieces).shapes);
    case 'cut-list.csv':
      return cutListCsv(report);
    case 'hand-cutting.csv':
      return handCsv(report);
    case 'shopping.csv':
      return shoppingCsv(report, doc.brief.currency);
    case 'wiring.pdf':
      return wiringCard(report, doc.cut, doc.name, font);
    case 'wiring.csv':
      return wiringCsv(report);
    case 'effects.csv':
      return effectsCsv(doc, report);
    case 'event-card.pdf':
      return eventCardPdf(doc, report, font);
    case 'steps.ics':
      return scheduleIcs(report, doc.name, stamp);
  }
}

import type { BuildDoc } from '../document';
import type { Report } from '../report';
import { cutListCsv, effectsCsv, shoppingCsv, wiringCsv } from './csv';
import { handCsv } from './cutter/handSheet';
import { inRows, printedPieces, saidIn } from '../pattern';
import type { DownloadKind } from './offered';
import { drawingDxf } from './dxf';
import { scheduleIcs } from './ics';
import { eventCardPdf } from './pdf/eventCardPdf';
import type { LengthUnit } from '../units';
import type { FontSource } from './pdf/fonts';
import { patternPdf } from './pdf/pattern';
import { wiringCard } from './pdf/wiringCard';
import { drawingSvg } from './svg';

/** Any file that can be taken away, as bytes or text; words and lists in a unit, drawings always true size in millimetres. */
export async function makeDownload(
  kind: DownloadKind,
  doc: BuildDoc,
  report: Report,
  stamp: Date,
  font: FontSource,
  unit: LengthUnit = 'mm',
): Promise<Uint8Array | string> {
  const pieces = saidIn(printedPieces(report), unit);
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
      return cutListCsv(report, unit);
    case 'hand-cutting.csv':
      return handCsv(report, unit);
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

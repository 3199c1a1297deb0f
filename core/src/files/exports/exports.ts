import type { FileExport } from './contract';

const CSV = 'text/csv';
const PDF = 'application/pdf';

/** Every file that can be taken away, in the order it is offered. */
export const fileExports = [
  {
    id: 'pattern.pdf',
    label: 'Pattern, PDF',
    about: 'actual size, tiled',
    type: PDF,
    load: async () => {
      const [{ patternPdf }, { printedPieces, saidIn }] = await Promise.all([
        import('../pdf/pattern'),
        import('../../pattern'),
      ]);
      return ({ doc, report, unit, font }) =>
        patternPdf(saidIn(printedPieces(report), unit), doc.cut, doc.name, font);
    },
  },
  {
    id: 'pattern.svg',
    label: 'Pattern, SVG',
    about: 'millimetres, layers',
    type: 'image/svg+xml',
    load: async () => {
      const [{ drawingSvg }, { inRows, printedPieces, saidIn }] = await Promise.all([
        import('../svg'),
        import('../../pattern'),
      ]);
      return ({ doc, report, unit }) => {
        const { shapes, widthMm, heightMm } = inRows(saidIn(printedPieces(report), unit));
        return drawingSvg(shapes, widthMm, heightMm, doc.name);
      };
    },
  },
  {
    id: 'pattern.dxf',
    label: 'Pattern, DXF',
    about: 'for a cutter',
    type: 'image/vnd.dxf',
    load: async () => {
      const [{ drawingDxf }, { inRows, printedPieces, saidIn }] = await Promise.all([
        import('../dxf'),
        import('../../pattern'),
      ]);
      return ({ report, unit }) => drawingDxf(inRows(saidIn(printedPieces(report), unit)).shapes);
    },
  },
  {
    id: 'cut-list.csv',
    label: 'Cut list, CSV',
    about: 'every piece',
    type: CSV,
    load: async () => {
      const { cutListCsv } = await import('../csv');
      return ({ report, unit }) => cutListCsv(report, unit);
    },
  },
  {
    id: 'hand-cutting.csv',
    label: 'Hand cutting, CSV',
    about: 'pieces in order, by rule and by curve, fresh blades',
    type: CSV,
    when: (_, report) => report.parts.some((p) => p.pieces.length > 0),
    load: async () => {
      const { handCsv } = await import('../cutter/handSheet');
      return ({ report, unit }) => handCsv(report, unit);
    },
  },
  {
    id: 'pipe-wraps.pdf',
    label: 'Paper wraps for pipes, PDF',
    about: 'actual size, for every end sawn to a curve',
    type: PDF,
    when: (_, report) => report.parts.some((p) => p.sticks.some((s) => s.sawn)),
    load: async () => {
      const { pipeWraps } = await import('../pdf/pipeWraps');
      return ({ doc, report, font }) => pipeWraps(report, doc.cut, doc.name, font);
    },
  },
  {
    id: 'shopping.csv',
    label: 'Shopping, CSV',
    about: 'less what is in stock',
    type: CSV,
    load: async () => {
      const { shoppingCsv } = await import('../csv');
      return ({ doc, report }) => shoppingCsv(report, doc.brief.currency);
    },
  },
  {
    id: 'wiring.pdf',
    label: 'Wiring card, PDF',
    about: 'one page for the repair kit',
    type: PDF,
    when: (_, report) => report.circuits.length > 0,
    load: async () => {
      const { wiringCard } = await import('../pdf/wiringCard');
      return ({ doc, report, font }) => wiringCard(report, doc.cut, doc.name, font);
    },
  },
  {
    id: 'wiring.csv',
    label: 'Wiring, CSV',
    about: 'the same as a table, meter readings',
    type: CSV,
    when: (_, report) => report.circuits.length > 0,
    load: async () => {
      const { wiringCsv } = await import('../csv');
      return ({ report }) => wiringCsv(report);
    },
  },
  {
    id: 'effects.csv',
    label: 'Effects, CSV',
    about: 'brightness against time, any controller',
    type: CSV,
    when: ({ circuits }) => circuits.some((c) => c.effect),
    load: async () => {
      const { effectsCsv } = await import('../csv');
      return ({ doc, report }) => effectsCsv(doc, report);
    },
  },
  {
    id: 'steps.ics',
    label: 'Steps, ICS',
    about: 'for a calendar',
    type: 'text/calendar',
    load: async () => {
      const { scheduleIcs } = await import('../ics');
      return ({ doc, report, stamp }) => scheduleIcs(report, doc.name, stamp);
    },
  },
  {
    id: 'event-card.pdf',
    label: 'Event card, PDF',
    about: 'one page for the day',
    type: PDF,
    when: (_, report) => report.parts.length > 0,
    load: async () => {
      const { eventCardPdf } = await import('../pdf/eventCardPdf');
      return ({ doc, report, font }) => eventCardPdf(doc, report, font);
    },
  },
  {
    id: 'dry-fit.pdf',
    label: 'Dry-fit card, PDF',
    about: 'trying on in paper: what to read, and a box for it',
    type: PDF,
    when: (_, report) => report.fitting.dressing.length > 0,
    load: async () => {
      const { dryFitCard } = await import('../pdf/dryFitCard');
      return ({ doc, report, unit, font }) => dryFitCard(doc, report, unit, font);
    },
  },
  {
    id: 'finished.png',
    label: 'Picture, PNG',
    about: 'the finished build, on nothing',
    type: 'image/png',
    when: (_, report) => report.parts.length > 0,
    slow: true,
    load: async () => {
      const [{ finishedPicture }, { pngOf }] = await Promise.all([
        import('../../stepPicture'),
        import('../../view'),
      ]);
      return ({ doc, report }) => pngOf(finishedPicture(report.body, report.parts, doc.parts, 1200, 1600));
    },
  },
  {
    id: 'book.pdf',
    label: 'Build book, PDF',
    about: 'the whole plan, every step with its picture',
    type: PDF,
    when: (_, report) => report.parts.length > 0,
    slow: true,
    load: async () => {
      const { buildBook } = await import('../book/buildBook');
      return ({ doc, report, unit, font }) => buildBook({ doc, report, unit }, font);
    },
  },
] as const satisfies readonly FileExport[];

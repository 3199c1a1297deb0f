import type { CutPlan } from '../../document';
import type { Report } from '../../report';
import { printVolts, trimNumber } from '../../units';
import { PAGE_MARGIN_MM, paper } from '../../pattern';
import { wiringRows } from '../wiringRows';
import { startPdf } from './startPdf';
import type { FontSource } from './fonts';
import { type Pen, PT_PER_MM, stroke, write } from './pen';

const LINE_MM = 4.6;
const BOX_MM = { wide: 42, high: 16 };

/** Cut to fit its column. */
const short = (text: string, most: number): string =>
  text.length <= most ? text : `${text.slice(0, most - 1)}…`;

type Made = Report['circuits'][number];

/** What the current goes through in turn, with the volts it has there. */
function chainOf(c: Made): { name: string; note: string }[] {
  const { working, feed } = c;
  const lights = [
    ...(c.solved?.strings ?? []).map((s) => `${s.lamps} × ${s.group}, ${trimNumber(s.ohm)} Ω`),
    ...c.steady.map((s) => s.name),
  ];
  const kinds = [...new Set(lights)].map((l) => {
    const times = lights.filter((o) => o === l).length;
    return times > 1 ? `${times} × (${l})` : l;
  });
  return [
    { name: c.pack?.name ?? 'no pack', note: working ? printVolts(working.packVolts) : '' },
    ...(c.fused ? [{ name: 'fuse', note: 'by the plus pole' }] : []),
    ...(c.switch ? [{ name: c.switch.name, note: c.switch.kind }] : []),
    ...(feed.regulator ? [{ name: feed.regulator.name, note: printVolts(feed.regulator.volts) }] : []),
    { name: kinds.join('; '), note: working ? printVolts(working.lampVolts) : 'dark' },
  ];
}

/** Boxes in a row, joined by the plus above and the minus below. */
function drawn(
  pen: Pen,
  chain: readonly { name: string; note: string }[],
  left: number,
  top: number,
  room: number,
): void {
  const gap = Math.max(3, (room - chain.length * BOX_MM.wide) / Math.max(1, chain.length - 1));
  const wide = Math.min(BOX_MM.wide, (room - 3 * (chain.length - 1)) / chain.length);
  const { high } = BOX_MM;
  chain.forEach(({ name, note }, i) => {
    const x = left + i * (wide + Math.min(gap, 10));
    stroke(
      pen,
      [
        { x, y: top },
        { x: x + wide, y: top },
        { x: x + wide, y: top - high },
        { x, y: top - high },
      ],
      true,
      'cut',
    );
    const most = Math.floor(wide / 1.35);
    write(pen, short(name, most), { x: x + 1.5, y: top - 5.5 }, 2.4);
    if (name.length > most) write(pen, short(name.slice(most - 1), most), { x: x + 1.5, y: top - 9.2 }, 2.4);
    write(pen, short(note, most), { x: x + 1.5, y: top - high + 2 }, 2.4);
    if (i === 0) return;
    const from = x - Math.min(gap, 10);
    for (const [y, sign] of [
      [top - 4, '+'],
      [top - high + 4, '−'],
    ] as const) {
      stroke(
        pen,
        [
          { x: from, y },
          { x, y },
        ],
        false,
        'notch',
      );
      write(pen, sign, { x: (from + x) / 2 - 0.8, y: y + 0.8 }, 2.2);
    }
  });
}

/**
 * One page for the repair kit: each circuit as a row of boxes from pack to lamps, then its wire, its hours and what a
 * meter shows; more pages only when there are more circuits than fit.
 */
export async function wiringCard(
  report: Report,
  { page }: Pick<CutPlan, 'page'>,
  title: string,
  font: FontSource,
): Promise<Uint8Array> {
  const rows = wiringRows(report);
  const { pdf, fonts } = await startPdf(
    `${title}: wiring`,
    [title, ...rows.flatMap((r) => Object.values({ ...r } as Record<string, string>))].join(' '),
    font,
  );
  const size = paper[page];
  const left = PAGE_MARGIN_MM + 2;
  const newPen = (): Pen => ({
    page: pdf.addPage([size.widthMm * PT_PER_MM, size.heightMm * PT_PER_MM]),
    fonts,
    pt: { x: PT_PER_MM, y: PT_PER_MM },
  });
  let pen = newPen();
  let y = size.heightMm - 18;
  write(pen, `${short(title, 50)}: wiring card`, { x: left, y }, 5);
  write(
    pen,
    'Plus red, minus black. Pull the pack before a wire is touched; a shorted lithium cell burns.',
    { x: left, y: (y -= 6) },
    2.4,
  );
  y -= 6;
  for (const c of report.circuits) {
    const own = rows.filter((r) => r.circuit === c.name);
    if (y - BOX_MM.high - (own.length + 3) * LINE_MM < PAGE_MARGIN_MM && y < size.heightMm - 40) {
      pen = newPen();
      y = size.heightMm - 18;
    }
    write(
      pen,
      short(c.copies > 1 ? `${c.name}, ${c.copies} alike` : c.name, 70),
      { x: left, y: (y -= 4) },
      3.2,
    );
    drawn(pen, chainOf(c), left, (y -= 3), size.widthMm - 2 * left);
    y -= BOX_MM.high + 3;
    for (const row of own) {
      if (y < PAGE_MARGIN_MM + 4) {
        pen = newPen();
        y = size.heightMm - 18;
      }
      write(pen, row.what, { x: left, y: (y -= LINE_MM) }, 2.4);
      write(pen, short(row.where, 62), { x: left + 22, y }, 2.4);
      write(pen, short(row.value, 40), { x: left + 112, y }, 2.4);
    }
    y -= 5;
  }
  return pdf.save();
}

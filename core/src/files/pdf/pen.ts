import { firstOf } from '../../units';
import { degrees, type PDFFont, type PDFPage, type RGB, rgb } from '@cantoo/pdf-lib';
import type { Vec2 } from '../../geometry';
import { pathData } from '../curves';
import { type Layer, lineStyle, type Shape } from '../../pattern';

/** PDF user space: 72 points to the inch (ISO 32000). */
export const PT_PER_MM = 72 / 25.4;
const black = rgb(0, 0, 0);
export const grey = rgb(0.55, 0.55, 0.55);

/** Draws in millimetres from the page's lower left, corrected for what the printer shrinks. */
export interface Pen {
  page: PDFPage;
  /** The plain font, then those with letters it lacks. */
  fonts: readonly PDFFont[];
  /** Points per drawn millimetre across and along the page, correction included. */
  pt: Vec2;
}

const letters = new WeakMap<PDFFont, Set<number>>();

/** Whether a font can show a letter. */
export function has(font: PDFFont, letter: string): boolean {
  let known = letters.get(font);
  if (!known) letters.set(font, (known = new Set(font.getCharacterSet())));
  return known.has(letter.codePointAt(0)!);
}

/** A text in runs of one font each; what no font can show is an empty box. */
function runsOf(fonts: readonly PDFFont[], text: string): { font: PDFFont; text: string }[] {
  const runs: { font: PDFFont; text: string }[] = [];
  for (const letter of text) {
    const holder = fonts.find((f) => has(f, letter));
    const [font, shown] = holder ? [holder, letter] : [firstOf(fonts), '\u25a1'];
    const last = runs.at(-1);
    if (last?.font === font) last.text += shown;
    else runs.push({ font, text: shown });
  }
  return runs;
}

export function stroke(
  { page, pt }: Pen,
  points: readonly Vec2[],
  closed: boolean,
  layer: Layer,
  color: RGB = black,
): void {
  const { widthMm, dashMm } = lineStyle[layer];
  page.drawSvgPath(
    pathData(points, closed, (v) => v.toFixed(3), 0, pt),
    {
      x: 0,
      y: 0,
      borderColor: color,
      borderWidth: widthMm * PT_PER_MM,
      ...(dashMm.length > 0 && { borderDashArray: dashMm.map((d) => d * PT_PER_MM) }),
    },
  );
}

export function write(
  { page, fonts, pt }: Pen,
  text: string,
  at: Vec2,
  heightMm: number,
  { centred = false, turnRad = 0 } = {},
): void {
  const size = heightMm * PT_PER_MM * 1.25;
  const runs = runsOf(fonts, text).map((run) => ({
    ...run,
    wide: run.font.widthOfTextAtSize(run.text, size),
  }));
  let along = centred ? -runs.reduce((sum, run) => sum + run.wide, 0) / 2 : 0;
  for (const { font, text: shown, wide } of runs) {
    page.drawText(shown, {
      x: at.x * pt.x + along * Math.cos(turnRad),
      y: at.y * pt.y + along * Math.sin(turnRad),
      size,
      font,
      color: black,
      rotate: degrees((turnRad * 180) / Math.PI),
    });
    along += wide;
  }
}

export function drawShape(pen: Pen, shape: Shape): void {
  if (shape.kind === 'line') stroke(pen, shape.points, shape.closed, shape.layer);
  else if (shape.kind === 'text')
    write(pen, shape.text, shape.at, shape.heightMm, { centred: true, turnRad: shape.turnRad ?? 0 });
  else
    pen.page.drawEllipse({
      x: shape.centre.x * pen.pt.x,
      y: shape.centre.y * pen.pt.y,
      xScale: shape.radiusMm * pen.pt.x,
      yScale: shape.radiusMm * pen.pt.y,
      borderColor: black,
      borderWidth: lineStyle.hole.widthMm * PT_PER_MM,
    });
}

/** A check bar with end ticks and its length beside it, across or along the page. */
export function bar(pen: Pen, at: Vec2, lengthMm: number, label: string, along = false): void {
  const spot = (far: number, off: number): Vec2 =>
    along ? { x: at.x + off, y: at.y + far } : { x: at.x + far, y: at.y + off };
  stroke(pen, [spot(0, 0), spot(lengthMm, 0)], false, 'hole');
  for (const end of [0, lengthMm]) stroke(pen, [spot(end, -1.5), spot(end, 1.5)], false, 'hole');
  write(pen, label, along ? spot(lengthMm / 2, -1) : spot(lengthMm / 2, 1), 2.2, {
    centred: true,
    turnRad: along ? Math.PI / 2 : 0,
  });
}

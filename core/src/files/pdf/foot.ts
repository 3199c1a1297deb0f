import { rgb } from '@cantoo/pdf-lib';
import type { CutPlan } from '../../document';
import { PAGE_MARGIN_MM, printScale, type Board, type Page } from '../../pattern';
import { layers, lineStyle, moveShape, type Layer } from '../../pattern';
import { sampleOf } from '../../pattern';
import type { Vec2 } from '../../geometry';
import { trimNumber } from '../../units';
import { pathData } from '../curves';
import { bar, drawShape, grey, type Pen, stroke, write } from './pen';

/** Room that the number of a page takes, mm. */
const NUMBER_MM = { wide: 5, high: 2.8 };

const gridKnown = new WeakMap<Board, { from: Vec2; to: Vec2 }[]>();

/** The edges of a board's printed cells, in columns and rows, those that lie in line as one: every page draws them. */
function gridLines(board: Board): { from: Vec2; to: Vec2 }[] {
  const known = gridKnown.get(board);
  if (known) return known;
  const { columns, rows, printed } = board;
  const there = (c: number, r: number): boolean =>
    c >= 0 && c < columns && r >= 0 && r < rows && printed[r * columns + c] === true;
  const lines: { from: Vec2; to: Vec2 }[] = [];
  /** Steps along a line at which a cell lies on either side, joined to runs. */
  const runs = (steps: number, on: (i: number) => boolean, put: (from: number, to: number) => void): void => {
    for (let i = 0, from = -1; i <= steps; i++) {
      const edge = i < steps && on(i);
      if (edge && from < 0) from = i;
      if (!edge && from >= 0) {
        put(from, i);
        from = -1;
      }
    }
  };
  for (let y = 0; y <= rows; y++)
    runs(
      columns,
      (c) => there(c, y) || there(c, y - 1),
      (a, b) => lines.push({ from: { x: a, y }, to: { x: b, y } }),
    );
  for (let x = 0; x <= columns; x++)
    runs(
      rows,
      (r) => there(x, r) || there(x - 1, r),
      (a, b) => lines.push({ from: { x, y: a }, to: { x, y: b } }),
    );
  gridKnown.set(board, lines);
  return lines;
}

/** A board drawn small: its printed pages with their numbers or this one filled, and the pieces over them. */
export function boardMap(
  pen: Pen,
  board: Board,
  { widthMm, heightMm }: Pick<Page, 'widthMm' | 'heightMm'>,
  cut: CutPlan,
  at: { x: number; y: number; widthMm: number; heightMm: number },
  { here, numbers }: { here?: number; numbers?: ReadonlyMap<number, number> },
): void {
  const [stepX, stepY] = [widthMm - cut.overlapMm, heightMm - cut.overlapMm];
  const scale = Math.min(at.widthMm / (board.columns * stepX), at.heightMm / (board.rows * stepY));
  // Where cells are smaller than their numbers, only every so many are numbered.
  const [everyColumn, everyRow] = [
    Math.ceil(NUMBER_MM.wide / (stepX * scale)),
    Math.ceil(NUMBER_MM.high / (stepY * scale)),
  ];
  const [cellX, cellY] = [stepX * scale, stepY * scale];
  const corner = (i: number) => ({
    x: at.x + (i % board.columns) * cellX,
    y: at.y + Math.floor(i / board.columns) * cellY,
  });
  if (here !== undefined) {
    const { x, y } = corner(here);
    pen.page.drawRectangle({
      x: x * pen.pt.x,
      y: y * pen.pt.y,
      width: cellX * pen.pt.x,
      height: cellY * pen.pt.y,
      color: rgb(0.85, 0.85, 0.85),
    });
  }
  const lines = gridLines(board).map(({ from, to }) =>
    [from, to].map((p) => ({ x: at.x + p.x * cellX, y: at.y + p.y * cellY })),
  );
  pen.page.drawSvgPath(lines.map((run) => pathData(run, false, (v) => v.toFixed(2), 0, pen.pt)).join(''), {
    x: 0,
    y: 0,
    borderColor: grey,
    borderWidth: 0.5,
  });
  for (const [i, number] of numbers ?? []) {
    const numbered =
      (i % board.columns) % everyColumn === 0 && Math.floor(i / board.columns) % everyRow === 0;
    const { x, y } = corner(i);
    if (board.printed[i] && numbered)
      write(pen, String(number), { x: x + cellX / 2, y: y + 1 }, 2.2, { centred: true });
  }
  for (const { outline } of board.placed)
    stroke(
      pen,
      outline.map((p) => ({ x: at.x + p.x * scale, y: at.y + p.y * scale })),
      true,
      'rivet',
    );
}

/** Samples of marks are drawn this much smaller in the legend. */
const SAMPLE = 0.4;
/** Kinds of line in a column of the legend, from line to line, and from column to column; mm. */
const LEGEND = { rows: 7, lineMm: 3.7, columnMm: 33 };

function legend(pen: Pen, used: ReadonlySet<Layer>, x: number, top: number): void {
  const shown = layers.filter((layer) => layer !== 'text' && layer !== 'leader' && used.has(layer));
  shown.forEach((layer, i) => {
    const y = top - (i % LEGEND.rows) * LEGEND.lineMm;
    const left = x + Math.floor(i / LEGEND.rows) * LEGEND.columnMm;
    for (const shape of sampleOf(layer))
      drawShape(
        pen,
        moveShape(shape, (p) => ({ x: left + p.x * SAMPLE, y: y + (p.y - 1) * SAMPLE })),
      );
    write(pen, lineStyle[layer].meaning, { x: left + 7.5, y }, 1.75);
  });
}

/** What the print was corrected by, in words. */
export function correction(cut: CutPlan): string {
  const { barMeasuredMm, barAlongMeasuredMm = barMeasuredMm } = cut;
  if (barMeasuredMm === 100 && barAlongMeasuredMm === 100) return 'no scale correction';
  const one = (mm: number): string => `× ${trimNumber(100 / mm, 4)} (bar measured ${trimNumber(mm)} mm)`;
  return barMeasuredMm === barAlongMeasuredMm
    ? `corrected ${one(barMeasuredMm)}`
    : `corrected across ${one(barMeasuredMm)}, along ${one(barAlongMeasuredMm)}`;
}

/** Letters that stand between the bars' left end and the legend. */
const LINE_LETTERS = 80;

/** What is on a page, as many names as there is room for; one at least. */
export function namesLine(title: string, names: readonly string[]): string {
  const line = (n: number): string =>
    [title, ...names.slice(0, n), ...(n < names.length ? [`and ${names.length - n} more`] : [])].join(' · ');
  for (let n = names.length; n > 1; n--) if (line(n).length <= LINE_LETTERS) return line(n);
  const one = line(1);
  return one.length <= LINE_LETTERS ? one : `${one.slice(0, LINE_LETTERS - 1)}…`;
}

/** The band at the foot of a page: bars, what is on it, legend and map. */
export function foot(
  pen: Pen,
  page: Page,
  number: number,
  total: number,
  cut: CutPlan,
  used: ReadonlySet<Layer>,
  title: string,
): void {
  const scale = printScale(cut);
  const [left, low] = [PAGE_MARGIN_MM / scale.x, PAGE_MARGIN_MM / scale.y];
  bar(pen, { x: left + 1, y: low + 22 }, 100, '100 mm');
  bar(pen, { x: left + 1, y: low + 15 }, 101.6, '4 in');
  const names = [...new Set(page.placed.map(({ item }) => `${item.source.partName}: ${item.piece.name}`))];
  write(pen, namesLine(title, names), { x: left + 1, y: low + 8 }, 2.2);
  write(
    pen,
    `page ${number} of ${total} · column ${page.column + 1}, row ${page.row + 1} · print at 100 %, ${correction(cut)}`,
    { x: left + 1, y: low + 3 },
    2.2,
  );
  legend(pen, used, left + 106, low + 25);
  boardMap(
    pen,
    page.board,
    page,
    cut,
    { x: left + 172, y: low + 2, widthMm: 20, heightMm: 26 },
    { here: page.row * page.board.columns + page.column },
  );
}

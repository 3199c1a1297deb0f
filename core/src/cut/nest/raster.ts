import { boundsOf, type Vec2 } from '../../geometry';

/** Cells of a sheet or of a piece, a bit each, row by row from below; a row is so many words of 32 bits. */
export interface Cells {
  rows: number;
  columns: number;
  words: number;
  bits: Uint32Array;
}

export const noCells = (columns: number, rows: number): Cells => {
  const words = Math.ceil(columns / 32) + 1;
  return { rows, columns, words, bits: new Uint32Array(rows * words) };
};

const setCell = (cells: Cells, column: number, row: number): void => {
  if (column < 0 || row < 0 || column >= cells.columns || row >= cells.rows) return;
  cells.bits[row * cells.words + (column >> 5)]! |= 1 << (column & 31);
};

/**
 * Every cell that an outline touches, with nothing left out: cells whose row the inside crosses, and every cell that an
 * edge runs through. Two outlines whose cells are apart are apart themselves.
 * @param outline counter-clockwise or not, mm; its box's lower left corner becomes the first cell's.
 */
export function cellsOf(outline: readonly Vec2[], cellMm: number): Cells {
  const b = boundsOf([...outline]);
  const at = outline.map((p) => ({ x: (p.x - b.minX) / cellMm, y: (p.y - b.minY) / cellMm }));
  const cells = noCells(
    Math.max(1, Math.ceil((b.maxX - b.minX) / cellMm - 1e-9)),
    Math.max(1, Math.ceil((b.maxY - b.minY) / cellMm - 1e-9)),
  );
  const last = (v: number, most: number): number => Math.min(most - 1, Math.max(0, Math.floor(v)));
  at.forEach((p, i) => {
    const q = at[(i + 1) % at.length]!;
    // What an edge covers in each row it runs through.
    const [low, high] = p.y <= q.y ? [p, q] : [q, p];
    for (let row = last(low.y, cells.rows); row <= last(high.y, cells.rows); row++) {
      const xAt = (y: number): number =>
        high.y - low.y < 1e-12 ? low.x : low.x + ((high.x - low.x) * (y - low.y)) / (high.y - low.y);
      const [a, c] =
        high.y - low.y < 1e-12
          ? [low.x, high.x]
          : [xAt(Math.max(low.y, row)), xAt(Math.min(high.y, row + 1))];
      for (
        let column = last(Math.min(a, c), cells.columns);
        column <= last(Math.max(a, c), cells.columns);
        column++
      )
        setCell(cells, column, row);
    }
  });
  for (let row = 0; row < cells.rows; row++) {
    const y = row + 0.5;
    const crossings = at
      .flatMap((p, i) => {
        const q = at[(i + 1) % at.length]!;
        return p.y <= y !== q.y <= y ? [p.x + ((q.x - p.x) * (y - p.y)) / (q.y - p.y)] : [];
      })
      .sort((m, n) => m - n);
    for (let k = 0; k + 1 < crossings.length; k += 2)
      for (
        let column = last(crossings[k]!, cells.columns);
        column <= last(crossings[k + 1]!, cells.columns);
        column++
      )
        setCell(cells, column, row);
  }
  return cells;
}

/** The same cells moved right by less than a word, so that laying them on a sheet is a comparison of whole words. */
export function shifted({ rows, columns, words, bits }: Cells, by: number): Cells {
  if (by === 0) return { rows, columns, words, bits };
  const out = new Uint32Array(rows * words);
  for (let r = 0; r < rows; r++)
    for (let w = words - 1; w >= 0; w--) {
      const own = bits[r * words + w]! << by;
      const carried = w > 0 ? bits[r * words + w - 1]! >>> (32 - by) : 0;
      out[r * words + w] = own | carried;
    }
  return { rows, columns, words, bits: out };
}

/** Whether cells may lie on a sheet at a word and a row: none is taken. */
export function clear(sheet: Cells, piece: Cells, word: number, row: number): boolean {
  const { words, bits } = piece;
  for (let r = 0; r < piece.rows; r++) {
    const at = (row + r) * sheet.words + word;
    for (let w = 0; w < words && word + w < sheet.words; w++)
      if ((sheet.bits[at + w]! & bits[r * words + w]!) !== 0) return false;
  }
  return true;
}

/** Takes the cells on the sheet. */
export function fill(sheet: Cells, piece: Cells, word: number, row: number): void {
  const { words, bits } = piece;
  for (let r = 0; r < piece.rows; r++) {
    const at = (row + r) * sheet.words + word;
    for (let w = 0; w < words && word + w < sheet.words; w++) sheet.bits[at + w]! |= bits[r * words + w]!;
  }
}

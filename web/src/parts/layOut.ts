const GAP = 14;
const LABEL = 30;

interface Laid {
  index: number;
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Pieces in rows, the row width chosen so that the drawing is about half as wide again as high. */
export function layOut(sizes: { w: number; h: number }[]): { laid: Laid[]; w: number; h: number } {
  const widest = Math.max(...sizes.map((s) => s.w));
  // Words grow with the drawing; the room under a row grows with them.
  const label = Math.max(LABEL, widest / 26);
  const fill = (rowWidth: number): { laid: Laid[]; w: number; h: number } => {
    const laid: Laid[] = [];
    let [x, y, rowH, width] = [GAP, GAP, 0, 0];
    sizes.forEach(({ w, h }, index) => {
      if (x > GAP && x + w > rowWidth) {
        x = GAP;
        y += rowH + label;
        rowH = 0;
      }
      laid.push({ index, x, y, w, h });
      x += w + GAP;
      rowH = Math.max(rowH, h);
      width = Math.max(width, x);
    });
    return { laid, w: width, h: y + rowH + label };
  };
  const total = sizes.reduce((sum, s) => sum + s.w + GAP, GAP);
  const tries = Array.from({ length: 10 }, (_, i) => fill(widest + GAP + ((total - widest) * i) / 9 + 1));
  const score = ({ w, h }: { w: number; h: number }): number => Math.max(w / 1.5, h);
  return tries.reduce((a, b) => (score(b) < score(a) ? b : a));
}

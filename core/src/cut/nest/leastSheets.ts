/**
 * Fewest sheets that pieces of such areas can be cut from, whatever their shapes: the area of all, and the largest ones,
 * of which no two, or none beside a smaller one, share a sheet (the bound L₂ of bin packing; Martello and Toth, 1990).
 * Offcuts, each no larger than a sheet, may take what they hold by area, and no more sheets' worth than there are of them.
 * @param areasMm2 none larger than a sheet.
 */
export function leastSheets(
  areasMm2: readonly number[],
  sheetMm2: number,
  offcutsMm2: readonly number[] = [],
): number {
  const sum = (of: readonly number[]): number => of.reduce((total, a) => total + a, 0);
  const up = (v: number): number => Math.ceil(v - 1e-9);
  const byArea = up((sum(areasMm2) - sum(offcutsMm2)) / sheetMm2);
  let largest = 0;
  const half = sheetMm2 / 2;
  for (const least of [0, ...areasMm2.filter((a) => a <= half)]) {
    const alone = areasMm2.filter((a) => a > sheetMm2 - least);
    const halves = areasMm2.filter((a) => a > half && a <= sheetMm2 - least);
    const small = areasMm2.filter((a) => a >= least && a <= half);
    const beside = halves.length * sheetMm2 - sum(halves);
    largest = Math.max(
      largest,
      alone.length + halves.length + Math.max(0, up((sum(small) - beside) / sheetMm2)),
    );
  }
  return Math.max(0, byArea, largest - offcutsMm2.length);
}

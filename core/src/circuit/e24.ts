/** Preferred values per decade, series E24 of IEC 60063. */
export const e24 = [
  10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91,
];

/** The next E24 value at or above `ohm`, so that the current is never above what was asked. */
export function nextE24(ohm: number): number {
  if (!(ohm > 0)) return 1;
  const decade = 10 ** (Math.floor(Math.log10(ohm)) - 1);
  const step = e24.find((value) => value * decade >= ohm * (1 - 1e-9));
  return Number(((step ?? 100) * decade).toPrecision(3));
}

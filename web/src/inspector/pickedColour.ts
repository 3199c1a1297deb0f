/** Pixels of a picture, four numbers each. */
interface Pixels {
  width: number;
  height: number;
  data: ArrayLike<number>;
}

/** The mean of so many pixels to either side is a colour; one pixel may be noise. */
export const REACH = 3;

/** From what is stored to light and back (IEC 61966-2-1): a mean is one of light. */
const toLight = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
const fromLight = (v: number): number => (v <= 0.0031308 ? v * 12.92 : 1.055 * v ** (1 / 2.4) - 0.055);

/** The colour of a picture round a pixel, as #rrggbb; pixels beyond its border and clear ones are left out. */
export function colourAround({ width, height, data }: Pixels, x: number, y: number): string | undefined {
  const sum = [0, 0, 0];
  let weight = 0;
  for (let j = Math.max(0, y - REACH); j <= Math.min(height - 1, y + REACH); j++)
    for (let i = Math.max(0, x - REACH); i <= Math.min(width - 1, x + REACH); i++) {
      const at = (j * width + i) * 4;
      const opaque = data[at + 3]! / 255;
      for (let k = 0; k < 3; k++) sum[k]! += opaque * toLight(data[at + k]! / 255);
      weight += opaque;
    }
  if (weight === 0) return undefined;
  return `#${sum
    .map((s) =>
      Math.round(255 * fromLight(s / weight))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

import type { LightRgb, Shine } from '../features';
import type { Vec3 } from '../geometry';

/** A light that shines on what is round it: where from, which way, and how much in all. */
export interface CastLight {
  at: Vec3;
  normal: Vec3;
  rgb: LightRgb;
  flux: number;
  /** What it stands for: each item with its share of the light, 1 in all. */
  of: { itemId: string; share: number }[];
}

const near = (a: Vec3, b: Vec3): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);

/** The same way within so much of a right angle; lights that look different ways are not made one. */
const ALIKE = 0.5;

const apart = (a: CastLight, b: CastLight): number => {
  const cos = a.normal.x * b.normal.x + a.normal.y * b.normal.y + a.normal.z * b.normal.z;
  return near(a.at, b.at) * (cos < ALIKE ? 8 : 1) + 1e-6;
};

/** One light for two: between them by what each gives, and as much as both. */
function merged(a: CastLight, b: CastLight): CastLight {
  const flux = a.flux + b.flux;
  const by = (p: number, q: number): number => (p * a.flux + q * b.flux) / flux;
  const normal = {
    x: by(a.normal.x, b.normal.x),
    y: by(a.normal.y, b.normal.y),
    z: by(a.normal.z, b.normal.z),
  };
  const long = Math.hypot(normal.x, normal.y, normal.z);
  const of = new Map<string, number>();
  for (const light of [a, b])
    for (const { itemId, share } of light.of)
      of.set(itemId, (of.get(itemId) ?? 0) + (share * light.flux) / flux);
  return {
    at: { x: by(a.at.x, b.at.x), y: by(a.at.y, b.at.y), z: by(a.at.z, b.at.z) },
    // Of two that look opposite ways neither is right; the stronger stays.
    normal:
      long < 0.1
        ? (a.flux > b.flux ? a : b).normal
        : { x: normal.x / long, y: normal.y / long, z: normal.z / long },
    rgb: [by(a.rgb[0], b.rgb[0]), by(a.rgb[1], b.rgb[1]), by(a.rgb[2], b.rgb[2])],
    flux,
    of: [...of].map(([itemId, share]) => ({ itemId, share })),
  };
}

/** The lights of what shines, no more than can be drawn: those next to each other are made one, and no light is lost. */
export function castLights(
  { patches, points }: Pick<Shine, 'patches' | 'points'>,
  most: number,
): CastLight[] {
  let lights: CastLight[] = [
    ...patches.map(({ at, normal, rgb, flux, itemIds }) => ({
      at,
      normal,
      rgb,
      flux,
      of: itemIds.map((itemId) => ({ itemId, share: 1 / itemIds.length })),
    })),
    ...points.map(({ at, normal, rgb, flux, itemId }) => ({
      at,
      normal,
      rgb,
      flux,
      of: [{ itemId, share: 1 }],
    })),
  ].filter((l) => l.flux > 0);
  while (lights.length > most) {
    let [best, i, j] = [Infinity, 0, 1];
    for (let a = 0; a < lights.length; a++)
      for (let b = a + 1; b < lights.length; b++) {
        const d = apart(lights[a]!, lights[b]!);
        if (d < best) [best, i, j] = [d, a, b];
      }
    const one = merged(lights[i]!, lights[j]!);
    lights = [...lights.filter((_, k) => k !== i && k !== j), one];
  }
  return lights;
}

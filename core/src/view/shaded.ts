import type { Eye } from './eye';
import type { Frame } from './frame';
import type { WornLook } from '../document';
import { type Raster, rasterOf } from './raster';
import type { Shown } from './shown';

/** How a surface looks: its colour, how glossy it is, and how much of a metal; 0 to 1. */
export interface Tone {
  rgb: readonly [number, number, number];
  gloss: number;
  metal: number;
}

export interface PixelPicture {
  width: number;
  height: number;
  /** Red, green, blue and how opaque, 0 to 255. */
  data: Uint8Array;
}

/** Every pixel is looked at so many times either way. */
const FINE = 2;

type Way = readonly [number, number, number];
const unit = ([x, y, z]: Way): Way => {
  const size = Math.hypot(x, y, z);
  return [x / size, y / size, z / size];
};
/** Where light comes from: a lamp over the left shoulder of who looks, and the sky. */
const KEY = unit([-0.45, 0.7, 0.75]);
const HALF = unit([KEY[0], KEY[1], KEY[2] + 1]);
const dot = (a: Way, b: Way): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Light off a surface that looks a way, for each of its colours. */
function lit({ rgb, gloss, metal }: Tone, n: Way): [number, number, number] {
  const sky = 0.36 + 0.2 * n[1];
  const key = 0.62 * Math.max(0, dot(n, KEY));
  const shine = gloss * (0.25 + 0.75 * metal) * Math.max(0, dot(n, HALF)) ** (8 + 60 * gloss) * 255;
  const rim = metal * 0.5 * (1 - Math.max(0, n[2])) * 90;
  const body = (sky + key) * (1 - 0.25 * metal) + 0.12;
  return rgb.map((c) => c * body + (metal > 0 ? (shine + rim) * (0.4 + (0.6 * c) / 255) : shine)) as [
    number,
    number,
    number,
  ];
}

/** How far to either side a face is compared with itself, pixels. */
const NEXT = 2;
/** Bends as sharp as this show wear in full. */
const SHARP = 0.7;

/** How a face bends at a pixel: above nought outwards, as at an edge, below inwards, as in a crease; −1 to 1. */
function bendAt({ width, height, of, near, normal }: Raster, pixel: number, reachMm: number): number {
  const x = pixel % width;
  const y = (pixel - x) / width;
  if (x < NEXT || y < NEXT || x >= width - NEXT || y >= height - NEXT) return 0;
  const apart = (a: number, b: number, axis: 0 | 1): number => {
    if (of[a]! < 0 || of[b]! < 0 || Math.abs(near[a]! - near[b]!) > reachMm) return 0;
    return normal[a * 3 + axis]! - normal[b * 3 + axis]!;
  };
  const bend = apart(pixel + NEXT, pixel - NEXT, 0) + apart(pixel - NEXT * width, pixel + NEXT * width, 1);
  return Math.max(-1, Math.min(1, bend / SHARP));
}

const DUST = [150, 140, 122] as const;
/** Dust lies on what is lower than so much of the whole. */
const DUST_FROM = 0.45;

/** A colour with the dust that has risen to it; `low` is 0 at the top of the part and 1 at its foot. */
export function dusted(
  rgb: readonly [number, number, number],
  low: number,
  dust: number,
): [number, number, number] {
  const grey = dust * Math.max(0, low - DUST_FROM) * 0.9;
  return [0, 1, 2].map((k) => rgb[k]! + (DUST[k]! - rgb[k]!) * grey) as [number, number, number];
}

/** Worn light: edges brighter, creases darker, dust rising from below; scratches are not seen at this size. */
function worn(
  light: [number, number, number],
  bend: number,
  low: number,
  { edges, creases, dust }: WornLook,
): [number, number, number] {
  const bright = edges * Math.max(0, bend) * 0.75;
  const dark = creases * Math.max(0, -bend) * 0.8;
  const edged = light.map((c) => (c + (205 - c) * bright) * (1 - dark));
  return dusted([edged[0]!, edged[1]!, edged[2]!], low, dust);
}

/** A picture of what is shown, each thing in its own tone, on nothing; worn as is asked. */
export function shadedPicture(
  shown: readonly Shown[],
  toneOf: (shown: Shown) => Tone,
  eye: Eye,
  frame: Frame,
  wear?: WornLook,
): PixelPicture {
  const fine: Frame = {
    ...frame,
    width: frame.width * FINE,
    height: frame.height * FINE,
    pxPerMm: frame.pxPerMm * FINE,
  };
  const raster = rasterOf(shown, eye, fine, true);
  const tones = shown.map(toneOf);
  const data = new Uint8Array(frame.width * frame.height * 4);
  for (let y = 0; y < frame.height; y++)
    for (let x = 0; x < frame.width; x++) {
      const sum = [0, 0, 0];
      let count = 0;
      for (let dy = 0; dy < FINE; dy++)
        for (let dx = 0; dx < FINE; dx++) {
          const pixel = (y * FINE + dy) * fine.width + x * FINE + dx;
          const index = raster.of[pixel]!;
          if (index < 0) continue;
          const { normal } = raster;
          const plain = lit(tones[index]!, [
            normal[pixel * 3]!,
            normal[pixel * 3 + 1]!,
            normal[pixel * 3 + 2]!,
          ]);
          const light = wear
            ? worn(plain, bendAt(raster, pixel, 12 / fine.pxPerMm), y / frame.height, wear)
            : plain;
          light.forEach((c, k) => (sum[k]! += c));
          count++;
        }
      if (count === 0) continue;
      const at = (y * frame.width + x) * 4;
      sum.forEach((c, k) => (data[at + k] = Math.max(0, Math.min(255, Math.round(c / count)))));
      data[at + 3] = Math.round((255 * count) / (FINE * FINE));
    }
  return { width: frame.width, height: frame.height, data };
}

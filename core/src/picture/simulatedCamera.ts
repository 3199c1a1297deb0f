import type { Vec2 } from '../geometry';
import { chance, itemAt } from '../units';
import type { Picture, Spot } from './picture';
import type { Pixels } from './squared';

/** How a photograph of a table is taken. */
export interface Shot {
  widthPx: number;
  heightPx: number;
  /** Of the camera from looking straight down, and about its own axis, radians. */
  tiltRad: number;
  turnRad: number;
  /** From the table to the lens, and the focal length in pixels. */
  awayMm: number;
  focalPx: number;
  /** Barrel (negative) or pincushion: share of the radius at the picture's corner. */
  lens?: number;
  /** How much darker the table is at one side than at the other, share. */
  shade?: number;
  /** Deviation of every pixel's brightness, of 255. */
  noise?: number;
  seed?: number;
}

/** What lies on the table: polygons in mm about its middle, y up, each of one grey. */
export interface OnTable {
  outline: readonly Vec2[];
  grey: number;
}

/** Where a spot of the table is seen, pixels. A pinhole with one radial term. */
export function seenBy(shot: Shot, { x, y }: Vec2): Spot {
  const [c, s] = [Math.cos(shot.turnRad), Math.sin(shot.turnRad)];
  const [u, v] = [x * c - y * s, x * s + y * c];
  const depth = shot.awayMm + v * Math.sin(shot.tiltRad);
  const across = (shot.focalPx * u) / depth;
  const up = (shot.focalPx * v * Math.cos(shot.tiltRad)) / depth;
  const corner = Math.hypot(shot.widthPx, shot.heightPx) / 2;
  const f = 1 + (shot.lens ?? 0) * ((across * across + up * up) / (corner * corner));
  return [shot.widthPx / 2 + across * f, shot.heightPx / 2 - up * f];
}

/** Outlines with points close enough that straight edges bend as the lens bends them, mm. */
const STEP_MM = 4;

/**
 * A photograph of a grey table with things on it: each drawn as it is seen, its edge shared between pixels (sixteen
 * samples in each), shaded from side to side, with noise. Stands in for a camera.
 */
export function photographed(things: readonly OnTable[], tableGrey: number, shot: Shot): Pixels {
  const { widthPx: width, heightPx: height, shade = 0, noise = 0 } = shot;
  const random = chance(shot.seed ?? 1);
  const grey = new Float32Array(width * height).fill(tableGrey);
  for (const { outline, grey: own } of things) {
    const seen = outline.flatMap((p, i) => {
      const q = itemAt(outline, (i + 1) % outline.length);
      const n = Math.max(1, Math.ceil(Math.hypot(q.x - p.x, q.y - p.y) / STEP_MM));
      return Array.from({ length: n }, (_, k) =>
        seenBy(shot, { x: p.x + ((q.x - p.x) * k) / n, y: p.y + ((q.y - p.y) * k) / n }),
      );
    });
    cover(seen, width, height, (i, share) => (grey[i] = itemAt(grey, i) * (1 - share) + own * share));
  }
  const data = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    // Twelve even numbers make one that is near to normal.
    let wobble = -6;
    if (noise > 0) for (let k = 0; k < 12; k++) wobble += random();
    const lit = 1 - (shade * (i % width)) / width;
    const value = itemAt(grey, i) * lit + (noise > 0 ? noise * wobble : 0);
    data.set([value, value, value, 255], i * 4);
  }
  return { data, width, height };
}

const SUB = 4;

/** Shares of pixels inside a ring, by scan lines of quarter pixels. */
function cover(
  ring: readonly Spot[],
  width: number,
  height: number,
  put: (index: number, share: number) => void,
): void {
  const ys = ring.map(([, y]) => y);
  const [from, to] = [
    Math.max(0, Math.floor(Math.min(...ys))),
    Math.min(height - 1, Math.ceil(Math.max(...ys))),
  ];
  for (let row = from; row <= to; row++) {
    const shares = new Map<number, number>();
    for (let k = 0; k < SUB; k++) {
      const y = row + (k + 0.5) / SUB;
      const xs = ring
        .flatMap(([x, py], i) => {
          const [qx, qy] = itemAt(ring, (i + 1) % ring.length);
          return py <= y !== qy <= y ? [x + ((qx - x) * (y - py)) / (qy - py)] : [];
        })
        .sort((a, b) => a - b);
      for (let i = 0; i + 1 < xs.length; i += 2) {
        const [a, b] = [Math.max(0, itemAt(xs, i)), Math.min(width, itemAt(xs, i + 1))];
        for (let x = Math.floor(a); x < b; x++) {
          const share = Math.min(b, x + 1) - Math.max(a, x);
          if (share > 0) shares.set(x, (shares.get(x) ?? 0) + share / SUB);
        }
      }
    }
    for (const [x, share] of shares) if (x < width) put(row * width + x, Math.min(1, share));
  }
}

/** The picture of a shot, its sheet marked where its corners are seen. */
export const shotPicture = (shot: Shot, sheet: { widthMm: number; heightMm: number; at: Vec2 }): Picture => {
  const { widthMm: w, heightMm: h, at } = sheet;
  const corner = (x: number, y: number): Spot => seenBy(shot, { x: at.x + x, y: at.y + y });
  return {
    id: 'shot',
    name: 'Simulated photograph',
    content: '',
    widthPx: shot.widthPx,
    heightPx: shot.heightPx,
    sheet: {
      widthMm: w,
      heightMm: h,
      corners: [corner(-w / 2, h / 2), corner(w / 2, h / 2), corner(w / 2, -h / 2), corner(-w / 2, -h / 2)],
    },
  };
};

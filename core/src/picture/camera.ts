import { homography } from './homography';
import { type Picture, spotAt } from './picture';

/** Focal length of a common telephone's camera as a share of the picture's longer side; from memory. */
const USUAL_FOCAL = 0.8;
/** A focal length found outside these shares is the marks' doubt and not the camera's. */
const FOCAL_RANGE = [0.45, 3] as const;

type Column = readonly [number, number, number];

const dot = (a: Column, b: Column): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/**
 * Focal length in pixels by a sheet seen askew, the picture's middle being the lens's: the images of two sides at right
 * angles, and of equal lengths along them, bind it (Zhang, A flexible new technique for camera calibration, 2000).
 * Undefined where the sheet is seen too straight to say.
 */
function focalOf(h1: Column, h2: Column): number | undefined {
  const found: { square: number; weight: number }[] = [];
  const add = (upper: number, lower: number): void => {
    const square = -upper / lower;
    if (Math.abs(lower) > 1e-12 && square > 0) found.push({ square, weight: Math.abs(lower) });
  };
  add(h1[0] * h2[0] + h1[1] * h2[1], h1[2] * h2[2]);
  add(h1[0] ** 2 + h1[1] ** 2 - h2[0] ** 2 - h2[1] ** 2, h1[2] ** 2 - h2[2] ** 2);
  const best = found.sort((a, b) => b.weight - a.weight)[0];
  return best && Math.sqrt(best.square);
}

/** How far the camera looked off square at the marked sheet, degrees; undefined without one. */
export function tiltDeg(picture: Picture): number | undefined {
  const { sheet, widthPx, heightPx } = picture;
  if (!sheet) return undefined;
  const { widthMm: w, heightMm: h } = sheet;
  const onSheet = [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: -h },
    { x: 0, y: -h },
  ];
  const seen = sheet.corners.map(spotAt).map((p) => ({ x: p.x - widthPx / 2, y: heightPx / 2 - p.y }));
  const m = homography(onSheet, seen);
  if (!m) return undefined;
  const [h1, h2]: [Column, Column] = [
    [m[0], m[3], m[6]],
    [m[1], m[4], m[7]],
  ];
  const long = Math.max(widthPx, heightPx);
  const own = focalOf(h1, h2);
  const focal =
    own !== undefined && own > FOCAL_RANGE[0] * long && own < FOCAL_RANGE[1] * long
      ? own
      : USUAL_FOCAL * long;
  const ray = ([x, y, z]: Column): Column => [x / focal, y / focal, z];
  const [r1, r2] = [ray(h1), ray(h2)];
  const cross: Column = [
    r1[1] * r2[2] - r1[2] * r2[1],
    r1[2] * r2[0] - r1[0] * r2[2],
    r1[0] * r2[1] - r1[1] * r2[0],
  ];
  const size = Math.sqrt(dot(cross, cross));
  return size === 0 ? undefined : (Math.acos(Math.min(1, Math.abs(cross[2]) / size)) * 180) / Math.PI;
}

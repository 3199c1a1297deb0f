import { dist2, type Vec2 } from '../geometry';
import { homography, type Homography, inverse, seenThrough } from './homography';
import { type Picture, type Spot, spotAt } from './picture';

/** A corner or an end is marked to about this, pixels of the kept picture. From memory: a steady hand on a screen. */
export const MARK_PX = 1.5;

/** What a known length really is, how far that may be off, and its ends where more than those two marks say them. */
export interface Known {
  lengthMm: number;
  likelyMm: number;
  ends?: { from: Spot; to: Spot };
}

/** A picture laid on the plane of the thing: millimetres, x to the right, y up. */
export interface Laid {
  toMm: Homography;
  toPx: Homography;
}

const scaled = (m: Homography, f: number): Homography => [
  m[0] * f,
  m[1] * f,
  m[2] * f,
  m[3] * f,
  m[4] * f,
  m[5] * f,
  m[6],
  m[7],
  m[8],
];

/**
 * How a picture lies in millimetres; undefined while nothing says its size, or when its marks lie in one line.
 * A marked sheet squares it up and sizes it; a known length sizes it, over the sheet where both are given.
 * The picture's middle is the origin.
 */
export function laidPicture(picture: Picture, known: Known | undefined): Laid | undefined {
  const { sheet, widthPx, heightPx } = picture;
  const middle = { x: widthPx / 2, y: heightPx / 2 };
  let plane: Homography = [1, 0, -middle.x, 0, -1, middle.y, 0, 0, 1];
  if (sheet) {
    const { widthMm: w, heightMm: h } = sheet;
    const onSheet = [
      { x: 0, y: 0 },
      { x: w, y: 0 },
      { x: w, y: -h },
      { x: 0, y: -h },
    ];
    const seen = homography(sheet.corners.map(spotAt), onSheet);
    if (!seen) return undefined;
    plane = seen;
  }
  if (picture.known && known) {
    const { from, to } = known.ends ?? picture.known;
    const [a, b] = [seenThrough(plane, spotAt(from)), seenThrough(plane, spotAt(to))];
    const drawn = a && b ? dist2(a, b) : 0;
    if (drawn < 1e-6) return undefined;
    plane = scaled(plane, known.lengthMm / drawn);
  } else if (!sheet) return undefined;
  const at = seenThrough(plane, middle);
  if (!at) return undefined;
  const toMm = moved(plane, at);
  const toPx = inverse(toMm);
  return toPx && { toMm, toPx };
}

/** The same view with this point of its plane as the origin. */
const moved = (m: Homography, o: Vec2): Homography => [
  m[0] - o.x * m[6],
  m[1] - o.x * m[7],
  m[2] - o.x * m[8],
  m[3] - o.y * m[6],
  m[4] - o.y * m[7],
  m[5] - o.y * m[8],
  m[6],
  m[7],
  m[8],
];

const lengthOf = (picture: Picture, known: Known | undefined, from: Spot, to: Spot): number | undefined => {
  const laid = laidPicture(picture, known);
  const [a, b] = laid ? [seenThrough(laid.toMm, spotAt(from)), seenThrough(laid.toMm, spotAt(to))] : [];
  return a && b && dist2(a, b);
};

/** The picture with one coordinate of one of its marks moved. */
function nudges(picture: Picture, by: number): Picture[] {
  const shift = (s: Spot, k: number): Spot => (k === 0 ? [s[0] + by, s[1]] : [s[0], s[1] + by]);
  const { sheet, known } = picture;
  return [0, 1].flatMap((k) => [
    ...(sheet
      ? sheet.corners.map((_, i): Picture => {
          const corners = sheet.corners.map((c, j) => (i === j ? shift(c, k) : c));
          return { ...picture, sheet: { ...sheet, corners: corners as typeof sheet.corners } };
        })
      : []),
    ...(known
      ? [
          { ...picture, known: { ...known, from: shift(known.from, k) } },
          { ...picture, known: { ...known, to: shift(known.to, k) } },
        ]
      : []),
  ]);
}

/**
 * A line on the picture: its length, and how far that is likely to be off (one standard deviation), both mm.
 * Every mark of the picture and both ends of the line count with {@link MARK_PX}, the known length with its own doubt.
 * Source: first-order propagation of independent errors (GUM, JCGM 100:2008, 5.1.2).
 */
export function measuredOn(
  picture: Picture,
  known: Known | undefined,
  from: Spot,
  to: Spot,
): { lengthMm: number; likelyMm: number } | undefined {
  const lengthMm = lengthOf(picture, known, from, to);
  if (lengthMm === undefined) return undefined;
  const shifts = [
    ...nudges(picture, MARK_PX).map((p) => lengthOf(p, known, from, to)),
    lengthOf(picture, known, [from[0] + MARK_PX, from[1]], to),
    lengthOf(picture, known, [from[0], from[1] + MARK_PX], to),
    lengthOf(picture, known, from, [to[0] + MARK_PX, to[1]]),
    lengthOf(picture, known, from, [to[0], to[1] + MARK_PX]),
    ...(known && picture.known
      ? [lengthOf(picture, { ...known, lengthMm: known.lengthMm + known.likelyMm }, from, to)]
      : []),
  ];
  const square = shifts.reduce((sum: number, mm) => sum + ((mm ?? lengthMm) - lengthMm) ** 2, 0);
  return { lengthMm, likelyMm: Math.sqrt(square) };
}

/** How far a sheet and a known length disagree, as a share; undefined unless both are marked. */
export function disagreement(picture: Picture, known: Known | undefined): number | undefined {
  if (!picture.sheet || !picture.known || !known) return undefined;
  const { from, to } = known.ends ?? picture.known;
  const mm = lengthOf(picture, undefined, from, to);
  return mm === undefined ? undefined : mm / known.lengthMm - 1;
}

import { signedArea, thinned, type Vec2 } from '../../geometry';
import { fail, ok, type Result, itemAt, firstOf } from '../../units';
import { dxfRings } from './dxf';
import { svgRings } from './svg';

/** What a drawing without units may be drawn in. */
const drawingUnits = [
  { label: 'millimetres', mm: 1 },
  { label: 'centimetres', mm: 10 },
  { label: 'inches', mm: 25.4 },
  { label: 'points of 1/72 inch', mm: 25.4 / 72 },
  { label: 'pixels of 1/96 inch', mm: 25.4 / 96 },
] as const;
export type DrawingUnit = (typeof drawingUnits)[number];

/** An outline that was read, or that the maker must say the unit of first. */
export type ReadOutline =
  | {
      points: [x: number, y: number][];
      /** The most that the file's own points lie off the outline, mm. */
      offMm: number;
      /** Rings inside it, the largest first, in its own place. */
      rings: [x: number, y: number][][];
      /** What else was in the drawing and was not taken, in words. */
      left: string[];
    }
  | { asks: 'unit'; units: readonly DrawingUnit[] };

/** Largest drawing that is taken, characters. */
const MOST_TEXT = 5_000_000;
const LEAST_MM2 = 25;
/** Smaller than this is a speck and no ring, mm²; and no more rings and points of them than a form holds. */
const LEAST_RING_MM2 = 4;
const MOST_RINGS = 20;
const MOST_RING_POINTS = 600;
/** No nearer to the drawing than a knife. */
const WITHIN_MM = 0.1;

/** Where points of an outline may lie, mm. */
export interface Reach {
  xMm: readonly [number, number];
  yMm: readonly [number, number];
}

const many = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

const inside = (p: Vec2, ring: readonly Vec2[]): boolean =>
  ring.reduce((odd, a, i) => {
    const b = itemAt(ring, (i + 1) % ring.length);
    return a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x ? !odd : odd;
  }, false);

/**
 * The largest closed outline of an SVG or DXF file at true size, its middle on the middle line and its foot at nought,
 * in as few points as keep it within a tenth of a millimetre; what else the drawing holds is named.
 * @returns a sentence when it holds no outline, or one that reaches further than `reach`.
 */
export function readOutline(
  text: string,
  name: string,
  most: number,
  reach: Reach,
  unitMm?: number,
): Result<ReadOutline> {
  if (text.length > MOST_TEXT) return fail('The drawing is larger than 5 MB. Save the outline alone.');
  const read = /\.dxf$/i.test(name) ? dxfRings(text) : svgRings(text);
  if (!read.ok) return read;
  const { rings, unitMm: said, left } = read.value;
  const areaOf = (ring: readonly Vec2[]): number => Math.abs(signedArea([...ring]));
  const whole = rings.filter(
    (r) => r.length >= 3 && r.every((p) => Number.isFinite(p.x) && Number.isFinite(p.y)),
  );
  const largest = whole.reduce<Vec2[]>((a, b) => (areaOf(b) > areaOf(a) ? b : a), []);
  if (largest.length < 3) return fail(`${name} holds no closed outline.`);
  const unit = said ?? unitMm;
  if (unit === undefined) return ok({ asks: 'unit', units: drawingUnits });
  const sized = largest.map((p) => ({ x: p.x * unit, y: p.y * unit }));
  if (areaOf(sized) < LEAST_MM2)
    return fail(`The largest outline of ${name} is under 25 mm²; check its unit.`);
  const ring = signedArea(sized) < 0 ? [...sized].reverse() : sized;
  const { ring: thin, offMm } = thinned(ring, most, WITHIN_MM);
  const [xs, ys] = [thin.map((p) => p.x), thin.map((p) => p.y)];
  const [west, east] = [Math.min(...xs), Math.max(...xs)];
  const [foot, head] = [Math.min(...ys), Math.max(...ys)];
  const [wide, high] = [east - west, head - foot];
  if (wide > reach.xMm[1] - reach.xMm[0] || high > reach.yMm[1])
    return fail(
      `The outline of ${name} is ${wide.toFixed(0)} × ${high.toFixed(0)} mm; at most ${reach.xMm[1] - reach.xMm[0]} × ${reach.yMm[1]} mm are taken. Check its unit.`,
    );
  const others = whole.filter((r) => r !== largest);
  const inner = others.filter((r) => inside(firstOf(r), largest)).length;
  const round = (v: number): number => Math.round(v * 100) / 100;
  const [dx, dy] = [(west + east) / 2, foot];
  let roomFor = MOST_RING_POINTS;
  const within = others
    .filter((r) => inside(firstOf(r), largest) && areaOf(r) * unit * unit >= LEAST_RING_MM2)
    .sort((a, b) => areaOf(b) - areaOf(a))
    .slice(0, MOST_RINGS)
    .map(
      (r) =>
        thinned(
          r.map((p) => ({ x: p.x * unit, y: p.y * unit })),
          most,
          WITHIN_MM,
        ).ring,
    )
    .filter((r) => r.length > 2 && (roomFor -= r.length) >= 0)
    .map((r) => r.map((p): [number, number] => [round(p.x - dx), round(p.y - dy)]));
  return ok({
    points: thin.map((p) => [round(p.x - (west + east) / 2), round(p.y - foot)]),
    offMm,
    rings: within,
    left: [
      ...(inner > within.length ? [many(inner - within.length, 'more inner outline')] : []),
      ...(others.length > inner ? [many(others.length - inner, 'other outline')] : []),
      ...[...left].map(([what, n]) => many(n, what)),
    ],
  });
}

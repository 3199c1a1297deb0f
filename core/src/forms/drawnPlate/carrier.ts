import {
  type Body,
  levels,
  type Limb,
  limbGirthMm,
  limbLengthMm,
  limbSection,
  type MeasureKey,
  torsoSection,
  type Zone,
  zoneInfo,
} from '../../body';
import type { Vec2, Vec3 } from '../../geometry';
import { onSlice, type Slice } from '../../panel';

/** What a plate lies on: the trunk or a limb, in the space forms are drawn in there. */
export interface Carrier {
  slice: (z: number) => Slice;
  /** Where its middle lies, in front; degrees of the slice's normal. */
  frontDeg: number;
  /** The height drawings are measured from. */
  footMm: number;
  /** Lowest and highest a plate may reach. */
  reach: readonly [number, number];
  /** What a drawing grows with, across and up. */
  girthMm: number;
  heightMm: number;
  measures: MeasureKey[];
  /** What it is strapped round, as in “round the …”. */
  round: string;
}

/** Foam bridges a crease of the body over so much either way, mm: its slice is the mean of those about it, the nearest most. */
const BRIDGED_MM = 15;
const WEIGHTS = [1, 2, 3, 2, 1];

function bridged(slice: (z: number) => Slice, [low, high]: readonly [number, number]): (z: number) => Slice {
  const whole = WEIGHTS.reduce((sum, w) => sum + w, 0);
  return (z) => {
    // At either end only what is there counts.
    const reach = Math.max(0, Math.min(BRIDGED_MM, z - low, high - z));
    const mean = { ...slice(z), a: 0, b: 0, y: 0 };
    WEIGHTS.forEach((weight, i) => {
      const { a, b, y } = slice(z + (reach * (i - 2)) / 2);
      mean.a += (weight * a) / whole;
      mean.b += (weight * b) / whole;
      mean.y += (weight * y) / whole;
    });
    return mean;
  };
}

function onTrunk(body: Body, hips: boolean): Carrier {
  const at = levels(body);
  const reach = hips ? ([0, at.underBust] as const) : ([at.crotch, at.neckBase] as const);
  return {
    slice: bridged((z) => {
      // Above the shoulder the body draws in level; a plate stands up straight there.
      const section = torsoSection(body, Math.min(z, at.shoulder));
      return { ...section, x: 0, y: section.forwardMm, z };
    }, reach),
    frontDeg: 90,
    footMm: at.waist,
    reach,
    girthMm: hips ? body.hipGirth.valueMm : body.chestGirth.valueMm,
    heightMm: at.neckBase - at.waist,
    measures: hips ? ['hipGirth', 'waistGirth'] : ['chestGirth', 'waistGirth', 'waistToShoulder'],
    round: hips ? 'hips' : 'trunk',
  };
}

function onLimb(body: Body, limb: Limb, zone: Zone): Carrier {
  const long = limbLengthMm(body, limb);
  return {
    slice: bridged((z) => ({ ...limbSection(body, limb, z), x: 0, y: 0, z }), [0, long]),
    frontDeg: 0,
    footMm: 0,
    reach: [0, long],
    girthMm: limbGirthMm(body, limb, long / 2),
    heightMm: long,
    measures: [...zoneInfo(zone).decisive],
    round: zoneInfo(zone).label,
  };
}

/** What there is at a place on the wearer to lie on. */
export function carrierOf(body: Body, zone: Zone): Carrier {
  const { limb } = zoneInfo(zone);
  return limb ? onLimb(body, limb, zone) : onTrunk(body, zone === 'hips');
}

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Normals are stepped through this finely, degrees. */
const STEP_DEG = 1;

/** Radius of an ellipse where its normal has an angle: a²b² / (a²cos² + b²sin²)^(3/2). */
const radiusAt = ({ a, b }: Slice, deg: number): number =>
  (a * a * b * b) / ((a * Math.cos(rad(deg))) ** 2 + (b * Math.sin(rad(deg))) ** 2) ** 1.5;

/** The normal that lies so many millimetres round a slice from another, measured `outMm` off it. */
export function normalAfter(slice: Slice, fromDeg: number, mm: number, outMm: number): number {
  const way = Math.sign(mm);
  const whole = roundMm(slice, 0, 360, outMm);
  const rounds = Math.floor(Math.abs(mm) / whole);
  let covered = rounds * whole;
  for (let turned = 0; turned < 360; turned += STEP_DEG) {
    const step =
      ((radiusAt(slice, fromDeg + way * (turned + STEP_DEG / 2)) + outMm) * STEP_DEG * Math.PI) / 180;
    if (covered + step >= Math.abs(mm))
      return fromDeg + way * (360 * rounds + turned + (STEP_DEG * (Math.abs(mm) - covered)) / step);
    covered += step;
  }
  return fromDeg + way * 360 * (rounds + 1);
}

/** Millimetres round a slice from one normal to another, measured `outMm` off it. */
export function roundMm(slice: Slice, fromDeg: number, toDeg: number, outMm: number): number {
  const steps = Math.max(1, Math.ceil(Math.abs(toDeg - fromDeg) / STEP_DEG));
  const step = (toDeg - fromDeg) / steps;
  return Array.from({ length: steps }, (_, i) => radiusAt(slice, fromDeg + step * (i + 0.5)) + outMm).reduce(
    (sum, r) => sum + rad(step) * r,
    0,
  );
}

/** The normal of a slice on which a point beside it lies, degrees within half a turn of another. */
export function normalTo(slice: Slice, { x, y }: Vec3, nearDeg: number): number {
  const off = (deg: number): number => {
    const p = onSlice(slice, deg, 0);
    const n: Vec2 = { x: Math.cos(rad(deg)), y: Math.sin(rad(deg)) };
    const [dx, dy] = [x - p.x, y - p.y];
    return Math.abs(n.x * dy - n.y * dx) + (n.x * dx + n.y * dy < -slice.b / 2 ? 1e6 : 0);
  };
  let best = nearDeg;
  for (const [reach, step] of [
    [180, 3],
    [3, 0.1],
    [0.1, 0.005],
  ] as const) {
    const about = best;
    for (let deg = about - reach; deg <= about + reach; deg += step) if (off(deg) < off(best)) best = deg;
  }
  return best;
}

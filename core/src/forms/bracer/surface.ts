import { armSection } from '../../body/arm';
import {
  ellipseAtNormal,
  parallelGirth,
  ellipsePerimeter,
  tightestRadius,
  type Ellipse,
} from '../../geometry/ellipse';
import { add3, cross3, lerp3, scale3, sub3, unit3, vec3, type Vec3 } from '../../geometry/vec';
import type { FormInput } from '../contract';
import type { BracerParams } from './params';

/** The inner face of the shell: two offset ellipses joined by rulings of equal normal, hence developable. */
export interface BracerSurface {
  low: Ellipse;
  high: Ellipse;
  /** Distance from skin to the inner face of the shell. */
  outMm: number;
  startMm: number;
  endMm: number;
  insideLowMm: number;
  insideHighMm: number;
  tightestRadiusMm: number;
}

/** Distance from skin to shell: sleeve, padding, lining and the ease spread round the girth (Steiner). */
export const standOffMm = ({ params, underLayerMm, lining }: FormInput<BracerParams>): number =>
  underLayerMm + params.paddingMm + (lining?.thicknessMm.value ?? 0) + params.easeMm / (2 * Math.PI);

export function bracerSurface(input: FormInput<BracerParams>): BracerSurface {
  const { params, body } = input;
  const low = armSection(body, params.startMm);
  const high = armSection(body, params.endMm);
  const outMm = standOffMm(input);
  return {
    low,
    high,
    outMm,
    startMm: params.startMm,
    endMm: params.endMm,
    insideLowMm: parallelGirth(ellipsePerimeter(low), outMm),
    insideHighMm: parallelGirth(ellipsePerimeter(high), outMm),
    tightestRadiusMm: Math.min(tightestRadius(low, outMm), tightestRadius(high, outMm)),
  };
}

export interface Ruling {
  low: Vec3;
  high: Vec3;
  normal: Vec3;
}

/** The ruling whose normal stands at `angle` round the arm, `outMm` off the inner face along the true normal. */
export function ruling(surface: BracerSurface, angle: number, outMm = 0): Ruling {
  const foot = ellipseAtNormal(surface.low, angle, surface.outMm);
  const head = ellipseAtNormal(surface.high, angle, surface.outMm);
  const low = vec3(foot.x, foot.y, surface.startMm);
  const high = vec3(head.x, head.y, surface.endMm);
  const tangent = { x: -Math.sin(angle), y: Math.cos(angle), z: 0 };
  const normal = unit3(cross3(tangent, sub3(high, low)));
  const shift = scale3(normal, outMm);
  return { low: add3(low, shift), high: add3(high, shift), normal };
}

/** Angle between −180° and 180°. */
const wrap = (angle: number): number => angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));

/** Where the trimmed edges cross a ruling, as fractions along it: cuff edge and elbow edge. */
export function trimAt(params: BracerParams, angle: number): [number, number] {
  const span = params.endMm - params.startMm;
  const half = (params.pointWidthDeg * Math.PI) / 180;
  const rise = params.wristEnd === 'point' ? Math.max(0, 1 - Math.abs(wrap(angle)) / half) : 0;
  const inside = (1 + Math.cos(wrap(angle - Math.PI))) / 2;
  return [(-params.pointMm * rise) / span, 1 - (params.elbowCutMm * inside * inside) / span];
}

/** A point of a ruling at fraction `v`. */
export const onRuling = (r: Ruling, v: number): Vec3 => lerp3(r.low, r.high, v);

import type { Vec2, Vec3 } from '../../geometry';
import { type FoamSheet, type LightMatter, throughSheet } from '../../materials';
import type { LightWall, WallAt } from '../../panel';
import { itemAt } from '../../units';
import { type Bevel, insetAt, type Lamination, type Layer, stackMm } from './laminate';

/** From left to right of an outline at a height; nothing above or below it. */
export function spanAt(outline: readonly Vec2[], y: number): [left: number, right: number] | undefined {
  const xs = outline.flatMap((p, i) => {
    const q = itemAt(outline, (i + 1) % outline.length);
    return p.y > y !== q.y > y ? [p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x)] : [];
  });
  return xs.length < 2 ? undefined : [Math.min(...xs), Math.max(...xs)];
}

/** A hollow cut in the inner layers of a lamination: its outline within that of the layers. */
export interface Hollow {
  outline: readonly Vec2[];
  within: readonly Vec2[];
  stack: Lamination['stack'];
  inner: readonly Layer[];
  deepMm: number;
  bevel?: Bevel;
}

const through = (standOffMm: number, thickMm: number, foam: FoamSheet): WallAt => {
  const lets = throughSheet(foam.foamId, thickMm);
  return { standOffMm, thickMm, ...(lets && { lets }) };
};

/** The layers before and behind a hollow. */
function faceOf(hollow: Hollow, side: 1 | -1): LightWall {
  const { outline, stack, deepMm } = hollow;
  const { foam } = itemAt(stack, side === 1 ? stack.length - 1 : 0);
  const xs = outline.map((p) => p.x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  return {
    name: side === 1 ? 'the front layer' : 'the back layer',
    way: 'face',
    acrossMm: right - left,
    at: (y) => (spanAt(outline, y) ? through(deepMm / 2, foam.thicknessMm.value, foam) : undefined),
    outside: (y, across) => ({
      at: { x: -((left + right) / 2 + across), y: (side * stackMm(stack)) / 2, z: y },
      normal: { x: 0, y: side, z: 0 },
    }),
    colour: foam.colour,
  };
}

/** Half of the way between two heights that a slope of an edge is taken over, mm. */
const NEAR_MM = 2;

/** The foam of the inner layers between a hollow and an edge, as thick as at the middle of the layers. */
function edgeOf(hollow: Hollow, side: 1 | -1): LightWall {
  const { outline, within, stack, inner, deepMm, bevel } = hollow;
  const at = (ring: readonly Vec2[], y: number): number | undefined => {
    const span = spanAt(ring, y);
    return span && (side === 1 ? span[1] : -span[0]);
  };
  // The light is shared by layers of several foams; the thickest of them stands for all.
  const { foam } = inner.reduce((a, b) => (b.foam.thicknessMm.value > a.foam.thicknessMm.value ? b : a));
  const edgeAt = (y: number): number => at(within, y) ?? 0;
  return {
    name: side === 1 ? 'the right edge' : 'the left edge',
    way: 'edge',
    acrossMm: deepMm,
    at: (y) => {
      const [from, to] = [at(outline, y), at(within, y)];
      return from === undefined || to === undefined ? undefined : through(from, Math.max(0, to - from), foam);
    },
    outside: (y, across) => {
      const lean = (edgeAt(y + NEAR_MM) - edgeAt(y - NEAR_MM)) / (2 * NEAR_MM);
      const long = Math.hypot(1, lean);
      const out = { x: side / long, y: -lean / long };
      const slopes = bevel && (!bevel.on || bevel.on({ x: side * edgeAt(y), y }, out));
      const x = side * (edgeAt(y) - (slopes ? insetAt(Math.abs(across), stackMm(stack), bevel) : 0));
      return { at: { x: -x, y: across, z: y }, normal: { x: -out.x, y: 0, z: out.y } };
    },
    colour: foam.colour,
  };
}

/** The four walls of a hollow in layers. */
export const hollowWalls = (hollow: Hollow): LightWall[] => [
  faceOf(hollow, 1),
  faceOf(hollow, -1),
  edgeOf(hollow, 1),
  edgeOf(hollow, -1),
];

/** How a tube is made, as light sees it. */
export interface Tube {
  name: string;
  /** Across outside at its foot and its top, and its bore. */
  lowMm: number;
  highMm: number;
  boreMm: number;
  lengthMm: number;
  footMm: number;
  /** What its wall lets through; absent where it is opaque. */
  lets?: LightMatter['lets'];
}

/** The wall of a tube, all round its bore. */
export const tubeWall = ({ name, lowMm, highMm, boreMm, lengthMm, footMm, lets }: Tube): LightWall => {
  const radiusAt = (y: number): number => (lowMm + ((highMm - lowMm) * y) / lengthMm) / 2;
  return {
    name: `the wall of the ${name}`,
    way: 'round',
    acrossMm: (Math.PI * (lowMm + highMm)) / 2,
    at: (y) =>
      y < 0 || y > lengthMm
        ? undefined
        : { standOffMm: boreMm / 2, thickMm: radiusAt(y) - boreMm / 2, ...(lets && { lets }) },
    outside: (y, across) => {
      const turn = (4 * across) / (lowMm + highMm);
      const normal: Vec3 = { x: Math.sin(turn), y: Math.cos(turn), z: 0 };
      const r = radiusAt(y);
      return { at: { x: normal.x * r, y: normal.y * r, z: footMm + y }, normal };
    },
    colour: '#dfe6e6',
  };
};

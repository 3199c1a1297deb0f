import { cross3, type Mesh, meshArea, meshVolume, sub3, type Vec3 } from '../geometry';
import { itemAt } from '../units';

/** How a layer printer is set: common practice, no source, but for what is marked. */
export const printerSettings = {
  /** Two passes of a 0.4 mm nozzle all round, the rest filled thinly. */
  wallMm: 0.8,
  fill: 0.15,
  layerMm: 0.2,
  /** 0.4 mm wide, 0.2 mm high, 60 mm in a second. */
  mm3PerS: 0.4 * 0.2 * 60,
  /** Moving on to the next layer; heating up and the first layer. From memory. */
  layerS: 4,
  startMin: 8,
  /** Of polylactide; g/cm³, price of a gram from memory. */
  gPerCm3: 1.24,
  pricePerG: 0.025,
  /** Steeper than this from upright hangs in the air and is held up; share of the air below that is filled. */
  overhangDeg: 45,
  supportFill: 0.12,
  /** A print’s own shrink and spread; from memory. */
  toleranceMm: 0.2,
  /** A common bed, and the height over it; from memory. */
  bedMm: 220,
} as const;

/** Sanding a print before and after its putty, and what putty takes; from memory. */
const SAND_MIN_PER_M2 = 900;
const PUTTY_ML_PER_M2 = 150;
export const puttyCoats = 2;
export const puttyDryMin = 60;
/** Two pins to a joint where it is split for the bed; common practice, no source. */
const PINS = 2;

/** What printing a solid takes. Grams, hours, minutes and millilitres. */
export interface Printing {
  plasticG: number;
  supportG: number;
  hours: number;
  price: number;
  sandMin: number;
  puttyMl: number;
  /** Lengths it is sawn into for the bed, along x, y and z, and the pins that join them. */
  split: [number, number, number];
  pieces: number;
  pins: number;
}

const SQUARE_M = 1e6;

function sizeOf(mesh: Mesh): Vec3 {
  const span = (k: 'x' | 'y' | 'z'): number => {
    const all = mesh.points.map((p) => p[k]);
    return all.reduce((m, v) => Math.max(m, v), -Infinity) - all.reduce((m, v) => Math.min(m, v), Infinity);
  };
  return { x: span('x'), y: span('y'), z: span('z') };
}

/** Air under what hangs over, down to the bed, mm³; what stands below it is taken for air. */
function overhungMm3(mesh: Mesh): number {
  const floor = mesh.points.reduce((m, p) => Math.min(m, p.z), Infinity);
  return mesh.triangles.reduce((sum, [i, j, k]) => {
    const [a, b, c] = [itemAt(mesh.points, i), itemAt(mesh.points, j), itemAt(mesh.points, k)];
    const n = cross3(sub3(b, a), sub3(c, a));
    const long = Math.hypot(n.x, n.y, n.z);
    const high = (a.z + b.z + c.z) / 3 - floor;
    const steep = long > 0 && -n.z / long > Math.cos((printerSettings.overhangDeg * Math.PI) / 180);
    return steep && high > printerSettings.layerMm ? sum + (-n.z / 2) * high : sum;
  }, 0);
}

/** Faces where blocks of a split meet each other. */
const jointsOf = ([a, b, c]: readonly [number, number, number]): number =>
  (a - 1) * b * c + a * (b - 1) * c + a * b * (c - 1);

/** What it takes to print a solid as it stands, z up. */
export function printingOf(mesh: Mesh): Printing {
  const { wallMm, fill, layerMm, mm3PerS, layerS, startMin, gPerCm3, pricePerG, supportFill, bedMm } =
    printerSettings;
  const [solidMm3, areaMm2] = [meshVolume(mesh), meshArea(mesh)];
  const wallsMm3 = Math.min(solidMm3, areaMm2 * wallMm);
  const plasticMm3 = wallsMm3 + (solidMm3 - wallsMm3) * fill;
  const supportMm3 = overhungMm3(mesh) * supportFill;
  const size = sizeOf(mesh);
  const split = (mm: number): number => Math.max(1, Math.ceil(mm / bedMm - 1e-9));
  const by: [number, number, number] = [split(size.x), split(size.y), split(size.z)];
  const pieces = by[0] * by[1] * by[2];
  const plasticG = (plasticMm3 / 1000) * gPerCm3;
  const supportG = (supportMm3 / 1000) * gPerCm3;
  const layers = (size.z / layerMm) * by[0] * by[1];
  return {
    plasticG,
    supportG,
    hours: ((plasticMm3 + supportMm3) / mm3PerS + layers * layerS) / 3600 + (pieces * startMin) / 60,
    price: (plasticG + supportG) * pricePerG,
    sandMin: (areaMm2 / SQUARE_M) * SAND_MIN_PER_M2,
    puttyMl: (areaMm2 / SQUARE_M) * PUTTY_ML_PER_M2 * puttyCoats,
    split: by,
    pieces,
    pins: jointsOf(by) * PINS,
  };
}

/** A solid laid on each of the six sides of its box, none mirrored. */
const laidOn: readonly ((p: Vec3) => Vec3)[] = [
  (p) => p,
  ({ x, y, z }) => ({ x, y: -y, z: -z }),
  ({ x, y, z }) => ({ x, y: -z, z: y }),
  ({ x, y, z }) => ({ x, y: z, z: -y }),
  ({ x, y, z }) => ({ x: -z, y, z: x }),
  ({ x, y, z }) => ({ x: z, y, z: -x }),
];

/** What it takes to print a solid on the side of its box that takes fewest pieces, and of those the least time. */
export const printingOnBestSide = (mesh: Mesh): Printing =>
  laidOn
    .map((turn) => printingOf({ points: mesh.points.map(turn), triangles: mesh.triangles }))
    .reduce((a, b) => (b.pieces < a.pieces || (b.pieces === a.pieces && b.hours < a.hours - 1e-9) ? b : a));

/** The same for several solids, each printed by itself. */
export function printingOfAll(meshes: readonly Mesh[], one: (mesh: Mesh) => Printing = printingOf): Printing {
  const all = meshes.map(one);
  const sum = (of: (p: Printing) => number): number => all.reduce((total, p) => total + of(p), 0);
  return {
    plasticG: sum((p) => p.plasticG),
    supportG: sum((p) => p.supportG),
    hours: sum((p) => p.hours),
    price: sum((p) => p.price),
    sandMin: sum((p) => p.sandMin),
    puttyMl: sum((p) => p.puttyMl),
    split: all.length === 1 ? itemAt(all, 0).split : [1, 1, 1],
    pieces: sum((p) => p.pieces),
    pins: sum((p) => p.pins),
  };
}

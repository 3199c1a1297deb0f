import type { LitFace } from './face';

/** A small piece of the inside of a box: where it is, which way it looks, how large. */
interface Patch {
  x: number;
  y: number;
  z: number;
  nx: number;
  ny: number;
  nz: number;
  areaMm2: number;
}

/** Walls and back are cut in so many pieces along, and down. */
const ALONG = 8;
const DOWN = 4;
/** Light goes to and fro between them so often; at nine tenths given back a hundredth is left after fifty. */
const ROUNDS = 40;
/** Light falls on a piece near its lamp by so many spots of it either way. */
const FINE = 3;

const pieces = (count: number, longMm: number): { at: number; long: number }[] =>
  Array.from({ length: count }, (_, i) => ({ at: ((i + 0.5) * longMm) / count, long: longMm / count }));

/** Walls and back of a box whose lamps stand at its back (z = 0) and whose face is at its depth. */
function inside(w: number, h: number, d: number): Patch[] {
  const down = pieces(Math.max(2, Math.min(DOWN, Math.round((ALONG * d) / Math.max(w, h)))), d);
  const [across, up] = [pieces(ALONG, w), pieces(Math.max(2, Math.round((ALONG * h) / w)), h)];
  const walls = [
    ...across.flatMap((a) =>
      down.flatMap((z) =>
        [0, 1].map((far) => ({
          x: a.at,
          y: far * h,
          z: z.at,
          nx: 0,
          ny: far ? -1 : 1,
          nz: 0,
          areaMm2: a.long * z.long,
        })),
      ),
    ),
    ...up.flatMap((u) =>
      down.flatMap((z) =>
        [0, 1].map((far) => ({
          x: far * w,
          y: u.at,
          z: z.at,
          nx: far ? -1 : 1,
          ny: 0,
          nz: 0,
          areaMm2: u.long * z.long,
        })),
      ),
    ),
  ];
  const back = across.flatMap((a) =>
    up.map((u) => ({ x: a.at, y: u.at, z: 0, nx: 0, ny: 0, nz: 1, areaMm2: a.long * u.long })),
  );
  return [...walls, ...back];
}

/** How much of what leaves one small face falls on another, per mm² of the other: cos·cos/πr². */
function sees(a: Patch, b: Patch): number {
  const [x, y, z] = [b.x - a.x, b.y - a.y, b.z - a.z];
  const r2 = x * x + y * y + z * z;
  if (r2 < 1e-9) return 0;
  const from = x * a.nx + y * a.ny + z * a.nz;
  const to = -(x * b.nx + y * b.ny + z * b.nz);
  return from <= 0 || to <= 0 ? 0 : (from * to) / (Math.PI * r2 * r2);
}

/** What a lamp gives each piece of the walls, in all as much as does not go straight to the face. */
function straight(
  { widthMm: w, heightMm: h, distanceMm: d, sources }: LitFace,
  all: readonly Patch[],
): Float64Array {
  const got = new Float64Array(all.length);
  for (const { xMm, yMm, flux, lobe } of sources) {
    const own = all.map((p) => {
      if (p.z <= 0) return 0;
      // Spots over the piece, along the wall and down it.
      const half = Math.sqrt(p.areaMm2) / 2;
      let sum = 0;
      for (let i = 0; i < FINE; i++)
        for (let k = 0; k < FINE; k++) {
          const aside = ((i + 0.5) / FINE - 0.5) * 2 * half;
          const z = p.z + ((k + 0.5) / FINE - 0.5) * 2 * half;
          const [x, y] = [p.x + aside * Math.abs(p.ny) - xMm, p.y + aside * Math.abs(p.nx) - yMm];
          const r2 = x * x + y * y + z * z;
          const r = Math.sqrt(r2);
          const cos = Math.max(0, z) / r;
          const on = Math.max(0, -(x * p.nx + y * p.ny) / r);
          sum += (((lobe + 1) / (2 * Math.PI)) * cos ** lobe * on) / r2;
        }
      return (sum / FINE ** 2) * p.areaMm2;
    });
    const walls = own.reduce((s, v) => s + v, 0);
    const aimed = Math.max(0, 1 - straightThrough(xMm, yMm, w, h, d, lobe));
    const scale = walls > 0 ? aimed / walls : 0;
    own.forEach((v, i) => (got[i]! += v * scale * flux));
  }
  return got;
}

/** The share of a lamp's light that meets the face without a wall. */
function straightThrough(xMm: number, yMm: number, w: number, h: number, d: number, lobe: number): number {
  const cells = 24;
  let sum = 0;
  for (let i = 0; i < cells; i++)
    for (let k = 0; k < cells; k++) {
      const x = ((i + 0.5) / cells) * w - xMm;
      const y = ((k + 0.5) / cells) * h - yMm;
      const r2 = x * x + y * y + d * d;
      sum += (((lobe + 1) / (2 * Math.PI)) * (d / Math.sqrt(r2)) ** (lobe + 1)) / r2;
    }
  return Math.min(1, (sum * w * h) / cells ** 2);
}

/**
 * Light that reaches a face by walls and back that scatter it (Lambert), after as many turns as it takes: radiosity over
 * small pieces (Goral, Torrance, Greenberg and Battaile 1984), each piece giving all it gives to what it sees.
 * @returns light on each cell per mm², row by row, before any diffuser.
 */
export function scattered(face: LitFace, columns: number, rows: number): Float64Array {
  const { widthMm: w, heightMm: h, distanceMm, wallReflectance, wallDiffuse = 0 } = face;
  const values = new Float64Array(columns * rows);
  const given = wallReflectance * wallDiffuse;
  if (given <= 0) return values;
  const d = Math.max(0.5, distanceMm);
  const all = inside(w, h, d);
  const n = all.length;
  const cells = pieces(ALONG, w).flatMap((a) =>
    pieces(Math.max(2, Math.round((ALONG * h) / w)), h).map((u) => ({
      x: a.at,
      y: u.at,
      z: d,
      nx: 0,
      ny: 0,
      nz: -1,
      areaMm2: a.long * u.long,
    })),
  );
  // To whom each piece gives; what it sees is all there is.
  const to = new Float64Array(n * n);
  const toFace = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let whole = 0;
    for (let j = 0; j < n; j++) whole += to[i * n + j] = sees(all[i]!, all[j]!) * all[j]!.areaMm2;
    const on = cells.reduce((sum, c) => sum + sees(all[i]!, c) * c.areaMm2, 0);
    whole += on;
    if (whole <= 0) continue;
    for (let j = 0; j < n; j++) to[i * n + j]! /= whole;
    toFace[i] = on / whole;
  }
  let going = straight(face, all).map((v) => v * given);
  const left = new Float64Array(n);
  for (let round = 0; round < ROUNDS; round++) {
    const next = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const flux = going[i]!;
      if (flux === 0) continue;
      left[i]! += flux;
      for (let j = 0; j < n; j++) next[j]! += flux * to[i * n + j]! * given;
    }
    going = next;
  }
  const [cellW, cellH] = [w / columns, h / rows];
  let fallen = 0;
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) {
      const cell: Patch = {
        x: (c + 0.5) * cellW,
        y: (r + 0.5) * cellH,
        z: d,
        nx: 0,
        ny: 0,
        nz: -1,
        areaMm2: cellW * cellH,
      };
      let sum = 0;
      for (let i = 0; i < n; i++) if (left[i]! > 0) sum += left[i]! * sees(all[i]!, cell);
      values[r * columns + c] = sum;
      fallen += sum * cellW * cellH;
    }
  const wanted = left.reduce((sum, v, i) => sum + v * toFace[i]!, 0);
  const scale = fallen > 0 ? wanted / fallen : 0;
  return values.map((v) => v * scale);
}

import { itemAt } from '../../units';
import { add3, cross3, dist3, dot3, scale3, sub3, unit3, type Vec3 } from '../../geometry';
import { ownPly, type FormInput } from '../contract';
import { gridOf, type Join, onEllipsoid, type Panel } from '../../panel';
import { BROW_DEG, rad, type HelmetFrame } from './frame';
import type { HelmetParams } from './params';

/** Elevation at which gores end; a button no larger than a coin covers the rest. */
const TIP_DEG = 87;

export interface Division {
  panels: Panel[];
  joins: Join[];
}

/** The way from one unit vector to another over the sphere. */
function slerp(a: Vec3, b: Vec3, t: number): Vec3 {
  const angle = Math.acos(Math.min(1, Math.max(-1, dot3(a, b))));
  if (angle < 1e-6) return a;
  const [p, q] = [Math.sin((1 - t) * angle) / Math.sin(angle), Math.sin(t * angle) / Math.sin(angle)];
  return add3(scale3(a, p), scale3(b, q));
}

/** Elevation at which a level ring of the brow's height crosses the sphere this far from its middle plane, radians. */
const browElevation = (across: number): number =>
  Math.asin(Math.min(0.98, Math.sin(rad(BROW_DEG)) / Math.sqrt(1 - across * across)));

/** The sides of the dome are cut off so much before their pointed ends, on the ring and on the strip alike. */
const END_DEG = 0.2;

/** One side of the dome, between the edge of the crown strip and the brow line; its two ends are a few millimetres wide. */
function domeSide(side: 1 | -1, axes: Vec3, centre: Vec3, half: number): Panel {
  const across = half / axes.x;
  const squeeze = Math.sqrt(1 - across * across);
  const ring = Math.cos(rad(BROW_DEG));
  const end = rad(END_DEG);
  const startAz = Math.asin(Math.min(0.99, across / ring)) + end;
  const startEl = browElevation(across) + end;
  const grid = gridOf(22, 10, (u, v) => {
    const along = side === 1 ? 1 - u : u;
    const el = startEl + (Math.PI - 2 * startEl) * along;
    const az = startAz + (Math.PI - 2 * startAz) * along;
    const top = { x: across, y: squeeze * Math.cos(el), z: squeeze * Math.sin(el) };
    const brow = { x: ring * Math.sin(az), y: ring * Math.cos(az), z: Math.sin(rad(BROW_DEG)) };
    const p = slerp(brow, top, v);
    return { x: side * axes.x * p.x, y: centre.y + axes.y * p.y, z: centre.z + axes.z * p.z };
  });
  const name = side === 1 ? 'right' : 'left';
  return {
    id: name,
    name: `${name} side`,
    grid,
    edges: { bottom: 'brow edge', right: 'end', top: 'strip seam', left: 'end' },
  };
}

/** Segments from the brow to the crown, seamed all round. */
function gores(count: number, { axes, centre }: HelmetFrame, columns: number): Division {
  const step = 360 / count;
  const panels = Array.from({ length: count }, (_, i): Panel => {
    const from = 90 - step / 2 + i * step;
    return {
      id: `gore-${i + 1}`,
      name: `gore ${i + 1}`,
      grid: gridOf(columns, 12, (u, v) =>
        onEllipsoid(axes, centre, from + u * step, BROW_DEG + (TIP_DEG - BROW_DEG) * v),
      ),
      edges: { bottom: 'brow edge', right: 'gore seam', top: 'crown', left: 'gore seam' },
    };
  });
  const joins = panels.map((p, i): Join => ({
    a: [p.id, 'right'],
    b: [itemAt(panels, (i + 1) % count).id, 'left'],
    kind: 'seam',
  }));
  return { panels, joins };
}

/** A strip from brow to nape over the crown, and a side piece either hand. */
function stripAndSides(stripMm: number, { axes, centre }: HelmetFrame): Division {
  // On a small head a strip wider than this would leave no sides.
  const half = Math.min(stripMm / 2, 0.6 * Math.cos(rad(BROW_DEG)) * axes.x);
  const strip = (u: number, v: number): Vec3 => {
    const x = half * (1 - 2 * u);
    const low = browElevation(x / axes.x);
    const turn = low + (Math.PI - 2 * low) * v;
    const squeeze = Math.sqrt(1 - (x / axes.x) ** 2);
    return {
      x,
      y: centre.y + axes.y * squeeze * Math.cos(turn),
      z: centre.z + axes.z * squeeze * Math.sin(turn),
    };
  };
  return {
    panels: [
      {
        id: 'strip',
        name: 'crown strip',
        grid: gridOf(4, 22, strip),
        edges: { bottom: 'brow edge', right: 'strip seam', top: 'nape edge', left: 'strip seam' },
      },
      domeSide(1, axes, centre, half),
      { ...domeSide(-1, axes, centre, half), mirrorOf: 'right' },
    ],
    joins: [
      { a: ['right', 'top'], b: ['strip', 'left'], kind: 'seam' },
      { a: ['left', 'top'], b: ['strip', 'right'], kind: 'seam' },
    ],
  };
}

/** Rows of the brow band: enough for it to bend over the cap's edge. */
const BAND_ROWS = 6;

/** A point of an upright wall, moved out by a distance. */
function outside(wallAt: (azimuthDeg: number) => Vec3, azimuthDeg: number, up: Vec3, outMm: number): Vec3 {
  const along = sub3(wallAt(azimuthDeg + 0.5), wallAt(azimuthDeg - 0.5));
  return add3(wallAt(azimuthDeg), scale3(unit3(cross3(along, up)), outMm));
}

/** A point of the cap's outer face at a height of its inner face. */
function onCap({ axes, centre }: HelmetFrame, azimuthDeg: number, z: number, outMm: number): Vec3 {
  const elevationDeg = (Math.asin(Math.min(0.99, (z - centre.z) / axes.z)) * 180) / Math.PI;
  const p = onEllipsoid(axes, centre, azimuthDeg, elevationDeg);
  const [x, y, up] = [p.x - centre.x, p.y - centre.y, p.z - centre.z];
  const normal = unit3({ x: x / axes.x ** 2, y: y / axes.y ** 2, z: up / axes.z ** 2 });
  return add3(p, scale3(normal, outMm));
}

/** The point so far along a curve from a height upwards. */
function alongFrom(at: (z: number) => Vec3, fromZ: number, mm: number): Vec3 {
  let [z, p, run] = [fromZ, at(fromZ), 0];
  while (run < mm - 1e-6) {
    const step = Math.min(1, mm - run);
    const next = at(z + step);
    run += Math.max(step, dist3(p, next));
    [z, p] = [z + step, next];
  }
  return p;
}

/** A cap in quarters with a band laid over its lower edge, closed behind. */
function capAndBand(input: FormInput<HelmetParams>, frame: HelmetFrame, capMm: number): Division {
  const { params } = input;
  const quarters = gores(4, frame, 10);
  const { browZ, bottomZ, wall } = frame;
  const band: Panel = {
    id: 'band',
    name: 'brow band',
    // It lies on the outer face of the wall up to the brow line, and on the cap's above it.
    grid: gridOf(40, BAND_ROWS, (u, v) => {
      const azimuthDeg = 270 + 360 * u;
      const at = (z: number): Vec3 =>
        z <= browZ
          ? outside(
              (deg) => wall(rad(deg), (z - bottomZ) / (browZ - bottomZ)),
              azimuthDeg,
              { x: 0, y: 0, z: 1 },
              capMm,
            )
          : onCap(frame, azimuthDeg, z, capMm);
      return alongFrom(at, browZ - params.bandMm * 0.55, params.bandMm * v);
    }),
    edges: { bottom: 'lower edge', right: 'end', top: 'upper edge', left: 'end' },
    attached: {
      bottom: {
        by: 'glue',
        words: 'glued over cheeks and nape',
        meets: { on: ['cheek-left', 'nape', 'cheek-right'], way: 'over' },
      },
      top: {
        by: 'glue',
        words: 'glued over the edge of the cap',
        meets: { on: quarters.panels.map((p) => p.id), way: 'over' },
      },
    },
    ...ownPly(input, params.bandFoam),
  };
  const names = ['front', 'left', 'back', 'right'];
  return {
    panels: [...quarters.panels.map((p, i) => ({ ...p, name: `cap, ${names[i]} quarter` })), band],
    joins: [...quarters.joins, { a: ['band', 'right'], b: ['band', 'left'], kind: 'seam' }],
  };
}

/** The dome in the maker's division. */
export function dome(input: FormInput<HelmetParams>, frame: HelmetFrame, thicknessMm: number): Division {
  const { params } = input;
  if (params.scheme === 'strip') return stripAndSides(params.stripMm, frame);
  if (params.scheme === 'cap') return capAndBand(input, frame, thicknessMm);
  return gores(params.gores, frame, 6);
}

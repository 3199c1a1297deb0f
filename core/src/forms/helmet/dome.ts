import { add3, dot3, scale3, type Vec3 } from '../../geometry';
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
const END_DEG = 1.5;

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
    b: [panels[(i + 1) % count]!.id, 'left'],
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

/** A cap in quarters with a band laid over its lower edge, closed behind. */
function capAndBand(input: FormInput<HelmetParams>, frame: HelmetFrame, capMm: number): Division {
  const { params } = input;
  const quarters = gores(4, frame, 10);
  const { centre, axes } = frame;
  const out = capMm + 1;
  const brow = Math.cos(rad(BROW_DEG));
  const band: Panel = {
    id: 'band',
    name: 'brow band',
    grid: gridOf(40, 2, (u, v) => {
      const az = rad(271 + 358 * u);
      return {
        x: centre.x + (axes.x * brow + out) * Math.cos(az),
        y: centre.y + (axes.y * brow + out) * Math.sin(az),
        z: frame.browZ - params.bandMm * (0.55 - v),
      };
    }),
    edges: { bottom: 'lower edge', right: 'end', top: 'upper edge', left: 'end' },
    hung: {
      bottom: { by: 'glue', words: 'glued over cheeks and nape' },
      top: { by: 'glue', words: 'glued over the edge of the cap' },
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

import { add3, cross3, scale3, type Vec2, type Vec3 } from '../geometry';
import { gridOf } from './grids';
import type { Attachment } from './attachment';
import type { Join, Panel } from './panel';
import { boxRoom, type Room } from './room';

/** An open box of foam: a face away from its base and four walls that stand on the base; inside sizes. */
export interface BoxSpec {
  id: string;
  name: string;
  /** Middle of the base, inside. */
  base: Vec3;
  /** Unit vectors: across the face to the right as seen from outside, up it, and out from the base. */
  across: Vec3;
  up: Vec3;
  widthMm: number;
  heightMm: number;
  deepMm: number;
  /** How its walls are fastened to the base; left open when absent. */
  attached?: Attachment;
}

/** The face, the walls, their seams, and the room inside. */
export function boxPanels(spec: BoxSpec): { panels: Panel[]; joins: Join[]; room: Room } {
  const { id, name, base, across, up, widthMm, heightMm, deepMm, attached } = spec;
  const out = cross3(across, up);
  const at = (x: number, y: number, z: number): Vec3 =>
    add3(base, add3(scale3(across, x), add3(scale3(up, y), scale3(out, z))));
  const [w, h] = [widthMm / 2, heightMm / 2];
  const quad = (
    part: string,
    words: string,
    [a, b, c, d]: readonly [Vec3, Vec3, Vec3, Vec3],
    edges: Panel['edges'],
  ): Panel => ({
    id: `${id}${part}`,
    name: name === '' ? words : `${name}, ${words}`,
    grid: gridOf(4, 4, (u, v) =>
      add3(
        add3(scale3(a, (1 - u) * (1 - v)), scale3(b, u * (1 - v))),
        add3(scale3(c, u * v), scale3(d, (1 - u) * v)),
      ),
    ),
    edges,
  });
  const rim = { bottom: 'wall seam', right: 'wall seam', top: 'wall seam', left: 'wall seam' };
  const edges = { bottom: 'inner edge', right: 'corner', top: 'outer edge', left: 'corner' };
  const wall = (part: string, words: string, corners: readonly [Vec3, Vec3, Vec3, Vec3]): Panel => ({
    ...quad(part, words, corners, edges),
    ...(attached && { attached: { bottom: attached } }),
  });
  const z = deepMm;
  const panels = [
    quad('face', 'face', [at(-w, -h, z), at(w, -h, z), at(w, h, z), at(-w, h, z)], rim),
    wall('front', 'right wall', [at(w, -h, 0), at(w, h, 0), at(w, h, z), at(w, -h, z)]),
    wall('back', 'left wall', [at(-w, h, 0), at(-w, -h, 0), at(-w, -h, z), at(-w, h, z)]),
    wall('roof', 'roof', [at(w, h, 0), at(-w, h, 0), at(-w, h, z), at(w, h, z)]),
    wall('floor', 'floor', [at(-w, -h, 0), at(w, -h, 0), at(w, -h, z), at(-w, -h, z)]),
  ];
  const seam = (a: string, sideA: Join['a'][1], b: string, sideB: Join['a'][1]): Join => ({
    a: [`${id}${a}`, sideA],
    b: [`${id}${b}`, sideB],
    kind: 'seam',
  });
  const outline: Vec2[] = [
    { x: -w, y: -h },
    { x: w, y: -h },
    { x: w, y: h },
    { x: -w, y: h },
  ];
  return {
    panels,
    joins: [
      seam('face', 'right', 'front', 'top'),
      seam('face', 'left', 'back', 'top'),
      seam('face', 'top', 'roof', 'top'),
      seam('face', 'bottom', 'floor', 'top'),
      seam('roof', 'left', 'front', 'right'),
      seam('roof', 'right', 'back', 'left'),
      seam('floor', 'right', 'front', 'left'),
      seam('floor', 'left', 'back', 'right'),
    ],
    room: boxRoom(`${id}inside`, name === '' ? 'inside' : `inside ${name}`, outline, deepMm, (p, depth) =>
      at(p.x, p.y, z - depth),
    ),
  };
}

const CELLS = 12;

/** A round plane piece, as a square grid drawn out to a circle (elliptical grid mapping). */
export const discGrid = (middle: Vec3, across: Vec3, up: Vec3, radiusMm: number): Vec3[][] =>
  gridOf(CELLS, CELLS, (u, v) => {
    const [x, y] = [2 * u - 1, 2 * v - 1];
    return add3(
      middle,
      add3(
        scale3(across, radiusMm * x * Math.sqrt(1 - (y * y) / 2)),
        scale3(up, radiusMm * y * Math.sqrt(1 - (x * x) / 2)),
      ),
    );
  });

import { choice } from '../../document';
import { distanceToLine, type Vec2 } from '../../geometry';
import type { Bevel } from './laminate';

const bevelled = (params: object): boolean => (params as { bevelMm?: number }).bevelMm !== 0;

/** How bevelled edges are shaped, in every form of layers that has them. */
export const profileField = choice(
  'profile',
  'Shape of the bevel',
  [
    ['slope', 'straight slope'],
    ['round', 'rounded'],
    ['steps', 'a step at every layer'],
  ],
  'Across the thickness, both faces alike.',
  'Edge',
  { when: bevelled },
);

/** A side faces right or left of the middle line when it stands there and its way out leans so far to it. */
const FACES = 0.2;

/** Sides of an outline by the way they face. */
export type Facing = 'all' | 'ends' | 'right';

export const facingField = choice(
  'edges',
  'Bevelled edges',
  [
    ['all', 'all round'],
    ['ends', 'those that face left and right'],
    ['right', 'those that face right'],
  ],
  'The others stay square.',
  'Edge',
  { when: bevelled },
);

/** A side lies on one that was drawn when its middle is no further from it, mm. */
const ON_MM = 0.01;

/** Which sides slope: those that face as asked, and are not drawn to stay square. */
export function sloping(way: Facing, square: readonly Vec2[][]): Pick<Bevel, 'on'> {
  const { on } = facing(way);
  if (square.length === 0) return on ? { on } : {};
  return {
    on: (middle, out) =>
      (!on || on(middle, out)) && !square.some((line) => distanceToLine(line, middle) < ON_MM),
  };
}

function facing(way: Facing): Pick<Bevel, 'on'> {
  switch (way) {
    case 'all':
      return {};
    case 'ends':
      return { on: (middle, out) => out.x * Math.sign(middle.x) > FACES };
    case 'right':
      return { on: (middle, out) => middle.x > 0 && out.x > FACES };
  }
}

export const edgesOfBlade = choice(
  'edges',
  'Bevelled edges',
  [
    ['both', 'both'],
    ['one', 'one, the back left square'],
    ['point', 'one, and all of the point'],
  ],
  'The one edge is on the right.',
  'Edge',
  { when: bevelled },
);

/** Which sides of a blade slope. */
export function bladeEdges(edges: 'both' | 'one' | 'point', pointFromY: number): Pick<Bevel, 'on'> {
  if (edges === 'both') return {};
  const tip = edges === 'point' ? pointFromY - 1e-6 : Infinity;
  return { on: (middle) => middle.x > 1e-6 || middle.y > tip };
}

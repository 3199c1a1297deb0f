import type { Vec2 } from '../../../geometry';

/**
 * Seven shapes of Błażewicz, Hawryluk and Walkowiak (1993), four of each on a strip 15 wide, turned by halves: the
 * instance known as SHAPES2. Corners and best known lengths from memory; the area of all, 324, over 15 and the best
 * known length of 25.84 gives the published density of 83.6 % (Imamichi, Yagiura and Nagamochi, 2009).
 */
const SHAPES: readonly (readonly [number, number])[][] = [
  [
    [0, 0],
    [2, -1],
    [4, 0],
    [4, 3],
    [2, 4],
    [0, 3],
  ],
  [
    [0, 0],
    [3, 0],
    [2, 2],
    [3, 4],
    [3, 5],
    [1, 5],
    [-1, 3],
    [-1, 1],
  ],
  [
    [0, 0],
    [2, 0],
    [3, 1],
    [3, 3],
    [2, 4],
    [0, 4],
    [-1, 3],
    [-1, 1],
  ],
  [
    [0, 0],
    [2, 1],
    [4, 0],
    [3, 2],
    [4, 5],
    [2, 4],
    [0, 5],
    [1, 3],
  ],
  [
    [0, 0],
    [5, 0],
    [5, 5],
    [4, 5],
    [3, 3],
    [2, 2],
    [0, 1],
  ],
  [
    [0, 0],
    [2, 3],
    [-2, 3],
  ],
  [
    [0, 0],
    [2, 0],
    [2, 2],
    [0, 2],
  ],
];

const COPIES = 4;
export const WIDTH = 15;
export const BEST_KNOWN = 25.84;
export const BEST_DENSITY = 0.836;

/** Every copy of every shape, so many times as large. */
export const blazewicz = (scale: number): Vec2[][] =>
  SHAPES.flatMap((shape) =>
    Array.from({ length: COPIES }, () => shape.map(([x, y]) => ({ x: scale * x, y: scale * y }))),
  );

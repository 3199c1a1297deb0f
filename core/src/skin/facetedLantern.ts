import { type Mesh, stacked, type Vec3 } from '../geometry';

const SIDES = 6;

const ring = (acrossMm: number, z: number): Vec3[] =>
  Array.from({ length: SIDES }, (_, k) => {
    const t = (2 * Math.PI * k) / SIDES;
    return { x: (acrossMm / 2) * Math.cos(t), y: (acrossMm / 2) * Math.sin(t), z };
  });

/** A made-up harbour lantern of flat faces: six sides that widen, a shoulder, and a roof. */
export const facetedLantern = (): Mesh =>
  stacked([ring(90, 0), ring(120, 130), ring(140, 136), ring(40, 190)]);

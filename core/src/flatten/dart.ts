import type { Mesh, Vec2 } from '../geometry';
import type { Stretch } from './stretch';

/** A slit from the edge inwards; laid flat it opens to a wedge that is cut out and closed. */
export interface Dart {
  /** Vertices of the uncut surface from the edge to the tip. */
  path: number[];
  /** The other leg: for each vertex of the path but the tip, its copy in the cut mesh. */
  twins: number[];
  /** How far it runs of the way to where curvature gathers, 0…1. */
  reach: number;
}

export interface Darted {
  mesh: Mesh;
  flat: Vec2[];
  stretch: Stretch;
  darts: Dart[];
  /** For each vertex of the cut mesh, the vertex of the surface it came from. */
  origin: number[];
}

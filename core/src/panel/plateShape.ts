import type { Attachment } from './attachment';
import { add3, type Bounds, type Region, scale3, type Vec2, type Vec3, without } from '../geometry';

/** A plane in space: where its x and y are nought, and which way they run, seen from outside. */
export interface Plane {
  origin: Vec3;
  across: Vec3;
  up: Vec3;
}

/** Something cut in a plate: right through, or to a depth from one of its faces. */
export interface PlateCut {
  id: string;
  name: string;
  outline: Vec2[];
  /** The feature it is cut for. */
  of?: string;
  /** A stick lies in it. */
  channel?: true;
  /** What is cut out is its lid, and shuts it again. */
  lid?: true;
  /** From which face, and how deep; right through when absent. */
  recess?: { depthMm: number; face: 'inner' | 'outer' };
}

/** Which way an edge of a plate faces in its plane. */
export type Facing = 'left' | 'right' | 'up' | 'down';

/** A panel cut flat by an outline of any number of edges, in its plane. */
export interface Plate extends Plane {
  /** Counter-clockwise as seen from outside. */
  outline: Vec2[];
  cuts: PlateCut[];
  /** The outline at heights above the inner face, from 0 to the thickness, where its edge is not square. */
  sections?: { atMm: number; region: Region }[];
  /** Its sloping edges are rounded over. */
  rounded?: true;
  /** Lies between others, so that nothing of its faces is seen. */
  inside?: true;
  /** Another layer lies behind it, so that nothing can be put there. */
  backed?: true;
  /** The box that shares of its width and height count over, where it is a part of a larger plate. */
  frame?: Bounds;
  /** How its rim is fastened to what it stands in; only the edges that face these ways, when any are named, each to a piece; to those that come off nothing is glued. */
  rimAttached?: Attachment & { onto?: Partial<Record<Facing, string>>; comeOff?: readonly string[] };
  /** How many are glued face to face; 1 stands alone. */
  layers?: number;
}

export const onPlane = ({ origin, across, up }: Plane, p: Vec2): Vec3 =>
  add3(origin, add3(scale3(across, p.x), scale3(up, p.y)));

/** What is cut right through it. */
export const through = (cuts: readonly PlateCut[]): Region =>
  cuts.filter((c) => !c.recess).map((c) => c.outline);

/** What stays open of what is cut: a lid shuts its own. */
export const openCuts = (cuts: readonly PlateCut[]): PlateCut[] => cuts.filter((c) => !c.lid);

/** The plate with its lids in. */
export const shut = (plate: Plate): Plate =>
  plate.cuts.some((c) => c.lid) ? { ...plate, cuts: openCuts(plate.cuts) } : plate;

/** What is foam of it: the outline without what is cut right through it and stays open. */
export const plateRegion = ({ outline, cuts }: Plate): Region => without([outline], through(openCuts(cuts)));

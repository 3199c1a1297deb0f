import type { Vec2, Vec3 } from '../geometry';
import type { DiffuserLayer } from '../light';

/** What light meets at a height of a wall: how far it comes from the middle of the room, and what it goes through. */
export interface WallAt {
  standOffMm: number;
  /** How thick the wall is there. */
  thickMm: number;
  /** What it lets through; absent where it is opaque. */
  lets?: DiffuserLayer;
}

/** A wall of a long room, as light from its middle finds it. Heights are along the plane of the room. */
export interface LightWall {
  name: string;
  /** All round the middle line, square to the plane of the room, or to its sides. */
  way: 'round' | 'face' | 'edge';
  /** Lit across its outside, mm. */
  acrossMm: number;
  /** Nothing beyond its ends. */
  at: (alongMm: number) => WallAt | undefined;
  /** A spot of its outside in the form’s space, and which way it looks; across from its middle line. */
  outside: (alongMm: number, acrossMm: number) => { at: Vec3; normal: Vec3 };
  /** Its colour while nothing is lit. */
  colour: string;
}

/** Whether light comes out of a wall of a room at its middle. */
export const letsLight = ({ walls = [], middle }: { walls?: readonly LightWall[]; middle: Vec2 }): boolean =>
  walls.some((w) => w.at(middle.y)?.lets !== undefined);

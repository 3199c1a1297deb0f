import {
  add3,
  centroid,
  common,
  contains,
  convexHull,
  largestRing,
  rotate2,
  scale3,
  signedArea,
  type Vec2,
  type Vec3,
} from '../geometry';
import { onGrid } from './patch';
import { gridNormals } from './panel';
import type { LaidPanel } from './lay';

/** A place things can be put: a plane seen from outside, and how deep it is under every spot of it. */
export interface Room {
  id: string;
  name: string;
  /** The panel it lies behind or is cut into, as whose flat piece it is drawn. */
  panel?: string;
  /** Its far side is the wearer's clothed body. */
  body?: true;
  /** Whether nothing lies on its far side under a spot; the depth is then only what is put there at most. */
  openAt?: (p: Vec2) => boolean;
  /** There is nothing but foam until what goes in is cut out of it. */
  solid?: true;
  outline: Vec2[];
  /** Room under a spot, mm; none outside. */
  depthAt: (p: Vec2) => number | undefined;
  /** A spot at a depth below the plane, in the form's space. */
  toSpace: (p: Vec2, depthMm: number) => Vec3;
  /** Middle of the outline, from which spots are counted. */
  middle: Vec2;
  /** What stands on its far wall; the depth counts what must stay, and not what may be cut away. */
  ribs?: readonly Rib[];
}

/** Something on the far wall of a room: its outline over the room, and how far it stands out towards the plane. */
export interface Rib {
  name: string;
  outline: Vec2[];
  tallMm: number;
  /** It must stay. */
  stays?: true;
}

/** Something's footprint in a room: its middle, size and turn from upright. */
export interface Footprint {
  at: Vec2;
  widthMm: number;
  lengthMm: number;
  turnDeg: number;
}

export const footprintOutline = ({ at, widthMm, lengthMm, turnDeg }: Footprint): Vec2[] =>
  [
    { x: -widthMm / 2, y: -lengthMm / 2 },
    { x: widthMm / 2, y: -lengthMm / 2 },
    { x: widthMm / 2, y: lengthMm / 2 },
    { x: -widthMm / 2, y: lengthMm / 2 },
  ].map((p) => {
    const q = rotate2(p, (-turnDeg * Math.PI) / 180);
    return { x: q.x + at.x, y: q.y + at.y };
  });

const SAMPLES = 6;

/** Least depth under the whole of a footprint, and the share of it that lies in the room. */
export function depthUnder(room: Room, print: Footprint): { depthMm: number; inside: number } {
  let depthMm = Infinity;
  for (let i = 0; i <= SAMPLES; i++) {
    for (let j = 0; j <= SAMPLES; j++) {
      const p = rotate2(
        { x: print.widthMm * (i / SAMPLES - 0.5), y: print.lengthMm * (j / SAMPLES - 0.5) },
        (-print.turnDeg * Math.PI) / 180,
      );
      const depth = room.depthAt({ x: p.x + print.at.x, y: p.y + print.at.y });
      if (depth !== undefined) depthMm = Math.min(depthMm, depth);
    }
  }
  // What is thin stands between the samples.
  for (const rib of room.ribs ?? []) {
    if (!rib.stays) continue;
    const over = largestRing(common([footprintOutline(print)], [rib.outline]));
    if (over.length > 2) depthMm = Math.min(depthMm, room.depthAt(centroid(over)) ?? depthMm);
  }
  const over = common([footprintOutline(print)], [room.outline]);
  const inside =
    Math.abs(over.reduce((sum, ring) => sum + signedArea(ring), 0)) / (print.widthMm * print.lengthMm);
  return { depthMm: depthMm === Infinity ? 0 : depthMm, inside: Math.min(1, inside) };
}

/**
 * The gap behind a panel, as its flat piece lies, less what lines it.
 * @param gapAt how deep it is at a spot, given as shares of the panel's width and height; @param far what it is measured
 * to: the clothed body, or walls, and whether there is none behind a spot.
 */
export function gapRoom(
  laid: LaidPanel,
  gapAt: (spot: Vec2) => number,
  liningMm: number,
  far: { body: true } | { openAt?: (spot: Vec2) => boolean } = {},
): Room {
  const { panel, piece } = laid;
  const normals = gridNormals(panel.grid);
  const xs = piece.outline.map((p) => p.x);
  const ys = piece.outline.map((p) => p.y);
  return {
    id: `gap:${panel.id}`,
    name: `behind ${panel.name}`,
    panel: panel.id,
    ...('body' in far && { body: true as const }),
    ...('openAt' in far && {
      openAt: (p: Vec2) => {
        const at = laid.uvAt(p);
        return at !== undefined && far.openAt!(at);
      },
    }),
    outline: piece.outline,
    middle: {
      x: (Math.min(...xs) + Math.max(...xs)) / 2,
      y: (Math.min(...ys) + Math.max(...ys)) / 2,
    },
    depthAt: (p) => {
      const at = laid.uvAt(p);
      if (!at) return undefined;
      return Math.max(0, gapAt(at) - liningMm);
    },
    toSpace: (p, depthMm) => {
      const at = laid.uvAt(p) ?? { x: 0.5, y: 0.5 };
      return add3(onGrid(panel.grid, at), scale3(onGrid(normals, at), -depthMm));
    },
  };
}

/** A room with flat walls: its outline in its own plane and one depth all over. */
export function boxRoom(
  id: string,
  name: string,
  outline: readonly Vec2[],
  depthMm: number,
  toSpace: Room['toSpace'],
): Room {
  const hull = convexHull([...outline]);
  const middle = {
    x: outline.reduce((s, p) => s + p.x, 0) / outline.length,
    y: outline.reduce((s, p) => s + p.y, 0) / outline.length,
  };
  return {
    id,
    name,
    outline: hull,
    middle,
    depthAt: (p) => (contains(hull, p) ? depthMm : undefined),
    toSpace,
  };
}

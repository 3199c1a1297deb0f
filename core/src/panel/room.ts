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
import type { LightWall } from './lightWall';

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
  /** How much room there is for something rigid under the whole of it; by the depths of the room where absent. */
  free?: (print: Footprint) => Free | undefined;
  /** A spot at a depth below the plane, in the form's space. */
  toSpace: (p: Vec2, depthMm: number) => Vec3;
  /** What shuts it in, as light finds it; absent where that is not known. */
  walls?: readonly LightWall[];
  /** Middle of the outline, from which spots are counted. */
  middle: Vec2;
  /** What stands on its far wall; the depth counts what must stay, and not what may be cut away. */
  ribs?: readonly Rib[];
}

/** Room for the whole of an outline: where it lies first, pushed in until its wall lets it, and how far it is from there. */
export interface Free {
  /** How far in it begins: more than nothing behind a wall that bends towards it. */
  fromMm: number;
  /** To what is met first behind it; nothing where it is open. */
  roomMm: number | undefined;
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
  /** A round plate, as wide as it is long, or a round bar lying along its length; a box where absent. */
  shape?: Shape | undefined;
}

export type Shape = 'disc' | 'bar';

/** Corners of a polygon that stands for a round; the round lies within it, and it is 0.1 % larger at most. */
const ROUND = 64;

/** A round of a diameter as an outline about nought. */
export const roundOutline = (diameterMm: number): Vec2[] =>
  Array.from({ length: ROUND }, (_, i) => {
    const turn = (2 * Math.PI * i) / ROUND;
    const r = diameterMm / 2 / Math.cos(Math.PI / ROUND);
    return { x: r * Math.cos(turn), y: r * Math.sin(turn) };
  });

export const footprintOutline = ({ at, widthMm, lengthMm, turnDeg, shape }: Footprint): Vec2[] =>
  (shape === 'disc'
    ? roundOutline(widthMm)
    : [
        { x: -widthMm / 2, y: -lengthMm / 2 },
        { x: widthMm / 2, y: -lengthMm / 2 },
        { x: widthMm / 2, y: lengthMm / 2 },
        { x: -widthMm / 2, y: lengthMm / 2 },
      ]
  ).map((p) => {
    const q = rotate2(p, (-turnDeg * Math.PI) / 180);
    return { x: q.x + at.x, y: q.y + at.y };
  });

const SAMPLES = 6;

/** What is under a footprint. */
export interface Under {
  /** Least depth under the whole of it, and how far in that begins. */
  depthMm: number;
  fromMm: number;
  /** The share of it that lies in the room. */
  inside: number;
  /** Nothing is met behind it. */
  open: boolean;
}

/** Least depth by the room's own depths, at spots all over a footprint. */
function leastDepth(room: Room, print: Footprint): number {
  let depthMm = Infinity;
  const outline = footprintOutline(print);
  for (let i = 0; i <= SAMPLES; i++) {
    for (let j = 0; j <= SAMPLES; j++) {
      const p = rotate2(
        { x: print.widthMm * (i / SAMPLES - 0.5), y: print.lengthMm * (j / SAMPLES - 0.5) },
        (-print.turnDeg * Math.PI) / 180,
      );
      const spot = { x: p.x + print.at.x, y: p.y + print.at.y };
      if (print.shape === 'disc' && !contains(outline, spot)) continue;
      depthMm = Math.min(depthMm, room.depthAt(spot) ?? depthMm);
    }
  }
  // What is thin stands between the samples.
  for (const rib of room.ribs ?? []) {
    if (!rib.stays) continue;
    const over = largestRing(common([outline], [rib.outline]));
    if (over.length > 2) depthMm = Math.min(depthMm, room.depthAt(centroid(over)) ?? depthMm);
  }
  return depthMm;
}

/** How much of a footprint lies in a room, and how deep it is there. */
export function depthUnder(room: Room, print: Footprint): Under {
  const outline = footprintOutline(print);
  const depthMm = leastDepth(room, print);
  const { fromMm, roomMm } = room.free?.(print) ?? { fromMm: 0, roomMm: undefined };
  const over = common([outline], [room.outline]);
  const inside =
    Math.abs(over.reduce((sum, ring) => sum + signedArea(ring), 0)) / Math.abs(signedArea(outline));
  const least = Math.min(depthMm, roomMm ?? Infinity);
  return {
    depthMm: least === Infinity ? 0 : least,
    fromMm,
    inside: Math.min(1, inside),
    open: roomMm === undefined && (room.openAt?.(print.at) ?? false),
  };
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
  far: ({ body: true } | { openAt?: (spot: Vec2) => boolean }) & Pick<Room, 'free'> = {},
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
    ...(far.free && { free: far.free }),
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

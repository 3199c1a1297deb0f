import { byId } from '../../units';
import type { Feature } from '../../document';
import { rotate2, scale3, type Vec2, type Vec3 } from '../../geometry';
import { depthUnder, type Footprint, footprintOutline, type LaidPanel, type Room } from '../../panel';
import { panelOf, type LaidPart } from '../contract';
import { spotFrom, type Spot } from './spot';

/** Something solid put behind a panel or into a room. */
export interface Footing {
  room: Room;
  /** The panel it lies behind or is cut into, when it does. */
  laid?: LaidPanel;
  at: Vec3;
  normal: Vec3;
  flat: Vec2;
  marginMm: number;
  /** Least depth under the whole footprint, the share of it that lies in the room, and whether nothing is behind it. */
  depthMm: number;
  inside: number;
  open: boolean;
  /** The whole of it, and how far in from its plane it has to begin. */
  print: Footprint;
  fromMm: number;
  /** Its outline over the room, and the same in space against the floor of the room. */
  outline: Vec2[];
  corners: Vec3[];
  /** Depth across its middle, from a little beyond it on the left to as much on the right; none off the room. */
  profile: { acrossMm: number; depthMm: number | null }[];
}

const PROFILE = 32;
/** How far a profile reaches, in widths of the thing. */
const BEYOND = 2.2;

/** How large something is that is put in, and of what shape. */
type Sized = Pick<Footprint, 'widthMm' | 'lengthMm' | 'shape'>;

/** Where a thing of a size lies, and how deep it is there; nothing when its panel or room is gone. */
export function footingOf(on: LaidPart, { place }: Pick<Feature, 'place'>, size: Sized): Footing | undefined {
  if (place.on === 'panel') {
    const laid = panelOf(on, place.panel);
    const room = laid && on.rooms.find((r) => r.panel === laid.panel.id);
    if (!laid || !room) return undefined;
    return standing(room, spotFrom(laid, place, 0), place.turnDeg, size, laid);
  }
  if (place.on !== 'room') return undefined;
  const room = byId(on.rooms, place.room);
  if (!room) return undefined;
  const flat = { x: room.middle.x + place.acrossMm, y: room.middle.y + place.alongMm };
  const depth = room.depthAt(flat) ?? 0;
  const at = room.toSpace(flat, 0);
  const normal = away(at, room.toSpace(flat, Math.max(1, depth)));
  return standing(room, { flat, at, normal, marginMm: 0 }, place.turnDeg, size, undefined);
}

const away = (a: Vec3, b: Vec3): Vec3 => {
  const d = { x: a.x - b.x, y: a.y - b.y, z: a.z - b.z };
  return scale3(d, 1 / (Math.hypot(d.x, d.y, d.z) || 1));
};

function standing(
  room: Room,
  spot: Spot,
  turnDeg: number,
  size: Sized,
  laid: LaidPanel | undefined,
): Footing {
  const { widthMm, lengthMm, shape } = size;
  const print: Footprint = { at: spot.flat, turnDeg, widthMm, lengthMm, shape };
  const outline = footprintOutline(print);
  return {
    room,
    ...spot,
    ...(laid && { laid }),
    ...depthUnder(room, print),
    print,
    outline,
    corners: outline.map((p) => room.toSpace(p, room.depthAt(p) ?? 0)),
    profile: Array.from({ length: PROFILE + 1 }, (_, i) => {
      const acrossMm = size.widthMm * BEYOND * (i / PROFILE - 0.5);
      const p = rotate2({ x: acrossMm, y: 0 }, (-turnDeg * Math.PI) / 180);
      return { acrossMm, depthMm: room.depthAt({ x: p.x + spot.flat.x, y: p.y + spot.flat.y }) ?? null };
    }),
  };
}

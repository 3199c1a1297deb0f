import { type Zone, zoneInfo } from '../body';
import type { Vec2, Vec3 } from '../geometry';
import { between, type Free, gapRoom, layersRoom, type LaidPanel, type Room } from '../panel';
import { freeUnder, roomBehind, standIn, type Walls, wallsOf } from '../space';
import type { Context } from './context';
import type { Shell } from './made';

const mix = (a: number, b: number, t: number): number => a + (b - a) * t;

/** What is put behind a wall that has nothing behind it stands out no further than this; from memory. */
const OPEN_MM = 400;

/** What was found out of a shell; it holds as long as the shell does. */
interface Known {
  walls?: Walls;
  free: Map<string, Free | undefined>;
}

const shells = new WeakMap<readonly LaidPanel[], Known>();

function knownOf(laid: readonly LaidPanel[]): Known {
  const before = shells.get(laid);
  if (before) return before;
  const known: Known = { free: new Map() };
  shells.set(laid, known);
  return known;
}

/**
 * The rooms of a part: behind its pieces to the clothed body, or to the nearest of the part itself; what its layers
 * can be cut to; and those its form has. What a bought thing has behind its walls is what its maker said.
 */
export function roomsOf(
  { laid, gaps, model }: Pick<Shell, 'laid' | 'gaps' | 'model'>,
  liningMm: number,
  zone: Zone | undefined,
  { body, underLayerMm }: Context,
): Room[] {
  const known = knownOf(laid);
  const walls = (): Walls => (known.walls ??= wallsOf(laid, model.sticks));
  const clearance = zone && zoneInfo(zone).clearance(body);
  const away = clearance && ((p: Vec3): number => clearance(p) - underLayerMm);
  /** Room for something rigid, less what lines the walls. */
  const freeIn =
    (id: string, room: () => Pick<Room, 'toSpace' | 'depthAt'>, toBody: boolean): NonNullable<Room['free']> =>
    (print) => {
      const key = `${id} ${JSON.stringify(print)}`;
      if (!known.free.has(key)) {
        const stand = standIn(room(), print.at);
        known.free.set(key, stand && freeUnder(stand, print, walls(), toBody ? away : undefined));
      }
      const found = known.free.get(key);
      if (!found) return undefined;
      const { fromMm, roomMm } = found;
      const linedMm = toBody ? liningMm : 2 * liningMm;
      return { fromMm: fromMm + liningMm, roomMm: roomMm && Math.max(0, roomMm - linedMm) };
    };
  // What is inside a bought thing is what its maker said of it.
  const there = laid.some((l) => l.panel.existing);
  const behind = (l: LaidPanel): Room => {
    const { existing, id } = l.panel;
    const gapMm = gaps.find((g) => g.pieceId === id)?.gapMm;
    if (existing && !gapMm) return gapRoom(l, () => existing.behindMm, liningMm);
    let reach: ((spot: Vec2) => number | undefined) | undefined;
    const reached = (at: Vec2): number | undefined => (reach ??= roomBehind(l, walls()))(at);
    const room: Room = gapMm
      ? gapRoom(l, (at) => between(gapMm, at, mix), liningMm, {
          body: true,
          free: freeIn(id, () => room, true),
        })
      : // The opposite wall is lined as well; this one's lining is taken off by the room.
        gapRoom(l, (at) => Math.max(0, (reached(at) ?? OPEN_MM + liningMm) - liningMm), liningMm, {
          openAt: (at) => reached(at) === undefined,
          free: freeIn(id, () => room, false),
        });
    return room;
  };
  return [
    ...laid
      .filter((l) => (!l.panel.loose || l.panel.existing) && !l.panel.unseen && !l.panel.plate?.backed)
      .map(behind),
    ...laid.filter((l) => l.panel.plate?.backed).map((l) => layersRoom(l, laid)),
    ...model.rooms.map((room) =>
      there ? room : { ...room, free: freeIn(`room ${room.id}`, () => room, false) },
    ),
  ];
}

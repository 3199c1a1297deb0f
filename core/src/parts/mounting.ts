import { byId, firstOf } from '../units';
import { copiesOf, type Mount, type Part } from '../document';
import type { Anchor } from '../forms';
import { add3, cross3, dot3, scale3, sub3, unit3, type Vec2, type Vec3 } from '../geometry';
import type { Stick } from '../panel';
import { modelOf, type Context } from './context';
import { walked } from './walked';

/** From the space of a part mounted at an anchor to its host's, and back. */
export interface Fixing {
  toHost: (p: Vec3) => Vec3;
  fromHost: (p: Vec3) => Vec3;
}

type OnPart = Extract<Mount, { to: 'part' }>;

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Turned about the second axis of three. */
const about = (x: Vec3, z: Vec3, turn: number): [Vec3, Vec3] => [
  sub3(scale3(x, Math.cos(turn)), scale3(z, Math.sin(turn))),
  add3(scale3(x, Math.sin(turn)), scale3(z, Math.cos(turn))),
];

/** The way up a face, square to the way out of it. */
function levelUp({ out, up }: Pick<Anchor, 'out' | 'up'>): Vec3 {
  const level = sub3(up, scale3(out, dot3(up, out)));
  return unit3(Math.hypot(level.x, level.y, level.z) < 1e-6 ? cross3(out, { x: 1, y: 0, z: 0 }) : level);
}

/** How a part sits on a place: its z runs out of it, its y up it, turned, leaned and moved as its mount says. */
function fixingOn(
  anchor: Anchor,
  { alongMm = 0, acrossMm = 0, offMm = 0, turnDeg = 0, leanDeg = 0, nodDeg = 0 }: Partial<OnPart>,
  mirrored = false,
  ring: Vec2 = { x: 0, y: 0 },
): Fixing {
  const there = anchor.face ? walked(anchor, { x: mirrored ? -acrossMm : acrossMm, y: alongMm }) : undefined;
  const out = unit3(there?.out ?? anchor.out);
  const up = levelUp({ out, up: anchor.up });
  const across = cross3(up, out);
  const side = anchor.along ? sideOf(anchor.along, out, across) : across;
  const moved = add3(scale3(anchor.along ?? up, alongMm), scale3(side, mirrored ? -acrossMm : acrossMm));
  const round = add3(scale3(up, ring.y), scale3(across, ring.x));
  const origin = add3(add3(there?.at ?? add3(anchor.at, moved), round), scale3(out, offMm));
  const hand = mirrored ? -1 : 1;
  const turn = rad(turnDeg) * hand;
  // Turned in the face first, then leaned to the side, then along.
  const x0 = add3(scale3(across, Math.cos(turn)), scale3(up, Math.sin(turn)));
  const y0 = sub3(scale3(up, Math.cos(turn)), scale3(across, Math.sin(turn)));
  const [x1, z1] = about(x0, out, rad(leanDeg) * hand);
  const [y2, z2] = about(y0, z1, rad(nodDeg));
  const x = scale3(x1, hand);
  return {
    toHost: (p) => add3(origin, add3(add3(scale3(x, p.x), scale3(y2, p.y)), scale3(z2, p.z))),
    fromHost: (p) => {
      const d = sub3(p, origin);
      return { x: dot3(d, x), y: dot3(d, y2), z: dot3(d, z2) };
    },
  };
}

/** Across a way that a part is moved along. */
function sideOf(along: Vec3, out: Vec3, across: Vec3): Vec3 {
  const side = cross3(along, out);
  const size = Math.hypot(side.x, side.y, side.z);
  return size < 1e-6 ? across : scale3(side, 1 / size);
}

/** How a part sits on an anchor; of several copies the first. */
export const fixingAt = (anchor: Anchor, mount: OnPart): Fixing => firstOf(fixingsAt(anchor, mount));

/** How every copy of a part sits on an anchor: one after another in a row, round the way out of it, or mirrored across. */
export function fixingsAt(anchor: Anchor, mount: OnPart): Fixing[] {
  const { copies, alongMm = 0, acrossMm = 0, turnDeg = 0 } = mount;
  if (!copies) return [fixingOn(anchor, mount)];
  if (copies.way === 'mirrored') return [fixingOn(anchor, mount), fixingOn(anchor, mount, true)];
  const each = Array.from({ length: copies.count }, (_, i) => i);
  if (copies.way === 'row')
    return each.map((i) =>
      fixingOn(anchor, {
        ...mount,
        alongMm: alongMm + i * copies.alongMm,
        acrossMm: acrossMm + i * copies.acrossMm,
      }),
    );
  // All the way round the last stands a step before the first.
  const steps = Math.abs(copies.sweepDeg) >= 360 ? copies.count : Math.max(1, copies.count - 1);
  return each.map((i) => {
    const deg = (i * copies.sweepDeg) / steps;
    const turned = { ...mount, turnDeg: turnDeg + deg };
    const [up, across] = [copies.radiusMm * Math.cos(rad(deg)), -copies.radiusMm * Math.sin(rad(deg))];
    // Over a face they are walked; elsewhere they stand in the plane that the way out is square to.
    return anchor.face
      ? fixingOn(anchor, { ...turned, alongMm: alongMm + up, acrossMm: acrossMm + across })
      : fixingOn(anchor, turned, false, { x: across, y: up });
  });
}

/** What a chain of mounts is followed by. */
interface Mounted {
  id: string;
  mount: Mount;
  anchors: readonly Anchor[];
}

/** From a part's space to that of one it hangs on, for every copy of it, however many mounts between; none when it does not. */
export function allOntoRoot(
  parts: readonly Mounted[],
  id: string,
  rootId: string,
  deep = 0,
): ((p: Vec3) => Vec3)[] {
  if (id === rootId) return [(p) => p];
  const part = byId(parts, id);
  if (!part || part.mount.to !== 'part' || deep > DEEPEST) return [];
  const { mount } = part;
  const host = byId(parts, mount.part);
  const anchor = host?.anchors.find((a) => a.id === mount.anchor) ?? host?.anchors[0];
  if (!host || !anchor) return [];
  const onHost = fixingsAt(anchor, mount);
  return allOntoRoot(parts, host.id, rootId, deep + 1).flatMap((further) =>
    onHost.map(
      ({ toHost }) =>
        (p: Vec3): Vec3 =>
          further(toHost(p)),
    ),
  );
}

/** The same for the first copy of it. */
export const ontoRoot = (
  parts: readonly Mounted[],
  id: string,
  rootId: string,
): ((p: Vec3) => Vec3) | undefined => allOntoRoot(parts, id, rootId)[0];

/** How often what a part hangs on is there. */
export function timesOf({ mount }: Pick<Part, 'mount'>, parts: readonly Part[], deep = 0): number {
  const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
  if (!host || host.mount.to !== 'part' || deep > DEEPEST) return 1;
  return copiesOf(host) * timesOf(host, parts, deep + 1);
}

/** Mounts may hang on each other this deep before they are taken for a ring. */
const DEEPEST = 12;

/** Sticks of everything a part is mounted on, in the part's own space: what may pass through it. */
export function throughOf(part: Part, parts: readonly Part[], context: Context, deep = 0): Stick[] {
  const { mount } = part;
  const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
  if (mount.to !== 'part' || !host || deep > DEEPEST) return [];
  const above = throughOf(host, parts, context, deep + 1);
  const { sticks, anchors } = modelOf(host, { ...context, through: above });
  const all = [...above, ...sticks];
  const anchor = byId(anchors, mount.anchor) ?? anchors[0];
  if (!anchor || all.length === 0) return [];
  const { fromHost } = fixingAt(anchor, mount);
  const nought = fromHost({ x: 0, y: 0, z: 0 });
  return all.map((stick) => ({
    ...stick,
    from: fromHost(stick.from),
    to: fromHost(stick.to),
    wide: sub3(fromHost(stick.wide), nought),
  }));
}

import { byId, firstOf } from '../units';
import { type Body, fistAt, hangOn, sidesWorn, zoneInfo } from '../body';
import { add3, rotate2, sub3, type Vec3 } from '../geometry';
import { fixingAt, fixingsAt } from './mounting';
import type { PartReport } from './partReport';

/** A part's own space into the figure's; the left copy is the right one mirrored. */
export type Placing = (p: Vec3) => Vec3;

/** What standing parts need to be placed: their names, mounts, anchors and how low they reach. */
export type Placed = Pick<
  PartReport,
  'id' | 'mount' | 'anchors' | 'solid' | 'extras' | 'heldAt' | 'heldTurnDeg'
>;

/** Standing parts stand this far apart beside the wearer, mm. */
const APART_MM = 420;

/** Mounts may hang on each other this deep before they are taken for a ring. */
const DEEPEST = 12;

/** Sides on which copies of a part are worn: +1 the wearer's right, −1 the left. */
export const sidesOf = ({ mount }: Pick<Placed, 'mount'>): (1 | -1)[] =>
  mount.to === 'wearer' ? sidesWorn(mount.side) : [1];

/** Lowest point of a part with everything that is mounted on it, in its own space. */
function lowestOf(parts: readonly Placed[], part: Placed, deep = 0): number {
  const own = [...part.solid.mesh.points, ...part.extras.points].reduce(
    (least, p) => Math.min(least, p.z),
    Infinity,
  );
  const low = parts.reduce((least, child) => {
    const { mount } = child;
    if (mount.to !== 'part' || mount.part !== part.id || deep > DEEPEST) return least;
    const anchor = byId(part.anchors, mount.anchor) ?? part.anchors[0];
    if (!anchor) return least;
    const { toHost } = fixingAt(anchor, mount);
    return child.solid.mesh.points.reduce((l, p) => Math.min(l, toHost(p).z), least);
  }, own);
  return Number.isFinite(low) ? low : 0;
}

/** Where a copy of a part is in the figure's space: worn, standing beside it, or mounted on another part. */
export function placingOf(body: Body, parts: readonly Placed[], id: string, side: 1 | -1, deep = 0): Placing {
  const part = byId(parts, id);
  if (!part || deep > DEEPEST) return (p) => p;
  const { mount } = part;
  if (mount.to === 'wearer' && zoneInfo(mount.zone).held) {
    // Held upright, the middle of the grip in the fist of a hanging arm; never through the floor.
    const fist = fistAt(body, side);
    const held = part.heldAt ?? { x: 0, y: 0, z: 0 };
    const lift = -Math.min(0, lowestOf(parts, part) + fist.z - held.z);
    const turn = ((part.heldTurnDeg ?? 0) * Math.PI) / 180;
    return (p) => {
      const d = sub3(p, held);
      return add3(fist, { ...rotate2(d, turn), z: d.z + lift });
    };
  }
  if (mount.to === 'wearer') return hangOn(body, mount.zone, side);
  const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
  if (mount.to === 'stand' || !host) {
    const standing = parts.filter((p) => p.mount.to === 'stand');
    const x = body.shoulderBreadth.valueMm / 2 + APART_MM * (1 + Math.max(0, standing.indexOf(part)));
    const low = lowestOf(parts, part);
    return (p) => ({ x: x + p.x, y: p.y, z: p.z - low });
  }
  const anchor = byId(host.anchors, mount.anchor) ?? host.anchors[0];
  if (!anchor) return (p) => p;
  const onHost = placingOf(body, parts, host.id, firstOf(sidesOf(host)), deep + 1);
  const { toHost } = fixingAt(anchor, mount);
  return (p) => onHost(toHost(p));
}

/** Every copy of a part in the figure's space: on both sides of a pair, and wherever its mount puts one. */
export function placingsOf(body: Body, parts: readonly Placed[], id: string, deep = 0): Placing[] {
  const part = byId(parts, id);
  const { mount } = part ?? {};
  const host = mount?.to === 'part' ? byId(parts, mount.part) : undefined;
  if (!part || mount?.to !== 'part' || !host || deep > DEEPEST)
    return part ? sidesOf(part).map((side) => placingOf(body, parts, id, side)) : [];
  const anchor = byId(host.anchors, mount.anchor) ?? host.anchors[0];
  if (!anchor) return [(p) => p];
  // On a pair it hangs on the one worn on the right.
  const onHost =
    host.mount.to === 'part'
      ? placingsOf(body, parts, host.id, deep + 1)
      : [placingOf(body, parts, host.id, firstOf(sidesOf(host)))];
  return onHost.flatMap((further) =>
    fixingsAt(anchor, mount).map(
      ({ toHost }): Placing =>
        (p) =>
          further(toHost(p)),
    ),
  );
}

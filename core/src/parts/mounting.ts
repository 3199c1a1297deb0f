import type { Mount, Part } from '../document';
import type { Anchor } from '../forms';
import { add3, cross3, dot3, rotate2, scale3, sub3, unit3, type Vec3 } from '../geometry';
import type { Core } from '../panel';
import { modelOf, type Around } from './around';

/** From the space of a part mounted at an anchor to its host's, and back. */
export interface Fixing {
  toHost: (p: Vec3) => Vec3;
  fromHost: (p: Vec3) => Vec3;
}

/** How a part sits on an anchor: its z runs out of it, its y up it, turned and moved along as its mount says. */
export function fixingAt(
  anchor: Anchor,
  { alongMm = 0, turnDeg = 0 }: Extract<Mount, { to: 'part' }>,
): Fixing {
  const out = unit3(anchor.out);
  const level = sub3(anchor.up, scale3(out, dot3(anchor.up, out)));
  const up = unit3(Math.hypot(level.x, level.y, level.z) < 1e-6 ? cross3(out, { x: 1, y: 0, z: 0 }) : level);
  const across = cross3(up, out);
  const turn = (turnDeg * Math.PI) / 180;
  const origin = add3(anchor.at, scale3(anchor.along ?? up, alongMm));
  return {
    toHost: (p) => {
      const q = rotate2(p, turn);
      return add3(origin, add3(add3(scale3(across, q.x), scale3(up, q.y)), scale3(out, p.z)));
    },
    fromHost: (p) => {
      const d = sub3(p, origin);
      const q = rotate2({ x: dot3(d, across), y: dot3(d, up) }, -turn);
      return { ...q, z: dot3(d, out) };
    },
  };
}

/** What a chain of mounts is followed by. */
interface Hung {
  id: string;
  mount: Mount;
  anchors: readonly Anchor[];
}

/** From a part's space to that of one it hangs on, however many mounts between; nothing when it does not. */
export function ontoRoot(
  parts: readonly Hung[],
  id: string,
  rootId: string,
  deep = 0,
): ((p: Vec3) => Vec3) | undefined {
  if (id === rootId) return (p) => p;
  const part = parts.find((p) => p.id === id);
  if (!part || part.mount.to !== 'part' || deep > DEEPEST) return undefined;
  const { mount } = part;
  const host = parts.find((p) => p.id === mount.part);
  const anchor = host?.anchors.find((a) => a.id === mount.anchor) ?? host?.anchors[0];
  const further = host && ontoRoot(parts, host.id, rootId, deep + 1);
  if (!anchor || !further) return undefined;
  const { toHost } = fixingAt(anchor, mount);
  return (p) => further(toHost(p));
}

/** Mounts may hang on each other this deep before they are taken for a ring. */
const DEEPEST = 12;

/** Sticks of everything a part is mounted on, in the part's own space: what may pass through it. */
export function throughOf(part: Part, parts: readonly Part[], around: Around, deep = 0): Core[] {
  const { mount } = part;
  const host = mount.to === 'part' ? parts.find((p) => p.id === mount.part) : undefined;
  if (mount.to !== 'part' || !host || deep > DEEPEST) return [];
  const above = throughOf(host, parts, around, deep + 1);
  const { cores, anchors } = modelOf(host, { ...around, through: above });
  const all = [...above, ...cores];
  const anchor = anchors.find((a) => a.id === mount.anchor) ?? anchors[0];
  if (!anchor || all.length === 0) return [];
  const { fromHost } = fixingAt(anchor, mount);
  const nought = fromHost({ x: 0, y: 0, z: 0 });
  return all.map((core) => ({
    ...core,
    from: fromHost(core.from),
    to: fromHost(core.to),
    wide: sub3(fromHost(core.wide), nought),
  }));
}

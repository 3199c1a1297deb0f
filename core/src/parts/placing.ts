import { type Body, hangOn } from '../body';
import { add3, cross3, dot3, rotate2, scale3, sub3, unit3, type Vec3 } from '../geometry';
import type { PartReport } from './partReport';

/** A part's own space into the figure's; the left copy is the right one mirrored. */
export type Placing = (p: Vec3) => Vec3;

/** What standing parts need to be placed: their names, mounts, anchors and how low they reach. */
export type Placed = Pick<PartReport, 'id' | 'mount' | 'anchors' | 'solid'>;

/** Standing parts stand this far apart beside the wearer, mm. */
const APART_MM = 420;

/** Mounts may hang on each other this deep before they are taken for a ring. */
const DEEPEST = 12;

/** Sides on which copies of a part are worn: +1 the wearer's right, −1 the left. */
export const sidesOf = ({ mount }: Pick<Placed, 'mount'>): (1 | -1)[] => {
  if (mount.to !== 'wearer') return [1];
  return mount.side === 'pair' ? [1, -1] : [mount.side === 'left' ? -1 : 1];
};

/** Where a copy of a part is in the figure's space: worn, standing beside it, or mounted on another part. */
export function placingOf(body: Body, parts: readonly Placed[], id: string, side: 1 | -1, deep = 0): Placing {
  const part = parts.find((p) => p.id === id);
  if (!part || deep > DEEPEST) return (p) => p;
  const { mount } = part;
  if (mount.to === 'wearer') return hangOn(body, mount.zone, side);
  const host = mount.to === 'part' ? parts.find((p) => p.id === mount.part) : undefined;
  if (mount.to === 'stand' || !host) {
    const standing = parts.filter((p) => p.mount.to === 'stand');
    const x = body.shoulderBreadth.valueMm / 2 + APART_MM * (1 + Math.max(0, standing.indexOf(part)));
    const low = part.solid.mesh.points.reduce((least, p) => Math.min(least, p.z), Infinity);
    return (p) => ({ x: x + p.x, y: p.y, z: p.z - (Number.isFinite(low) ? low : 0) });
  }
  const anchor = host.anchors.find((a) => a.id === mount.anchor) ?? host.anchors[0];
  if (!anchor) return (p) => p;
  const onHost = placingOf(body, parts, host.id, sidesOf(host)[0]!, deep + 1);
  const out = unit3(anchor.out);
  const level = sub3(anchor.up, scale3(out, dot3(anchor.up, out)));
  const up = unit3(Math.hypot(level.x, level.y, level.z) < 1e-6 ? cross3(out, { x: 1, y: 0, z: 0 }) : level);
  const across = cross3(up, out);
  const turn = ((mount.turnDeg ?? 0) * Math.PI) / 180;
  return (p) => {
    const q = rotate2(p, turn);
    return onHost(
      add3(
        add3(anchor.at, scale3(up, mount.alongMm ?? 0)),
        add3(add3(scale3(across, q.x), scale3(up, q.y)), scale3(out, p.z)),
      ),
    );
  };
}

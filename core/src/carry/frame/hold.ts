import { dot3, length3, sub3, type Vec3 } from '../../geometry';
import { ontoRoot, type PartReport } from '../../parts';
import { byId, itemAt, lastOf } from '../../units';
import type { Built } from './built';
import type { SpaceFrame } from './spaceFrame';

/** How a frame is held: in words, by its nodes, and which ways down may be from there. */
export interface Hold {
  words: string;
  held: SpaceFrame['held'];
  ways: Vec3[];
}

/** Corners are as low, or as high, as the lowest or highest within this, mm. */
const LEVEL_MM = 10;

const down: Vec3 = { x: 0, y: 0, z: -1 };
/** Whichever way it is turned: along each of its own axes. */
const anyWay: Vec3[] = [down, { x: 1, y: 0, z: 0 }, { x: 0, y: 1, z: 0 }];

/** Where a frame is held fast: at its foot, where it lies on what it is mounted on, in the fist, or on the back. */
export function holdOf(part: PartReport, frame: Built, parts: readonly PartReport[]): Hold | undefined {
  const { mount } = part;
  const corners = [...new Set(frame.along.flatMap((run) => [itemAt(run, 0), lastOf(run)]))];
  const at = (node: number): Vec3 => itemAt(frame.nodes, node);
  const lowest = (heightOf: (node: number) => number): number[] => {
    const least = Math.min(...corners.map(heightOf));
    return corners.filter((n) => heightOf(n) - least <= LEVEL_MM);
  };
  const fast = (nodes: readonly number[]): SpaceFrame['held'] => nodes.map((node) => ({ node, turns: true }));
  if (mount.to === 'stand')
    return { words: 'fast at its foot', held: fast(lowest((n) => at(n).z)), ways: [down] };
  if (mount.to === 'part') {
    const host = byId(parts, mount.part);
    const anchor = byId(host?.anchors ?? [], mount.anchor);
    const toHost = host && ontoRoot(parts, part.id, host.id);
    if (!host || !anchor || !toHost) return undefined;
    const above = (n: number): number => dot3(sub3(toHost(at(n)), anchor.at), anchor.out);
    return { words: `where it lies on ${host.name}`, held: fast(lowest(above)), ways: anyWay };
  }
  if (mount.zone === 'back')
    return {
      words: 'on the back, at its top and its foot',
      // Straps hold it there, and let it turn.
      held: [...new Set([...lowest((n) => at(n).z), ...lowest((n) => -at(n).z)])].map((node) => ({
        node,
        turns: false,
      })),
      ways: [down],
    };
  const { heldAt } = part;
  const first = itemAt(frame.along, 0);
  if (!heldAt) return undefined;
  const nearest = first.reduce((a, b) =>
    length3(sub3(at(b), heldAt)) < length3(sub3(at(a), heldAt)) ? b : a,
  );
  return {
    words: 'in a fist round its first pipe, whichever way it is turned',
    held: fast([nearest]),
    ways: anyWay,
  };
}

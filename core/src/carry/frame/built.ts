import { lerp3, type Vec3 } from '../../geometry';
import type { Framework } from '../../forms';
import { itemAt } from '../../units';
import type { SpaceFrame } from './spaceFrame';

/** Nearer to a corner than this share of its pipe, a load is at the corner. */
const AT_CORNER = 0.02;

/** Every pipe is parted at these shares of it: what moves between them is then known as well. */
const QUARTERS = [0.25, 0.5, 0.75];

/** A frame being put together: pipes in four quarters, and parted where something is mounted. */
export interface Built extends SpaceFrame {
  nodes: Vec3[];
  names: string[];
  /** Nodes along each pipe, from its first corner to its last. */
  along: number[][];
}

/** The frame with nodes at its corners, at the quarters of its pipes, and at these shares of each. */
export function built({ corners, pipes }: Framework, stops: readonly (readonly number[])[]): Built {
  const nodes = corners.map((c) => c.at);
  const names = corners.map((c) => c.name);
  const along = pipes.map(({ from, to, name }, i) => {
    const [a, b] = [itemAt(nodes, from), itemAt(nodes, to)];
    const between = [...new Set([...QUARTERS, ...itemAt(stops, i)])]
      .filter((t) => t > AT_CORNER && t < 1 - AT_CORNER)
      .sort((s, t) => s - t);
    const inner = between.map((t) => {
      names.push(name);
      return nodes.push(lerp3(a, b, t)) - 1;
    });
    return [from, ...inner, to];
  });
  const bars = along.flatMap((run) => run.slice(1).map((to, i) => ({ from: itemAt(run, i), to })));
  return { nodes, names, along, bars, held: [] };
}

import { type Check, count, rows } from '../../document';
import { common, signedArea, type Vec2 } from '../../geometry';
import type { PlateCut } from '../../panel';
import { drawnOutline, type Node, pointFields } from '../../outline';

/** A point of a ring inside a drawn outline, and which ring it is of. */
export interface RingNode extends Node {
  ring: number;
}

/** As many as a drawing usually holds: a trigger guard, a grille, holes to the middle of a ring. */
const MOST_RINGS = 20;
const MOST_NODES = 600;

/** The field every form with a drawn outline has for what is cut out of it. */
export const ringsField = (when: (params: object) => boolean) =>
  rows(
    'rings',
    'Inner rings',
    [count('ring', 'Ring', [1, MOST_RINGS], 'Points of one number are one ring.'), ...pointFields],
    [0, MOST_NODES],
    (before) => {
      const last = before.at(-1);
      return {
        ring: Number(last?.['ring'] ?? 1),
        xMm: Number(last?.['xMm'] ?? 0) + 10,
        yMm: Number(last?.['yMm'] ?? 0),
        node: 'corner',
      };
    },
    'point',
    'Cut right through inside the outline, such as a trigger guard: typed, or read with the outline from a drawing.',
    'Outline',
    { when },
  );

/** Less is left of a ring that reaches over the outline than this share: it is reported. */
const WHOLE = 0.999;

/** Rings as they are cut, and those that are not: of fewer than three points, or reaching over the outline. */
function ringsIn(nodes: readonly RingNode[], outline: readonly Vec2[]): { cut: Vec2[][]; lost: number[] } {
  const cut: Vec2[][] = [];
  const lost: number[] = [];
  for (const ring of [...new Set(nodes.map((n) => n.ring))].sort((a, b) => a - b)) {
    const own = nodes.filter((n) => n.ring === ring);
    const line = own.length < 3 ? undefined : drawnOutline(own).outline;
    const inside = line ? common([line], [[...outline]]).reduce((sum, r) => sum + signedArea(r), 0) : 0;
    if (line && inside > WHOLE * signedArea(line)) cut.push(line);
    else lost.push(ring);
  }
  return { cut, lost };
}

/** What is cut through every layer for the rings of a drawing, and what is reported those that are not. */
export function ringCuts(
  nodes: readonly RingNode[],
  outline: readonly Vec2[],
): { cuts: PlateCut[]; checks: Check[] } {
  const { cut, lost } = ringsIn(nodes, outline);
  return {
    cuts: cut.map((ring, i) => ({ id: `ring-${i + 1}`, name: `ring ${i + 1}`, outline: ring })),
    checks: lost.map((ring) => ({
      id: `ring-lost-${ring}`,
      severity: 'mind',
      station: 'shape',
      title: `inner ring ${ring} is not cut: it has under three points, or reaches over the outline.`,
      why: 'A ring is cut out of what is round it. Draw it within the outline, or let the outline itself run in.',
      provenance: 'standard',
      excess: 1,
      remedies: [],
    })),
  };
}

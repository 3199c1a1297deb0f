import { SparseFactor } from '../../flatten';
import { cross3, dist3, dot3, scale3, sub3, unit3, type Vec3 } from '../../geometry';
import { itemAt } from '../../units';

/** Straight bars between nodes, stiffly joined where they meet. Millimetres. */
export interface SpaceFrame {
  nodes: readonly Vec3[];
  bars: readonly { from: number; to: number }[];
  /** Nodes that do not move, nor turn where that is held as well. */
  held: readonly { node: number; turns: boolean }[];
}

/** How hard a bar of round section is to stretch (N), to bend and to twist (N·mm²). */
export interface Stiffness {
  stretchN: number;
  bendNmm2: number;
  twistNmm2: number;
}

/** A push at a node, N, and what turns it, N·mm. */
export interface NodeLoad {
  node: number;
  force: Vec3;
  moment: Vec3;
}

/** Moves and turns of a node along and about three axes. */
const FREEDOMS = 6;
const axes = ['x', 'y', 'z'] as const;

/** What holds a bar's ends against moves and turns along its own axes: the beam of Euler and Bernoulli. */
function ownStiffness(l: number, { stretchN, bendNmm2, twistNmm2 }: Stiffness): Float64Array {
  const k = new Float64Array(144);
  const put = (i: number, j: number, value: number): void => {
    k[12 * i + j] = value;
    k[12 * j + i] = value;
  };
  for (const [i, value] of [
    [0, stretchN / l],
    [3, twistNmm2 / l],
  ] as const) {
    put(i, i, value);
    put(i + 6, i + 6, value);
    put(i, i + 6, -value);
  }
  // Across: its move, the turn that goes with it, and which way that turns.
  for (const [move, turn, way] of [
    [1, 5, 1],
    [2, 4, -1],
  ] as const) {
    const [far, farTurn] = [move + 6, turn + 6];
    put(move, move, (12 * bendNmm2) / l ** 3);
    put(far, far, (12 * bendNmm2) / l ** 3);
    put(move, far, (-12 * bendNmm2) / l ** 3);
    put(move, turn, (way * 6 * bendNmm2) / l ** 2);
    put(move, farTurn, (way * 6 * bendNmm2) / l ** 2);
    put(far, turn, (-way * 6 * bendNmm2) / l ** 2);
    put(far, farTurn, (-way * 6 * bendNmm2) / l ** 2);
    put(turn, turn, (4 * bendNmm2) / l);
    put(farTurn, farTurn, (4 * bendNmm2) / l);
    put(turn, farTurn, (2 * bendNmm2) / l);
  }
  return k;
}

/** A bar's own axes as rows: along it, and two across. */
function axesOf(from: Vec3, to: Vec3): [Vec3, Vec3, Vec3] {
  const along = unit3(sub3(to, from));
  const aside = unit3(cross3(Math.abs(along.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 }, along));
  return [along, aside, cross3(along, aside)];
}

/** What a load spread evenly along a bar, N/mm, comes to at its ends: half of it, and the turns of a bar held at both. */
export function spreadOn({ nodes, bars }: SpaceFrame, bar: number, perMm: Vec3): NodeLoad[] {
  const { from, to } = itemAt(bars, bar);
  const [a, b] = [itemAt(nodes, from), itemAt(nodes, to)];
  const l = dist3(a, b);
  const turn = scale3(cross3(unit3(sub3(b, a)), perMm), l ** 2 / 12);
  const force = scale3(perMm, l / 2);
  return [
    { node: from, force, moment: turn },
    { node: to, force, moment: scale3(turn, -1) },
  ];
}

/** How far a node moves, mm, and how far it turns, rad. */
export interface Moved {
  by: Vec3;
  turned: Vec3;
}

/**
 * How far each node of a frame moves and turns under loads: the stiffnesses of all bars summed and solved at once (direct
 * stiffness method). Nothing where something is not held.
 */
export function movedBy(
  frame: SpaceFrame,
  stiffness: Stiffness,
  loads: readonly NodeLoad[],
): Moved[] | undefined {
  const { nodes, bars, held } = frame;
  const fixed = new Set(
    held.flatMap(({ node, turns }) =>
      Array.from({ length: turns ? FREEDOMS : 3 }, (_, i) => FREEDOMS * node + i),
    ),
  );
  // Nodes no bar comes to have nothing to move.
  const reached = new Set(bars.flatMap(({ from, to }) => [from, to]));
  const place = new Int32Array(FREEDOMS * nodes.length).fill(-1);
  let size = 0;
  for (let i = 0; i < place.length; i++)
    if (reached.has(Math.floor(i / FREEDOMS)) && !fixed.has(i)) place[i] = size++;
  const entries: [number, number, number][] = [];
  const diagonal = new Float64Array(size);
  for (const { from, to } of bars) {
    const [a, b] = [itemAt(nodes, from), itemAt(nodes, to)];
    const own = ownStiffness(dist3(a, b), stiffness);
    const turned = axesOf(a, b).map(({ x, y, z }) => [x, y, z]);
    const freedom = (i: number): number => FREEDOMS * (i < FREEDOMS ? from : to) + (i % FREEDOMS);
    for (let i = 0; i < 12; i++)
      for (let j = 0; j <= i; j++) {
        const [row, column] = [place[freedom(i)]!, place[freedom(j)]!];
        if (row < 0 || column < 0) continue;
        let value = 0;
        const [bi, bj] = [3 * Math.floor(i / 3), 3 * Math.floor(j / 3)];
        for (let p = 0; p < 3; p++)
          for (let q = 0; q < 3; q++)
            value += turned[p]![i % 3]! * own[12 * (bi + p) + bj + q]! * turned[q]![j % 3]!;
        if (row === column) diagonal[row]! += value;
        else if (value !== 0) entries.push([row, column, value]);
      }
  }
  const push = new Float64Array(size);
  for (const { node, force, moment } of loads)
    axes.forEach((axis, i) => {
      const [moves, turns] = [place[FREEDOMS * node + i]!, place[FREEDOMS * node + 3 + i]!];
      if (moves >= 0) push[moves]! += force[axis];
      if (turns >= 0) push[turns]! += moment[axis];
    });
  try {
    const found = new SparseFactor(size, entries, diagonal).solve(push);
    const at = (i: number): number => (place[i]! < 0 ? 0 : found[place[i]!]!);
    const three = (i: number): Vec3 => ({ x: at(i), y: at(i + 1), z: at(i + 2) });
    return nodes.map((_, n) => ({ by: three(FREEDOMS * n), turned: three(FREEDOMS * n + 3) }));
  } catch {
    return undefined;
  }
}

/** What a bar bears at one end: along it, N, and what bends it there about its two axes across, N·mm. */
export interface EndForce {
  node: number;
  alongN: number;
  bendNmm: readonly [number, number];
}

/**
 * What every bar bears at both its ends once its nodes have moved: its stiffness times their moves, less what a load
 * spread along it holds at its ends by itself.
 * @param perMm what is spread along every bar, N/mm.
 */
export function bornBy(
  { nodes, bars }: SpaceFrame,
  stiffness: Stiffness,
  moved: readonly Moved[],
  perMm: Vec3,
): EndForce[][] {
  return bars.map(({ from, to }, bar) => {
    const [a, b] = [itemAt(nodes, from), itemAt(nodes, to)];
    const own = ownStiffness(dist3(a, b), stiffness);
    const along = axesOf(a, b);
    const inOwn = (v: Vec3): number[] => along.map((axis) => dot3(axis, v));
    const moves = [from, to].flatMap((n) => {
      const { by, turned } = itemAt(moved, n);
      return [...inOwn(by), ...inOwn(turned)];
    });
    const spread = spreadOn({ nodes, bars, held: [] }, bar, perMm);
    return [from, to].map((node, end): EndForce => {
      const bears = (i: number): number =>
        moves.reduce((sum, m, j) => sum + itemAt(own, 12 * (FREEDOMS * end + i) + j) * m, 0);
      const { force, moment } = itemAt(spread, end);
      const [forceAlong] = inOwn(force);
      const [, momentY, momentZ] = inOwn(moment);
      return { node, alongN: bears(0) - forceAlong!, bendNmm: [bears(4) - momentY!, bears(5) - momentZ!] };
    });
  });
}

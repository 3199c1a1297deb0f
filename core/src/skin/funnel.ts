import { firstOf, lastOf } from '../units';
import { dist3, type Vec2, type Vec3 } from '../geometry';

/** An edge that a way crosses, by its ends: what they are called, and where they are. */
export interface Gate {
  a: number;
  b: number;
  at: { a: Vec3; b: Vec3 };
}

/** A gate in the plane the strip is laid flat in, its ends told apart as seen along the way. */
interface FlatGate {
  left: Vec2;
  right: Vec2;
  /** Whether the left end is `b`. */
  leftIsB: boolean;
}

const cross = (o: Vec2, p: Vec2, q: Vec2): number => (p.x - o.x) * (q.y - o.y) - (p.y - o.y) * (q.x - o.x);

/** The third corner of a triangle over two that lie in the plane, on the side of their edge away from `from`. */
function beyond(a: Vec2, b: Vec2, toA: number, toB: number, from: Vec2): Vec2 {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const span = Math.hypot(dx, dy) || 1e-12;
  const along = (toA * toA - toB * toB + span * span) / (2 * span);
  const off = Math.sqrt(Math.max(0, toA * toA - along * along));
  const side = cross(a, b, from) > 0 ? -1 : 1;
  return {
    x: a.x + (dx * along) / span - (side * dy * off) / span,
    y: a.y + (dy * along) / span + (side * dx * off) / span,
  };
}

/** The strip of triangles between two points laid flat: every gate, and the end. */
function laidFlat(
  from: Vec3,
  gates: readonly Gate[],
  to: Vec3,
): { start: Vec2; flat: FlatGate[]; end: Vec2 } {
  const first = firstOf(gates);
  let a: Vec2 = { x: 0, y: 0 };
  let b: Vec2 = { x: dist3(first.at.a, first.at.b), y: 0 };
  const start = beyond(a, b, dist3(from, first.at.a), dist3(from, first.at.b), { x: 0, y: 1 });
  // What lies behind a gate: the corner of the triangle the way comes from.
  let behind = start;
  const flat: FlatGate[] = [];
  gates.forEach((gate, i) => {
    if (i > 0) {
      const last = gates[i - 1]!;
      const [wasA, wasB] = [a, b];
      const place = (id: number, p: Vec3): Vec2 =>
        id === last.a
          ? wasA
          : id === last.b
            ? wasB
            : beyond(wasA, wasB, dist3(p, last.at.a), dist3(p, last.at.b), behind);
      [a, b] = [place(gate.a, gate.at.a), place(gate.b, gate.at.b)];
      // The corner of the triangle between that the way leaves behind.
      const kept = gate.a === last.a || gate.b === last.a;
      behind = kept ? wasB : wasA;
    }
    const leftIsB = cross(behind, a, b) > 0;
    flat.push({ left: leftIsB ? b : a, right: leftIsB ? a : b, leftIsB });
  });
  const last = lastOf(gates);
  return { start, flat, end: beyond(a, b, dist3(to, last.at.a), dist3(to, last.at.b), behind) };
}

interface Turn {
  p: Vec2;
  /** The gate at whose end the way turns. */
  gate: number;
}

/** Where the shortest way through gates in a plane turns (funnel: Lee and Preparata, 1984). */
function turnsOf(start: Vec2, flat: readonly FlatGate[], end: Vec2): Turn[] {
  const gates = [...flat, { left: end, right: end }];
  const turns: Turn[] = [];
  let apex = start;
  let [left, right] = [start, start];
  let [leftAt, rightAt] = [-1, -1];
  for (let i = 0; i < gates.length; i++) {
    const gate = gates[i]!;
    if (cross(apex, right, gate.right) >= 0) {
      if (rightAt < 0 || right === apex || cross(apex, left, gate.right) < 0)
        [right, rightAt] = [gate.right, i];
      else {
        turns.push({ p: left, gate: leftAt });
        apex = left;
        i = leftAt;
        [right, left, rightAt] = [apex, apex, leftAt];
        continue;
      }
    }
    if (cross(apex, left, gate.left) <= 0) {
      if (leftAt < 0 || left === apex || cross(apex, right, gate.left) > 0) [left, leftAt] = [gate.left, i];
      else {
        turns.push({ p: right, gate: rightAt });
        apex = right;
        i = rightAt;
        [left, right, leftAt] = [apex, apex, rightAt];
        continue;
      }
    }
  }
  return turns;
}

/**
 * The shortest way over a strip of triangles from one point to another, laid flat in one plane and pulled straight.
 * @returns where it crosses each gate, as a share from its first end; 0 or 1 where it goes through a corner.
 */
export function pulledStraight(from: Vec3, gates: readonly Gate[], to: Vec3): number[] {
  if (gates.length === 0) return [];
  const { start, flat, end } = laidFlat(from, gates, to);
  const turns: Turn[] = [...turnsOf(start, flat, end), { p: end, gate: flat.length }];
  let p = start;
  let k = 0;
  return flat.map(({ left, right, leftIsB }, i) => {
    while (k < turns.length - 1 && turns[k]!.gate < i) p = turns[k++]!.p;
    const q = turns[k]!.p;
    const [dl, dr] = [cross(p, q, left), cross(p, q, right)];
    const fromRight = dl === dr ? 0.5 : Math.min(1, Math.max(0, dr / (dr - dl)));
    return leftIsB ? fromRight : 1 - fromRight;
  });
}

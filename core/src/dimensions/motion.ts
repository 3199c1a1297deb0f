import { dist3, length3, scale3, sub3, type Vec3 } from '../geometry';
import type { Tracked } from './tracked';

/** How a point of the model moves for one unit more of a value. */
export interface Moving {
  key: string;
  at: Vec3;
  /** Millimetres a unit. */
  by: Vec3;
  speed: number;
  spot?: Tracked['spot'];
}

/** Slower than this, mm a unit, a point stands still. */
const STILL = 2e-3;
/** A spot of a ring that goes faster has only slid along it. */
const SLID = 1.2;
/** So many points say what there is to say. */
const MOST = 400;

/** What moves between two states of a model, `by` units apart; points that are in one of them alone are left out. */
export function movingOf(
  now: ReadonlyMap<string, Tracked>,
  next: ReadonlyMap<string, Tracked>,
  by: number,
): Moving[] {
  const all = [...now].flatMap(([key, { at, spot, corners }]): Moving[] => {
    const then = next.get(key);
    if (!then || (corners !== undefined && corners === then.corners)) return [];
    const way = scale3(sub3(then.at, at), 1 / by);
    const speed = length3(way);
    if (speed < STILL || (corners !== undefined && speed > SLID)) return [];
    return [{ key, at, by: way, speed, ...(spot && { spot }) }];
  });
  const every = Math.ceil(all.length / MOST);
  return all.filter((_, i) => i % every === 0);
}

/** What is there only when the value is more than nothing: a point of it, in the middle. */
export function appearing(
  now: ReadonlyMap<string, Tracked>,
  next: ReadonlyMap<string, Tracked>,
): Vec3 | undefined {
  const fresh = [...next]
    .filter(([key, { corners }]) => corners === undefined && !now.has(key))
    .map(([, t]) => t.at);
  if (fresh.length === 0) return undefined;
  const middle = scale3(
    fresh.reduce((sum, p) => ({ x: sum.x + p.x, y: sum.y + p.y, z: sum.z + p.z })),
    1 / fresh.length,
  );
  return fresh.reduce((a, b) => (dist3(b, middle) < dist3(a, middle) ? b : a));
}

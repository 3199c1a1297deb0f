import { itemAt } from '../units';
import { dist3 } from '../geometry';
import type { PartReport } from '../parts';
import type { Vec3 } from '../geometry';
import { type Route, waysOf, wireRoute } from './route';

/** Spare wire at each thing that must come out again (common practice; length from memory). */
const SERVICE_LOOP_MM = 80;

/** Something a wire comes to: where it is in its part and in space, and on which copy of the part. */
export interface Stop {
  part: PartReport;
  copy: number;
  at: Vec3;
  inSpace: Vec3;
  /** From the part's space to where it is. */
  toSpace: (p: Vec3) => Vec3;
}

/** A run of wire within one part, as it lies there. */
export interface WireRun extends Route {
  partId: string;
}

/** Both conductors of a circuit: how much wire, and the ways it takes within its parts. */
export interface Wires {
  lengthMm: number;
  runs: WireRun[];
}

/** The spot of a part's foam nearest to a point in space; the stop itself where the part has none. */
function exitOf({ part, at, toSpace }: Stop, to: Vec3): Vec3 {
  const { spots } = waysOf(part);
  return spots.reduce((best, p) => (dist3(toSpace(p), to) < dist3(toSpace(best), to) ? p : best), at);
}

/**
 * From pack to switch to the nearest lamp and along the lamps: within a part along its foam; to another part along the
 * foam to where the parts come nearest, straight over the gap, and on along the other's. Two conductors, and a loop at
 * the pack and at the switch.
 */
export function wiresOf(pack: Stop, toggle: Stop, lamps: readonly Stop[]): Wires {
  const [first, last] = [lamps[0], lamps.at(-1)];
  if (!first || !last) return { lengthMm: 0, runs: [] };
  const near =
    dist3(toggle.inSpace, first.inSpace) <= dist3(toggle.inSpace, last.inSpace)
      ? lamps
      : [...lamps].reverse();
  const stops = [pack, toggle, ...near];
  const runs: WireRun[] = [];
  let oneWay = 0;
  const walk = ({ part, copy }: Stop, from: Vec3, to: Vec3): void => {
    if (from === to) return;
    const way = wireRoute(part, from, to);
    oneWay += way.mm;
    // The other copy of a part is wired alike.
    if (copy === 0) runs.push({ ...way, partId: part.id });
  };
  for (let i = 1; i < stops.length; i++) {
    const [a, b] = [itemAt(stops, i - 1), itemAt(stops, i)];
    if (a === b) continue;
    if (a.part === b.part && a.copy === b.copy) walk(a, a.at, b.at);
    else {
      const leaves = exitOf(a, b.inSpace);
      const enters = exitOf(b, a.toSpace(leaves));
      walk(a, a.at, leaves);
      walk(b, enters, b.at);
      oneWay += dist3(a.toSpace(leaves), b.toSpace(enters));
    }
  }
  return { lengthMm: 2 * (oneWay + 2 * SERVICE_LOOP_MM), runs };
}

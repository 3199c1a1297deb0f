import { itemAt, firstOf, findIn } from '../units';
import { dist3, dot3, length3, sub3, unit3, type Vec3 } from '../geometry';
import type { FoamSheet } from '../materials';
import { squareWhenSmall } from './bevels';
import type { FlatPanel } from './flatPanel';
import { gridNormals, type Panel, type Side, sides, sideVertices } from './panel';

/** Points this near to an edge lie on it, mm. */
const ON_MM = 0.8;

interface Spot {
  p: Vec3;
  normal: Vec3;
}

const spotsOf = (panel: Panel, side: Side): Spot[] => {
  const [points, normals] = [panel.grid.flat(), gridNormals(panel.grid).flat()];
  return sideVertices(panel, side).map((v) => ({ p: itemAt(points, v), normal: itemAt(normals, v) }));
};

/** The place on a run nearest to a point: between two of its points. */
function nearestOnRun(run: readonly Spot[], p: Vec3): { away: number; spot: Spot; way: Vec3 } {
  let best = { away: Infinity, spot: firstOf(run), way: { x: 0, y: 0, z: 0 } };
  run.slice(1).forEach((b, i) => {
    const a = itemAt(run, i);
    const d = sub3(b.p, a.p);
    const size = dot3(d, d);
    const t = size === 0 ? 0 : Math.min(1, Math.max(0, dot3(sub3(p, a.p), d) / size));
    const foot = { x: a.p.x + d.x * t, y: a.p.y + d.y * t, z: a.p.z + d.z * t };
    const away = dist3(p, foot);
    if (away < best.away) best = { away, spot: t < 0.5 ? a : b, way: d };
  });
  return best;
}

/** An edge of another panel that a flush edge lies along, and how much of it. */
interface Along {
  panel: Panel;
  side: Side;
  share: number;
}

const lengthOf = (run: readonly Spot[]): number =>
  run.slice(1).reduce((sum, b, i) => sum + dist3(b.p, itemAt(run, i).p), 0);

/** Steps in which an edge is looked along, and how nearly parallel two runs are that lie along each other. */
const STEPS = 8;
const SAME_WAY = 0.98;

function alongOf(run: readonly Spot[], host: Panel): Along[] {
  return sides.flatMap((side): Along[] => {
    const theirs = spotsOf(host, side);
    const whole = lengthOf(theirs);
    // Most sides of most panels are nowhere near.
    if (whole === 0 || theirs.filter((s) => nearestOnRun(run, s.p).away < ON_MM).length < 2) return [];
    let covered = 0;
    theirs.slice(1).forEach((b, i) => {
      const a = itemAt(theirs, i);
      for (let k = 0; k < STEPS; k++) {
        const t = (k + 0.5) / STEPS;
        const p = {
          x: a.p.x + (b.p.x - a.p.x) * t,
          y: a.p.y + (b.p.y - a.p.y) * t,
          z: a.p.z + (b.p.z - a.p.z) * t,
        };
        const { away, way } = nearestOnRun(run, p);
        if (away < ON_MM && Math.abs(dot3(unit3(way), unit3(sub3(b.p, a.p)))) > SAME_WAY)
          covered += dist3(a.p, b.p) / STEPS;
      }
    });
    return covered > whole * 0.02 ? [{ panel: host, side, share: covered / whole }] : [];
  });
}

/** Half the mean turning between a flush edge and what it lies along, degrees; as for seams. */
function bevelAlong(run: readonly Spot[], along: readonly Along[]): number {
  let [sum, counted] = [0, 0];
  const hosts = along.map(({ panel, side }) => ({
    run: spotsOf(panel, side),
    middle: itemAt(
      itemAt(panel.grid, Math.floor(panel.grid.length / 2)),
      Math.floor(firstOf(panel.grid).length / 2),
    ),
  }));
  for (const { p, normal } of run) {
    const { spot, middle } = hosts
      .map((h) => ({ ...nearestOnRun(h.run, p), middle: h.middle }))
      .reduce((a, b) => (b.away < a.away ? b : a));
    if (length3(normal) < 0.5 || length3(spot.normal) < 0.5) continue;
    const turn = Math.acos(Math.min(1, Math.max(-1, dot3(normal, spot.normal))));
    sum += dot3(sub3(middle, p), normal) <= 0 ? turn : -turn;
    counted += 1;
  }
  return counted === 0 ? 0 : squareWhenSmall((sum / counted / Math.PI) * 90);
}

type Laid = FlatPanel & { panel: Panel; foam: FoamSheet };

/** An edge glued flush to the edges of several pieces: where it lies along them, and its bevel. */
export interface Flush {
  laid: Laid;
  side: Side;
  along: Along[];
  bevelDeg: number;
}

/** Every edge of laid panels that is glued flush to the edges of others. */
export function flushEdges(laid: readonly Laid[]): Flush[] {
  return laid.flatMap((one): Flush[] =>
    sides.flatMap((side): Flush[] => {
      const meets = one.panel.attached?.[side]?.meets;
      if (meets?.way !== 'edge' || one.panel.plate) return [];
      const run = spotsOf(one.panel, side);
      const along = laid
        .filter((l) => meets.on.includes(l.panel.id) && !l.panel.plate)
        .flatMap((l) => alongOf(run, l.panel));
      return along.length === 0 ? [] : [{ laid: one, side, along, bevelDeg: bevelAlong(run, along) }];
    }),
  );
}

/** How much longer a flush edge is than what it is glued to, both laid flat; mm. */
export function flushEaseMm({ laid, side, along }: Flush, all: readonly Laid[]): number {
  const edge = (l: Laid, of: Side): number =>
    findIn(findIn(all, (o) => o.panel.id === l.panel.id).piece.edges, (e) => e.id === of).lengthMm;
  const theirs = along.reduce((sum, a) => {
    const host = findIn(all, (l) => l.panel.id === a.panel.id);
    return sum + edge(host, a.side) * a.share;
  }, 0);
  return edge(laid, side) - theirs;
}

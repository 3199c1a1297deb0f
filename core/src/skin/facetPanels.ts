import { firstOf, itemAt } from '../units';
import { dist3, lerp3, type Mesh, type Vec3 } from '../geometry';
import type { Join, Panel, RimEdge } from '../panel';
import { facetsOf, movedFacets } from './facets';
import { unfolded } from './unfold';

/** More facets than these are no low-polygon model; it is skinned by seams instead. */
export const MOST_FACETS = 240;

const ROUNDS = 60;

/** Places of the corners among so many points round a grid: by length, each side at least one step. */
function stepsFor(lengths: readonly number[], count: number): number[] {
  const whole = lengths.reduce((a, b) => a + b, 0) || 1;
  const steps = lengths.map((l) => Math.max(1, Math.round((l / whole) * count)));
  let over = steps.reduce((a, b) => a + b, 0) - count;
  while (over !== 0) {
    // Taken from the side with most to spare, or given to the one that has least for its length.
    const by = Math.sign(over);
    let best = -1;
    steps.forEach((s, i) => {
      if (by > 0 && s <= 1) return;
      const gain = (s: number, i: number): number => by * (s / count - itemAt(lengths, i) / whole);
      if (best < 0 || gain(s, i) > gain(itemAt(steps, best), best)) best = i;
    });
    steps[best]! -= by;
    over -= by;
  }
  return steps;
}

/** A flat convex facet as a grid: its corners among the points round it, the rest where every point is the mean of its neighbours (Tutte, 1963: no cell turns over). */
function gridOfFacet(corners: readonly Vec3[]): { grid: Vec3[][]; rim: Omit<RimEdge, 'name'>[] } {
  const n = corners.length;
  let size = 5;
  while (4 * (size - 1) < 2 * n) size += 2;
  const count = 4 * (size - 1);
  const lengths = corners.map((p, i) => dist3(p, itemAt(corners, (i + 1) % n)));
  const steps = stepsFor(lengths, count);
  const round: Vec3[] = [];
  const rim = steps.map((s, i): Omit<RimEdge, 'name'> => {
    const from = round.length;
    for (let k = 0; k < s; k++) round.push(lerp3(itemAt(corners, i), itemAt(corners, (i + 1) % n), k / s));
    return { id: `side-${i + 1}`, from, to: (from + s) % count };
  });
  const last = size - 1;
  const middle = corners.reduce((m, p) => ({ x: m.x + p.x / n, y: m.y + p.y / n, z: m.z + p.z / n }), {
    x: 0,
    y: 0,
    z: 0,
  });
  const grid = Array.from({ length: size }, () => Array.from({ length: size }, () => middle));
  round.forEach((p, i) => {
    const [side, k] = [Math.floor(i / last), i % last];
    if (side === 0) firstOf(grid)[k] = p;
    else if (side === 1) itemAt(grid, k)[last] = p;
    else if (side === 2) itemAt(grid, last)[last - k] = p;
    else itemAt(grid, last - k)[0] = p;
  });
  for (let round = 0; round < ROUNDS; round++)
    for (let r = 1; r < last; r++)
      for (let c = 1; c < last; c++) {
        const near = [
          itemAt(itemAt(grid, r - 1), c),
          itemAt(itemAt(grid, r + 1), c),
          itemAt(itemAt(grid, r), c - 1),
          itemAt(itemAt(grid, r), c + 1),
        ];
        const mean = (of: (p: Vec3) => number): number => near.reduce((s, p) => s + of(p) / 4, 0);
        itemAt(grid, r)[c] = { x: mean((p) => p.x), y: mean((p) => p.y), z: mean((p) => p.z) };
      }
  return { grid, rim };
}

/** A model of flat faces as panels: folded where its nets hang together, glued where they are cut. */
export interface Faceted {
  panels: Panel[];
  joins: Join[];
  facets: number;
}

/**
 * @param inMm how far inside the model's faces the foam's inner face lies.
 * @param thicknessMm of the foam: cut sides are grown by bevels, and keep that far apart in a net.
 * @param mostMm no net is larger than this either way.
 */
export function facetPanels(mesh: Mesh, inMm: number, mostMm: number, thicknessMm: number): Faceted {
  const facets = facetsOf(mesh);
  if (facets.length > MOST_FACETS) return { panels: [], joins: [], facets: facets.length };
  const corners = movedFacets(mesh.points, facets, -inMm);
  const folds = new Set(
    unfolded(mesh.points, facets, corners, mostMm, thicknessMm).flatMap(({ facet, side }) => {
      const { across, acrossSide } = itemAt(itemAt(facets, facet).sides, side);
      return [`${facet}/${side}`, `${across}/${acrossSide}`];
    }),
  );
  const panels = facets.map((_, i): Panel => {
    const { grid, rim } = gridOfFacet(itemAt(corners, i));
    return {
      id: `facet-${i + 1}`,
      name: `facet ${i + 1}`,
      grid,
      edges: { bottom: 'edge', right: 'edge', top: 'edge', left: 'edge' },
      rim: rim.map((edge, k) => {
        const { across } = itemAt(itemAt(facets, i).sides, k);
        return { ...edge, name: across === undefined ? 'rim' : `to facet ${across + 1}` };
      }),
    };
  });
  const joins = facets.flatMap(({ sides }, i) =>
    sides.flatMap((side, k): Join[] =>
      side.across !== undefined &&
      side.acrossSide !== undefined &&
      (side.across > i || (side.across === i && side.acrossSide > k))
        ? [
            {
              a: [`facet-${i + 1}`, `side-${k + 1}`],
              b: [`facet-${side.across + 1}`, `side-${side.acrossSide + 1}`],
              kind: folds.has(`${i}/${k}`) ? 'fold' : 'seam',
            },
          ]
        : [],
    ),
  );
  return { panels, joins, facets: facets.length };
}

import { itemAt } from '../units';
import { add3, dist3, dot3, scale3, sub3, unit3, type Vec3 } from '../geometry';
import type { Attachment } from './attachment';
import { smoothed, smoothRun } from './smooth';
import { gridNormals, offsetGrid, type Join, type Panel, type Side, sides, edgeVertices } from './panel';

/** A panel and how thick its foam is. */
export interface Thick {
  panel: Panel;
  thicknessMm: number;
}

/** How near an edge comes to what it is glued or hung to, measured in space. */
export interface Contact {
  pieceId: string;
  side: string;
  /** What it lies on: ids of panels. */
  on: readonly string[];
  by: Attachment['by'] | 'seam';
  /** Air left where the two should touch; what is strapped or riveted may hang free. */
  gapMm: number;
  /** How far one would lie inside the other. */
  overlapMm: number;
}

/** Cells of a panel are measured so many times finer than they are drawn. */
const FINER = 3;
/** A point farther beside the end of a face does not lie on it, mm. */
const BESIDE_MM = 0.5;

interface Face {
  points: Vec3[][];
  normals: Vec3[][];
}

/** A face of each panel, made once: several edges may come to lie on it. */
const once = (make: (of: Thick) => Face): ((of: Thick) => Face) => {
  const known = new WeakMap<Thick, Face>();
  return (of) => {
    const face = known.get(of) ?? make(of);
    known.set(of, face);
    return face;
  };
};

const innerFace = once(({ panel }) => {
  const points = smoothed(panel.grid, FINER);
  return { points, normals: gridNormals(points) };
});

const outerFace = once((thick) => {
  const { points, normals } = innerFace(thick);
  return {
    points: points.map((row, r) =>
      row.map((p, c) => add3(p, scale3(itemAt(itemAt(normals, r), c), thick.thicknessMm))),
    ),
    normals,
  };
});

/** The point of a face nearest to one in space: among the drawn ones first, then among the finer ones round it. */
function nearest(points: readonly Vec3[][], p: Vec3): { r: number; c: number } {
  let best = { r: 0, c: 0 };
  let away = Infinity;
  const look = (rows: [number, number], columns: [number, number], step: number): void => {
    const lastRow = Math.min(points.length - 1, rows[1]);
    for (let r = Math.max(0, rows[0]); r <= lastRow; r += step) {
      const row = itemAt(points, r);
      const last = Math.min(row.length - 1, columns[1]);
      for (let c = Math.max(0, columns[0]); c <= last; c += step) {
        const { x, y, z } = row[c]!;
        const d = (x - p.x) ** 2 + (y - p.y) ** 2 + (z - p.z) ** 2;
        if (d < away) {
          best = { r, c };
          away = d;
        }
      }
    }
  };
  look([0, Infinity], [0, Infinity], FINER);
  const { r, c } = best;
  look([r - FINER, r + FINER], [c - FINER, c + FINER], 1);
  return best;
}

/** How far a point stands out from a face, along the face's normal at its foot; nothing beside the face. */
function above({ points, normals }: Face, p: Vec3): number | undefined {
  const { r, c } = nearest(points, p);
  const row = itemAt(points, r);
  const [foot, normal] = [itemAt(row, c), itemAt(itemAt(normals, r), c)];
  const from = sub3(p, foot);
  const out = dot3(from, normal);
  const [atEnd, atSide] = [r === 0 || r === points.length - 1, c === 0 || c === row.length - 1];
  if (!atEnd && !atSide) return out;
  const inner = itemAt(
    itemAt(points, Math.min(points.length - 2, Math.max(1, r))),
    Math.min(row.length - 2, Math.max(1, c)),
  );
  return dot3(from, unit3(sub3(foot, inner))) > BESIDE_MM ? undefined : out;
}

/** How far a point stands out from the nearest of several faces; nothing beside all of them. */
function over(faces: readonly Face[], p: Vec3): number | undefined {
  const heights = faces.map((f) => above(f, p)).filter((h) => h !== undefined);
  return heights.length === 0 ? undefined : heights.reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a));
}

/** Distance of a point from a run of points joined by straight lines. */
function awayFrom(run: readonly Vec3[], p: Vec3): number {
  return run.slice(1).reduce((best, b, i) => {
    const a = itemAt(run, i);
    const d = sub3(b, a);
    const size = dot3(d, d);
    const t = size === 0 ? 0 : Math.min(1, Math.max(0, dot3(sub3(p, a), d) / size));
    return Math.min(best, dist3(p, add3(a, scale3(d, t))));
  }, Infinity);
}

const runOf = ({ grid, rim }: Pick<Panel, 'grid' | 'rim'>, edge: string): Vec3[] => {
  const flat = grid.flat();
  return edgeVertices({ grid, ...(rim && { rim }) }, edge).map((v) => itemAt(flat, v));
};

/** How far the points of one run are from the nearest of others: the farthest of them. */
const farthest = (run: readonly Vec3[], others: readonly Vec3[][]): number =>
  Math.max(...run.map((p) => Math.min(...others.map((o) => awayFrom(o, p)))));

/** An edge of the inner face, drawn finer. */
const fineRun = (panel: Panel, edge: string): Vec3[] => smoothRun(runOf(panel, edge), FINER);

/** An edge against the edges of other panels, on their inner faces. */
const edgeGap = (panel: Panel, side: Side, hosts: readonly Panel[]): number =>
  farthest(
    runOf(panel, side),
    hosts.flatMap((h) => sides.map((s) => fineRun(h, s))),
  );

/** Gap and overlap from how far points stand out of the face they should lie on. */
const between = (heights: readonly (number | undefined)[]): { gapMm: number; overlapMm: number } => {
  const known = heights.filter((h) => h !== undefined);
  return { gapMm: Math.max(0, ...known), overlapMm: Math.max(0, ...known.map((h) => -h)) };
};

/** The face of a lapped panel that lies on the other's; points below the lap are far from it and count for nothing. */
function lapped(
  thick: Thick,
  side: Side,
  hosts: readonly Thick[],
  way: 'under' | 'over',
): Pick<Contact, 'gapMm' | 'overlapMm'> {
  const mine = way === 'under' ? offsetGrid(thick.panel.grid, thick.thicknessMm) : thick.panel.grid;
  const theirs = hosts.map(way === 'under' ? innerFace : outerFace);
  // Under a face, what stands out of it is inside the foam.
  const sign = way === 'under' ? -1 : 1;
  const { apartMm = 0 } = thick.panel.attached![side]!.meets!;
  const height = (p: Vec3): number | undefined => {
    const h = over(theirs, p);
    return h === undefined ? undefined : sign * h - apartMm;
  };
  const { overlapMm } = between(mine.flat().map(height));
  return { gapMm: between(runOf({ grid: mine }, side).map(height)).gapMm, overlapMm };
}

/** The middle of an edge's thickness, which stands on a face. */
function standing(thick: Thick, side: Side, hosts: readonly Thick[]): Pick<Contact, 'gapMm' | 'overlapMm'> {
  const middle = offsetGrid(thick.panel.grid, thick.thicknessMm / 2);
  const theirs = hosts.map(outerFace);
  return between(runOf({ grid: middle }, side).map((p) => over(theirs, p)));
}

/**
 * Every edge that is glued to another edge, or hung on another piece, measured against it in space.
 * Panels cut flat by an outline of their own are left out: they meet by their outlines.
 */
export function contactsOf(all: readonly Thick[], joins: readonly Join[]): Contact[] {
  const known = new Map(all.filter((t) => !t.panel.plate).map((t) => [t.panel.id, t]));
  const seams = joins.flatMap(({ a, b, kind }): Contact[] => {
    const [p, q] = [known.get(a[0]), known.get(b[0])];
    if (kind !== 'seam' || !p || !q) return [];
    const gapMm = Math.max(
      farthest(runOf(p.panel, a[1]), [fineRun(q.panel, b[1])]),
      farthest(runOf(q.panel, b[1]), [fineRun(p.panel, a[1])]),
    );
    return [{ pieceId: a[0], side: a[1], on: [b[0]], by: 'seam', gapMm, overlapMm: 0 }];
  });
  const attached = [...known.values()].flatMap((thick): Contact[] =>
    sides.flatMap((side): Contact[] => {
      const how = thick.panel.attached?.[side];
      const hosts = (how?.meets?.on ?? []).flatMap((id) => known.get(id) ?? []);
      if (!how?.meets || hosts.length === 0) return [];
      const { way } = how.meets;
      const found =
        way === 'edge'
          ? {
              gapMm: edgeGap(
                thick.panel,
                side,
                hosts.map((h) => h.panel),
              ),
              overlapMm: 0,
            }
          : way === 'on'
            ? standing(thick, side, hosts)
            : lapped(thick, side, hosts, way);
      return [
        {
          pieceId: thick.panel.id,
          side,
          on: how.meets.on,
          by: how.by,
          ...found,
          ...(how.by !== 'glue' && { gapMm: 0 }),
        },
      ];
    }),
  );
  return [...seams, ...attached];
}

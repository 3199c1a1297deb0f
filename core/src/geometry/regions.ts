import { firstOf } from '../units';
import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import earcut from 'earcut';
import { contains, signedArea } from './polygon';
import type { Vec2 } from './vec';

/** Rings of an area in the plane: outer ones counter-clockwise, holes clockwise; millimetres. */
export type Region = Vec2[][];

/** Decimals kept by the clipping library, which counts in whole numbers. */
const DECIMALS = 5;
/** Mitres longer than this many times the distance are cut off. */
const MITRE = 12;

const plain = (region: readonly { x: number; y: number }[][]): Region =>
  region.map((ring) => ring.map(({ x, y }) => ({ x, y })));

/** The region with its boundary moved out by a distance (in when negative); corners mitred, or rounded. */
export const grown = (region: Region, mm: number, corners: 'mitred' | 'rounded' = 'mitred'): Region =>
  mm === 0
    ? region
    : plain(
        Clipper.inflatePathsD(
          region,
          mm,
          corners === 'mitred' ? JoinType.Miter : JoinType.Round,
          EndType.Polygon,
          MITRE,
          DECIMALS,
          0.02,
        ),
      );

/** Everything within a distance of an open run, its ends cut square. */
export const alongRun = (run: Vec2[], mm: number): Region =>
  plain(Clipper.inflatePathsD([run], mm, JoinType.Miter, EndType.Butt, MITRE, DECIMALS));

export const joined = (a: Region, b: Region): Region =>
  plain(Clipper.unionD(a, b, FillRule.NonZero, DECIMALS));
export const without = (a: Region, b: Region): Region =>
  b.length === 0 ? a : plain(Clipper.differenceD(a, b, FillRule.NonZero, DECIMALS));
export const common = (a: Region, b: Region): Region =>
  plain(Clipper.intersectD(a, b, FillRule.NonZero, DECIMALS));

/** Holes count against it. */
export const regionArea = (region: Region): number => region.reduce((sum, ring) => sum + signedArea(ring), 0);

/** The outer ring of most area; what a piece is cut by. */
export const largestRing = (region: Region): Vec2[] =>
  region.reduce<Vec2[]>((best, ring) => (signedArea(ring) > signedArea(best) ? ring : best), []);

/** Triangles that fill a region, counter-clockwise (ear clipping: Meisters, 1975). */
export function triangulated(region: Region): { points: Vec2[]; triangles: [number, number, number][] } {
  const points: Vec2[] = [];
  const triangles: [number, number, number][] = [];
  const holes = region.filter((ring) => signedArea(ring) < 0);
  for (const outer of region) {
    if (signedArea(outer) <= 0) continue;
    const rings = [outer, ...holes.filter((hole) => contains(outer, firstOf(hole)))];
    const starts: number[] = [];
    const flat: number[] = [];
    const base = points.length;
    for (const ring of rings) {
      if (ring !== outer) starts.push(flat.length / 2);
      for (const p of ring) {
        flat.push(p.x, p.y);
        points.push(p);
      }
    }
    const found = earcut(flat, starts, 2);
    for (let i = 0; i < found.length; i += 3) {
      const [a, b, c] = [found[i]! + base, found[i + 1]! + base, found[i + 2]! + base];
      triangles.push(signedArea([points[a]!, points[b]!, points[c]!]) >= 0 ? [a, b, c] : [a, c, b]);
    }
  }
  return { points, triangles };
}

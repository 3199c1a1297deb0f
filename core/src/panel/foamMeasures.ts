import type { Habits } from '../materials';
import { bendStrain, foamMassG } from '../foam';
import { dist3, meshArea, regionArea, type Vec3 } from '../geometry';
import { bevelsOf, cuttableBevel } from './bevels';
import { foldOf } from './fold';
import { edgeVertices, gridMesh, type Join, offsetGrid, planeNormal, tightestGridRadiusMm } from './panel';
import { plateVolumeMm3 } from './plate';
import { plateRegion } from './plateShape';
import type { Skin } from './solid';

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** How far the foam is bent at its tightest, over all panels. */
export interface Bending {
  bendStrain: number;
  tightestRadiusMm: number;
}

export function bendingOf(skins: readonly Skin[]): Bending {
  // How points lie within a plane bends nothing.
  const bent = skins.filter(({ panel }) => !panel.plate && !planeNormal(panel.grid));
  const radii = bent.map(({ panel }) => tightestGridRadiusMm(panel.grid));
  const strains = bent.map(({ foam }, i) =>
    bendStrain({
      thicknessMm: foam.thicknessMm.value,
      insideRadiusMm: radii[i]!,
      neutralFraction: foam.neutralFraction.value,
    }),
  );
  return { bendStrain: Math.max(0, ...strains), tightestRadiusMm: Math.min(1e6, ...radii) };
}

/** Foam of the panels at their neutral layers, without laying them flat: area, mass and the longest way round. */
export function foamOf(
  skins: readonly Skin[],
  joins: readonly Join[],
  fold: Habits['fold'] = 'v-groove',
): { areaMm2: number; massG: number; girthMm: number } {
  const grids = skins.map(({ panel, foam }) =>
    offsetGrid(panel.grid, foam.neutralFraction.value * foam.thicknessMm.value),
  );
  const grown = bevelAreas(skins, grids, joins, fold);
  const areas = grids.map((grid, i) => {
    const { plate } = skins[i]!.panel;
    return plate ? regionArea(plateRegion(plate)) : meshArea(gridMesh(grid)) + grown[i]!;
  });
  return {
    areaMm2: areas.reduce((sum, a) => sum + a, 0),
    massG: areas.reduce((sum, a, i) => {
      const { panel, foam } = skins[i]!;
      const g = panel.plate
        ? plateVolumeMm3(panel.plate, foam.thicknessMm.value) * foam.densityKgM3.value * 1e-6
        : foamMassG(a, foam);
      return sum + g;
    }, 0),
    girthMm: girthOf(skins, grids, joins),
  };
}

/** What bevels add to each piece: at a mitre the layer that is cut reaches further than the inner face. */
function bevelAreas(
  skins: readonly Skin[],
  grids: readonly Vec3[][][],
  joins: readonly Join[],
  fold: Habits['fold'],
): number[] {
  const grown = skins.map(() => 0);
  for (const { a, b, kind } of joins) {
    const [i, k] = [a, b].map(([id]) => skins.findIndex((s) => s.panel.id === id)) as [number, number];
    if (kind === 'closure' || i < 0 || k < 0 || (i === k && a[1] === b[1])) continue;
    const bevelDeg = bevelsOf(skins[i]!.panel, a[1], skins[k]!.panel, b[1]);
    const tangent = Math.tan(rad(cuttableBevel(bevelDeg)));
    for (const [at, side] of [
      [i, a[1]],
      [k, b[1]],
    ] as const) {
      const { panel, foam } = skins[at]!;
      const points = grids[at]!.flat();
      const run = edgeVertices(panel, side).map((v) => points[v]!);
      const lengthMm = run.slice(1).reduce((sum, p, n) => sum + dist3(p, run[n]!), 0);
      grown[at]! +=
        lengthMm *
        (kind === 'fold'
          ? foldOf(foam, rad(2 * bevelDeg), fold).outMm
          : foam.neutralFraction.value * foam.thicknessMm.value * tangent);
    }
  }
  return grown;
}

/** The longest run round: rows of panels that meet side to side, added up, at either end. */
function girthOf(skins: readonly Skin[], grids: readonly Vec3[][][], joins: readonly Join[]): number {
  const ring = new Map(skins.map(({ panel }) => [panel.id, panel.id]));
  const root = (id: string): string => (ring.get(id) === id ? id : root(ring.get(id)!));
  for (const { a, b } of joins) {
    const across = [a[1], b[1]].every((side) => side === 'left' || side === 'right');
    if (across && ring.has(a[0]) && ring.has(b[0])) ring.set(root(a[0]), root(b[0]));
  }
  const runs = new Map<string, [number, number]>();
  skins.forEach(({ panel }, i) => {
    if (panel.plate) return;
    const run = (row: readonly Vec3[]): number =>
      row.slice(1).reduce((sum, q, k) => sum + dist3(q, row[k]!), 0);
    const known = runs.get(root(panel.id)) ?? [0, 0];
    runs.set(root(panel.id), [known[0] + run(grids[i]![0]!), known[1] + run(grids[i]!.at(-1)!)]);
  });
  return Math.max(0, ...[...runs.values()].flat());
}

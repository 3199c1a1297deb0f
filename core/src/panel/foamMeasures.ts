import { getFrom } from '../units';
import type { Habits } from '../materials';
import { bendStrain } from '../foam';
import { dist3, meshArea, regionArea, type Vec3 } from '../geometry';
import { edgeTurns, type EdgeTurns, reachMm } from './edgeTurns';
import { foldOf } from './fold';
import { layerWithin } from './outerFace';
import { gridMesh, type Join, offsetGrid, planeNormal, tightestGridRadiusMm } from './panel';
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

/** Foam of the panels at their neutral layers, without laying them flat: area as cut, mass and the longest way round. */
export function foamOf(
  skins: readonly Skin[],
  joins: readonly Join[],
  fold: Habits['fold'] = 'v-groove',
): { areaMm2: number; massG: number; girthMm: number } {
  const turns = edgeTurns(
    skins.map((s) => s.panel),
    joins,
  );
  const measured = skins.map((skin) => measuredOf(skin, getFrom(turns, skin.panel.id), fold));
  return {
    areaMm2: measured.reduce((sum, m) => sum + m.areaMm2, 0),
    massG: measured.reduce((sum, m, i) => sum + m.volumeMm3 * skins[i]!.foam.densityKgM3.value * 1e-6, 0),
    girthMm: girthOf(
      skins,
      skins.map(({ panel, foam }) =>
        offsetGrid(panel.grid, foam.neutralFraction.value * foam.thicknessMm.value),
      ),
      joins,
    ),
  };
}

/** Area cut and foam left of one panel: its neutral layer, as far as its edges reach at every depth. */
function measuredOf(
  { panel, foam }: Skin,
  turns: EdgeTurns,
  fold: Habits['fold'],
): { areaMm2: number; volumeMm3: number } {
  const t = foam.thicknessMm.value;
  if (panel.plate)
    return { areaMm2: regionArea(plateRegion(panel.plate)), volumeMm3: plateVolumeMm3(panel.plate, t) };
  const area = (at: (reach: number) => number): number =>
    meshArea(
      gridMesh(
        layerWithin(panel, foam.neutralFraction.value * t, (edge) => {
          const turn = turns.get(edge);
          return turn?.kind === 'fold'
            ? foldOf(foam, rad(2 * turn.halfDeg), turn.method ?? fold).outMm
            : at(reachMm(turn, t));
        }),
      ),
    );
  if (turns.size === 0) {
    const plain = area(() => 0);
    return { areaMm2: plain, volumeMm3: plain * t };
  }
  return {
    areaMm2: area((mm) => Math.max(0, mm)),
    volumeMm3: (t * (area(() => 0) + 4 * area((mm) => mm / 2) + area((mm) => mm))) / 6,
  };
}

/** The longest run round: rows of panels that meet side to side, added up, at either end. */
function girthOf(skins: readonly Skin[], grids: readonly Vec3[][][], joins: readonly Join[]): number {
  const ring = new Map(skins.map(({ panel }) => [panel.id, panel.id]));
  const root = (id: string): string => (ring.get(id) === id ? id : root(getFrom(ring, id)));
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

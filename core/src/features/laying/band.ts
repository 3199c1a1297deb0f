import { itemAt, findIn, firstOf, lastOf } from '../../units';
import type { Feature } from '../../document';
import { dist3, type Vec3 } from '../../geometry';
import {
  bandAlong,
  edgesOf,
  type LaidPanel,
  offsetGrid,
  onGrid,
  type Stretch,
  stretchAlong,
} from '../../panel';
import { nothing, notLaid, panelOf, type Laid, type LaidPart } from '../contract';
import type { Band } from './bandSpec';
import { layPatch } from './patch';
import { stripOnPlate } from './plateBand';

interface Run {
  laid: LaidPanel;
  edge: string;
  stretch: Stretch;
  edgeName: string;
  face: Vec3[][];
}

/** Ends that come this near to each other are one strip, mm. */
const MEETS_MM = 3;

/** Whether a neighbouring edge carries a strip of the same kind, so that the ends are mitred. */
const mitred = (on: LaidPart, feature: Feature, panel: string, edge: string): boolean =>
  on.features.some(
    (f) =>
      f.kind === feature.kind &&
      f.place.on === 'edges' &&
      f.place.runs.some((r) => r.panel === panel && r.edge === edge),
  );

/** The edge before or after another, round the rim. */
function next(panel: LaidPanel['panel'], edge: string, by: number): string {
  const all = edgesOf(panel);
  return itemAt(all, (all.findIndex((e) => e.id === edge) + by + all.length) % all.length).id;
}

/** Strips along edges of flat panels, one for each edge. */
function bandOnPlates(on: LaidPart, feature: Feature, band: Band): Laid {
  const made = nothing();
  for (const [i, { panel, edge }] of band.runs.entries()) {
    const laid = panelOf(on, panel)!;
    const strip = stripOnPlate(feature, i === 0 ? '' : `.${i + 1}`, laid, edge, band);
    if (!strip)
      return notLaid(
        feature,
        'shape',
        `the edge “${edge}” of ${laid.panel.name} that carried ${band.name} is not there, or too small for it.`,
      );
    made.pieces.push(...strip.pieces);
    made.solids.push(...strip.solids);
    made.stiffens.push({ pieceId: panel, edgeId: edge, thicknessMm: band.foam.thicknessMm.value });
  }
  return made;
}

/**
 * A strip laid along runs of edges, three points deep from the edge inwards. Runs whose ends meet make one strip,
 * across seams; where they do not, the strip is cut in as many pieces as there are runs that hang together.
 */
export function layBand(on: LaidPart, feature: Feature, band: Band): Laid {
  const flat = band.runs.every((r) => panelOf(on, r.panel)?.panel.plate);
  if (flat && band.runs.length > 0) return bandOnPlates(on, feature, band);
  const lost = band.runs.find((r) => {
    const laid = panelOf(on, r.panel);
    return !laid || !stretchAlong(laid.panel, r.edge);
  });
  if (lost || band.runs.length === 0)
    return notLaid(
      feature,
      'shape',
      lost
        ? `the edge “${lost.edge}” of “${lost.panel}” that carried ${band.name} is no longer there.`
        : `${band.name} runs along no edge.`,
    );
  const runs = band.runs.map(({ panel, edge }): Run => {
    const laid = panelOf(on, panel)!;
    const lift = band.face === 'outer' ? laid.foam.thicknessMm.value : -band.foam.thicknessMm.value;
    return {
      laid,
      edge,
      stretch: stretchAlong(laid.panel, edge)!,
      edgeName: findIn(edgesOf(laid.panel), (e) => e.id === edge).name,
      face: offsetGrid(laid.panel.grid, lift),
    };
  });
  const grids = runs.map((run) => {
    const { laid, edge, stretch, face } = run;
    const { panel } = laid;
    const mitre = {
      start: band.runs.length === 1 && mitred(on, feature, panel.id, next(panel, edge, -1)),
      end: band.runs.length === 1 && mitred(on, feature, panel.id, next(panel, edge, 1)),
    };
    return {
      run,
      mitre,
      grid: bandAlong(face, stretch, band.widthMm, mitre)?.map((row) => row.map((uv) => onGrid(face, uv))),
    };
  });
  const small = grids.find((g) => !g.grid);
  if (small)
    return notLaid(
      feature,
      'shape',
      `${small.run.laid.panel.name} is too small for ${band.name} ${band.widthMm} mm wide.`,
    );
  const strips: {
    grid: Vec3[][];
    names: string[];
    from: (typeof grids)[number];
    to: (typeof grids)[number];
  }[] = [];
  for (const g of grids) {
    const before = strips.at(-1);
    const grid = g.grid!;
    if (before && dist3(lastOf(firstOf(before.grid)), firstOf(firstOf(grid))) <= MEETS_MM) {
      before.grid = before.grid.map((row, r) => [...row, ...itemAt(grid, r).slice(1)]);
      before.names.push(g.run.edgeName);
      before.to = g;
    } else strips.push({ grid, names: [g.run.edgeName], from: g, to: g });
  }
  const made = nothing();
  const end = (cut: boolean): string => (cut ? 'mitred end' : 'square end');
  strips.forEach(({ grid, names, from, to }, i) => {
    const edge = [...new Set(names)].join(' and ');
    const { piece, mesh } = layPatch(
      feature,
      i === 0 ? '' : `.${i + 1}`,
      grid,
      {
        name: `${band.name}, ${edge}`,
        edges: {
          bottom: edge,
          right: end(to.mitre.end),
          top: 'inner edge of strip',
          left: end(from.mitre.start),
        },
        note: `${band.note} On ${[...new Set(runs.map((r) => r.laid.panel.name))].join(', ')}.`,
      },
      band.foam,
      band.face,
    );
    made.pieces.push(piece);
    made.solids.push(mesh);
  });
  for (const { laid, edge } of runs)
    made.stiffens.push({
      pieceId: laid.panel.id,
      edgeId: edge,
      thicknessMm: band.foam.thicknessMm.value,
    });
  return made;
}

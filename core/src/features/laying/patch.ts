import type { Feature } from '../../document';
import { type Mesh, shellMesh, type Vec3 } from '../../geometry';
import type { FoamSheet } from '../../materials';
import { flatPanel, offsetGrid, type Panel, type Piece } from '../../panel';

/** A patch of a face as a piece of its own foam, flattened at its own neutral layer. */
export function layPatch(
  feature: Pick<Feature, 'id'>,
  suffix: string,
  grid: Vec3[][],
  words: { name: string; edges: Panel['edges']; note: string },
  foam: FoamSheet,
  face: 'outer' | 'inner',
): { piece: Piece; mesh: Mesh } {
  const panel: Panel = { id: `${feature.id}${suffix}`, name: words.name, grid, edges: words.edges };
  const { piece } = flatPanel(panel, foam, { limit: 1, darts: 0, seams: [] });
  return {
    piece: { ...piece, role: 'laid', featureId: feature.id, face, note: words.note },
    mesh: shellMesh(grid, offsetGrid(grid, foam.thicknessMm.value), false),
  };
}

import { itemAt, firstOf } from '../units';
import { joinMeshes, type Mesh, shellMesh, type Vec2, type Vec3 } from '../geometry';
import type { LaidPanel } from './lay';
import { onGrid } from './patch';
import type { EdgeTurns } from './edgeTurns';
import { outerFace } from './outerFace';
import { edgesOf, type Panel } from './panel';
import { plateEdgeLines } from './plate';
import { plateMesh } from './plateMesh';
import { shut } from './plateShape';

/** Where an edge of a piece runs on the outer face of the solid. */
export interface EdgeLine {
  pieceId: string;
  edgeId: string;
  points: Vec3[];
}

/** Which triangles of a mesh are of what: from the first up to, not with, the last. */
export interface Run {
  id: string;
  /** The panel it is drawn from, where the piece is a net of several. */
  panel?: string;
  from: number;
  to: number;
}

export interface Solid {
  mesh: Mesh;
  /** The triangles of every piece, in their order. */
  runs: Run[];
  edgeLines: EdgeLine[];
  /** Outlines of openings on the outer face. */
  openings: Vec3[][];
}

/**
 * A piece where it lies on the form: the shell's inner face as a grid (rows from its first edge up, columns
 * left to right seen from outside) and the same points laid flat.
 */
export interface Surface {
  pieceId: string;
  grid: Vec3[][];
  flat: Vec2[][];
  /** Its edges, where they are not just the four sides of the grid. */
  rim?: Panel['rim'];
  /** What is cut out of it. */
  openings?: Panel['openings'];
  /** A strap or belt that hangs free. */
  loose?: true;
}

export const surfaceOf = ({ panel, flat }: LaidPanel): Surface => ({
  pieceId: panel.id,
  grid: panel.grid,
  flat,
  ...(panel.rim && { rim: panel.rim }),
  ...(panel.openings && { openings: panel.openings }),
  ...(panel.loose && { loose: true as const }),
});

/** A panel, the foam it is made of, and how its edges are cut; square where that is not said. */
export type Skin = Pick<LaidPanel, 'panel' | 'foam'> & { turns?: EdgeTurns };

function edgeLines({ panel }: Skin, outer: Panel['grid']): EdgeLine[] {
  const flat = outer.flat();
  return edgesOf(panel).map(({ id, run }) => ({
    pieceId: panel.id,
    edgeId: id,
    points: run.map((v) => itemAt(flat, v)),
  }));
}

/** The triangles of meshes that are joined in this order. */
export function runsOf(meshes: readonly { id: string; mesh: Mesh }[]): Run[] {
  let from = 0;
  return meshes.map(({ id, mesh }) => {
    const run = { id, from, to: from + mesh.triangles.length };
    from = run.to;
    return run;
  });
}

/** The foam as a closed mesh, drawn from the very panels that are laid flat. */
export function solidOf(skins: readonly Skin[]): Solid {
  const seen = skins.filter(({ panel }) => !panel.unseen);
  const made = seen.map(skinMesh);
  return {
    mesh: joinMeshes(made.map((m) => m.mesh)),
    runs: runsOf(made.map((m, i) => ({ id: itemAt(seen, i).panel.id, mesh: m.mesh }))),
    edgeLines: made.flatMap((m) => m.edgeLines),
    openings: made.flatMap((m) => m.openings),
  };
}

/** One panel in its foam. */
export function skinMesh(skin: Skin): Omit<Solid, 'runs'> {
  const { panel, foam, turns } = skin;
  const t = foam.thicknessMm.value;
  if (panel.plate)
    return {
      mesh: plateMesh(shut(panel.plate), t),
      edgeLines: plateEdgeLines(panel, panel.plate, t),
      openings: [],
    };
  const outer = outerFace(panel, t, turns);
  const openings = (panel.openings ?? []).map(({ outline }) =>
    [...outline, firstOf(outline)].map((uv) => onGrid(outer, uv)),
  );
  return { mesh: shellMesh(panel.grid, outer, false), edgeLines: edgeLines(skin, outer), openings };
}

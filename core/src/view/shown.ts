import type { Mesh, Vec3 } from '../geometry';
import type { Run } from '../panel';
import type { PartReport } from '../parts';
import { toScene } from './scene';

/** Something that is drawn: triangles in the scene, told apart by an id. */
export interface Shown {
  id: string;
  mesh: Mesh;
  from: number;
  to: number;
}

/** Triangles of a mesh that no run names. */
const rest = (mesh: Mesh, runs: readonly Run[], id: string): Run[] => {
  const from = runs.reduce((most, r) => Math.max(most, r.to), 0);
  return from < mesh.triangles.length ? [{ id, from, to: mesh.triangles.length }] : [];
};

/** A mesh in the scene. */
export const placed = (mesh: Mesh, place: (p: Vec3) => Vec3): Mesh => ({
  points: mesh.points.map(place),
  triangles: mesh.triangles,
});

/** What ids of a picture are of: a piece, a detail, or what has neither: sticks and the case of a bought thing. */
export const OTHER = '·other';

const kept = new WeakMap<PartReport, Shown[]>();

/** A part as it is shown in a scene of its own: every piece, every detail, and the rest of it. Kept by part. */
export function shownOf(part: PartReport): Shown[] {
  const known = kept.get(part) ?? shownAt(part, toScene(part));
  kept.set(part, known);
  return known;
}

/** The same, placed elsewhere. */
export function shownAt(part: PartReport, place: (p: Vec3) => Vec3): Shown[] {
  const solid = placed(part.solid.mesh, place);
  const extras = placed(part.extras, place);
  return [
    ...part.solid.runs.map((run) => ({ ...run, mesh: solid })),
    ...[...part.extraRuns, ...rest(part.extras, part.extraRuns, OTHER)].map((run) => ({
      ...run,
      mesh: extras,
    })),
  ].filter((s) => s.to > s.from);
}

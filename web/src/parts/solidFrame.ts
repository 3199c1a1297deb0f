import { type Zone, zoneInfo } from '@fomrik/core/body';
import type { FoldedPiece } from '@fomrik/core/folding';
import type { Vec3 } from '@fomrik/core/geometry';
import type { PartReport } from '@fomrik/core/parts';
import { itemAt } from '@fomrik/core/units';
import type { RootState } from '@react-three/fiber';
import { Vector3 } from 'three';
import type { EdgeRef } from '../store/selection';
import type { Mates } from './Folding';
import type { Stage } from './SolidGrip';
import { figureFromScene, figureToScene, fromScene, toScene } from './solidSpace';

/** A left part is the right one mirrored: across its limb, or across the figure. */
const mirrored = (p: Vec3, limb: boolean): Vec3 => (limb ? { ...p, y: -p.y } : { ...p, x: -p.x });

/** From a part's space to the scene's and back: limb forms in their limb's, the others on the whole figure. */
export function scenes({
  zone,
  mount,
}: Pick<PartReport, 'zone' | 'mount'>): Pick<Stage, 'place' | 'unplace'> {
  const limb = zone !== undefined && zoneInfo(zone).frame !== undefined;
  const [to, from] = limb ? [toScene, fromScene] : [figureToScene, figureFromScene];
  const left = zone !== undefined && mount.to === 'wearer' && mount.side === 'left';
  return left
    ? { place: (p) => to(mirrored(p, limb)), unplace: (v) => mirrored(from(v), limb) }
    : { place: to, unplace: from };
}

/** Back plates and frames are looked at from behind. */
export const facing = (zone: Zone | undefined): 1 | -1 => (zone === 'back' ? -1 : 1);

/** Middle of the points and how far the eye must stand. */
export function framing(points: [number, number, number][]): {
  target: [number, number, number];
  reach: number;
} {
  const low = [0, 1, 2].map((k) => points.reduce((m, p) => Math.min(m, itemAt(p, k)), Infinity));
  const high = [0, 1, 2].map((k) => points.reduce((m, p) => Math.max(m, itemAt(p, k)), -Infinity));
  const target = [0, 1, 2].map((k) => (itemAt(low, k) + itemAt(high, k)) / 2) as [number, number, number];
  return { target, reach: Math.max(...[0, 1, 2].map((k) => itemAt(high, k) - itemAt(low, k))) * 1.08 };
}

/** The edges of a part that meet, once each, by their middles on the solid. */
export function matesOf(made: PartReport, place: Stage['place']): Mates[] {
  const middle = (pieceId: string, edgeId: string): [number, number, number] | undefined => {
    const run = made.solid.edgeLines.find((l) => l.pieceId === pieceId && l.edgeId === edgeId)?.points;
    return run && run.length > 0 ? place(itemAt(run, Math.floor(run.length / 2))) : undefined;
  };
  return made.pieces.flatMap((piece) =>
    piece.edges.flatMap((edge): Mates[] => {
      const { mate } = edge;
      if (!mate || `${mate.pieceId} ${mate.edgeId}` < `${piece.id} ${edge.id}`) return [];
      const [a, b] = [middle(piece.id, edge.id), middle(mate.pieceId, mate.edgeId)];
      return a && b ? [{ of: [piece.id, mate.pieceId], at: [a, b] }] : [];
    }),
  );
}

/** Where the pieces of a part begin and end: what must be in view while they go together. */
export const spotsOf = (pieces: readonly FoldedPiece[]): [number, number, number][] =>
  pieces
    .filter((p) => p.kind === 'piece')
    .flatMap(({ keys }) =>
      [keys[0]!, keys.at(-1)!].flatMap((at) =>
        Array.from({ length: at.length / 3 }, (_, i): [number, number, number] => [
          at[i * 3]!,
          at[i * 3 + 1]!,
          at[i * 3 + 2]!,
        ]),
      ),
    );

/** The way an edge runs in the scene, from end to end, as long as one. */
export function wayOf(
  { solid }: PartReport,
  edge: EdgeRef | undefined,
  place: Stage['place'],
): [number, number, number] | undefined {
  const line = solid.edgeLines.find((l) => l.pieceId === edge?.pieceId && l.edgeId === edge.edgeId);
  const [from, to] = [line?.points[0], line?.points.at(-1)];
  if (!from || !to) return undefined;
  const way = new Vector3(...place(to)).sub(new Vector3(...place(from)));
  return way.length() < 1 ? undefined : way.normalize().toArray();
}

/** The way towards the eye as the view is turned now. */
export function towards(root: RootState | null): Vec3 {
  const target = (root?.get().controls as { target?: Vector3 } | null)?.target ?? new Vector3();
  const { x, y, z } = root ? root.camera.position.clone().sub(target) : new Vector3(0, 0, 1);
  return { x, y, z };
}

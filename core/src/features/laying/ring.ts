import { cross3, distanceToEdge, shellMesh, unit3, type Mesh, type Vec2, type Vec3 } from '../../geometry';
import {
  discGrid,
  gridNormals,
  type LaidPanel,
  offsetGrid,
  onGrid,
  type Piece,
  platePiece,
} from '../../panel';
import type { FoamSheet } from '../../materials';
import { trimNumber } from '../../units';

/** A flat ring of foam, across outside and through its bore. */
export interface Ring {
  outerMm: number;
  boreMm: number;
}

const STEPS = 48;

const round = (diameterMm: number): Vec2[] =>
  Array.from({ length: STEPS }, (_, i) => {
    const t = (2 * Math.PI * i) / STEPS;
    return { x: (diameterMm / 2) * Math.cos(t), y: (diameterMm / 2) * Math.sin(t) };
  });

/** The piece of a ring that a feature lays on an outer face, cut so many times. */
export const ringPiece = (
  named: { id: string; featureId: string; name: string; note: string; each?: number },
  { outerMm, boreMm }: Ring,
  sheet: FoamSheet,
): Piece => ({
  ...platePiece(
    { id: named.id, name: named.name },
    {
      origin: { x: 0, y: 0, z: 0 },
      across: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: 1, z: 0 },
      outline: round(outerMm),
      cuts: [{ id: 'bore', name: `bore ${trimNumber(boreMm)} mm`, outline: round(boreMm) }],
    },
    sheet,
  ),
  role: 'laid',
  featureId: named.featureId,
  face: 'outer',
  note: named.note,
  ownStep: true,
  ...(named.each && { each: named.each }),
});

/** A disc on the outer face of a laid panel, so far across, from one height over it to another. */
export function discOn(
  laid: LaidPanel,
  uv: Vec2,
  acrossMm: number,
  fromMm: number,
  toMm: number,
): { mesh: Mesh; offEdgeMm: number } {
  const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
  const out = onGrid(gridNormals(face), uv);
  const across = unit3(cross3(Math.abs(out.z) > 0.9 ? { x: 0, y: 1, z: 0 } : { x: 0, y: 0, z: 1 }, out));
  const disc = (outMm: number): Vec3[][] =>
    offsetGrid(discGrid(onGrid(face, uv), across, cross3(out, across), acrossMm / 2), outMm);
  return {
    mesh: shellMesh(disc(fromMm), disc(toMm), false),
    offEdgeMm: distanceToEdge(laid.piece.outline, laid.flatAt(uv)) - acrossMm / 2,
  };
}

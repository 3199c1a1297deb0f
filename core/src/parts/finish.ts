import { coatings, glues, type Habits, paintGPerM2 } from '../materials';
import { eachOf, type Piece } from '../panel';

/** Length glued in one copy: seams, and the faces of lining and laid pieces as strips 50 mm apart. */
export function gluedMm(pieces: readonly Piece[]): number {
  const seams =
    pieces.flatMap((p) => p.edges.filter((e) => e.joint === 'seam')).reduce((sum, e) => sum + e.lengthMm, 0) /
    2;
  const faces = pieces
    .filter((p) => p.role !== 'shell' || p.inside)
    .reduce((sum, p) => sum + (p.areaMm2 * eachOf(p)) / 50, 0);
  return seams + faces;
}

/** Area that is sealed and painted in one copy: all faces that are seen. */
const coatedMm2 = (pieces: readonly Piece[]): number =>
  pieces
    .filter((p) => (p.role === 'shell' && !p.inside) || p.face === 'outer')
    .reduce((sum, p) => sum + p.areaMm2 * eachOf(p), 0);

/** Dry mass of glue, sealing coats and paint on one copy. */
export function finishG(pieces: readonly Piece[], { glue, seal }: Pick<Habits, 'glue' | 'seal'>): number {
  return (
    (gluedMm(pieces) / 1000) * glues[glue].gPerM +
    coatedMm2(pieces) * 1e-6 * (coatings[seal].gPerM2 + paintGPerM2)
  );
}

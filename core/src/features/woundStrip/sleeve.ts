import { diffusers } from '../../materials';
import { type Piece, platePiece } from '../../panel';
import { byId } from '../../units';
import type { LaidPart } from '../contract';
import type { WoundParams } from './fields';

/** The sleeve as it lies flat: a strip for every layer, each wrapped over the one before; none where the part is its own. */
export function sleevePieces(
  on: LaidPart,
  id: string,
  { through, diffuser, layers, sleeveMm, lengthMm }: WoundParams,
): Piece[] {
  const of = byId(diffusers, diffuser)?.sheet;
  if (through === 'walls' || !of || on.panels.some((l) => l.foam.foamId === of.foamId)) return [];
  const sheet = on.sheet(of);
  const t = sheet.thicknessMm.value;
  return Array.from({ length: layers }, (_, i): Piece => {
    // The wrap of a round in sheet: π(D + 2kt).
    const girth = Math.PI * (sleeveMm + 2 * t * (i + sheet.neutralFraction.value));
    const name =
      layers === 1 ? 'sleeve of the wound strip' : `sleeve of the wound strip, layer ${i + 1} of ${layers}`;
    return {
      ...platePiece(
        { id: `${id}.sleeve-${i + 1}`, name },
        {
          origin: { x: 0, y: 0, z: 0 },
          across: { x: 1, y: 0, z: 0 },
          up: { x: 0, y: 1, z: 0 },
          outline: [
            { x: 0, y: 0 },
            { x: girth, y: 0 },
            { x: girth, y: lengthMm },
            { x: 0, y: lengthMm },
          ],
          cuts: [],
        },
        sheet,
      ),
      role: 'laid',
      featureId: id,
      face: 'inner',
      ownStep: true,
      note: 'Bent round the strip and butted; its seam to the back.',
    };
  });
}

import { shellMesh, type Mesh } from '../../geometry/mesh';
import { lerp3, type Vec3 } from '../../geometry/vec';
import { type BracerParams } from './params';
import { onRuling, ruling, trimAt, type BracerSurface } from './surface';

const COLUMNS = 80;
const ROWS = 8;

/** The foam shell of the given thickness, trimmed and gapped, for looking at and weighing. */
export function bracerSolid(surface: BracerSurface, params: BracerParams, thicknessMm: number): Mesh {
  const closed = params.closure === 'none' || params.gapMm === 0;
  const gapAt = (params.gapAtDeg * Math.PI) / 180;
  const margin = (girthMm: number): number => (closed ? 0 : (params.gapMm / girthMm) * Math.PI);
  const lowMargin = margin(surface.insideLowMm);
  const highMargin = margin(surface.insideHighMm);
  const angleAt = (c: number, edge: number): number => gapAt + edge + (c / COLUMNS) * 2 * (Math.PI - edge);
  const grid = (outMm: number): Vec3[][] => {
    const columns = Array.from({ length: closed ? COLUMNS : COLUMNS + 1 }, (_, c) => {
      const [low, high] = [angleAt(c, lowMargin), angleAt(c, highMargin)];
      const bottom = onRuling(ruling(surface, low, outMm), trimAt(params, low)[0]);
      const top = onRuling(ruling(surface, high, outMm), trimAt(params, high)[1]);
      return Array.from({ length: ROWS + 1 }, (_, r) => lerp3(bottom, top, r / ROWS));
    });
    return Array.from({ length: ROWS + 1 }, (_, r) => columns.map((column) => column[r]!));
  };
  return shellMesh(grid(0), grid(thicknessMm), closed);
}

import { shellMesh } from '../../geometry/mesh';
import type { EdgeLine, Solid } from '../contract';
import { lerp3, type Vec3 } from '../../geometry/vec';
import type { BracerParams } from './params';
import { onRuling, ruling, trimAt, type BracerSurface } from './surface';

const COLUMNS = 80;
const ROWS = 8;

/** The four edges of every panel as lines on the outer face. */
function edgeLines(outer: Vec3[][], panels: 1 | 2, closed: boolean): EdgeLine[] {
  const cuff = closed ? [...outer[0]!, outer[0]![0]!] : outer[0]!;
  const elbow = closed ? [...outer.at(-1)!, outer.at(-1)![0]!] : outer.at(-1)!;
  const last = cuff.length - 1;
  const column = (c: number): Vec3[] => outer.map((row) => row[c % row.length]!);
  const cuts = panels === 2 ? [0, last / 2, last] : [0, last];
  return cuts.slice(0, -1).flatMap((from, i) => {
    const to = cuts[i + 1]!;
    const pieceId = `shell-${i + 1}`;
    return [
      { pieceId, edgeId: 'cuff', points: cuff.slice(from, to + 1) },
      { pieceId, edgeId: 'right', points: column(to) },
      { pieceId, edgeId: 'elbow', points: elbow.slice(from, to + 1) },
      { pieceId, edgeId: 'left', points: column(from) },
    ];
  });
}

/** The foam shell of the given thickness, trimmed and gapped, for looking at and weighing. */
export function bracerSolid(surface: BracerSurface, params: BracerParams, thicknessMm: number): Solid {
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
  const outer = grid(thicknessMm);
  return { mesh: shellMesh(grid(0), outer, closed), edgeLines: edgeLines(outer, params.panels, closed) };
}

import { byId } from '../../units';
import { laidOutline, type Sheet } from '../../cut';
import { grown, largestRing, signedArea, type Vec2 } from '../../geometry';
import type { Report } from '../../report';
import { sourcedPieces } from '../../pattern';

/** What a cutter does in one go; in this order on every piece. */
export type OperationKind = 'mark' | 'score' | 'inner' | 'outer';

/** One path of the tool's middle, kerf taken off already. */
export interface Operation {
  piece: string;
  kind: OperationKind;
  points: Vec2[];
  closed: boolean;
}

export interface CutterSettings {
  /** What the tool takes away, across its way. */
  kerfMm: number;
  /** Left standing in outer cuts, so that pieces stay in the sheet; none when 0. */
  tabMm: number;
}

/** Chords of a hole are no further from it than this, mm. */
const ROUND_MM = 0.02;

function circle(centre: Vec2, radiusMm: number): Vec2[] {
  const steps = Math.max(16, Math.ceil(Math.PI / Math.acos(1 - ROUND_MM / Math.max(radiusMm, ROUND_MM * 2))));
  return Array.from({ length: steps }, (_, i) => ({
    x: centre.x + radiusMm * Math.cos((2 * Math.PI * i) / steps),
    y: centre.y + radiusMm * Math.sin((2 * Math.PI * i) / steps),
  }));
}

/** A closed line moved to the side of the waste by half the kerf; nothing when nothing is left of it. */
function beside(ring: Vec2[], kerfMm: number, outwards: boolean): Vec2[] {
  const ccw = signedArea(ring) < 0 ? [...ring].reverse() : ring;
  if (kerfMm === 0) return ccw;
  return largestRing(grown([ccw], ((outwards ? 1 : -1) * kerfMm) / 2, outwards ? 'rounded' : 'mitred'));
}

/** Everything a cutter does on a sheet: piece by piece, small ones first; on each marks, scores, inner cuts, the outline last. */
export function operationsOf(
  report: Report,
  sheet: Sheet,
  { kerfMm }: Pick<CutterSettings, 'kerfMm'>,
): Operation[] {
  const known = sourcedPieces(report);
  return sheet.laid
    .flatMap((laid) => {
      const piece = byId(report.parts, laid.partId)?.pieces.find((p) => p.id === laid.pieceId);
      const own = known.find((k) => k.piece === piece);
      return piece && own ? [{ laid, piece, name: `${own.source.code} ${piece.name}` }] : [];
    })
    .sort((a, b) => a.piece.areaMm2 - b.piece.areaMm2)
    .flatMap(({ laid, piece, name }): Operation[] => {
      const at = (points: readonly Vec2[]): Vec2[] => laidOutline([...points], laid);
      const closedMarks = (kinds: readonly string[]) => piece.marks.filter((m) => kinds.includes(m.kind));
      const inner = [
        ...piece.holes.map((h) => circle(h.centre, h.diameterMm / 2)),
        ...closedMarks(['slot']).map((m) => m.points),
      ];
      return [
        ...closedMarks(['glue', 'pocket', 'rivet', 'pad', 'bevel']).map((m): Operation => ({
          piece: name,
          kind: 'mark',
          points: at(m.points),
          closed: m.kind !== 'glue' && (m.kind !== 'bevel' || m.bevel?.ring === true),
        })),
        ...closedMarks(['groove', 'fold', 'score']).map((m): Operation => ({
          piece: name,
          kind: 'score',
          points: at(m.points),
          closed: false,
        })),
        ...closedMarks(['dart']).map((m): Operation => ({
          piece: name,
          kind: 'inner',
          points: at(m.points),
          closed: false,
        })),
        ...inner.flatMap((ring): Operation[] => {
          const points = beside(at(ring), kerfMm, false);
          return points.length < 3 ? [] : [{ piece: name, kind: 'inner', points, closed: true }];
        }),
        {
          piece: name,
          kind: 'outer',
          points: beside(at(piece.outline), kerfMm, true),
          closed: true,
        },
      ];
    });
}

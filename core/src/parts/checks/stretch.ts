import { strainLimits } from '../../foam';
import { type Check, type Proposal, type Params, type Part, setting } from '../../document';
import { dist2 } from '../../geometry';
import { dartsOn, edgeRun, type Piece } from '../../panel';
import { counted, trimNumber } from '../../units';
import type { Context } from '../context';
import { thinnerCures } from './foam';

/** Hot foam gives about this much when held; from memory. */
const HOT_LIMIT = 0.12;

/** Cold foam bent over a form may stand off it by this; more is felt. From memory. */
const REFOLD_MM = 12;

const most = (pieces: readonly Piece[], of: (p: Piece) => number): Piece | undefined =>
  pieces.reduce<Piece | undefined>((a, b) => (!a || of(b) > of(a) ? b : a), undefined);

/** More darts, where the limit on them is what stopped the search. */
function moreDarts({ darts, stretchPct }: Params, worst: Piece): Proposal[] {
  if (typeof darts !== 'number' || typeof stretchPct !== 'number') return [];
  if (dartsOn(worst).length < darts) return [];
  return [darts + 2, 6]
    .filter((n, i, all) => n <= 6 && all.indexOf(n) === i)
    .map((n) => setting(`Allow ${counted(n, 'dart')}`, { darts: n, stretchPct: Math.min(stretchPct, 8) }));
}

/** More than this tears or thins even hot foam, however small the spot; from memory. */
const PEAK_LIMIT = 0.25;

/** A dart from the nearest spot of a free edge towards a peak, beside those the piece has; nothing when all edges are glued. */
function dartAtPeak(piece: Piece, part: Part): Proposal[] {
  const { worstAt } = piece.stretch!;
  const spots = piece.edges
    .filter((e) => e.joint === 'free')
    .flatMap((e) => {
      const run = edgeRun(piece.outline, e);
      return run.slice(1, -1).map((p, i) => ({
        edgeId: e.id,
        at: (i + 1) / (run.length - 1),
        away: dist2(p, worstAt),
      }));
    });
  if (spots.length === 0 || piece.mirrors) return [];
  const { edgeId, at } = spots.reduce((a, b) => (b.away < a.away ? b : a));
  const darts = [...dartsOn(piece), { edgeId, at, reach: 0.7 }];
  const others = part.darts.filter((d) => d.pieceId !== piece.id);
  return [
    {
      label: `A dart in ${piece.name}, near there`,
      changes: [{ path: ['darts'], value: [...others, { pieceId: piece.id, darts }] }],
    },
  ];
}

/** A small spot that must give far more than the piece around it. */
function peakChecks(pieces: readonly Piece[], part: Part): Check[] {
  const worst = most(pieces, (p) => p.stretch!.worst);
  if (!worst || worst.stretch!.worst <= HOT_LIMIT) return [];
  const { worst: peak, worstWhere } = worst.stretch!;
  return [
    {
      id: 'stretch-peak',
      severity: peak > PEAK_LIMIT ? 'mind' : 'note',
      station: 'shape',
      title: `${worst.name} must give ${trimNumber(peak * 100, 0)} % in one spot, ${worstWhere}.`,
      why: 'Most of the piece gives less than hot foam can. Heat that spot well and work it slowly, or let a dart or a seam end there.',
      provenance: 'standard',
      excess: peak - HOT_LIMIT,
      pieceId: worst.id,
      remedies: [...dartAtPeak(worst, part), ...moreDarts(part.params, worst), { need: 'split', mm: 1 }],
    },
  ];
}

/** A face that is bent and stretched at once, further than hot foam can be; thick foam sooner than thin. */
function faceChecks(pieces: readonly Piece[], part: Part, context: Context): Check[] {
  const worst = most(pieces, (p) => p.stretch!.faceMostly);
  if (!worst || worst.stretch!.faceMostly <= strainLimits.heat) return [];
  const { faceMostly, mostly } = worst.stretch!;
  return [
    {
      id: 'stretch-face',
      severity: 'mind',
      station: 'shape',
      title: `${worst.name}: a face of the ${trimNumber(worst.thicknessMm)} mm foam must stretch ${trimNumber(faceMostly * 100, 1)} %, up to ${trimNumber(mostly * 100, 0)} % without its bend; hot foam stretches about 15 %.`,
      why: 'Bending and stretching add up on the face of the foam. Bending stretches thinner foam less; with a dart or another seam the piece has less to stretch.',
      provenance: 'memory',
      excess: faceMostly - strainLimits.heat,
      pieceId: worst.id,
      remedies: [
        ...(worst.role === 'shell' ? thinnerCures(part, context) : []),
        ...moreDarts(part.params, worst),
        { need: 'split', mm: 1 },
      ],
    },
  ];
}

/** Where the foam will fight back, and seams that must be eased. */
export function stretchChecks(pieces: readonly Piece[], part: Part, context: Context): Check[] {
  const { params } = part;
  const stretched = pieces.filter((p) => p.stretch);
  const tight = stretched.filter((p) => p.stretch!.mostly > HOT_LIMIT);
  const worst = most(tight, (p) => p.stretch!.mostly);
  const checks: Check[] = [];
  if (worst) {
    checks.push({
      id: 'stretch',
      severity: 'mind',
      station: 'shape',
      title: `${worst.name} must stretch ${trimNumber(worst.stretch!.mostly * 100, 0)} %, and ${trimNumber(worst.stretch!.worst * 100, 0)} % ${worst.stretch!.worstWhere}; hot foam gives about 12 %.`,
      why: `Laid flat as kindly as it can be${worst.marks.some((m) => m.kind === 'dart') ? ', darts included' : ''}. Heat and hold, add a dart there, or divide it into more panels.`,
      provenance: 'memory',
      excess: worst.stretch!.mostly - HOT_LIMIT,
      pieceId: worst.id,
      remedies: [...moreDarts(params, worst), { need: 'split', mm: 1 }],
    });
  }
  if (!worst) checks.push(...faceChecks(stretched, part, context), ...peakChecks(stretched, part));
  const proud = most(
    stretched.filter((p) => p.stretch!.refoldMm > REFOLD_MM),
    (p) => p.stretch!.refoldMm,
  );
  if (!worst && proud)
    checks.push({
      id: 'stretch',
      severity: 'mind',
      station: 'shape',
      title: `${proud.name} stands ${trimNumber(proud.stretch!.refoldMm, 0)} mm off its form unless it is stretched, most ${proud.stretch!.worstWhere}.`,
      why: 'Bent back without stretching, the flat piece does not come home. Heat and hold it there, or divide it into more panels.',
      provenance: 'standard',
      excess: proud.stretch!.refoldMm - REFOLD_MM,
      pieceId: proud.id,
      remedies: [],
    });
  const eased = pieces
    .flatMap((p) => p.edges.map((e) => ({ p, e })))
    .filter(({ e }) => (e.easeMm ?? 0) > 0.03 * e.lengthMm);
  if (eased.length > 0) {
    const { p, e } = eased.reduce((a, b) => (b.e.easeMm! > a.e.easeMm! ? b : a));
    checks.push({
      id: 'ease',
      severity: 'mind',
      station: 'shape',
      title: `${p.name}, ${e.name}: ${trimNumber(e.easeMm!, 1)} mm longer than its mate over ${trimNumber(e.lengthMm, 0)} mm.`,
      why: 'Ease it in evenly between the numbered notches, warm.',
      provenance: 'standard',
      excess: e.easeMm!,
      pieceId: p.id,
      remedies: [],
    });
  }
  return checks;
}

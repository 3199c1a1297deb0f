import { type Check, type Cure, type Params, setting } from '../../document';
import type { Piece } from '../../panel';
import { trimNumber } from '../../units';

/** Hot foam gives about this much when held; from memory. */
const HOT_LIMIT = 0.12;

/** Cold foam bent over a form may stand off it by this; more is felt. From memory. */
const REFOLD_MM = 12;

const most = (pieces: readonly Piece[], of: (p: Piece) => number): Piece | undefined =>
  pieces.reduce<Piece | undefined>((a, b) => (!a || of(b) > of(a) ? b : a), undefined);

/** More darts, where the limit on them is what stopped the search. */
function moreDarts({ darts, stretchPct }: Params, worst: Piece): Cure[] {
  if (typeof darts !== 'number' || typeof stretchPct !== 'number') return [];
  if ((worst.darts?.length ?? 0) < darts) return [];
  return [darts + 2, 6]
    .filter((n, i, all) => n <= 6 && all.indexOf(n) === i)
    .map((n) => setting(`Allow ${n} darts`, { darts: n, stretchPct: Math.min(stretchPct, 8) }));
}

/** Where the foam will fight back, and seams that must be eased. */
export function stretchChecks(pieces: readonly Piece[], params: Params): Check[] {
  const stretched = pieces.filter((p) => p.stretch);
  const tight = stretched.filter((p) => p.stretch!.mostly > HOT_LIMIT);
  const worst = most(tight, (p) => p.stretch!.mostly);
  const checks: Check[] = [];
  if (worst) {
    checks.push({
      id: 'stretch',
      severity: 'mind',
      station: 'shape',
      title: `${worst.name} must stretch ${trimNumber(worst.stretch!.mostly * 100, 0)} %, most ${worst.stretch!.worstWhere}; hot foam gives about 12 %.`,
      why: `Laid flat as kindly as it can be${worst.marks.some((m) => m.kind === 'dart') ? ', darts included' : ''}. Heat and hold, add a dart there, or divide it into more panels.`,
      sure: 'memory',
      excess: worst.stretch!.mostly - HOT_LIMIT,
      pieceId: worst.id,
      cures: [...moreDarts(params, worst), { need: 'split', mm: 1 }],
    });
  }
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
      sure: 'standard',
      excess: proud.stretch!.refoldMm - REFOLD_MM,
      pieceId: proud.id,
      cures: [],
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
      sure: 'standard',
      excess: e.easeMm!,
      pieceId: p.id,
      cures: [],
    });
  }
  return checks;
}

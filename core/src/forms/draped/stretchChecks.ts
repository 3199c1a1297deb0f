import { trimNumber } from '../../units/length';
import type { FormCheck } from '../contract';
import type { Piece } from '../piece';
import type { DrapeParams } from './drapedKind';

/** Hot foam gives about this much when held; from memory. */
const HOT_LIMIT = 0.12;

/** Cold foam bent over a form may stand off it by this; more is felt. From memory. */
const REFOLD_MM = 12;

/** Where the foam will fight back, and seams that must be eased. */
export function stretchChecks(pieces: readonly Piece[], { darts, stretchPct }: DrapeParams): FormCheck[] {
  const tight = pieces.filter((p) => (p.stretch?.mostly ?? 0) > HOT_LIMIT);
  const worst = tight.reduce<Piece | undefined>(
    (a, b) => (!a || b.stretch!.mostly > a.stretch!.mostly ? b : a),
    undefined,
  );
  const checks: FormCheck[] = [];
  if (worst) {
    checks.push({
      id: 'stretch',
      severity: 'mind',
      title: `${worst.name} must stretch ${trimNumber(worst.stretch!.mostly * 100, 0)} %, most ${worst.stretch!.worstWhere}; hot foam gives about 12 %.`,
      why: `Laid flat as kindly as it can be${worst.marks.some((m) => m.kind === 'dart') ? ', darts included' : ''}. Heat and hold, add a dart there, or divide it into more panels.`,
      sure: 'memory',
      cures:
        darts < 6
          ? [
              {
                label: `Allow ${Math.min(6, darts + 2)} darts`,
                set: { darts: Math.min(6, darts + 2), stretchPct: Math.min(stretchPct, 8) },
              },
            ]
          : [],
    });
  }
  const proud = pieces.reduce<Piece | undefined>(
    (a, b) => ((b.stretch?.refoldMm ?? 0) > (a?.stretch?.refoldMm ?? REFOLD_MM) ? b : a),
    undefined,
  );
  if (!worst && proud)
    checks.push({
      id: 'stretch',
      severity: 'mind',
      title: `${proud.name} stands ${trimNumber(proud.stretch!.refoldMm, 0)} mm off its form unless it is stretched, most ${proud.stretch!.worstWhere}.`,
      why: 'Bent back without stretching, the flat piece does not come home. Heat and hold it there, or divide it into more panels.',
      sure: 'standard',
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
      title: `${p.name}, ${e.name}: ${trimNumber(e.easeMm!, 1)} mm longer than its mate over ${trimNumber(e.lengthMm, 0)} mm.`,
      why: 'Ease it in evenly between the numbered notches, warm.',
      sure: 'standard',
      cures: [],
    });
  }
  return checks;
}

import type { Check } from '../../document';
import type { Probed } from '../../features';
import { contains, dist2, distanceToEdge, type Vec2 } from '../../geometry';
import type { Piece } from '../../panel';
import { trimNumber } from '../../units';

/** A cut keeps this clear of what was found, mm; common practice, no source. */
const CLEAR_MM = 2;

/** Something cut through a piece, by a spot: how far its rim is from it, negative where the spot is within it, and its furthest point. */
interface Cut {
  nearMm: (spot: Vec2) => number;
  farMm: (spot: Vec2) => number;
}

const cutsOf = ({ holes, marks }: Piece): Cut[] => [
  ...holes.map(({ centre, diameterMm }): Cut => ({
    nearMm: (spot) => dist2(centre, spot) - diameterMm / 2,
    farMm: (spot) => dist2(centre, spot) + diameterMm / 2,
  })),
  ...marks
    .filter((m) => m.kind === 'slot' && m.points.length > 2)
    .map(({ points }): Cut => ({
      nearMm: (spot) => (contains(points, spot) ? -1 : 1) * distanceToEdge(points, spot),
      farMm: (spot) => Math.max(...points.map((p) => dist2(p, spot))),
    })),
];

/** A cut is known to be clear when all of it lies within one spot where nothing was found. */
const isClear = (cut: Cut, probed: readonly Probed[]): boolean =>
  probed.some((p) => !p.blocks && cut.farMm(p.at) <= p.acrossMm / 2);

/** Cuts in the walls of a bought thing behind which nobody looked. */
export const unprobed = (templates: readonly Piece[], probed: readonly Probed[]): number =>
  templates.reduce((sum, piece) => {
    const own = probed.filter((p) => p.pieceId === piece.id);
    return sum + cutsOf(piece).filter((cut) => !isClear(cut, own)).length;
  }, 0);

/** Cuts that come to something found behind a wall, each with what to do about it. */
export const probedChecks = (pieces: readonly Piece[], probed: readonly Probed[]): Check[] =>
  pieces.flatMap((piece) =>
    probed
      .filter((p) => p.pieceId === piece.id && p.blocks)
      .flatMap((p): Check[] => {
        const least = Math.min(Infinity, ...cutsOf(piece).map((cut) => cut.nearMm(p.at) - p.acrossMm / 2));
        return least >= CLEAR_MM
          ? []
          : [
              {
                id: `probed-${p.id}`,
                severity: 'stop',
                station: 'inside',
                title: `${piece.name}: a cut ${least <= 0 ? 'goes through' : `comes ${trimNumber(least, 1)} mm near`} a probed spot: ${p.label}.`,
                why: `${p.does} Keep ${CLEAR_MM} mm clear of it.${p.note === undefined ? '' : ` Noted: ${p.note}`}`,
                provenance: 'practice',
                excess: CLEAR_MM - least,
                pieceId: piece.id,
                remedies: [],
              },
            ];
      }),
  );

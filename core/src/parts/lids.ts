import type { Check } from '../document';
import type { Item } from '../features';
import { boundsOf } from '../geometry';
import type { LaidPanel, Piece, Side } from '../panel';
import { byId, trimNumber } from '../units';

/** Holes keep so far from a hinge, mm; common practice, no source. */
const CLEAR_MM = 8;

/** How far a spot of a template is from the side of its box that the hinge is at. */
function fromSide(piece: Piece, side: Side, { x, y }: { x: number; y: number }): number {
  const b = boundsOf(piece.outline);
  return side === 'left'
    ? x - b.minX
    : side === 'right'
      ? b.maxX - x
      : side === 'top'
        ? b.maxY - y
        : y - b.minY;
}

/** What is drilled too near a lid's hinge, and wires that bend at it. */
export function lidChecks(
  laid: readonly LaidPanel[],
  templates: readonly Piece[],
  items: readonly Item[],
): Check[] {
  return laid.flatMap(({ panel }): Check[] => {
    const { hinge, behindMm } = panel.existing ?? {};
    const piece = byId(templates, panel.id);
    if (!hinge || !piece) return [];
    const nearest = Math.min(
      ...piece.holes.map((h) => fromSide(piece, hinge, h.centre) - h.diameterMm / 2),
      ...piece.marks
        .filter((m) => m.kind === 'slot')
        .flatMap((m) => m.points.map((p) => fromSide(piece, hinge, p))),
    );
    const on = items.filter((i) => i.pieceId === panel.id);
    const elsewhere = items.length > on.length;
    return [
      ...(nearest < CLEAR_MM
        ? [
            {
              id: `hinge-${panel.id}`,
              severity: 'mind' as const,
              station: 'inside' as const,
              title: `a hole in the ${panel.name} is ${trimNumber(Math.max(0, nearest))} mm from its hinge; keep ${CLEAR_MM} mm.`,
              why: 'A lid cracks where it is weak beside its hinge. Move the hole away from it.',
              provenance: 'practice' as const,
              excess: CLEAR_MM - nearest,
              pieceId: panel.id,
              remedies: [],
            },
          ]
        : []),
      ...(on.length > 0 && elsewhere
        ? [
            {
              id: `lid-wires-${panel.id}`,
              severity: 'note' as const,
              station: 'inside' as const,
              title: `wires to the ${panel.name} bend whenever it opens: lead them close to its hinge, with a loop of ${trimNumber(Math.round(behindMm!))} mm.`,
              why: 'A loop as long as the case is deep lets the lid open flat; stranded wire bends often, solid wire breaks.',
              provenance: 'practice' as const,
              excess: on.length,
              pieceId: panel.id,
              remedies: [],
            },
          ]
        : []),
    ];
  });
}

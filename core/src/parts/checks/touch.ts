import type { Check } from '../../document';
import { type Contact, contactsOf, type LaidPanel, edgesOf } from '../../panel';
import type { Model } from '../../forms';
import { trimNumber, findIn, firstOf } from '../../units';

/** Edges that touch agree to this, mm; foam and glue take up no more. */
const TOUCH_MM = 0.5;

const worstOf = ({ gapMm, overlapMm }: Contact): number => Math.max(gapMm, overlapMm);

/** Edges that are glued or hung, and do not come to lie where they should, measured on the solid. */
export function touchChecks(model: Model, laid: readonly LaidPanel[]): Check[] {
  const skins = laid.map(({ panel, foam }) => ({ panel, thicknessMm: foam.thicknessMm.value }));
  const nameOf = (id: string): string => laid.find((l) => l.panel.id === id)?.panel.name ?? id;
  const worst = new Map<string, Contact>();
  for (const contact of contactsOf(skins, model.joins)) {
    const known = worst.get(contact.pieceId);
    if (worstOf(contact) > Math.max(TOUCH_MM, known ? worstOf(known) : 0))
      worst.set(contact.pieceId, contact);
  }
  return [...worst.values()].map((c): Check => {
    const { panel } = findIn(laid, (l) => l.panel.id === c.pieceId);
    const host = c.on.length === 1 ? nameOf(firstOf(c.on)) : 'the pieces';
    const inside = c.overlapMm >= c.gapMm;
    const fastened =
      c.by === 'glue' || c.by === 'seam' ? 'glued to' : c.by === 'rivet' ? 'riveted to' : 'hung on';
    return {
      id: `touch-${c.pieceId}`,
      severity: 'mind',
      station: 'shape',
      title: `${panel.name}, ${findIn(edgesOf(panel), (e) => e.id === c.side).name}: ${
        inside
          ? `${trimNumber(c.overlapMm, 1)} mm of it would lie inside ${host} it is ${fastened}.`
          : `stands ${trimNumber(c.gapMm, 1)} mm off ${host} it is ${fastened}.`
      }`,
      why: inside
        ? 'Two pieces cannot be in the same place: the outer one is pushed out, or the inner one in, when they are put together.'
        : 'Glue bridges half a millimetre. Bend or pack the joint there, or change what makes the two differ.',
      provenance: 'standard',
      excess: worstOf(c),
      pieceId: c.pieceId,
      remedies: [],
    };
  });
}

import type { BuildDoc } from '../document';
import { foldOpeningMm, groovesForBend } from '../foam';
import { cutSpeedMPerMin, isRigid, speeds } from '../materials';
import { bevelWords, eachOf } from '../panel';
import { patternedFace, patternedMm2, type PartReport, templatesOf } from '../parts';
import { findIn, trimNumber } from '../units';
import { outlineM } from './outline';
import type { Step } from './step';

/** A step that follows the one before it. */
export type Link = Omit<Step, 'after'>;

/** Sheets that are sawn rather than cut with a knife. */
const sawn = (part: PartReport): boolean => part.sheetKinds.some(isRigid);

const cutterCaution = { knife: 'blade', 'band-saw': 'saw', laser: 'laser' } as const;
const cutterWord = { knife: 'knife', 'band-saw': 'band saw', laser: 'laser' } as const;

/** Bevelled edges of one copy: count, length and angles; congruent pieces are listed once, with their number. */
function bevelled(part: PartReport): { count: number; metres: number; words: string } {
  const edges = templatesOf(part.pieces).flatMap((piece) =>
    piece.edges.filter((e) => e.bevelDeg !== 0).map((edge) => ({ piece, edge, each: eachOf(piece) })),
  );
  const alike = new Map<string, string[]>();
  for (const { piece, edge, each } of edges) {
    const key = bevelWords(edge);
    const lead = findIn(part.pieces, (p) => p.id === piece.id);
    // An edge of a net is called by the side it belongs to.
    const of = `${edge.of ? edge.name : `${lead.name}, ${edge.name}`}${each > 1 ? ` (${each} times)` : ''}`;
    const known = alike.get(key) ?? [];
    if (!known.includes(of)) alike.set(key, [...known, of]);
  }
  return {
    count: edges.reduce((sum, e) => sum + e.each, 0),
    metres: (edges.reduce((sum, { edge, each }) => sum + edge.lengthMm * each, 0) * part.copies) / 1000,
    words: [...alike].map(([how, which]) => `${how}: ${which.join('; ')}`).join('. '),
  };
}

/** Pieces to cut of all copies. */
export const piecesToCut = (part: PartReport): number =>
  part.pieces.reduce((sum, p) => sum + eachOf(p), 0) * part.copies;

const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

export function traceStep(part: PartReport): Link {
  const pieces = piecesToCut(part);
  const templates = templatesOf(part.pieces).length;
  return {
    id: `${part.id}:trace`,
    kind: 'trace',
    title: `${part.name}: trace ${counted(pieces, 'piece')}${templates < pieces ? ` from ${counted(templates, 'template')}` : ''}`,
    detail: `Fine paint pen, not ball-point. ${part.copies === 2 ? 'Each piece twice, one flipped. ' : ''}Mark lamp holes and seam letters.`,
    partId: part.id,
    about: 'pieces',
    workMin: Math.ceil(outlineM(part) / speeds.traceMPerMin) + 2 * pieces,
    waitMin: 0,
    cautions: [],
  };
}

export function cutStep({ make: { habits } }: BuildDoc, part: PartReport): Link {
  const { cutter } = habits;
  const length = outlineM(part);
  const foams = [...new Set(part.pieces.map((p) => p.foamName))].join(', ');
  const tilted = bevelled(part).count > 0 && habits.bevel === 'tilted';
  return {
    id: `${part.id}:cut`,
    kind: 'cut',
    title: `${part.name}: cut ${foams}`,
    detail: `${trimNumber(length, 1)} m by ${cutterWord[cutter]}, on the line, square to the sheet${tilted ? ' but where an angle is written' : ''}. Cut out inside holes last.`,
    partId: part.id,
    about: 'pieces',
    workMin: Math.ceil(length / cutSpeedMPerMin(part.foam.thicknessMm.value, cutter)) + 2 * piecesToCut(part),
    waitMin: 0,
    cautions: [cutterCaution[cutter], ...(sawn(part) ? ['boardDust' as const] : [])],
  };
}

export function bevelStep({ make: { habits } }: BuildDoc, part: PartReport): Link | undefined {
  const bevels = bevelled(part);
  if (bevels.metres === 0) return undefined;
  return {
    id: `${part.id}:bevel`,
    kind: 'bevel',
    title: `${part.name}: bevel ${counted(bevels.count * part.copies, 'edge')}`,
    detail: `${habits.bevel === 'tilted' ? 'These edges are cut with the blade tilted, on the line as drawn, outer face up' : 'Cut square on the outer line first; then take each edge down to the inner line, with a blade laid on both or a sanding block'}. ${bevels.words}.`,
    partId: part.id,
    about: 'bevels',
    workMin: Math.ceil(bevels.metres / speeds.roundOverMPerMin),
    waitMin: 0,
    cautions: ['blade', 'dust'],
  };
}

/** A patterned face is sanded smooth where it is painted or glued on. */
export function patternStep({ make: { habits } }: BuildDoc, part: PartReport): Link | undefined {
  const m2 = (patternedMm2(part.pieces, habits) * part.copies) / 1e6;
  if (m2 <= 0) return undefined;
  const outside = part.pieces.some((p) => patternedFace(p, habits) === 'outside');
  return {
    id: `${part.id}:pattern`,
    kind: 'sand',
    title: `${part.name}: sand the patterned face`,
    detail: `${trimNumber(m2, 2)} m²${outside ? ', where it is seen' : ', where something is glued on it'}: 120 grit until the pattern is gone, then 240. Glue and sealer do not hold in its grooves.`,
    partId: part.id,
    about: 'pieces',
    workMin: Math.ceil(m2 / speeds.sandM2PerMin),
    waitMin: 0,
    gate: 'It is sanded flat, while it lies on the table; a bent piece is sanded through at its edges.',
    cautions: ['dust'],
  };
}

/** Grooves for a bend too tight for the foam as it is, where folds are grooved. */
export function grooveStep({ make: { habits } }: BuildDoc, part: PartReport): Link | undefined {
  if (part.strainClass !== 'grooved' || habits.fold === 'heat-and-fold') return undefined;
  const { count, spacingMm } = groovesForBend(Math.PI, part.tightestRadiusMm * Math.PI);
  const grooveM = (count * part.packed.sidesMm[0] * part.copies * 2) / 1000;
  return {
    id: `${part.id}:groove`,
    kind: 'groove',
    about: 'folds',
    title: `${part.name}: groove the back`,
    detail: `${counted(count, 'groove')} at each tight side, ${trimNumber(spacingMm, 0)} mm apart, ${trimNumber(part.foam.thicknessMm.value * 0.55, 1)} mm deep and ${trimNumber(foldOpeningMm(part.foam, Math.PI / count), 1)} mm open, along the bend.`,
    partId: part.id,
    workMin: Math.ceil(grooveM / speeds.grooveMPerMin),
    waitMin: 0,
    cautions: ['blade'],
  };
}

export function formStep(part: PartReport): Link | undefined {
  if (!part.bent) return undefined;
  return {
    id: `${part.id}:form`,
    kind: 'form',
    title: `${part.name}: ${part.strainClass === 'cold' ? 'bend to shape' : 'heat and form'}`,
    detail: `Warm the whole piece, bend past the shape, hold till cool. Outer face stretches ${trimNumber(part.bendStrain * 100, 0)} %.`,
    partId: part.id,
    about: 'bends',
    workMin: speeds.formPieceMin * piecesToCut(part),
    waitMin: 15,
    waitFor: 'foam cool',
    gate: 'Heat comes before lamps and wire: hot air melts insulation and clouds lamps.',
    cautions: ['heat'],
  };
}

import type { BuildDoc } from '../document';
import { gluedOf, templatesOf, type PartReport } from '../parts';
import { foldOpeningMm, groovesForBend } from '../foam';
import { bevelWords, eachOf } from '../panel';
import { trimNumber, findIn, lastOf } from '../units';
import { attachedEdges } from './attachedEdges';
import { outlineM } from './outline';
import { cutSpeedMPerMin, glues, isRigid, speeds } from '../materials';
import { layerSteps } from './layerSteps';
import { workSteps } from './workSteps';
import type { Step } from './step';

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

/** The paper tried on, before anything worn is cut. */
export const mockUpId = 'mock-up';

/** Steps that take the part from sheet to formed shell. */
export function shellSteps(doc: BuildDoc, part: PartReport): Step[] {
  const { cutter, fold, glue } = doc.make.habits;
  const id = (step: string): string => `${part.id}:${step}`;
  const length = outlineM(part);
  const pieces = part.pieces.reduce((sum, p) => sum + eachOf(p), 0) * part.copies;
  const templates = templatesOf(part.pieces).length;
  const thickness = part.foam.thicknessMm.value;
  const foams = [...new Set(part.pieces.map((p) => p.foamName))].join(', ');
  const grooved = part.strainClass === 'grooved' && fold !== 'heat-and-fold';
  const steps: Step[] = [];
  if (pieces === 0) {
    steps.push(...workSteps(part, 'flat', 'print'), ...workSteps(part, 'formed', 'print'));
    return steps;
  }
  steps.push(
    {
      id: id('trace'),
      kind: 'trace',
      title: `${part.name}: trace ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}${templates < pieces ? ` from ${templates} ${templates === 1 ? 'template' : 'templates'}` : ''}`,
      detail: `Fine paint pen, not ball-point. ${part.copies === 2 ? 'Each piece twice, one flipped. ' : ''}Mark lamp holes and seam letters.`,
      partId: part.id,
      about: 'pieces',
      workMin: Math.ceil(length / speeds.traceMPerMin) + 2 * pieces,
      waitMin: 0,
      after: [part.zone === undefined ? 'print' : mockUpId],
      cautions: [],
    },
    {
      id: id('cut'),
      kind: 'cut',
      title: `${part.name}: cut ${foams}`,
      detail: `${trimNumber(length, 1)} m by ${cutterWord[cutter]}, on the line, square to the sheet${bevelled(part).count > 0 && doc.make.habits.bevel === 'tilted' ? ' but where an angle is written' : ''}. Cut out inside holes last.`,
      partId: part.id,
      about: 'pieces',
      workMin: Math.ceil(length / cutSpeedMPerMin(thickness, cutter)) + 2 * pieces,
      waitMin: 0,
      after: [id('trace')],
      cautions: [cutterCaution[cutter], ...(sawn(part) ? ['boardDust' as const] : [])],
    },
  );
  steps.push(...workSteps(part, 'flat', lastOf(steps).id));
  const bevels = bevelled(part);
  if (bevels.metres > 0) {
    steps.push({
      id: id('bevel'),
      kind: 'bevel',
      title: `${part.name}: bevel ${bevels.count * part.copies} edges`,
      detail: `${doc.make.habits.bevel === 'tilted' ? 'These edges are cut with the blade tilted, on the line as drawn, outer face up' : 'Cut square on the outer line first; then take each edge down to the inner line, with a blade laid on both or a sanding block'}. ${bevels.words}.`,
      partId: part.id,
      about: 'bevels',
      workMin: Math.ceil(bevels.metres / speeds.roundOverMPerMin),
      waitMin: 0,
      after: [lastOf(steps).id],
      cautions: ['blade', 'dust'],
    });
  }
  if (grooved) {
    const { count, spacingMm } = groovesForBend(Math.PI, part.tightestRadiusMm * Math.PI);
    const grooveM = (count * part.packed.sidesMm[0] * part.copies * 2) / 1000;
    steps.push({
      id: id('groove'),
      kind: 'groove',
      title: `${part.name}: groove the back`,
      detail: `${count} grooves at each tight side, ${trimNumber(spacingMm, 0)} mm apart, ${trimNumber(thickness * 0.55, 1)} mm deep and ${trimNumber(foldOpeningMm(part.foam, Math.PI / count), 1)} mm open, along the bend.`,
      partId: part.id,
      workMin: Math.ceil(grooveM / speeds.grooveMPerMin),
      waitMin: 0,
      after: [lastOf(steps).id],
      cautions: ['blade'],
    });
  }
  const glued = gluedOf(part.pieces);
  const dartM = (glued.dartsMm * part.copies) / 1000;
  if (dartM > 0) {
    const g = glues[glue];
    steps.push({
      id: id('darts'),
      kind: 'glue',
      title: `${part.name}: close the darts`,
      detail: `Cut the wedges out, glue leg to leg with ${g.name}, outside faces flush, from the tip outwards.`,
      partId: part.id,
      about: 'darts',
      workMin: Math.ceil(dartM / g.seamMPerMin) + g.touchMin,
      waitMin: g.touchMin,
      waitFor: 'darts holding',
      after: [lastOf(steps).id],
      gate: 'A dart is closed before the piece is bent and joined; afterwards its legs no longer meet.',
      cautions: [g.caution],
    });
  }
  if (part.bent)
    steps.push({
      id: id('form'),
      kind: 'form',
      title: `${part.name}: ${part.strainClass === 'cold' ? 'bend to shape' : 'heat and form'}`,
      detail: `Warm the whole piece, bend past the shape, hold till cool. Outer face stretches ${trimNumber(part.bendStrain * 100, 0)} %.`,
      partId: part.id,
      about: 'pieces',
      workMin: speeds.formPieceMin * pieces,
      waitMin: 15,
      waitFor: 'foam cool',
      after: [lastOf(steps).id],
      gate: 'Heat comes before lamps and wire: hot air melts insulation and clouds lamps.',
      cautions: ['heat'],
    });
  steps.push(...layerSteps(doc, part, lastOf(steps).id));
  const seamM = glued.seamsMm / 1000;
  if (seamM > 0) {
    const g = glues[glue];
    steps.push({
      id: id('seam'),
      kind: 'glue',
      title: `${part.name}: glue the seams`,
      detail: `${g.name}, ${trimNumber(seamM * part.copies, 2)} m, from a corner outwards, outside faces flush. Letters match.`,
      partId: part.id,
      about: 'seams',
      reads: { quantity: 'glue', stated: seamM * part.copies * g.gPerM },
      workMin: Math.ceil((seamM * part.copies) / g.seamMPerMin) + g.touchMin,
      waitMin: g.cureMin,
      waitFor: `${g.name} at full strength`,
      after: [lastOf(steps).id],
      cautions: [g.caution],
    });
  }
  const attached = attachedEdges(part).filter((e) => e.by === 'glue');
  if (attached.length > 0) {
    const g = glues[glue];
    const metres = (glued.hungMm * part.copies) / 1000;
    steps.push({
      id: id('join'),
      kind: 'glue',
      title: `${part.name}: glue plate to plate`,
      detail: `${attached.map((e) => e.words).join('; ')}.`,
      partId: part.id,
      about: 'attached',
      reads: { quantity: 'glue', stated: metres * g.gPerM },
      workMin: Math.ceil(metres / g.seamMPerMin) + g.touchMin,
      waitMin: g.cureMin,
      waitFor: `${g.name} at full strength`,
      after: [lastOf(steps).id],
      cautions: [g.caution],
    });
  }
  const laidOn = part.pieces.filter((p) => p.role === 'laid' && !p.ownStep);
  if (laidOn.length > 0) {
    const g = glues[glue];
    const metres = (glued.laidMm * part.copies) / 1000;
    steps.push({
      id: id('laid'),
      kind: 'glue',
      title: `${part.name}: lay on ${laidOn.reduce((sum, p) => sum + eachOf(p), 0) * part.copies} trim and layer pieces`,
      detail: `${laidOn.map((p) => p.name).join('; ')}. Warm and bend each to the shell first; outside edges flush, mitres last.`,
      partId: part.id,
      about: 'laid',
      workMin:
        Math.ceil(metres / g.seamMPerMin) +
        g.touchMin +
        3 * laidOn.reduce((sum, p) => sum + eachOf(p), 0) * part.copies,
      waitMin: g.cureMin,
      waitFor: `${g.name} at full strength`,
      after: [lastOf(steps).id],
      cautions: [g.caution],
    });
  }
  steps.push(...workSteps(part, 'formed', lastOf(steps).id));
  return steps;
}

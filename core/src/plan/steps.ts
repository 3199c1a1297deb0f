import type { BuildDoc } from '../build/document';
import type { Fitting, PartReport } from '../build/report';
import { foldOpeningMm, groovesForBend } from '../foam/groove';
import { closureOf } from '../forms/partForm';
import { pathLength } from '../geometry/path';
import { dist2 } from '../geometry/vec';
import { printMinutes } from '../units/time';
import { trimNumber } from '../units/length';
import { gluedMm } from './cost';
import { coatings, cutSpeedMPerMin, glues, speeds } from './speeds';
import type { Step } from './step';

const outlineM = (part: PartReport): number =>
  (part.pieces.reduce((sum, p) => sum + pathLength({ vertices: p.outline, closed: true }), 0) * part.copies) /
  1000;

const cutterCaution = { knife: 'blade', 'band-saw': 'saw', laser: 'laser' } as const;
const cutterWord = { knife: 'knife', 'band-saw': 'band saw', laser: 'laser' } as const;

/** Length of all dart legs of one copy. */
function dartLegsMm(part: PartReport): number {
  const darts = part.pieces.flatMap((p) => p.marks.filter((m) => m.kind === 'dart'));
  return darts.reduce((sum, { points }) => sum + dist2(points[0]!, points[1]!), 0);
}

/** Steps that take the part from sheet to formed shell. */
function shellSteps(doc: BuildDoc, part: PartReport): Step[] {
  const { cutter, fold, glue } = doc.make.habits;
  const id = (step: string): string => `${part.id}:${step}`;
  const length = outlineM(part);
  const pieces = part.pieces.length * part.copies;
  const thickness = part.foam.thicknessMm.value;
  const grooved = part.strainClass === 'grooved' && fold !== 'heat-and-fold';
  const steps: Step[] = [
    {
      id: id('trace'),
      title: `${part.name}: trace ${pieces} pieces`,
      detail: `Fine paint pen, not ball-point. ${part.copies === 2 ? 'Each piece twice, one flipped. ' : ''}Mark lamp holes and seam letters.`,
      partId: part.id,
      workMin: Math.ceil(length / speeds.traceMPerMin) + 2 * pieces,
      waitMin: 0,
      after: ['print'],
      cautions: [],
    },
    {
      id: id('cut'),
      title: `${part.name}: cut ${part.foam.name}`,
      detail: `${trimNumber(length, 1)} m by ${cutterWord[cutter]}, on the line, square to the sheet. Cut out inside holes last.`,
      partId: part.id,
      workMin: Math.ceil(length / cutSpeedMPerMin(thickness, cutter)) + 2 * pieces,
      waitMin: 0,
      after: [id('trace')],
      cautions: [cutterCaution[cutter]],
    },
  ];
  if (grooved) {
    const { count, spacingMm } = groovesForBend(Math.PI, part.tightestRadiusMm * Math.PI);
    const grooveM = (count * part.longestMm * part.copies * 2) / 1000;
    steps.push({
      id: id('groove'),
      title: `${part.name}: groove the back`,
      detail: `${count} grooves at each tight side, ${trimNumber(spacingMm, 0)} mm apart, ${trimNumber(thickness * 0.55, 1)} mm deep and ${trimNumber(foldOpeningMm(part.foam, Math.PI / count), 1)} mm open, along the bend.`,
      partId: part.id,
      workMin: Math.ceil(grooveM / speeds.grooveMPerMin),
      waitMin: 0,
      after: [id('cut')],
      cautions: ['blade'],
    });
  }
  const dartM = (dartLegsMm(part) * part.copies) / 1000;
  if (dartM > 0) {
    const g = glues[glue];
    steps.push({
      id: id('darts'),
      title: `${part.name}: close the darts`,
      detail: `Cut the wedges out, glue leg to leg with ${g.name}, outside faces flush, from the tip outwards.`,
      partId: part.id,
      workMin: Math.ceil(dartM / g.seamMPerMin) + g.touchMin,
      waitMin: g.touchMin,
      waitFor: 'darts holding',
      after: [steps.at(-1)!.id],
      gate: 'A dart is closed before the piece is bent and joined; afterwards its legs no longer meet.',
      cautions: [g.caution],
    });
  }
  steps.push({
    id: id('form'),
    title: `${part.name}: ${part.strainClass === 'cold' ? 'bend to shape' : 'heat and form'}`,
    detail: `Warm the whole piece, bend past the shape, hold till cool. Outer face stretches ${trimNumber(part.bendStrain * 100, 0)} %.`,
    partId: part.id,
    workMin: speeds.formPieceMin * pieces,
    waitMin: 15,
    waitFor: 'foam cool',
    after: [steps.at(-1)!.id],
    gate: 'Heat comes before lamps and wire: hot air melts insulation and clouds lamps.',
    cautions: ['heat'],
  });
  const seamM = gluedMm({ ...part, pieces: part.pieces.filter((p) => p.role === 'shell') }) / 1000;
  if (seamM > 0) {
    const g = glues[glue];
    steps.push({
      id: id('seam'),
      title: `${part.name}: glue the seams`,
      detail: `${g.name}, ${trimNumber(seamM * part.copies, 2)} m, from a corner outwards, outside faces flush. Letters match.`,
      partId: part.id,
      workMin: Math.ceil((seamM * part.copies) / g.seamMPerMin) + g.touchMin,
      waitMin: g.cureMin,
      waitFor: `${g.name} at full strength`,
      after: [steps.at(-1)!.id],
      cautions: [g.caution],
    });
  }
  const laidOn = part.pieces.filter((p) => p.role === 'trim' || p.role === 'layer' || p.role === 'strip');
  if (laidOn.length > 0) {
    const g = glues[glue];
    const metres = laidOn.reduce((sum, p) => sum + p.areaMm2 / 50, 0) * part.copies * 1e-3;
    steps.push({
      id: id('laid'),
      title: `${part.name}: lay on ${laidOn.length * part.copies} trim and layer pieces`,
      detail: `${laidOn.map((p) => p.name).join('; ')}. Warm and bend each to the shell first; outside edges flush, mitres last.`,
      partId: part.id,
      workMin: Math.ceil(metres / g.seamMPerMin) + g.touchMin + 3 * laidOn.length * part.copies,
      waitMin: g.cureMin,
      waitFor: `${g.name} at full strength`,
      after: [steps.at(-1)!.id],
      cautions: [g.caution],
    });
  }
  return steps;
}

/** Steps for lamps, tests and the lining that closes them in. */
function lightSteps(doc: BuildDoc, part: PartReport, after: string): Step[] {
  const { inside } = part;
  if (!inside || inside.lamps.length === 0) return [];
  const id = (step: string): string => `${part.id}:${step}`;
  const joints = (inside.lamps.length * 2 + (inside.circuit?.strings.length ?? 0) + 4) * part.copies;
  const holes = inside.lamps.length * part.copies;
  const g = glues[doc.make.habits.glue];
  const make = (
    step: string,
    title: string,
    detail: string,
    workMin: number,
    previous: string,
    rest: Partial<Step> = {},
  ): Step => ({
    id: id(step),
    title: `${part.name}: ${title}`,
    detail,
    partId: part.id,
    workMin,
    waitMin: 0,
    after: [previous],
    cautions: [],
    ...rest,
  });
  const steps = [
    make(
      'drill',
      `${holes} lamp holes`,
      `${inside.lamps[0]!.diameterMm} mm, pilot first, square to the surface or the light is lost.`,
      holes * speeds.drillHoleMin,
      after,
      { cautions: ['dust'] },
    ),
    make(
      'solder',
      'solder the circuit',
      `${joints} joints on the bench, a connector wherever parts come apart, a service loop at pack and switch.`,
      joints * speeds.solderJointMin,
      'print',
      { cautions: ['solder'] },
    ),
    make(
      'test1',
      'test on the bench',
      'Every lamp lit, pack and switch as they will be worn.',
      10,
      id('solder'),
      {
        gate: 'Test before anything goes into foam.',
        cautions: ['cells'],
      },
    ),
    make(
      'fit',
      'fit lamps, switch and pack',
      'Push lamps in to the rim; a 2 mm foam ring hides slop. Up means on.',
      30 * part.copies,
      id('drill'),
      { after: [id('drill'), id('test1')] },
    ),
    make('test2', 'test again in the shell', 'Bend, shake, switch ten times.', 10, id('fit'), {
      gate: 'Test the lights before gluing the lining: it closes the wires in.',
    }),
  ];
  if (part.lining) {
    steps.push(
      make(
        'lining',
        'glue the lining',
        `${part.lining.name} over the wires, hatch left loose over the pack.`,
        Math.ceil((gluedMm(part) * part.copies) / 1000 / g.seamMPerMin) + g.touchMin,
        id('test2'),
        {
          waitMin: g.cureMin,
          waitFor: `${g.name} at full strength`,
          cautions: [g.caution],
        },
      ),
      make('test3', 'test after closing', 'Last chance to reopen before paint.', 5, id('lining'), {
        gate: 'Paint hides the way back in.',
      }),
    );
  }
  return steps;
}

/** Cutting, anchoring and fastening one strap; from memory. */
const STRAP_MIN = 8;

/** Steps from raw shell to worn. */
function finishSteps(doc: BuildDoc, part: PartReport, after: string, fitting: Fitting): Step[] {
  const coat = coatings[doc.make.habits.seal];
  const id = (step: string): string => `${part.id}:${step}`;
  const closure = closureOf(doc.parts.find((p) => p.id === part.id)!);
  const lit = (part.inside?.lamps.length ?? 0) > 0;
  const straps = fitting.straps.filter((s) => s.partId === part.id);
  const steps: Step[] = [
    {
      id: id('round'),
      title: `${part.name}: round over edges, heat-seal`,
      detail: 'Drum then hand; then warm air over every face until it turns slightly glossy.',
      partId: part.id,
      workMin: Math.ceil(outlineM(part) / speeds.roundOverMPerMin) + 5 * part.copies,
      waitMin: 10,
      waitFor: 'foam cool',
      after: [after],
      ...(lit && { gate: 'Keep hot air off the lamps; mask them.' }),
      cautions: ['dust', 'heat'],
    },
  ];
  for (let i = 1; i <= coat.coats; i++) {
    const last = i === coat.coats;
    steps.push({
      id: id(`seal${i}`),
      title: `${part.name}: ${coat.name}, coat ${i} of ${coat.coats}`,
      detail: last ? 'Handle only when dry through.' : 'Thin and even.',
      partId: part.id,
      workMin: coat.workMin * part.copies,
      waitMin: last ? coat.handleMin : coat.betweenMin,
      waitFor: last ? 'dry to handle' : 'dry to recoat',
      after: [steps.at(-1)!.id],
      cautions: ['paint'],
    });
  }
  steps.push(
    {
      id: id('paint'),
      title: `${part.name}: paint, dark to detail`,
      detail: 'Mix from the lightest colour, black last.',
      partId: part.id,
      workMin: 60 * part.copies,
      waitMin: 60,
      waitFor: 'paint dry',
      after: [steps.at(-1)!.id],
      cautions: ['paint'],
    },
    ...(part.rivets > 0
      ? [
          {
            id: id('rivets'),
            title: `${part.name}: glue ${part.rivets * part.copies} rivets`,
            detail: 'On the painted face, each on its mark; scuff the spot first.',
            partId: part.id,
            workMin: Math.ceil(part.rivets * part.copies * 0.5) + 5,
            waitMin: 15,
            waitFor: 'glue set',
            after: [id('paint')],
            cautions: ['instantGlue' as const],
          },
        ]
      : []),
    {
      id: id('clear'),
      title: `${part.name}: clear coat`,
      detail: lit ? 'Mask the lenses first.' : 'One even coat.',
      partId: part.id,
      workMin: 10 * part.copies,
      waitMin: 240,
      waitFor: 'clear coat dry to handle',
      after: [part.rivets > 0 ? id('rivets') : id('paint')],
      cautions: ['paint'],
    },
    {
      id: id('strap'),
      title: `${part.name}: ${straps.length > 0 && closure.kind === 'none' ? 'straps' : closure.name}, padding`,
      detail: [
        ...straps.map((s) => `${s.count} × ${trimNumber(s.lengthMm, 0)} mm ${s.where}`),
        ...(part.wear.pads.length > 0
          ? [
              `pads inside at the ${part.wear.pads.length} marks, ${[...new Set(part.wear.pads.map((p) => p.thicknessMm))].sort((a, b) => a - b).join(', ')} mm thick`,
            ]
          : ['padding where it carries']),
      ].join('; '),
      partId: part.id,
      workMin: Math.max(closure.workMin, straps.length * STRAP_MIN) * part.copies + 15 * part.copies,
      waitMin: 0,
      after: [id('clear')],
      cautions: [],
    },
  );
  return steps;
}

/** Every step of the build, in the order makers work, gates before what they hold back. */
export function buildSteps(doc: BuildDoc, parts: readonly PartReport[], fitting: Fitting): Step[] {
  if (parts.length === 0) return [];
  const print: Step = {
    id: 'print',
    title: 'Print the pattern at actual size',
    detail:
      'Measure the 100 mm bar with a real ruler; type what it measured under Cut. Tape pages on the crosses, cut the paper.',
    workMin: 20,
    waitMin: 0,
    after: [],
    gate: 'Printers shrink pages; a wrong bar spoils every piece.',
    cautions: [],
  };
  const perPart = parts.flatMap((part) => {
    const shell = shellSteps(doc, part);
    const light = lightSteps(doc, part, shell.at(-1)!.id);
    const finish = finishSteps(doc, part, (light.at(-1) ?? shell.at(-1)!).id, fitting);
    return [...shell, ...light, ...finish];
  });
  const lastOfEach = parts.map((p) => `${p.id}:strap`);
  const wear: Step = {
    id: 'wear',
    title: 'Wear everything for ten minutes',
    detail: `Put on in this order: ${fitting.dressing.map((d) => d.name).join(', ')}. Bend, reach, drink, sit. Note what pinches.`,
    workMin: 15,
    waitMin: 0,
    after: lastOfEach,
    gate: 'Find it out at home.',
    cautions: ['wear'],
  };
  const log: Step = {
    id: 'log',
    title: 'Write the log',
    detail: 'Real hours, real burn time, what you would change.',
    workMin: 10,
    waitMin: 0,
    after: ['wear'],
    cautions: [],
  };
  return [print, ...perPart, wear, log];
}

/** `20 min, then 4 h drying`. */
export const stepTime = (step: Step): string =>
  step.waitMin > 0
    ? `${printMinutes(step.workMin)}, then ${printMinutes(step.waitMin)} ${step.waitFor ?? 'waiting'}`
    : printMinutes(step.workMin);

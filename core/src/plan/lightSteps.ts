import type { PartReport } from '../parts';
import type { Wiring } from './wiring';
import { testPoints } from '../circuit';
import { speeds } from '../materials';
import { counted, printVolts } from '../units';
import type { Step } from './step';
import type { WorkKind } from './workKinds';
import { workSteps } from './workSteps';

/** What a meter should show, place by place. */
const meterWords = (wiring: Wiring): string => {
  const points = testPoints(wiring);
  return points.length === 0
    ? ''
    : `A meter on “${wiring.name}” shows ${points.map((p) => `${printVolts(p.volts)} ${p.where}`).join('; ')}.`;
};

/** How long the lamps are to burn by the tables of the cells: the shortest of the packs in the part. */
function burnt(fed: readonly Wiring[]): Pick<Step, 'reads'> {
  const hours = fed.flatMap(({ run, duty }) => (run ? [run.hours / (duty.capacityShare ?? 1)] : []));
  return hours.length > 0 ? { reads: { quantity: 'capacity', stated: Math.min(...hours) } } : {};
}

/**
 * Steps for lamps and tests, up to what closes them in.
 * @param after what is done on the part before, its heat last; @param heats heat on what touches it, after which lamps go in.
 */
export function lightSteps(
  part: PartReport,
  after: string,
  wirings: readonly Wiring[],
  heats: readonly string[],
): Step[] {
  const lamps = part.items.filter((i) => i.lamp);
  const others = part.items.filter((i) => !i.lamp);
  // Those in the wall of a bought thing are drilled with its other holes.
  const inFoam = lamps.filter((l) => part.templates.every((t) => t.id !== l.pieceId));
  if (part.items.length === 0) return [];
  const id = (step: string): string => `${part.id}:${step}`;
  // A circuit is soldered with the part that holds its pack; parts it reaches get a connector each.
  const fed = wirings.filter((w) => w.source?.partId === part.id);
  const reached = wirings.filter((w) => w.partIds.includes(part.id) && w.source?.partId !== part.id);
  const strings = fed.reduce((sum, w) => sum + (w.solved?.strings.length ?? 0), 0);
  const joints = (lamps.length * 2 + strings + 2 * others.length + 2 * reached.length) * part.copies;
  const holes = inFoam.length * part.copies;
  const across = [...fed, ...reached].filter((w) => w.crossings > 0);
  const make = (
    step: string,
    kind: WorkKind,
    about: Step['about'],
    title: string,
    detail: string,
    workMin: number,
    previous: string,
    rest: Partial<Step> = {},
  ): Step => ({
    id: id(step),
    kind,
    about,
    title: `${part.name}: ${title}`,
    detail,
    partId: part.id,
    workMin,
    waitMin: 0,
    after: [previous],
    cautions: [],
    ...rest,
  });
  const steps: Step[] = [];
  if (inFoam.length > 0)
    steps.push(
      make(
        'drill',
        'drill',
        'items',
        `${holes} lamp holes`,
        `${[...new Set(inFoam.map((l) => l.lamp!.led.bodyMm))].join(' and ')} mm, pilot first, square to the surface or the light is lost.`,
        holes * speeds.drillHoleMin,
        after,
        { cautions: ['dust'] },
      ),
    );
  // Strips, boxes and boards go on once no more heat comes.
  steps.push(
    ...workSteps(part, 'lit', steps.at(-1)?.id ?? after).map((s) => ({
      ...s,
      after: [...s.after, ...heats],
    })),
  );
  const placed = steps.at(-1)?.id ?? after;
  steps.push(
    make(
      'solder',
      'solder',
      'wires',
      'solder the circuit',
      `${counted(joints, 'joint')} on the bench, a connector wherever parts come apart, a service loop at pack and switch.${across.length > 0 ? ` ${across.map((w) => `“${w.name}” crosses between parts: ${w.crossings} connector${w.crossings > 1 ? 's' : ''}`).join('; ')}.` : ''}`,
      joints * speeds.solderJointMin,
      'print',
      { cautions: ['solder'] },
    ),
    make(
      'test1',
      'test',
      'wires',
      'test on the bench',
      [
        ...fed.flatMap(({ feed: { regulator } }) =>
          regulator
            ? [
                `Set the ${regulator.name} to ${printVolts(regulator.volts)} with a meter before a lamp is joined to it.`,
              ]
            : [],
        ),
        'Every lamp lit, pack and switch as they will be worn.',
        ...fed.map(meterWords),
      ].join(' '),
      10,
      id('solder'),
      {
        gate: 'Test before anything goes into foam.',
        cautions: ['cells'],
      },
    ),
    make(
      'fit',
      'fit',
      'items',
      'fit lamps, switch and pack',
      'Push lamps in to the rim; a 2 mm foam ring hides slop. Up means on.',
      30 * part.copies,
      id('test1'),
      { after: [...new Set([placed, id('test1'), ...heats])] },
    ),
    make(
      'test2',
      'test',
      'wires',
      'test again in the shell',
      'Bend, shake, switch ten times.',
      10,
      id('fit'),
      {
        gate: 'Test the lights before gluing the lining: it closes the wires in.',
        ...burnt(fed),
      },
    ),
  );
  return steps;
}

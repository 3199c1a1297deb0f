import type { BuildDoc } from '../build/document';
import type { PartReport } from '../build/report';
import { gluedMm } from './cost';
import { glues, speeds } from './speeds';
import type { Step } from './step';

/** Steps for lamps, tests and the lining that closes them in. */
export function lightSteps(doc: BuildDoc, part: PartReport, after: string): Step[] {
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

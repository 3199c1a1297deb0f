import type { BuildDoc } from '../document';
import type { Fastening } from '../forms';
import type { PartReport } from '../parts';
import { printMinutes } from '../units';
import { assembliesOf } from './assemblies';
import { closingIn } from './closedIn';
import { finishSteps, heatSteps } from './finishSteps';
import { mountSteps } from './mountSteps';
import { lightSteps } from './lightSteps';
import { liningSteps } from './liningSteps';
import { mockUpId, shellSteps } from './shellSteps';
import type { Step } from './step';
import type { Wiring } from './wiring';

/** What planning needs of how the parts go together. */
export interface Worn {
  straps: readonly (Fastening & { partId: string })[];
  dressing: readonly { name: string }[];
}

/** Printing, taping and cutting out one page; from memory. */
const PAGE_MIN = 1.5;
/** Taping one part together and trying it on; from memory. */
const MOCK_UP_MIN = 8;

/** Every step of the build, in the order makers work, gates before what they hold back. */
export function buildSteps(
  doc: BuildDoc,
  parts: readonly PartReport[],
  worn: Worn,
  wirings: readonly Wiring[],
  coverage: number,
  pages: number,
): Step[] {
  if (parts.length === 0) return [];
  const print: Step = {
    id: 'print',
    kind: 'print',
    title: 'Print the pattern at actual size',
    detail: `${pages} ${pages === 1 ? 'page' : 'pages'} of ${doc.cut.page}, the first says how. Measure both 100 mm bars with a real ruler; type what they measured under Cut. Tape pages on the crosses, cut the paper.`,
    workMin: Math.ceil(5 + pages * PAGE_MIN),
    waitMin: 0,
    after: [],
    gate: 'Printers shrink pages; a wrong bar spoils every piece.',
    cautions: [],
  };
  const wornParts = parts.filter((p) => p.zone !== undefined && p.pieces.length > 0);
  const mockUp: Step[] =
    wornParts.length === 0
      ? []
      : [
          {
            id: mockUpId,
            kind: 'wear',
            title: 'Try the paper on',
            detail:
              'Tape the paper pieces together over the clothes worn underneath; bend, reach, sit. Where it is tight or gapes, measure again and type it under Body: the pattern follows, and only what changed is printed anew.',
            workMin: 10 + MOCK_UP_MIN * wornParts.length,
            waitMin: 0,
            after: ['print'],
            gate: 'Paper is cheap: what does not fit is put right before foam is cut.',
            cautions: [],
          },
        ];
  const stepsOf = (part: PartReport): Step[] => {
    const shell = shellSteps(doc, part);
    const shaped = shell.at(-1)?.id ?? print.id;
    const heat = heatSteps(part, shaped);
    const sealed = heat.at(-1)?.id ?? shaped;
    const light = lightSteps(part, sealed, wirings);
    const closed = closingIn(part, shell, light);
    const inner = liningSteps(doc, part, light.at(-1)?.id ?? sealed);
    const before = (inner.at(-1) ?? light.at(-1))?.id ?? sealed;
    const straps = worn.straps.filter((s) => s.partId === part.id);
    return [
      ...closed.shell,
      ...heat,
      ...closed.light,
      ...inner,
      ...finishSteps(doc, part, before, straps, coverage),
    ];
  };
  // Assembly by assembly: its parts from what carries the rest on, then put together.
  const lasts = new Map<string, string>();
  const lastOf = (id: string): string => lasts.get(id)!;
  const lastOfEach: string[] = [];
  const assembled = assembliesOf(parts).flatMap((group) => {
    const made = group.flatMap((part) => {
      const own = stepsOf(part);
      lasts.set(part.id, own.at(-1)!.id);
      return own;
    });
    const mounted = mountSteps(group, lastOf);
    lastOfEach.push(...group.map((p) => lastOf(p.id)), ...mounted.map((s) => s.id));
    return [...made, ...mounted];
  });
  const cured = assembled.filter((s) => s.cureMin !== undefined);
  const wear: Step = {
    id: 'wear',
    kind: 'wear',
    hands: 2,
    title: 'Wear everything for ten minutes',
    detail: `Put on in this order: ${worn.dressing.map((d) => d.name).join(', ')}. Bend, reach, drink, sit. Note what pinches.`,
    workMin: 15,
    waitMin: 0,
    after: [...lastOfEach, ...cured.map((s) => s.id)],
    lags: Object.fromEntries(cured.map((s) => [s.id, s.cureMin!])),
    gate: 'Find it out at home. A coat that is dry to handle goes on curing for a day before it is worn.',
    cautions: ['wear'],
  };
  const carry: Step[] = parts.some((p) => p.heldAt)
    ? [
        {
          id: 'carry',
          kind: 'wear',
          title: 'Carry everything for ten minutes',
          detail:
            'Hold it as for pictures, walk, turn in a doorway, set it down. Pull at every joint; feel every edge with an open hand.',
          workMin: 15,
          waitMin: 0,
          after: lastOfEach,
          gate: 'Find it out at home, away from other people.',
          cautions: ['carry'],
        },
      ]
    : [];
  const log: Step = {
    id: 'log',
    kind: 'log',
    title: 'Write the log',
    detail: 'Real hours, real burn time, what you would change.',
    workMin: 10,
    waitMin: 0,
    after: [worn.dressing.length > 0 ? 'wear' : (carry.at(-1)?.id ?? lastOfEach.at(-1)!)],
    cautions: [],
  };
  return [print, ...mockUp, ...assembled, ...(worn.dressing.length > 0 ? [wear] : carry), log];
}

/** `20 min, then 4 h drying`. */
export const stepTime = (step: Step): string =>
  step.waitMin > 0
    ? `${printMinutes(step.workMin)}, then ${printMinutes(step.waitMin)} ${step.waitFor ?? 'waiting'}`
    : printMinutes(step.workMin);

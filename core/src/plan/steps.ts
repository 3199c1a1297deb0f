import type { BuildDoc } from '../document';
import type { PartReport } from '../parts';
import { byId, printMinutes, type Stage } from '../units';
import { assembliesOf } from './assemblies';
import { assemblySteps, type WornStrap } from './assemblySteps';
import { mockUpId } from './shellSteps';
import { printSteps } from './printSteps';
import { printId, type Step } from './step';
import type { Wiring } from './wiring';

/** What planning needs of how the parts go together. */
export interface Worn {
  straps: readonly WornStrap[];
  dressing: readonly { name: string }[];
}

/** Printing, taping and cutting out one page; from memory. */
const PAGE_MIN = 1.5;
/** Taping one part together and trying it on; from memory. */
const MOCK_UP_MIN = 8;

/** How many pages are printed: as planned, or only reckoned so far. */
export interface PrintedPages {
  count: number;
  reckoned: boolean;
}

/**
 * Every step of the build, in the order makers work, gates before what they hold back.
 * @param stage remembers the steps of assemblies that did not change.
 */
export function buildSteps(
  doc: BuildDoc,
  parts: readonly PartReport[],
  worn: Worn,
  wirings: readonly Wiring[],
  coverage: number,
  pages: PrintedPages,
  stage: Stage<BuildDoc>,
): Step[] {
  if (parts.length === 0) return [];
  const { count, reckoned } = pages;
  const print: Step = {
    id: printId,
    kind: 'print',
    about: 'pages',
    title: 'Print the pattern at actual size',
    detail: `${reckoned ? 'About ' : ''}${count} ${count === 1 ? 'page' : 'pages'} of ${doc.cut.page}, the first says how. Measure both 100 mm bars with a real ruler; type what they measured under Cut. Tape pages on the crosses, cut the paper.`,
    workMin: Math.ceil(5 + count * PAGE_MIN),
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
            about: 'pages',
            title: 'Try the paper on',
            detail:
              'Tape the paper pieces together over the clothes worn underneath; bend, reach, sit. Where it is tight or gapes, measure again and type it under Body: the pattern follows, and only what changed is printed anew.',
            workMin: 10 + MOCK_UP_MIN * wornParts.length,
            waitMin: 0,
            after: [printId],
            gate: 'Paper is cheap: what does not fit is put right before foam is cut.',
            cautions: [],
          },
        ];
  const assemblies = assembliesOf(parts).map((group) => {
    const ids = group.map((p) => p.id);
    const straps = worn.straps.filter((strap) => ids.includes(strap.partId));
    const own = wirings.filter((w) => [w.source?.partId, ...w.partIds].some((id) => ids.includes(id ?? '')));
    // Settings of the other parts are none of its own, so that it is remembered when they change.
    const settings = ids.flatMap((id) => byId(doc.parts, id) ?? []);
    const alone = Object.create(doc, {
      parts: { value: stage(`settings of ${ids.join()}`, doc, settings, () => settings) },
    }) as BuildDoc;
    return stage(
      `steps of ${ids.join()}`,
      alone,
      [coverage, JSON.stringify(straps), ...group, null, ...own],
      (d) => assemblySteps(d, group, straps, own, coverage),
    );
  });
  const assembled = assemblies.flatMap((a) => a.steps);
  const lastOfEach = assemblies.flatMap((a) => a.last);
  const prints = printSteps(doc);
  lastOfEach.push(...prints.slice(-1).map((step) => step.id));
  const cured = assembled.filter((s) => s.cureMin !== undefined);
  const wear: Step = {
    id: 'wear',
    kind: 'wear',
    about: 'worn',
    hands: 2,
    title: 'Wear everything for ten minutes',
    detail: `Put on in this order: ${worn.dressing.map((d) => d.name).join(', ')}. Bend, reach, drink, sit. Note what pinches.`,
    workMin: 15,
    waitMin: 0,
    after: [...new Set([...lastOfEach, ...cured.map((s) => s.id)])],
    lags: Object.fromEntries(cured.map((s) => [s.id, s.cureMin!])),
    gate: 'Find it out at home. A coat that is dry to handle goes on curing for a day before it is worn.',
    cautions: ['wear'],
  };
  const carry: Step[] = parts.some((p) => p.heldAt)
    ? [
        {
          id: 'carry',
          kind: 'wear',
          about: 'build',
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
    about: 'build',
    title: 'Write the log',
    detail: 'Real hours, real burn time, what you would change.',
    workMin: 10,
    waitMin: 0,
    after: worn.dressing.length > 0 ? ['wear'] : carry.length > 0 ? ['carry'] : [...new Set(lastOfEach)],
    cautions: [],
  };
  const rest = [...prints, ...mockUp, ...assembled, ...(worn.dressing.length > 0 ? [wear] : carry), log];
  // Where nothing is cut or drilled by paper there is none to print.
  return count > 0
    ? [print, ...rest]
    : rest.map((step) => ({ ...step, after: step.after.filter((id) => id !== printId) }));
}

/** `20 min, then 4 h drying`. */
export const stepTime = (step: Step): string =>
  step.waitMin > 0
    ? `${printMinutes(step.workMin)}, then ${printMinutes(step.waitMin)} ${step.waitFor ?? 'waiting'}`
    : printMinutes(step.workMin);

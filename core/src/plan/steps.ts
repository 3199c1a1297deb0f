import type { BuildDoc } from '../document';
import type { Fastening } from '../forms';
import type { PartReport } from '../parts';
import { printMinutes, getFrom, findIn, lastOf } from '../units';
import { assembliesOf } from './assemblies';
import { closingIn } from './closedIn';
import { finishSteps, heatSteps, strapSteps } from './finishSteps';
import { fillSteps, fitDrySteps, mountSteps } from './mountSteps';
import { lightSteps } from './lightSteps';
import { inOrder } from './inOrder';
import { liningSteps } from './liningSteps';
import { mockUpId, shellSteps } from './shellSteps';
import { printSteps } from './printSteps';
import type { Step } from './step';
import { touch, unitsOf } from './units';
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
    about: 'pages',
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
            about: 'pages',
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
  // Assembly by assembly: its parts from what carries the rest on, each as far as what is glued to it; then what is glued
  // together is finished as one, and what comes off again is put together last.
  const lasts = new Map<string, string>();
  const lastStep = (id: string): string => getFrom(lasts, id);
  const lastOfEach: string[] = [];
  const assembled = assembliesOf(parts).flatMap((group) => {
    const shaping = group.map((part) => {
      const shell = shellSteps(doc, part);
      return { part, shell, heat: heatSteps(part, shell.at(-1)?.id ?? print.id) };
    });
    /** Heat on what touches a part. */
    const heats = (part: PartReport): string[] =>
      shaping
        .filter((s) => touch(s.part, part))
        .flatMap((s) => [...s.shell, ...s.heat])
        .filter((s) => s.cautions.includes('heat'))
        .map((s) => s.id);
    const staged = shaping.map(({ part, shell, heat }) => {
      const sealed = (heat.at(-1) ?? shell.at(-1))?.id ?? print.id;
      const light = lightSteps(part, sealed, wirings, heats(part));
      const stages = closingIn(doc, part, { shell, heat, light }, heats(part));
      const made = [...stages.shell, ...stages.heat];
      lasts.set(part.id, made.at(-1)?.id ?? print.id);
      return { part, made, closed: stages.light.length < light.length, stages };
    });
    const shaped = staged.flatMap((s) => s.made);
    const glued = mountSteps(group, lastStep, 'glued');
    const dry = fitDrySteps(group, lastStep);
    const units = unitsOf(group);
    const rest = units.flatMap((unit) => {
      const joined = glued.filter((s) => unit.some((p) => p.id === s.partId)).map((s) => s.id);
      const marked = dry
        .filter((s) => unit.some((p) => p.id === s.partId || s.after.includes(lastStep(p.id))))
        .map((s) => s.id);
      const fill = fillSteps(unit, joined.length > 0 ? joined : unit.map((p) => lastStep(p.id)));
      const ready = fill.length > 0 ? fill.map((s) => s.id) : unit.map((p) => lastStep(p.id));
      const lit = unit.flatMap((part) => {
        const { closed, stages } = findIn(staged, (s) => s.part === part);
        const light = closed
          ? stages.light
          : lightSteps(part, fill.at(-1)?.id ?? lastStep(part.id), wirings, [...heats(part), ...marked]);
        const inner = liningSteps(doc, part, light.at(-1)?.id ?? fill.at(-1)?.id ?? lastStep(part.id));
        return [...light, ...inner];
      });
      const before = [...new Set([...ready, ...marked, ...lastsOf(lit)])];
      const strapsOf = (part: PartReport): (Fastening & { partId: string })[] =>
        worn.straps.filter((s) => s.partId === part.id);
      const finish = finishSteps(doc, unit, before, (p) => strapsOf(p).length > 0, coverage);
      const finished = finish.length > 0 ? [lastOf(finish).id] : before;
      const straps = unit.flatMap((part) => strapSteps(part, finished, strapsOf(part)));
      for (const part of unit)
        lasts.set(part.id, straps.find((s) => s.partId === part.id)?.id ?? lastOf(finished));
      lastOfEach.push(...unit.map((p) => lastStep(p.id)));
      return [...fill, ...lit, ...finish, ...straps];
    });
    const apart = mountSteps(group, lastStep, 'apart');
    lastOfEach.push(...apart.map((s) => s.id));
    const all = [...shaped, ...dry, ...glued, ...rest, ...apart];
    return inOrder(all) ?? all;
  });
  const prints = printSteps(doc);
  lastOfEach.push(...prints.slice(-1).map((s) => s.id));
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
  return [print, ...prints, ...mockUp, ...assembled, ...(worn.dressing.length > 0 ? [wear] : carry), log];
}

/** Steps that no other of them waits for. */
const lastsOf = (steps: readonly Step[]): string[] =>
  steps.filter((s) => steps.every((o) => !o.after.includes(s.id))).map((s) => s.id);

/** `20 min, then 4 h drying`. */
export const stepTime = (step: Step): string =>
  step.waitMin > 0
    ? `${printMinutes(step.workMin)}, then ${printMinutes(step.waitMin)} ${step.waitFor ?? 'waiting'}`
    : printMinutes(step.workMin);

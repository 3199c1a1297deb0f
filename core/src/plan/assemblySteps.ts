import type { BuildDoc } from '../document';
import type { Fastening } from '../forms';
import type { PartReport } from '../parts';
import { findIn, getFrom, lastOf } from '../units';
import { closingIn } from './closedIn';
import { finishSteps, heatSteps, strapSteps } from './finishSteps';
import { inOrder } from './inOrder';
import { lightSteps } from './lightSteps';
import { liningSteps } from './liningSteps';
import { fillSteps, fitDrySteps, mountSteps } from './mountSteps';
import { shellSteps } from './shellSteps';
import { printId, type Step } from './step';
import { touch, unitsOf } from './units';
import type { Wiring } from './wiring';

/** What holds a part on the wearer. */
export type WornStrap = Fastening & { partId: string };

/** Steps of one assembly, and the last one of each of its parts and of what is put together. */
export interface AssemblySteps {
  steps: Step[];
  last: string[];
}

/**
 * Steps of parts that are put together: from what carries the rest on, each as far as what is glued to it; then what is
 * glued together is finished as one, and what comes off again is put together last.
 * @param group in the order it is put together; @param straps and @param wirings those of its parts.
 */
export function assemblySteps(
  doc: BuildDoc,
  group: readonly PartReport[],
  straps: readonly WornStrap[],
  wirings: readonly Wiring[],
  coverage: number,
): AssemblySteps {
  const lasts = new Map<string, string>();
  const lastStep = (id: string): string => getFrom(lasts, id);
  const lastOfEach: string[] = [];
  const shaping = group.map((part) => {
    const shell = shellSteps(doc, part);
    return { part, shell, heat: heatSteps(part, shell.at(-1)?.id ?? printId) };
  });
  /** Heat on what touches a part. */
  const heats = (part: PartReport): string[] =>
    shaping
      .filter((s) => touch(s.part, part))
      .flatMap((s) => [...s.shell, ...s.heat])
      .filter((s) => s.cautions.includes('heat'))
      .map((s) => s.id);
  const staged = shaping.map(({ part, shell, heat }) => {
    const sealed = (heat.at(-1) ?? shell.at(-1))?.id ?? printId;
    const light = lightSteps(part, sealed, wirings, heats(part));
    const stages = closingIn(doc, part, { shell, heat, light }, heats(part));
    const made = [...stages.shell, ...stages.heat];
    lasts.set(part.id, made.at(-1)?.id ?? printId);
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
    const strapsOf = (part: PartReport): WornStrap[] => straps.filter((s) => s.partId === part.id);
    const finish = finishSteps(doc, unit, before, (p) => strapsOf(p).length > 0, coverage);
    const finished = finish.length > 0 ? [lastOf(finish).id] : before;
    const strapped = unit.flatMap((part) => strapSteps(part, finished, strapsOf(part)));
    for (const part of unit)
      lasts.set(part.id, strapped.find((s) => s.partId === part.id)?.id ?? lastOf(finished));
    lastOfEach.push(...unit.map((p) => lastStep(p.id)));
    return [...fill, ...lit, ...finish, ...strapped];
  });
  const apart = mountSteps(group, lastStep, 'apart');
  lastOfEach.push(...apart.map((s) => s.id));
  const all = [...shaped, ...dry, ...glued, ...rest, ...apart];
  return { steps: inOrder(all) ?? all, last: lastOfEach };
}

/** Steps that no other of them waits for. */
const lastsOf = (steps: readonly Step[]): string[] =>
  steps.filter((s) => steps.every((o) => !o.after.includes(s.id))).map((s) => s.id);

import type { Work } from '../features';
import type { PartReport } from '../parts';
import { counted, singular } from '../units';
import type { Step } from './step';

/** So many of something; what is the only one there is needs no number. */
const howMany = (count: number, what: string): string =>
  what.startsWith('the ') ? what : counted(count, singular(what), what);

/** What features ask to be done at a stage, like work told as one step, one after another. */
export function workSteps(part: PartReport, when: Work['when'], after: string): Step[] {
  const groups = new Map<string, Work[]>();
  for (const work of part.work)
    if (work.when === when) groups.set(work.step, [...(groups.get(work.step) ?? []), work]);
  let previous = after;
  return [...groups].map(([step, all]): Step => {
    const [first] = all;
    const { verb, what, detail, gate, cautions, waitMin, waitFor } = first!;
    const count = all.reduce((sum, w) => sum + w.count, 0) * part.copies;
    const minutes = all.reduce((sum, w) => sum + w.count * w.eachMin, 0) * part.copies;
    const made: Step = {
      id: `${part.id}:${step}`,
      kind: 'detail',
      about: 'details',
      featureIds: [...new Set(all.flatMap((w) => w.featureId ?? []))],
      title: `${part.name}: ${verb} ${howMany(count, what)}`,
      detail,
      partId: part.id,
      workMin: Math.ceil(minutes) + 5,
      waitMin,
      ...(waitFor && { waitFor }),
      after: [previous],
      ...(gate && { gate }),
      cautions: [...cautions],
    };
    previous = made.id;
    return made;
  });
}

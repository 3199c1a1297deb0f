import { bareScheme, applyChanges, type BuildDoc, type Change, type Finish, inVersion } from '../document';
import { calendarOf, readiness, type Readiness, simulated, spreadsOf } from '../plan';
import { recipeOf, standardKinds } from '../parts';
import { createDeriver } from './derive';
import type { Report } from './report';

/** A way to be ready sooner: what is changed, and what that buys. */
export interface Easing {
  label: string;
  /** Of the document; none for a version that is kept beside the build. */
  changes: Change[];
  chance: number;
  daysMiddle: number;
  workMin: number;
  cost: number;
}

const RUNS = 300;

const plannedOf = (doc: BuildDoc, { steps, schedule }: Pick<Report, 'steps' | 'schedule'>) => ({
  steps,
  done: doc.make.done,
  startIso: schedule.firstDay,
  eventIso: doc.brief.eventDate,
  calendar: calendarOf(doc),
});

/** Whether a build will be ready, from a thousand ways its plan may go; yields after each. */
export function readinessRuns(
  doc: BuildDoc,
  report: Pick<Report, 'steps' | 'schedule' | 'constants'>,
  runs: number,
): Generator<Readiness, void> {
  return simulated(plannedOf(doc, report), spreadsOf(report.constants), runs);
}

/** Every part's finish changed, where that changes anything. */
function finishes(doc: BuildDoc, change: (finish: Required<Finish>) => Partial<Finish>): Change[] {
  return doc.parts.flatMap((part, i) => {
    const now = recipeOf(part, doc.make.habits);
    const value = { ...now, ...change(now) };
    return JSON.stringify(value) === JSON.stringify(now) ? [] : [{ path: ['parts', i, 'finish'], value }];
  });
}

/** Schemes of one colour, without wear. */
const plainSchemes = (doc: BuildDoc): Change[] =>
  doc.parts.flatMap(({ scheme }, i) =>
    scheme ? [{ path: ['parts', i, 'scheme'], value: { ...bareScheme, base: scheme.base } }] : [],
  );

const ornamental = (kind: string): boolean => standardKinds.features.get(kind)?.ornamental === true;

/** What could be dropped, made simpler or worked longer; a whole change of its own. */
interface Way {
  label: string;
  changes: Change[];
  /** A version of the build, where it is one. */
  doc?: BuildDoc;
}

function ways(doc: BuildDoc): Way[] {
  const { hours, helperHours } = doc.make.calendar ?? {};
  const calendar = doc.make.calendar ?? {};
  const more = (hours ?? Array<number>(7).fill(doc.brief.hoursPerDay)).map((h) =>
    h > 0 ? Math.min(16, h + 0.5) : 0,
  );
  const all: Way[] = [
    {
      label: 'One coat of sealer fewer',
      changes: finishes(doc, ({ sealCoats }) => ({
        sealCoats: Math.max(Math.min(sealCoats, 1), sealCoats - 1),
      })),
    },
    {
      label: 'One colour, no weathering',
      changes: [
        ...finishes(doc, ({ colours }) => ({ colours: Math.min(1, colours), weathering: 'none' })),
        ...plainSchemes(doc),
      ],
    },
    {
      label: 'Plain: no trim, layers, lines or rivets',
      changes: doc.parts.flatMap((p, i) =>
        p.features.some((f) => ornamental(f.kind))
          ? [{ path: ['parts', i, 'features'], value: p.features.filter((f) => !ornamental(f.kind)) }]
          : [],
      ),
    },
    {
      label: 'Half an hour more on every day there is',
      changes: hours
        ? [{ path: ['make', 'calendar'], value: { ...calendar, hours: more } }]
        : [{ path: ['brief', 'hoursPerDay'], value: Math.min(16, doc.brief.hoursPerDay + 0.5) }],
    },
    {
      label: 'A helper on Saturdays and Sundays, three hours each',
      changes: helperHours
        ? []
        : [{ path: ['make', 'calendar'], value: { ...calendar, helperHours: [0, 0, 0, 0, 0, 3, 3] } }],
    },
    ...(doc.versions ?? []).map((v) => ({ label: `Only “${v.name}”`, changes: [], doc: inVersion(doc, v) })),
  ];
  return all.filter((w) => w.changes.length > 0 || w.doc);
}

/**
 * What each way buys, one after another, reckoned on a coarse answer: chance and middle of three hundred runs, work and
 * money.
 */
export function* easings(doc: BuildDoc, today?: string): Generator<Easing, void> {
  const derive = createDeriver(today ? { today } : {});
  const now = derive(doc, { coarse: true, pagesPlanned: true }).totals.daysToSpare;
  for (const { label, changes, doc: version } of ways(doc)) {
    const other = version ?? applyChanges(doc, changes);
    const report = derive(other, { coarse: true, pagesPlanned: true });
    // What wants two to meet can wait for a helper longer than it gains.
    if (report.totals.daysToSpare < now) continue;
    const { chance, daysMiddle } = readiness(plannedOf(other, report), spreadsOf(report.constants), RUNS);
    yield {
      label,
      changes,
      chance,
      daysMiddle,
      workMin: report.totals.workMin,
      cost: report.totals.cost,
    };
  }
}

import { byId } from '@fomrik/core/units';
import { floats, scheduleTime, type Step } from '@fomrik/core/plan';
import type { Report } from '@fomrik/core/report';
import { format } from 'date-fns';
import { DoorClosed, Flag } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import { Said } from '../../parts/Said';
import { Empty } from '../../parts/Empty';
import { TabLine } from '../../parts/TabLine';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { selectStep, useSelected } from '../../store/selection';
import { CalendarFields } from './CalendarFields';
import { Habits } from './Habits';
import { Tools } from './Tools';
import { ReadyPanel } from './ReadyPanel';
import { StepView } from './StepView';
import { Tonight } from './Tonight';
import { useAwake } from './useAwake';

/**
 * What is done, in the order it was done; then what is planned, in the order it begins. A tick shows before the plan that
 * follows from it: each step is there once.
 */
function inOrder({ steps, schedule }: Report, done: Readonly<Record<string, string>>): Step[] {
  const begins = new Map(schedule.slots.map((slot, i) => [slot.stepId, i]));
  return [
    ...steps
      .filter((s) => done[s.id] !== undefined)
      .sort((a, b) => new Date(done[a.id]!).getTime() - new Date(done[b.id]!).getTime()),
    ...steps
      .filter((s) => done[s.id] === undefined)
      .sort((a, b) => (begins.get(a.id) ?? -1) - (begins.get(b.id) ?? -1)),
  ];
}

const tabs = [
  ['step', 'Step'],
  ['tonight', 'Tonight'],
  ['ready', 'Ready?'],
  ['calendar', 'Calendar'],
  ['habits', 'Habits'],
] as const;

/** The steps as a line, and what is on the bench now: the step, the evening, the calendar, the odds. */
export function Make() {
  useAwake();
  const done = useBuild((s) => s.doc.make.done);
  const report = useReport((s) => s.report)!;
  const { steps, schedule } = report;
  const openId = useSelected((s) => s.stepId);
  const [tab, setTab] = useState<string>('step');
  const ordered = useMemo(() => inOrder(report, done), [report, done]);
  const critical = useMemo(() => {
    const left = steps.filter((s) => done[s.id] === undefined);
    return new Set([...floats(left)].filter(([, f]) => f.slackMin < 1).map(([id]) => id));
  }, [steps, done]);
  const next = ordered.find(
    (s) =>
      done[s.id] === undefined &&
      s.after.every((id) => done[id] !== undefined || !steps.some((x) => x.id === id)),
  );
  const open = byId(steps, openId) ?? next ?? ordered.at(-1);
  if (!open) return <Empty what="make" />;
  const show = (id: string | undefined): void => {
    selectStep(id ?? '', byId(steps, id)?.partId);
    setTab('step');
  };
  const ready = steps.filter((s) => done[s.id] !== undefined).length;
  let day = '';
  return (
    <div className="grid h-full grid-cols-[290px_minmax(0,1fr)] max-[1100px]:grid-cols-[210px_minmax(0,1fr)]">
      <ol className="min-h-0 overflow-auto border-r border-hair p-2" aria-label="Steps">
        {ordered.map((step, i) => {
          const here = step.id === open.id;
          const finished = done[step.id] !== undefined;
          const slot = schedule.slots.find((s) => s.stepId === step.id);
          const on = slot ? format(new Date(scheduleTime(schedule, slot.startMin)), 'EEE d MMM') : 'done';
          const heading = on === day ? undefined : on;
          day = on;
          return (
            <li key={step.id} className="relative pl-5">
              <span aria-hidden className="absolute left-[7px] top-0 h-full w-px bg-ink" />
              {heading && <p className="pt-2 text-[12px] font-medium text-soft">{heading}</p>}
              <span
                aria-hidden
                className={`absolute left-0.5 h-3 w-3 border border-ink ${heading ? 'top-8' : 'top-2.5'} ${finished ? 'bg-foam' : step.id === next?.id ? 'bg-teal' : 'bg-leaf'}`}
              />
              <button
                type="button"
                className={`block w-full px-1.5 py-1 text-left leading-snug ${here ? 'bg-wash font-medium' : ''} ${finished ? 'text-soft line-through' : ''}`}
                aria-current={here ? 'step' : undefined}
                onClick={() => show(step.id)}
              >
                {i + 1}. <Said words={step.title} />
                {step.gate && <DoorClosed size={13} aria-label="gate" className="ml-1 inline" />}
                {critical.has(step.id) && (
                  <Flag size={13} aria-label="on the critical path" className="ml-1 inline text-teal" />
                )}
              </button>
            </li>
          );
        })}
      </ol>
      <Tabs.Root
        value={tab}
        onValueChange={setTab}
        className="flex min-h-0 min-w-0 flex-col"
        aria-label="The bench"
      >
        <div className="flex flex-wrap items-baseline gap-x-4 border-b border-hair px-5 pt-3">
          <TabLine label="About the work" tabs={tabs} />
          <p className="ml-auto text-soft">
            {ready} of {steps.length} done
          </p>
        </div>
        <Tabs.Content value="step" className="min-h-0 flex-1 overflow-auto">
          <section aria-label="The step">
            <StepView step={open} report={report} onDone={() => selectStep('')} />
          </section>
        </Tabs.Content>
        <Tabs.Content value="tonight" className="min-h-0 flex-1 overflow-auto">
          <Tonight report={report} onOpen={show} />
        </Tabs.Content>
        <Tabs.Content value="ready" className="min-h-0 flex-1 overflow-auto">
          <ReadyPanel report={report} />
        </Tabs.Content>
        <Tabs.Content value="calendar" className="min-h-0 flex-1 overflow-auto">
          <CalendarFields />
        </Tabs.Content>
        <Tabs.Content value="habits" className="min-h-0 flex-1 overflow-auto">
          <Habits />
          <Tools />
        </Tabs.Content>
      </Tabs.Root>
    </div>
  );
}

import { cautionNames, cautions } from '@fomrik/core/materials';
import { mockUpId, scheduleTime, type Slot, type Step, stepTime, workKinds } from '@fomrik/core/plan';
import type { Report } from '@fomrik/core/report';
import { trimNumber, findIn } from '@fomrik/core/units';
import { format, isSameDay } from 'date-fns';
import { DoorClosed, Hourglass, TriangleAlert } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSaid } from '../../parts/Said';
import { useBuild } from '../../store/build';
import { clockMs, pressClock, useWorkClock } from '../../store/workClock';
import { DryingTimer } from './DryingTimer';
import { FinishFields } from './FinishFields';
import { StepFold } from './StepFold';
import { StepPicture } from './StepPicture';
import { BarReading } from './BarReading';
import { DryFit } from './DryFit';
import { FitReading } from './FitReading';
import { FoamReading } from './FoamReading';
import { Noted } from './Noted';
import { StepReading } from './StepReading';
import { tickStep, untickStep } from './tick';
import { clockWords, useNow } from './useNow';

const MOST_MIN = 6000;

/** Minutes typed with point or comma: none when empty, false when they are none. */
function minutesOf(text: string): number | undefined | false {
  if (text.trim() === '') return undefined;
  const value = Number(text.trim().replace(',', '.'));
  return value > 0 && value <= MOST_MIN ? value : false;
}

/** One step, large enough to read from a metre away: what to do, with what care, how long, and done. */
export function StepView({ step, report, onDone }: { step: Step; report: Report; onDone: () => void }) {
  const id = useBuild((s) => s.id);
  const done = useBuild((s) => s.doc.make.done);
  const clock = useWorkClock();
  const said = useSaid();
  const [took, setTook] = useState('');
  const [message, setMessage] = useState('');
  useEffect(() => {
    setTook('');
    setMessage('');
  }, [step.id]);
  const runs = clock.startedAt !== null && clock.buildId === id && clock.stepId === step.id;
  const now = useNow(runs);
  const spent = clockMs(clock, id, step.id, now);
  const slot = report.schedule.slots.find((s) => s.stepId === step.id);
  const held = step.after.filter(
    (other) => done[other] === undefined && report.steps.some((s) => s.id === other),
  );
  const finished = done[step.id] !== undefined;
  const learned = report.constants[workKinds[step.kind].teaches].readings;
  const finish = (): void => {
    const typed = minutesOf(took);
    if (typed === false) {
      setMessage(`It took: “${took}” is not a number of minutes above 0 and up to ${MOST_MIN}.`);
      return;
    }
    tickStep(step, typed ?? (spent >= 60_000 ? Math.round(spent / 6000) / 10 : undefined));
    onDone();
  };
  useHotkeys('d', () => !finished && held.length === 0 && finish(), { useKey: true }, [
    step,
    took,
    spent,
    held,
  ]);
  return (
    <div className="p-5">
      {slot && <When slot={slot} report={report} />}
      <h2 className="mt-1 text-[30px] leading-tight">{said(step.title)}</h2>
      <p className="mt-2 max-w-2xl text-[21px] leading-snug">{said(step.detail)}</p>
      <StepPicture step={step} />
      <StepFold step={step} />
      {step.partId && <Noted partId={step.partId} />}
      <p className="mt-2 flex items-center gap-2 text-[17px]">
        <Hourglass size={18} aria-hidden /> {stepTime(step)}
        {step.hands === 2 && ' · wants two people'}
        {learned > 0 && (
          <span className="text-[14px] text-soft">
            · yours, from {learned} reading{learned === 1 ? '' : 's'}
          </span>
        )}
      </p>
      {step.gate && (
        <p className="mt-3 flex max-w-2xl gap-2 border-l-4 border-ink bg-paper p-2 text-[17px]">
          <DoorClosed size={20} aria-hidden className="mt-0.5 shrink-0" />
          <span>
            <strong>Gate.</strong> {said(step.gate)}
          </span>
        </p>
      )}
      <Cautions
        step={step}
        steps={report.steps}
        done={done}
        helped={step.hands === 2 || (slot?.makers.includes(1) ?? false)}
      />
      {held.length > 0 && !finished && (
        <p className="mt-3 text-[15px]">
          First: {held.map((other) => findIn(report.steps, (s) => s.id === other).title).join('; ')}.
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-end gap-3">
        <button
          type="button"
          className="btn btn-main px-5 py-2 text-[17px]"
          disabled={held.length > 0 && !finished}
          title={finished ? undefined : 'D'}
          onClick={() => (finished ? untickStep(step) : finish())}
        >
          {finished ? 'Mark as not done' : 'Done'}
        </button>
        {!finished && (
          <>
            <label className="grid">
              <span className="label">It took, min</span>
              <input
                className="box w-24"
                inputMode="decimal"
                value={took}
                placeholder={spent >= 60_000 ? trimNumber(spent / 60_000, 0) : trimNumber(step.workMin, 0)}
                onChange={(e) => setTook(e.target.value)}
              />
            </label>
            <button type="button" className="btn" aria-pressed={runs} onClick={() => pressClock(id, step.id)}>
              {runs ? 'Stop the clock' : spent > 0 ? 'Go on' : 'Start the clock'}
            </button>
            {spent > 0 && (
              <span role="timer" aria-label="At work" className="pb-1.5 text-[20px] font-semibold">
                {clockWords(spent)}
              </span>
            )}
          </>
        )}
        {step.waitMin > 0 && <DryingTimer key={step.id} step={step} doneAt={done[step.id]} />}
      </div>
      {message && (
        <p role="alert" className="mt-2 text-stop">
          {message}
        </p>
      )}
      {step.kind === 'print' && <BarReading />}
      {step.kind === 'wear' && (step.id === mockUpId ? <DryFit /> : <FitReading />)}
      {(step.kind === 'trace' || step.kind === 'groove') && <FoamReading partId={step.partId} />}
      {step.reads && <StepReading key={step.id} step={step} reads={step.reads} />}
      {(step.kind === 'coat' || step.kind === 'paint') && step.partId && (
        <FinishFields partId={step.partId} />
      )}
    </div>
  );
}

function When({ slot, report }: { slot: Slot; report: Report }) {
  const at = (minute: number, words: string): string =>
    format(new Date(scheduleTime(report.schedule, minute)), words);
  return (
    <p className="text-soft">
      Planned {at(slot.startMin, 'EEE d MMM HH:mm')}
      {slot.makers.includes(1) && (slot.makers.length > 1 ? ', with your helper' : ', by your helper')} ·
      begin {at(slot.latestMin, 'EEE d MMM')} at the latest
    </p>
  );
}

/** Each caution in full once a day; where it was read at a step done today, short, unless a helper reads it too. */
function Cautions({
  step,
  steps,
  done,
  helped,
}: {
  step: Step;
  steps: readonly Step[];
  done: Readonly<Record<string, string>>;
  helped: boolean;
}) {
  const now = new Date();
  const read = new Set(
    steps
      .filter(
        (s) =>
          !helped && s.id !== step.id && done[s.id] !== undefined && isSameDay(new Date(done[s.id]!), now),
      )
      .flatMap((s) => s.cautions),
  );
  return step.cautions.map((key) =>
    read.has(key) ? (
      <details key={key} className="mt-2 max-w-2xl border-l-4 border-soft bg-paper p-2 text-[15px]">
        <summary className="cursor-pointer">
          <strong>Care: {cautionNames[key]}.</strong> Read today already
        </summary>
        {cautions[key]}
      </details>
    ) : (
      <p key={key} className="mt-2 flex max-w-2xl gap-2 border-l-4 border-soft bg-paper p-2 text-[15px]">
        <TriangleAlert size={18} aria-hidden className="mt-0.5 shrink-0" />
        <span>
          <strong>{helped ? 'Caution, both of you.' : 'Care.'}</strong> {cautions[key]}
        </span>
      </p>
    ),
  );
}

import { cautions, type Habits } from '@fomrik/core/materials';
import { scheduleTime, type Step, stepTime } from '@fomrik/core/plan';
import { format } from 'date-fns';
import { DoorClosed, Hourglass, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Empty } from '../../parts/Empty';
import { ChoiceField } from '../../parts/Field';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { DryingTimer } from './DryingTimer';
import { StepPieces } from './StepPieces';

const habitChoices: { key: keyof Habits; label: string; choices: { value: string; label: string }[] }[] = [
  {
    key: 'glue',
    label: 'Glue',
    choices: [
      { value: 'contact', label: 'contact cement' },
      { value: 'instant', label: 'instant glue' },
      { value: 'hot', label: 'hot glue' },
    ],
  },
  {
    key: 'fold',
    label: 'Folds',
    choices: [
      { value: 'v-groove', label: 'deep V groove' },
      { value: 'slanted-pair', label: 'half-depth slanted pair' },
      { value: 'heat-and-fold', label: 'heat and fold' },
      { value: 'partial-cut', label: 'partial cut with depth stops' },
    ],
  },
  {
    key: 'seal',
    label: 'Sealing',
    choices: [
      { value: 'spray-rubber', label: 'spray-on rubber coating' },
      { value: 'brush-on', label: 'flexible brush-on sealer' },
      { value: 'acrylic', label: 'acrylic coats' },
      { value: 'latex', label: 'latex' },
      { value: 'thermoplastic', label: 'thermoplastic skin' },
    ],
  },
  {
    key: 'cutter',
    label: 'Cutting',
    choices: [
      { value: 'knife', label: 'knife' },
      { value: 'band-saw', label: 'band saw' },
      { value: 'laser', label: 'laser' },
    ],
  },
];

/** Steps in the order makers work, large enough to read from a metre away. */
export function Make() {
  const make = useBuild((s) => s.doc.make);
  const update = useBuild((s) => s.update);
  const report = useReport((s) => s.report)!;
  const { done, habits } = make;
  const next = report.steps.find(
    (s) =>
      done[s.id] === undefined &&
      s.after.every((id) => done[id] !== undefined || !report.steps.some((x) => x.id === id)),
  );
  const [openId, setOpenId] = useState<string>();
  const open = report.steps.find((s) => s.id === openId) ?? next ?? report.steps.at(-1);
  if (!open) return <Empty what="make" />;
  const tick = (step: Step): void => {
    update((d) => {
      if (d.make.done[step.id] === undefined) d.make.done[step.id] = new Date().toISOString();
      else delete d.make.done[step.id];
    });
    setOpenId(undefined);
  };
  const slot = report.schedule.slots.find((s) => s.stepId === open.id);
  const held = open.after.filter((id) => done[id] === undefined && report.steps.some((s) => s.id === id));
  const about = report.parts.find((p) => p.id === open.partId);
  const ready = report.steps.filter((s) => done[s.id] !== undefined).length;
  return (
    <div className="grid h-full grid-cols-[270px_1fr]">
      <ol className="min-h-0 overflow-auto border-r border-hair p-2" aria-label="Steps">
        {report.steps.map((step, i) => {
          const here = step.id === open.id;
          const finished = done[step.id] !== undefined;
          return (
            <li key={step.id} className="relative pl-5">
              <span aria-hidden className="absolute left-[7px] top-0 h-full w-px bg-ink" />
              <span
                aria-hidden
                className={`absolute left-0.5 top-2.5 h-3 w-3 border border-ink ${finished ? 'bg-foam' : step.id === next?.id ? 'bg-teal' : 'bg-leaf'}`}
              />
              <button
                type="button"
                className={`block w-full px-1.5 py-1 text-left leading-snug ${here ? 'bg-wash font-medium' : ''} ${finished ? 'text-soft line-through' : ''}`}
                aria-current={here ? 'step' : undefined}
                onClick={() => setOpenId(step.id)}
              >
                {i + 1}. {step.title}
                {step.gate && <DoorClosed size={13} aria-label="gate" className="ml-1 inline" />}
              </button>
            </li>
          );
        })}
      </ol>
      <section className="min-h-0 overflow-auto p-5" aria-label="The step">
        <p className="text-soft">
          {ready} of {report.steps.length} done
          {slot &&
            ` · planned ${format(new Date(scheduleTime(report.schedule, slot.startMin)), 'EEE d MMM HH:mm')}`}
        </p>
        <h2 className="mt-1 text-[30px] leading-tight">{open.title}</h2>
        <p className="mt-2 max-w-2xl text-[21px] leading-snug">{open.detail}</p>
        {about && open.about && <StepPieces made={about} about={open.about} />}
        <p className="mt-2 flex items-center gap-2 text-[17px]">
          <Hourglass size={18} aria-hidden /> {stepTime(open)}
        </p>
        {open.gate && (
          <p className="mt-3 flex max-w-2xl gap-2 border-l-4 border-ink bg-paper p-2 text-[17px]">
            <DoorClosed size={20} aria-hidden className="mt-0.5 shrink-0" />
            <span>
              <strong>Gate.</strong> {open.gate}
            </span>
          </p>
        )}
        {open.cautions.map((key) => (
          <p key={key} className="mt-2 flex max-w-2xl gap-2 border-l-4 border-soft bg-paper p-2 text-[15px]">
            <TriangleAlert size={18} aria-hidden className="mt-0.5 shrink-0" />
            <span>
              <strong>Care.</strong> {cautions[key]}
            </span>
          </p>
        ))}
        {held.length > 0 && done[open.id] === undefined && (
          <p className="mt-3 text-[15px]">
            First: {held.map((id) => report.steps.find((s) => s.id === id)!.title).join('; ')}.
          </p>
        )}
        <div className="mt-4 flex items-center gap-3">
          <button
            type="button"
            className="btn btn-main px-5 py-2 text-[17px]"
            disabled={held.length > 0 && done[open.id] === undefined}
            onClick={() => tick(open)}
          >
            {done[open.id] === undefined ? 'Done' : 'Not done after all'}
          </button>
          {open.waitMin > 0 && <DryingTimer key={open.id} step={open} doneAt={done[open.id]} />}
        </div>
        <fieldset className="mt-6 grid max-w-2xl grid-cols-2 gap-3 border-t border-hair pt-2">
          <legend className="head">Shop habits; they change steps, times and cost</legend>
          {habitChoices.map(({ key, label, choices }) => (
            <ChoiceField
              key={key}
              label={label}
              value={habits[key] as string}
              choices={choices}
              onChange={(value) => update((d) => void Object.assign(d.make.habits, { [key]: value }))}
            />
          ))}
        </fieldset>
      </section>
    </div>
  );
}

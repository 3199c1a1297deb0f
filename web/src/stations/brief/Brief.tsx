import type { BuildDoc } from '@fomrik/core/document';
import type { Draft } from 'immer';
import { useId } from 'react';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField, NumberField, WordsField } from '../../parts/Field';
import { PictureBook } from '../../pictures/PictureBook';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { Costs } from './Costs';
import { Lessons } from './Lessons';
import { PartCosts } from './PartCosts';
import { Timeline } from './Timeline';
import { Versions } from './Versions';

type BriefDraft = Draft<BuildDoc['brief']>;

/** What it is, for when, and what it may cost. */
export function Brief() {
  const name = useBuild((s) => s.doc.name);
  const brief = useBuild((s) => s.doc.brief);
  const update = useBuild((s) => s.update);
  const report = useReport((s) => s.report)!;
  const set = (recipe: (b: BriefDraft) => void): void => update((d) => recipe(d.brief));
  const notesId = useId();
  return (
    <div className="grid gap-5 p-4">
      <section className="grid grid-cols-4 gap-x-4 gap-y-2" aria-label="Brief">
        <div className="col-span-2">
          <WordsField
            label="Name of the build"
            value={name}
            onChange={(name) => update((d) => void (d.name = name))}
          />
        </div>
        <ChoiceField
          label="Currency"
          value={brief.currency}
          choices={(['EUR', 'USD', 'GBP'] as const).map((c) => ({ value: c, label: c }))}
          onChange={(currency) => set((b) => void (b.currency = currency))}
        />
        <WordsField
          label="Begin"
          type="date"
          value={brief.startDate}
          onChange={(date) => set((b) => void (b.startDate = date))}
        />
        <WordsField
          label="Event"
          type="date"
          value={brief.eventDate}
          onChange={(date) => set((b) => void (b.eventDate = date))}
        />
        <NumberField
          label="Hours a day"
          value={brief.hoursPerDay}
          range={[0.25, 16]}
          suffix="h"
          onChange={(h) => set((b) => void (b.hoursPerDay = h))}
          help="Evenings and weekends, on average."
        />
        <NumberField
          label="Light needed"
          value={brief.lightHours}
          range={[0, 200]}
          suffix="h"
          onChange={(h) => set((b) => void (b.lightHours = h))}
          help="How long the lamps must burn at the event."
        />
        <NumberField
          label="How cold it is there"
          value={brief.coldC ?? 20}
          range={[-30, 45]}
          suffix="°C"
          onChange={(c) =>
            set((b) => {
              if (c === 20) delete b.coldC;
              else b.coldC = c;
            })
          }
          help="Cells give less in the cold."
        />
        <NumberField
          label="Budget"
          value={brief.budget}
          range={[0, 1_000_000]}
          suffix={brief.currency}
          onChange={(v) => set((b) => void (b.budget = v))}
        />
        <LengthField
          label="Longest for the luggage"
          valueMm={brief.luggageMm}
          range={[100, 5000]}
          onChange={(mm) => set((b) => void (b.luggageMm = mm))}
        />
        <LengthField
          label="Longest the event admits"
          valueMm={brief.eventMaxMm}
          range={[100, 10000]}
          onChange={(mm) => set((b) => void (b.eventMaxMm = mm))}
          help="Event rules decide; read them."
        />
        {report.carried.length > 0 && (
          <>
            <NumberField
              label="Heaviest the event admits"
              value={brief.maxCarriedG ?? 0}
              range={[0, 50000]}
              suffix="g"
              whole
              onChange={(g) =>
                set((b) => {
                  if (g === 0) delete b.maxCarriedG;
                  else b.maxCarriedG = g;
                })
              }
              help="Of what is carried; 0 when it says nothing."
            />
            <LengthField
              label="Longest hard stick admitted"
              valueMm={brief.maxRigidMm ?? 0}
              range={[0, 10000]}
              onChange={(mm) =>
                set((b) => {
                  if (mm === 0) delete b.maxRigidMm;
                  else b.maxRigidMm = mm;
                })
              }
              help="In one piece; 0 when it says nothing."
            />
            {(
              [
                ['softEdges', 'The event asks for soft edges'],
                ['noBarrel', 'The event admits no open barrel'],
              ] as const
            ).map(([key, label]) => (
              <label key={key} className="flex items-center gap-2 self-center">
                <input
                  type="checkbox"
                  checked={brief[key] === true}
                  onChange={(e) =>
                    set((b) => {
                      if (e.target.checked) b[key] = true;
                      else delete b[key];
                    })
                  }
                />
                {label}
              </label>
            ))}
          </>
        )}
        <div className="col-span-4">
          <label htmlFor={notesId} className="label">
            What it is
          </label>
          <textarea
            key={brief.notes}
            id={notesId}
            className="box min-h-16 p-2"
            defaultValue={brief.notes}
            maxLength={20000}
            onBlur={(e) => {
              const notes = e.target.value;
              if (notes !== brief.notes) set((b) => void (b.notes = notes));
            }}
          />
        </div>
      </section>
      <PictureBook />
      {report.parts.length > 0 && <Versions />}
      <Lessons />
      <Timeline report={report} eventDate={brief.eventDate} />
      <Costs lines={report.cost} currency={brief.currency} budget={brief.budget} />
      <PartCosts report={report} />
    </div>
  );
}

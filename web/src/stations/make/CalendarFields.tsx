import { itemAt } from '@fomrik/core/units';
import type { MakeCalendar } from '@fomrik/core/document';
import { format, parseISO } from 'date-fns';
import type { Draft } from 'immer';
import { X } from 'lucide-react';
import { useState } from 'react';
import { ChoiceField } from '../../parts/ChoiceField';
import { NumberField } from '../../parts/Field';
import { useBuild } from '../../store/build';

const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const hoursOfDay = Array.from({ length: 25 }, (_, h) => ({ value: h * 60, label: `${h}:00` }));

/** When work is done: weekdays, days off, quiet hours, a helper, and in which order. */
export function CalendarFields() {
  const calendar = useBuild((s) => s.doc.make.calendar) ?? {};
  const hoursPerDay = useBuild((s) => s.doc.brief.hoursPerDay);
  const update = useBuild((s) => s.update);
  const [off, setOff] = useState('');
  const { hours, helperHours, daysOff = [], quiet, order = 'parts' } = calendar;
  const set = (change: (c: Draft<MakeCalendar>) => void): void =>
    update((d) => {
      d.make.calendar ??= {};
      change(d.make.calendar);
    });
  return (
    <div className="grid max-w-3xl gap-5 p-5">
      <Week
        name="Your hours"
        hours={hours ?? weekdays.map(() => hoursPerDay)}
        note={hours ? undefined : `${hoursPerDay} h every day, as the brief says, until you change one.`}
        onChange={(week) => set((c) => void (c.hours = week))}
        {...(hours && { onDrop: () => set((c) => void delete c.hours), drop: 'Every day alike' })}
      />
      {helperHours ? (
        <Week
          name="Hours of a helper"
          hours={helperHours}
          note="Two people do two things at once, and come together for what wants both."
          onChange={(week) => set((c) => void (c.helperHours = week))}
          onDrop={() => set((c) => void delete c.helperHours)}
          drop="No helper"
        />
      ) : (
        <button
          type="button"
          className="btn justify-self-start"
          onClick={() => set((c) => void (c.helperHours = [0, 0, 0, 0, 0, 3, 3]))}
        >
          Add a helper
        </button>
      )}
      <fieldset className="grid grid-cols-3 gap-3 border-t border-hair pt-2">
        <legend className="head">Order and quiet</legend>
        <ChoiceField
          label="Order"
          value={order}
          choices={[
            { value: 'parts', label: 'part by part' },
            { value: 'batches', label: 'in batches: like work together' },
          ]}
          onChange={(value) => set((c) => void (c.order = value))}
        />
        <ChoiceField
          label="Loud tools until"
          value={quiet?.fromMin ?? 1440}
          choices={[...hoursOfDay.slice(12, 24), { value: 1440, label: 'any hour' }]}
          onChange={(fromMin) =>
            set((c) => {
              if (fromMin === 1440) delete c.quiet;
              else c.quiet = { fromMin, toMin: quiet?.toMin ?? 8 * 60 };
            })
          }
          help="Rotary tool, saw and drill are not heard after that."
        />
        {quiet && (
          <ChoiceField
            label="and again from"
            value={quiet.toMin}
            choices={hoursOfDay.slice(4, 13)}
            onChange={(toMin) => set((c) => void (c.quiet = { ...quiet, toMin }))}
          />
        )}
      </fieldset>
      <fieldset className="border-t border-hair pt-2">
        <legend className="head">Days off</legend>
        <form
          className="flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (off === '' || daysOff.includes(off)) return;
            set((c) => void (c.daysOff = [...daysOff, off].sort()));
            setOff('');
          }}
        >
          <label className="grid">
            <span className="label">Day</span>
            <input className="box" type="date" value={off} onChange={(e) => setOff(e.target.value)} />
          </label>
          <button type="submit" className="btn" disabled={off === ''}>
            Off
          </button>
        </form>
        <ul className="mt-2 flex flex-wrap gap-1.5">
          {daysOff.map((day) => (
            <li key={day} className="flex items-center gap-1 bg-paper px-2">
              {format(parseISO(day), 'EEE d MMM yyyy')}
              <button
                type="button"
                className="btn btn-icon"
                aria-label={`Work on ${day}`}
                onClick={() => set((c) => void (c.daysOff = daysOff.filter((o) => o !== day)))}
              >
                <X size={14} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      </fieldset>
    </div>
  );
}

function Week({
  name,
  hours,
  note,
  onChange,
  onDrop,
  drop,
}: {
  name: string;
  hours: readonly number[];
  note?: string | undefined;
  onChange: (hours: number[]) => void;
  onDrop?: () => void;
  drop?: string;
}) {
  return (
    <fieldset className="grid gap-1">
      <legend className="head">{name}</legend>
      <div className="grid grid-cols-7 gap-2">
        {weekdays.map((day, i) => (
          <NumberField
            key={day}
            label={`${day}, h`}
            value={itemAt(hours, i)}
            range={[0, 16]}
            onChange={(h) => onChange(hours.map((old, k) => (k === i ? h : old)))}
          />
        ))}
      </div>
      <p className="text-[13px] text-soft">
        {note}
        {onDrop && (
          <button type="button" className="ml-2 text-teal underline" onClick={onDrop}>
            {drop}
          </button>
        )}
      </p>
    </fieldset>
  );
}

import { byId } from '@fomrik/core/units';
import type { BuildDoc } from '@fomrik/core/document';
import { measureInfo, type MeasureKey, resolveBody } from '@fomrik/core/body';
import { formMenu, newBuild, newPart, standardKinds } from '@fomrik/core/parts';
import { type FormEvent, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { LengthField } from '../parts/Field';
import { Sheet } from '../parts/Sheet';
import { api, type ApiError, type SavedWearer } from '../store/api';
import { plainFoam } from '../store/shop';
import { todayIso } from '../store/today';

/** The shop goes on with its habits and what it has read off its work, from the build last changed. */
async function lastMake(): Promise<Partial<BuildDoc['make']>> {
  const sound = (await api.list()).filter((b) => b.broken === undefined);
  const [last] = sound.sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1));
  if (!last) return {};
  const { habits, readings } = (await api.load(last.id)).doc.make;
  return readings && readings.length > 0 ? { habits, readings } : {};
}

/** Stature gives a figure; three tapes make it this wearer's. */
const tapes: MeasureKey[] = ['stature', 'headGirth', 'chestGirth', 'waistGirth'];

const SOMEONE_NEW = '';

const sixWeeksOn = (): string => {
  const at = new Date(`${todayIso()}T12:00:00Z`);
  at.setUTCDate(at.getUTCDate() + 42);
  return at.toISOString().slice(0, 10);
};

/** For whom, what first, and until when: one small step, and on to where work begins. */
export function NewBuild({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [book, setBook] = useState<SavedWearer[]>([]);
  const [who, setWho] = useState(SOMEONE_NEW);
  const [wearerName, setWearerName] = useState('');
  const [taken, setTaken] = useState<Partial<Record<MeasureKey, number>>>({});
  const [name, setName] = useState('');
  const [form, setForm] = useState('');
  const [eventDate, setEventDate] = useState(sixWeeksOn);
  const [error, setError] = useState('');
  const navigate = useNavigate();
  useEffect(() => {
    if (open) api.wearers().then(setBook, () => setBook([]));
  }, [open]);

  const readings = (Object.entries(taken) as [MeasureKey, number][]).map(([key, valueMm]) => ({
    key,
    valueMm,
    source: 'tape' as const,
    takenOn: todayIso(),
  }));
  const body = resolveBody(readings);

  const begin = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    const known = byId(book, who);
    const today = todayIso();
    if (eventDate <= today) return setError('The event is not after today.');
    const wearer = known
      ? { name: known.name, underLayerMm: known.underLayerMm, measures: known.measures }
      : {
          name: wearerName.trim() || 'New wearer',
          underLayerMm: 2,
          measures: readings,
        };
    try {
      const doc = newBuild(name.trim() || 'New build', today, wearer);
      const [stock, shop] = await Promise.all([api.stock(), lastMake()]);
      const made = await api.create({
        ...doc,
        stock: stock.map(plainFoam),
        make: { ...doc.make, ...shop },
        brief: { ...doc.brief, eventDate },
        parts: form === '' ? [] : [newPart(`${form}-1`, wearer, form)],
      });
      await navigate(`/build/${made.id}/${wearer.measures.length === 0 ? 'body' : 'shape'}`);
    } catch (failure) {
      setError((failure as ApiError).message);
    }
  };

  return (
    <Sheet open={open} onClose={onClose} title="New build">
      <form className="grid grid-cols-2 gap-x-4 gap-y-2" onSubmit={(e) => void begin(e)}>
        <label className="label col-span-2">
          Name of the build
          <input
            className="box"
            value={name}
            maxLength={120}
            placeholder="New build"
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <label className="label">
          For whom
          <select className="box" value={who} onChange={(e) => setWho(e.target.value)}>
            <option value={SOMEONE_NEW}>someone new</option>
            {book.map((w) => (
              <option key={w.id} value={w.id}>
                {w.name}, {w.measures.length} readings
              </option>
            ))}
          </select>
        </label>
        <label className="label">
          When is the event
          <input
            type="date"
            className="box"
            required
            value={eventDate}
            onChange={(e) => setEventDate(e.target.value)}
          />
        </label>
        {who === SOMEONE_NEW && (
          <fieldset className="col-span-2 grid grid-cols-2 gap-x-4 gap-y-2 border-t border-hair pt-2">
            <legend className="sr-only">Someone new</legend>
            <label className="label col-span-2">
              Name of the wearer
              <input
                className="box"
                value={wearerName}
                maxLength={120}
                placeholder="New wearer"
                onChange={(e) => setWearerName(e.target.value)}
              />
            </label>
            {tapes.map((key) => (
              <LengthField
                key={key}
                label={measureInfo(key).label}
                valueMm={Math.round(body[key].valueMm)}
                estimate={taken[key] === undefined}
                {...(taken[key] === undefined && { note: `est. from ${body[key].from ?? 'others'}` })}
                range={measureInfo(key).rangeMm}
                onChange={(mm) => setTaken((t) => ({ ...t, [key]: mm }))}
                help={measureInfo(key).how}
              />
            ))}
            <p className="col-span-2 text-[13px] text-soft">
              Stature alone gives a figure; every other measure is estimated until it is taken.
            </p>
          </fieldset>
        )}
        <label className="label col-span-2">
          What first
          <select className="box" value={form} onChange={(e) => setForm(e.target.value)}>
            <option value="">nothing yet</option>
            {formMenu(standardKinds).map(({ group, forms }) => (
              <optgroup key={group} label={group}>
                {forms.map(({ kind, label }) => (
                  <option key={kind} value={kind}>
                    {label}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </label>
        {error && (
          <p role="alert" className="col-span-2 text-stop">
            {error}
          </p>
        )}
        <div className="col-span-2 flex justify-end gap-2">
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="submit" className="btn btn-main">
            Create
          </button>
        </div>
      </form>
    </Sheet>
  );
}

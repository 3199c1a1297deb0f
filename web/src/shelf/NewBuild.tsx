import { byId, counted } from '@fomrik/core/units';
import type { BuildDoc } from '@fomrik/core/document';
import { measureInfo, type MeasureKey, resolveBody } from '@fomrik/core/body';
import { newBuild } from '@fomrik/core/parts';
import { propsOnly } from '@fomrik/core/sets';
import { type FormEvent, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { LengthField } from '../parts/Field';
import { Sheet } from '../parts/Sheet';
import { api, type ApiError, type SavedWearer } from '../store/api';
import { plainFoam } from '../store/shop';
import { todayIso } from '../store/today';
import { besideWorker } from '../workers/besideClient';
import { type First, partsOf, WhatFirst } from './WhatFirst';

/** The shop goes on with its habits and what it has read off its work, from the build last changed. */
async function lastMake(): Promise<Partial<BuildDoc['make']>> {
  const sound = (await api.list()).filter((b) => b.broken === undefined);
  const [last] = sound.sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1));
  if (!last) return {};
  const { habits, readings } = (await api.load(last.id)).doc.make;
  return readings && readings.length > 0 ? { habits, readings } : {};
}

/** Stature gives a figure; what the chosen parts depend on makes it fit. */
const ALWAYS: MeasureKey = 'stature';

const SOMEONE_NEW = '';

const sixWeeksOn = (): string => {
  const at = new Date(`${todayIso()}T12:00:00Z`);
  at.setUTCDate(at.getUTCDate() + 42);
  return at.toISOString().slice(0, 10);
};

/** Measures the chosen parts depend on; stature alone until they are known. */
function useDecisive(first: First): { keys: MeasureKey[]; looking: boolean } {
  const [known, setKnown] = useState<{ first: First; keys: MeasureKey[] }>();
  useEffect(() => {
    if (first === undefined) return;
    let left = false;
    const anyone = { name: 'Anyone', underLayerMm: 2, measures: [] };
    const doc = { ...newBuild('New build', todayIso(), anyone), parts: partsOf(first, anyone) };
    besideWorker
      .measures(doc)
      .then((keys) => {
        if (!left) setKnown({ first, keys });
      })
      // They can be taken at the Body station as well.
      .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [first]);
  const keys = known && known.first === first ? known.keys : [];
  return {
    keys: [ALWAYS, ...keys.filter((k) => k !== ALWAYS)],
    looking: first !== undefined && known?.first !== first,
  };
}

/** What, for whom and until when, on one page; then on to where the first decision is. */
export function NewBuild({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [book, setBook] = useState<SavedWearer[]>([]);
  const [who, setWho] = useState(SOMEONE_NEW);
  const [wearerName, setWearerName] = useState('');
  const [taken, setTaken] = useState<Partial<Record<MeasureKey, number>>>({});
  const [name, setName] = useState('');
  const [first, setFirst] = useState<First>(undefined);
  const { keys, looking } = useDecisive(first);
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
    const parts = partsOf(first, wearer);
    // What is worn begins at the tape, unless it has been taken; a prop where it is shaped.
    const atTape = wearer.measures.length === 0 && (parts.length === 0 || !propsOnly(parts));
    try {
      const doc = newBuild(name.trim() || 'New build', today, wearer);
      const [stock, shop] = await Promise.all([api.stock(), lastMake()]);
      const made = await api.create({
        ...doc,
        stock: stock.map(plainFoam),
        make: { ...doc.make, ...shop },
        brief: { ...doc.brief, eventDate },
        parts,
      });
      await navigate(`/build/${made.id}/${atTape ? 'body' : 'shape'}`);
    } catch (failure) {
      setError((failure as ApiError).message);
    }
  };

  return (
    <Sheet open={open} onClose={onClose} title="New build" wide>
      <form className="grid gap-3" onSubmit={(e) => void begin(e)}>
        <fieldset>
          <legend className="text-[15px] font-semibold">1 · What</legend>
          <label className="label my-1 block max-w-96">
            Name of the build
            <input
              className="box"
              value={name}
              maxLength={120}
              placeholder="New build"
              onChange={(e) => setName(e.target.value)}
            />
          </label>
          <WhatFirst first={first} onChange={setFirst} />
        </fieldset>
        <fieldset className="border-t border-hair pt-2">
          <legend className="text-[15px] font-semibold">2 · For whom</legend>
          <div className="grid grid-cols-3 gap-x-4 gap-y-1 max-[700px]:grid-cols-2">
            <label className="label">
              For whom
              <select className="box" value={who} onChange={(e) => setWho(e.target.value)}>
                <option value={SOMEONE_NEW}>someone new</option>
                {book.map((w) => (
                  <option key={w.id} value={w.id}>
                    {w.name}, {counted(w.measures.length, 'reading')}
                  </option>
                ))}
              </select>
            </label>
            {who === SOMEONE_NEW && (
              <label className="label">
                Name of the wearer
                <input
                  className="box"
                  value={wearerName}
                  maxLength={120}
                  placeholder="New wearer"
                  onChange={(e) => setWearerName(e.target.value)}
                />
              </label>
            )}
          </div>
          {who === SOMEONE_NEW && (
            <>
              <div className="mt-1 grid grid-cols-4 gap-x-4 gap-y-1 max-[700px]:grid-cols-2">
                {keys.map((key) => (
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
              </div>
              <p role="status" className="mt-1 text-[13px] text-soft">
                {looking
                  ? 'Looking up which measures these parts depend on…'
                  : keys.length === 1 && first !== undefined
                    ? 'These parts depend on no tape. Stature alone gives a figure to show them on.'
                    : 'What these parts depend on. Anything left is estimated from stature, and can be measured later.'}
              </p>
            </>
          )}
        </fieldset>
        <fieldset className="border-t border-hair pt-2">
          <legend className="text-[15px] font-semibold">3 · When</legend>
          <label className="label block max-w-56">
            When is the event
            <input
              type="date"
              className="box"
              required
              value={eventDate}
              onChange={(e) => setEventDate(e.target.value)}
            />
          </label>
        </fieldset>
        {error && (
          <p role="alert" className="text-stop">
            {error}
          </p>
        )}
        <div className="sticky -bottom-4 flex justify-end gap-2 border-t border-hair bg-leaf py-2">
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

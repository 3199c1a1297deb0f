import type { Feature, Part } from '@fomrik/core/document';
import { type NoPlace, type Placement, standardKinds, type Tilt } from '@fomrik/core/parts';
import { byId, trimNumber, firstOf, getFrom } from '@fomrik/core/units';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { insideWorker, stopInside } from '../../workers/insideClient';

const tilts: [Tilt, string][] = [
  ['even', 'all alike'],
  ['wire', 'short wires'],
  ['room', 'room to spare'],
  ['balance', 'balance'],
  ['reach', 'reach of the hand'],
  ['strength', 'foam left'],
];

type Answer = { found: Placement[] } | NoPlace;

/** Where a pack or a switch fits: the best five places, one press each. */
export function Places({
  part,
  onPlace,
}: {
  part: Part;
  onPlace: (featureId: string, place: Feature['place']) => void;
}) {
  const things = part.features.filter((f) => {
    const electric = standardKinds.features.get(f.kind)?.electric;
    return electric === 'source' || electric === 'switch';
  });
  const [chosen, setChosen] = useState('');
  const [tilt, setTilt] = useState<Tilt>('even');
  const [answer, setAnswer] = useState<Answer | undefined>();
  const [busy, setBusy] = useState(false);
  const asked = useRef(0);
  useEffect(() => () => void (asked.current += 1), []);
  if (things.length === 0) return <p className="text-soft">Put in a pack or a switch first.</p>;
  const thing = byId(things, chosen) ?? firstOf(things);
  const search = (): void => {
    const mine = ++asked.current;
    setBusy(true);
    setAnswer(undefined);
    void insideWorker.places(useBuild.getState().doc, part.id, thing.id, tilt).then(
      (found) => {
        if (mine !== asked.current) return;
        setAnswer(found);
        setBusy(false);
      },
      (error: Error) => {
        if (mine !== asked.current) return;
        setBusy(false);
        toast.error(`No places were found: ${error.message} Try again.`);
      },
    );
  };
  const stop = (): void => {
    asked.current += 1;
    stopInside();
    setBusy(false);
  };
  const nameOf = (f: Feature, i: number): string =>
    `${getFrom(standardKinds.features, f.kind).label.toLowerCase()} ${i + 1}`;
  return (
    <section aria-label="Places" className="text-[13px]">
      <div className="mb-1 flex flex-wrap items-end gap-2">
        <label className="label">
          Find a place for
          <select
            className="box"
            value={thing.id}
            onChange={(e) => {
              setChosen(e.target.value);
              setAnswer(undefined);
            }}
          >
            {things.map((f, i) => (
              <option key={f.id} value={f.id}>
                {nameOf(f, i)}
              </option>
            ))}
          </select>
        </label>
        <label className="label">
          Think most of
          <select className="box" value={tilt} onChange={(e) => setTilt(e.target.value as Tilt)}>
            {tilts.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {busy ? (
          <button type="button" className="btn" onClick={stop}>
            Stop
          </button>
        ) : (
          <button type="button" className="btn btn-main" onClick={search}>
            Search
          </button>
        )}
        <span role="status" className="text-soft">
          {busy && 'Trying every spot and turn…'}
        </span>
      </div>
      {answer && !('found' in answer) && (
        <p>
          {Number.isFinite(answer.shortMm)
            ? `It fits nowhere. Most room is ${answer.where}; ${trimNumber(answer.shortMm, 1)} mm more depth would do: thicker foam, more padding, or a flatter pack.`
            : 'It fits nowhere: no room here is wide enough for it. A smaller pack, or another part.'}
        </p>
      )}
      {answer && 'found' in answer && answer.found.length === 0 && (
        <p>
          Every spot that is deep enough is taken or tender. Move what is in the way, or take a smaller one.
        </p>
      )}
      {answer && 'found' in answer && (
        <ol>
          {answer.found.map((p, i) => (
            <li key={i} className="flex items-center gap-2 border-t border-hair py-0.5">
              <span className="w-5 text-soft">{i + 1}</span>
              <span className="min-w-0 flex-1">
                {p.where}
                {p.place.on === 'panel' &&
                  `, ${Math.round(p.place.u * 100)} % across, ${Math.round(p.place.v * 100)} % up`}
                {'turnDeg' in p.place && p.place.turnDeg !== 0 && `, turned ${p.place.turnDeg}°`}
                <span className="block text-[12px] text-soft">
                  {trimNumber(p.spareMm, 1)} mm to spare · {trimNumber(p.wireMm, 0)} mm to the nearest lamp ·{' '}
                  {trimNumber(p.leverMm, 0)} mm from the balance
                  {p.reachMm > 0 && ` · ${trimNumber(p.reachMm, 0)} mm from the hand`}
                  {p.cutShare > 0 && ` · ${trimNumber(p.cutShare * 100, 0)} % of the foam cut across`}
                </span>
              </span>
              <button type="button" className="btn min-h-7 px-2" onClick={() => onPlace(thing.id, p.place)}>
                Put it there
              </button>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

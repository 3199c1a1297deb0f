import { counted } from '@fomrik/core/units';
import type { Station } from '@fomrik/core/document';
import { Keyboard, Redo2, Search, Undo2 } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useStore } from 'zustand';
import { useSaving, type SaveState } from '../store/autosave';
import { sendWaiting, useOutbox } from '../store/outbox';
import { redo, undo, useBuild } from '../store/build';
import { useReport } from '../store/report';
import { toggle, useView } from '../store/view';
import { stations } from './stations';
import { stepName } from './stepName';

const savedWord: Record<SaveState, string> = {
  saved: 'saved',
  unsaved: 'not yet saved',
  saving: 'saving…',
  away: 'server away',
  conflict: 'saved elsewhere too',
  refused: 'not accepted',
};

const badly: readonly SaveState[] = ['away', 'conflict', 'refused'];

function SaveMark() {
  const { state, message, keptHere } = useSaving();
  const bad = badly.includes(state);
  return (
    <span
      role="status"
      data-save={state}
      title={message}
      className={`text-[12.5px] ${bad ? 'font-semibold text-stop' : 'text-soft'}`}
    >
      {savedWord[state]}
      {bad && (keptHere ? ', kept here' : ', kept nowhere: leave this open')}
    </span>
  );
}

/** Entries of the log that wait for the server. */
function WaitMark() {
  const waiting = useOutbox((s) => s.waiting.length);
  if (waiting === 0) return null;
  return (
    <button
      type="button"
      className="text-[12.5px] font-semibold text-stop"
      onClick={() => void sendWaiting(true)}
    >
      {waiting} waiting to be sent
    </button>
  );
}

function UndoRedo() {
  const doc = useBuild((s) => s.doc);
  const past = useStore(useBuild.temporal, (t) => t.pastStates);
  const future = useStore(useBuild.temporal, (t) => t.futureStates);
  // Named when it is looked at: between two states there is all there is to say.
  const back = useMemo(() => stepName(past.at(-1)?.doc, doc), [past, doc]);
  const on = useMemo(() => stepName(doc, future.at(-1)?.doc), [future, doc]);
  return (
    <>
      <button
        type="button"
        className="btn btn-icon"
        aria-label="Undo"
        aria-description={back}
        title={back ? `Undo ${back} (Ctrl+Z)` : 'Undo (Ctrl+Z)'}
        disabled={past.length === 0}
        onClick={() => undo()}
      >
        <Undo2 size={18} aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-icon"
        aria-label="Redo"
        aria-description={on}
        title={on ? `Redo ${on} (Shift+Ctrl+Z)` : 'Redo (Shift+Ctrl+Z)'}
        disabled={future.length === 0}
        onClick={() => redo()}
      >
        <Redo2 size={18} aria-hidden />
      </button>
    </>
  );
}

/** Seven stops on one line; the filled stop is where you stand, a number hangs where something is noticed. */
function StationLine({ id, here }: { id: string; here: Station }) {
  const findings = useReport((s) => s.report?.findings);
  return (
    <nav aria-label="Stations" className="flex items-center">
      {stations.map(({ key, label }, i) => {
        const own = findings?.filter((f) => f.station === key && f.severity !== 'note') ?? [];
        const stops = own.filter((f) => f.severity === 'stop').length;
        return (
          <span key={key} className="flex items-center">
            {i > 0 && <span aria-hidden className="h-px w-3 bg-ink max-[1200px]:w-1" />}
            <Link
              to={`/build/${id}/${key}`}
              aria-current={key === here ? 'page' : undefined}
              className={`flex items-center gap-1.5 px-1.5 py-1 max-[1200px]:gap-1 max-[1200px]:px-0.5 max-[1200px]:text-[13px] ${key === here ? 'font-semibold' : ''}`}
            >
              <span
                aria-hidden
                className={`grid h-5.5 w-5.5 place-items-center border border-ink text-[12px] [clip-path:polygon(0_0,calc(100%-5px)_0,100%_5px,100%_100%,0_100%)] ${key === here ? 'bg-foam text-white' : 'bg-leaf'}`}
              >
                {i + 1}
              </span>
              <span className={key === here ? '' : 'max-[1000px]:sr-only'}>{label}</span>
              {own.length > 0 && (
                <span
                  className={`text-[12px] font-semibold ${stops > 0 ? 'text-stop' : 'text-soft'}`}
                  aria-label={`${counted(own.length, 'finding')}, ${stops} of them stops`}
                >
                  {stops > 0 ? `${own.length}!` : own.length}
                </span>
              )}
            </Link>
          </span>
        );
      })}
    </nav>
  );
}

export function TopBar({ id, station }: { id: string; station: Station }) {
  const name = useBuild((s) => s.doc.name);
  const unit = useView((v) => v.unit);
  return (
    <header className="flex h-12 items-center justify-between gap-2 border-b border-ink bg-paper px-3">
      <div className="flex min-w-0 items-baseline gap-2">
        <Link
          to="/"
          className="inline-flex min-h-6 items-center font-tight text-[17px] font-semibold text-teal"
          aria-label="Fomrik: to the shelf"
        >
          Fomrik
        </Link>
        <h1 className="max-w-44 truncate text-[15px] max-[1200px]:max-w-28" title={name}>
          {name}
        </h1>
        <SaveMark />
        <WaitMark />
      </div>
      <StationLine id={id} here={station} />
      <div className="flex items-center">
        <UndoRedo />
        <button
          type="button"
          className="btn btn-icon"
          title="Millimetres or inches (U)"
          onClick={() => useView.setState({ unit: unit === 'mm' ? 'in' : 'mm' })}
        >
          {unit}
        </button>
        <button
          type="button"
          className="btn btn-icon"
          aria-label="Find anything"
          title="Find anything (/)"
          onClick={() => toggle('findOpen')}
        >
          <Search size={17} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-icon"
          aria-label="Keys"
          title="Keys (?)"
          onClick={() => toggle('keysOpen')}
        >
          <Keyboard size={18} aria-hidden />
        </button>
      </div>
    </header>
  );
}

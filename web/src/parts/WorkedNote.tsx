import { firstOf } from '@fomrik/core/units';
import { useEffect, useState } from 'react';
import type { Worked } from './useWorked';

/** Longer than this, and it is said that something is being worked out; milliseconds. */
const SAID_AFTER_MS = 1000;

/** Says where an answer would be why there is none: it failed, or it takes its time. */
export function WorkedNote({ of: { busy, fault, again }, what }: { of: Worked<unknown>; what: string }) {
  const [long, setLong] = useState(false);
  useEffect(() => {
    setLong(false);
    if (!busy) return;
    const timer = setTimeout(() => setLong(true), SAID_AFTER_MS);
    return () => clearTimeout(timer);
  }, [busy]);
  if (fault)
    return (
      <p role="alert" className="border-l-4 border-stop bg-paper p-2 text-[13px]">
        {what} could not be calculated. {fault}{' '}
        <button type="button" className="btn min-h-7 px-2" onClick={again}>
          Try again
        </button>
      </p>
    );
  if (!busy || !long) return null;
  return (
    <p role="status" className="text-[13px] text-soft">
      Calculating {firstOf(what).toLowerCase() + what.slice(1)}…
    </p>
  );
}

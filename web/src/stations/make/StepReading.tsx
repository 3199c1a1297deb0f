import { quantities } from '@fomrik/core/learn';
import { readId, readOff, type Step } from '@fomrik/core/plan';
import { trimNumber } from '@fomrik/core/units';
import { type FormEvent, useState } from 'react';
import { useBuild } from '../../store/build';
import { keepReading } from '../../store/readings';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';

/** No coat takes more millilitres, no light burns for more hours. */
const MOST = 1e5;

/** What the step is read off besides its minutes: plans after it go by what it really was. */
export function StepReading({ step, reads }: { step: Step; reads: NonNullable<Step['reads']> }) {
  const known = useBuild((s) => s.doc.make.readings?.find((r) => r.id === readId(step)));
  const constant = useReport((s) => s.report!.constants[reads.quantity]);
  const [text, setText] = useState('');
  const [message, setMessage] = useState('');
  const { label, unit } = quantities[reads.quantity];
  const read = (event: FormEvent): void => {
    event.preventDefault();
    const value = Number(text.trim().replace(',', '.'));
    if (text.trim() === '' || !(value > 0 && value <= MOST)) {
      setMessage(`${label}: “${text}” is not a number of ${unit} above 0 and up to ${MOST}.`);
      return;
    }
    setMessage('');
    setText('');
    keepReading(readOff({ ...step, reads }, value, todayIso()));
  };
  return (
    <form className="mt-4 flex flex-wrap items-end gap-2" aria-label={`Reading: ${label}`} onSubmit={read}>
      <label className="grid">
        <span className="label">
          {label}: it was, {unit}
        </span>
        <input
          className="box w-28"
          inputMode="decimal"
          value={text}
          placeholder={trimNumber(known?.actual ?? reads.stated * constant.factor, 1)}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button type="submit" className="btn">
        Write it down
      </button>
      <p className="pb-1.5 text-[13px] text-soft">
        {known ? `Read: ${trimNumber(known.actual, 1)} ${unit}. ` : ''}
        Stated {trimNumber(reads.stated, 1)} {unit}
        {constant.readings > 0 &&
          `; yours, from ${constant.readings} reading${constant.readings === 1 ? '' : 's'}: ${trimNumber(reads.stated * constant.factor, 1)} ${unit}`}
        .
      </p>
      {message && (
        <p role="alert" className="w-full text-stop">
          {message}
        </p>
      )}
    </form>
  );
}

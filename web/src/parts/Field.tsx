import { useId, useState, type KeyboardEvent, type ReactNode } from 'react';
import { parseLengthMm, printLength, type Result, trimNumber } from '@fomrik/core/units';
import { useView } from '../store/view';
import { otherUnit } from './useLength';

interface TextFieldProps {
  label: string;
  /** Said to those who do not see it instead of the label: in a table the column is the label. */
  bare?: boolean;
  shown: string;
  /** Reads what was typed; a failure is said under the field and nothing changes. */
  read: (text: string) => Result<number>;
  onCommit: (value: number) => void;
  /** What an arrow key types: the shown number, changed. */
  nudge?: (by: number) => number;
  /** The value an arrow key leads to, where what is typed is not the value. */
  nudged?: (by: number) => number;
  beneath?: ReactNode;
  help?: string;
  suffix?: string;
  estimate?: boolean;
}

/** A typed number: commits on Enter or on leaving, Escape takes it back, arrows nudge. */
export function TypedField({
  label,
  bare = false,
  shown,
  read,
  onCommit,
  nudge,
  nudged,
  beneath,
  help,
  suffix,
  estimate,
}: TextFieldProps) {
  const id = useId();
  /** What is being typed; null shows the value itself. */
  const [draft, setDraft] = useState<string | null>(null);
  const [message, setMessage] = useState('');

  const settle = (): void => {
    setDraft(null);
    setMessage('');
  };

  const commit = (): void => {
    if (draft === null || draft === shown) {
      settle();
      return;
    }
    const result = read(draft);
    if (!result.ok) {
      setMessage(result.message);
      return;
    }
    settle();
    onCommit(result.value);
  };

  const onKey = (event: KeyboardEvent): void => {
    if (event.key === 'Enter') {
      // Within a form it ends the typing, not the form.
      event.preventDefault();
      commit();
    }
    if (event.key === 'Escape') settle();
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    const size = event.altKey ? 0.1 : event.shiftKey ? 10 : 1;
    const by = event.key === 'ArrowUp' ? size : -size;
    if (nudged) {
      settle();
      onCommit(nudged(by));
      return;
    }
    const value = nudge!(by);
    const checked = read(trimNumber(value, 3));
    if (checked.ok) {
      settle();
      onCommit(value);
    } else setMessage(checked.message);
  };

  return (
    <div className="field" title={help}>
      <label htmlFor={id} className={bare ? 'sr-only' : 'label flex justify-between gap-1'}>
        <span className="min-w-0 leading-tight">{label}</span>
        {estimate && (
          <span className="italic" aria-hidden>
            est.
          </span>
        )}
      </label>
      <div className="relative">
        <input
          id={id}
          className={`box ${estimate ? 'italic' : ''}`}
          value={draft ?? shown}
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          aria-invalid={message !== ''}
          aria-describedby={message || beneath ? `${id}-note` : undefined}
          onChange={(e) => setDraft(e.target.value)}
          onBlur={commit}
          onKeyDown={onKey}
        />
        {suffix && <span className="unit pointer-events-none absolute right-2 top-1.5">{suffix}</span>}
        {!message && beneath && (
          <p id={`${id}-note`} className="field-note">
            {beneath}
          </p>
        )}
      </div>
      {message && (
        <p id={`${id}-note`} className="field-wrong" role="alert">
          {message}
        </p>
      )}
    </div>
  );
}

const within = (
  value: number,
  range: readonly [number, number],
  print: (v: number) => string,
  label: string,
): Result<number> =>
  value < range[0] || value > range[1]
    ? { ok: false, message: `${label}: ${print(value)} is outside ${print(range[0])} to ${print(range[1])}.` }
    : { ok: true, value };

interface LengthFieldProps {
  label: string;
  valueMm: number;
  range: readonly [number, number];
  onChange: (mm: number) => void;
  help?: string;
  note?: string;
  estimate?: boolean;
  bare?: boolean;
}

/** A length typed in any unit, shown in the chosen one with the other beneath. */
export function LengthField({
  label,
  valueMm,
  range,
  onChange,
  help,
  note,
  estimate,
  bare = false,
}: LengthFieldProps) {
  const unit = useView((v) => v.unit);
  const print = (mm: number): string => printLength(mm, unit);
  return (
    <TypedField
      label={label}
      bare={bare}
      shown={print(valueMm)}
      read={(text) => {
        const parsed = parseLengthMm(text, unit);
        return parsed.ok ? within(parsed.value, range, print, label) : parsed;
      }}
      onCommit={onChange}
      nudge={(by) => (unit === 'mm' ? valueMm + by : (valueMm + by) / 25.4)}
      beneath={bare ? undefined : (note ?? printLength(valueMm, otherUnit(unit)))}
      {...(help !== undefined && { help })}
      {...(estimate !== undefined && { estimate })}
    />
  );
}

interface NumberFieldProps {
  label: string;
  value: number;
  range: readonly [number, number];
  onChange: (value: number) => void;
  suffix?: string;
  help?: string;
  whole?: boolean;
  decimals?: number;
  bare?: boolean;
}

export function NumberField({
  label,
  value,
  range,
  onChange,
  suffix,
  help,
  whole = false,
  decimals = 2,
  bare = false,
}: NumberFieldProps) {
  return (
    <TypedField
      label={label}
      bare={bare}
      shown={trimNumber(value, decimals)}
      read={(text) => {
        const number = Number(text.replace(',', '.').trim());
        if (text.trim() === '' || !Number.isFinite(number))
          return { ok: false, message: `“${text}” is not a number.` };
        if (whole && !Number.isInteger(number))
          return { ok: false, message: `${label} must be a whole number.` };
        return within(number, range, (v) => trimNumber(v, decimals), label);
      }}
      onCommit={onChange}
      nudge={(by) => value + (whole ? Math.sign(by) * Math.max(1, Math.abs(by)) : by)}
      {...(suffix !== undefined && { suffix })}
      {...(help !== undefined && { help })}
    />
  );
}

interface WordsFieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: 'text' | 'date';
  maxLength?: number;
}

/** Words or a date; commits on leaving. An empty name is not accepted. */
export function WordsField({ label, value, onChange, type = 'text', maxLength = 120 }: WordsFieldProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const commit = (): void => {
    const trimmed = draft?.trim() ?? '';
    setDraft(null);
    if (trimmed !== '' && trimmed !== value) onChange(trimmed);
  };
  return (
    <div className="field">
      <label htmlFor={id} className="label">
        {label}
      </label>
      <input
        id={id}
        className="box"
        type={type}
        value={draft ?? value}
        maxLength={maxLength}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') commit();
        }}
      />
    </div>
  );
}

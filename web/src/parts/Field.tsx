import { useId, useState, type KeyboardEvent, type ReactNode } from 'react';
import { parseLengthMm, printLength, type Result, trimNumber } from '@fomrik/core/units';
import { useView } from '../store/view';
import { otherUnit } from './useLength';

interface TextFieldProps {
  label: string;
  shown: string;
  /** Reads what was typed; a failure is said under the field and nothing changes. */
  read: (text: string) => Result<number>;
  onCommit: (value: number) => void;
  /** Arrow keys change the value by this. */
  nudge: (by: number) => number;
  beneath?: ReactNode;
  help?: string;
  suffix?: string;
  estimate?: boolean;
}

/** A typed number: commits on Enter or on leaving, Escape takes it back, arrows nudge. */
function TypedField({
  label,
  shown,
  read,
  onCommit,
  nudge,
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
    const value = nudge(event.key === 'ArrowUp' ? size : -size);
    const checked = read(trimNumber(value, 3));
    if (checked.ok) {
      settle();
      onCommit(value);
    } else setMessage(checked.message);
  };

  return (
    <div className="min-w-0" title={help}>
      <label htmlFor={id} className="label flex justify-between gap-1">
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
          aria-describedby={`${id}-note`}
          onChange={(e) => setDraft(e.target.value)}
          onBlur={commit}
          onKeyDown={onKey}
        />
        {suffix && <span className="unit pointer-events-none absolute right-2 top-1.5">{suffix}</span>}
      </div>
      <p
        id={`${id}-note`}
        className={`text-[11.5px] leading-tight ${message ? 'text-stop' : 'text-soft'}`}
        role={message ? 'alert' : undefined}
      >
        {message || beneath}
      </p>
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
}

/** A length typed in any unit, shown in the chosen one with the other beneath. */
export function LengthField({ label, valueMm, range, onChange, help, note, estimate }: LengthFieldProps) {
  const unit = useView((v) => v.unit);
  const print = (mm: number): string => printLength(mm, unit);
  return (
    <TypedField
      label={label}
      shown={print(valueMm)}
      read={(text) => {
        const parsed = parseLengthMm(text, unit);
        return parsed.ok ? within(parsed.value, range, print, label) : parsed;
      }}
      onCommit={onChange}
      nudge={(by) => (unit === 'mm' ? valueMm + by : (valueMm + by) / 25.4)}
      beneath={note ?? printLength(valueMm, otherUnit(unit))}
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
}: NumberFieldProps) {
  return (
    <TypedField
      label={label}
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

interface ChoiceFieldProps<T extends string | number> {
  label: string;
  value: T;
  choices: readonly { value: T; label: string }[];
  onChange: (value: T) => void;
  help?: string;
}

export function ChoiceField<T extends string | number>({
  label,
  value,
  choices,
  onChange,
  help,
}: ChoiceFieldProps<T>) {
  const id = useId();
  return (
    <div className="min-w-0" title={help}>
      <label htmlFor={id} className="label block leading-tight">
        {label}
      </label>
      <select
        id={id}
        className="box"
        value={String(value)}
        onChange={(e) => {
          const chosen = choices.find((c) => String(c.value) === e.target.value);
          if (chosen) onChange(chosen.value);
        }}
      >
        {choices.map((c) => (
          <option key={String(c.value)} value={String(c.value)}>
            {c.label}
          </option>
        ))}
      </select>
    </div>
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
    <div className="min-w-0">
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

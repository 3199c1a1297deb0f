import { useId } from 'react';

interface RangeProps {
  label: string;
  value: number;
  onChange: (value: number) => void;
  range?: readonly [number, number];
  step?: number;
  /** Its value in words, for whoever hears it. */
  words?: string;
  className?: string;
  /** Its label is heard and not seen: what it is for stands beside it. */
  bare?: boolean;
}

/** A value that is slid. */
export function Range({
  label,
  value,
  onChange,
  range = [0, 1],
  step = 0.01,
  words,
  className = 'min-w-0 flex-1',
  bare = false,
}: RangeProps) {
  const id = useId();
  return (
    <>
      <label htmlFor={id} className={bare ? 'sr-only' : 'min-w-0 text-[12.5px] leading-tight text-soft'}>
        {label}
      </label>
      <input
        id={id}
        type="range"
        min={range[0]}
        max={range[1]}
        step={step}
        value={value}
        className={className}
        {...(words !== undefined && { 'aria-valuetext': words })}
        onChange={(e) => onChange(Number(e.target.value))}
      />
    </>
  );
}

import { parseLengthMm, printLength, type Result, trimNumber } from '@fomrik/core/units';
import { useView } from '../store/view';
import { TypedField } from './Field';

interface ShareFieldProps {
  label: string;
  /** From 0 to 1. */
  share: number;
  /** The length it is a share of, mm. */
  ofMm: number;
  onChange: (share: number) => void;
  help?: string;
}

/** A place along a length: shown and typed as a length from its beginning, or as a share such as 40 %. */
export function ShareField({ label, share, ofMm, onChange, help }: ShareFieldProps) {
  const unit = useView((v) => v.unit);
  const print = (mm: number): string => printLength(mm, unit);
  const read = (text: string): Result<number> => {
    const percent = /^\s*([\d.,]+)\s*%\s*$/.exec(text);
    const mm = percent
      ? ({ ok: true, value: (Number(percent[1]!.replace(',', '.')) / 100) * ofMm } as const)
      : parseLengthMm(text, unit);
    if (!mm.ok) return mm;
    return mm.value < -1e-6 || mm.value > ofMm + 0.05
      ? { ok: false, message: `${label}: ${print(mm.value)} is outside 0 to ${print(ofMm)}, or 0 to 100 %.` }
      : { ok: true, value: Math.min(1, mm.value / ofMm) };
  };
  const rounded = (at: number): number => Math.round(Math.min(1, Math.max(0, at)) * 1e5) / 1e5;
  return (
    <TypedField
      label={label}
      shown={print(share * ofMm)}
      read={read}
      onCommit={(next) => onChange(rounded(next))}
      nudged={(by) => rounded(share + (unit === 'mm' ? by : by / 25.4) / ofMm)}
      beneath={`${trimNumber(share * 100, 1)} %`}
      {...(help !== undefined && { help })}
    />
  );
}

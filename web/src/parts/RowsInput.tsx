import type { Ply, Row, RowsField } from '@fomrik/core/document';
import { Plus, X } from 'lucide-react';
import { FieldInput } from './FieldInput';

interface RowsInputProps {
  field: RowsField;
  rows: readonly Row[];
  ply: Ply;
  onChange: (rows: Row[]) => void;
}

/** Lines of more values than this are broken. */
const WIDE = 8;

/** A field that is a list: a line of values for each, lines added at the end and taken away. */
export function RowsInput({ field, rows, ply, onChange }: RowsInputProps) {
  const [least, most] = field.range;
  return (
    <fieldset className="col-span-full border-t border-hair pt-0.5">
      <legend className="head flex items-center gap-2 pr-2">
        {field.label} <span className="font-normal text-soft">{field.help}</span>
        <button
          type="button"
          className="btn min-h-7 px-2"
          disabled={rows.length >= most}
          onClick={() => onChange([...rows, field.start(rows)])}
        >
          <Plus size={14} aria-hidden /> {field.line}
        </button>
      </legend>
      {rows.map((row, i) => (
        <div
          key={i}
          data-row={`${field.key}-${i + 1}`}
          className={`flex items-start gap-x-2.5 ${field.of.length > WIDE ? 'flex-wrap' : ''}`}
        >
          <span className="w-14 shrink-0 self-center text-[13px] text-soft">
            {field.line} {i + 1}
          </span>
          {field.of.map((sub) => (
            <div key={sub.key} className={`flex-1 ${field.of.length > WIDE ? 'min-w-24' : 'min-w-0'}`}>
              <FieldInput
                field={sub}
                label={`${sub.label}, ${field.line} ${i + 1}`}
                value={row[sub.key]!}
                ply={ply}
                onChange={(value) => onChange(rows.map((r, k) => (k === i ? { ...r, [sub.key]: value } : r)))}
              />
            </div>
          ))}
          <button
            type="button"
            className="btn btn-icon self-center"
            aria-label={`Remove ${field.line} ${i + 1}`}
            disabled={rows.length <= least}
            onClick={() => onChange(rows.filter((_, k) => k !== i))}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      ))}
      {rows.length === 0 && <p className="text-[13px] text-soft">None yet.</p>}
    </fieldset>
  );
}

import type { Part, Row, RowsField } from '@fomrik/core/document';
import { firstOf } from '@fomrik/core/units';
import { Copy, GripVertical, Plus, X } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useRef, useState } from 'react';
import { toast } from 'sonner';
import { selectRow, useSelected } from '../store/selection';
import { useView } from '../store/view';
import { FieldSpot } from '../inspector/FieldSpot';
import { FieldInput } from './FieldInput';
import { isCells, movedRow, pasteRows } from './pasteRows';

interface RowsTableProps {
  field: RowsField;
  rows: readonly Row[];
  part: Pick<Part, 'id' | 'stack'>;
  onChange: (rows: Row[]) => void;
}

/** More columns than this want the room of the drawer. */
const NARROW = 3;
export const isWide = (field: RowsField): boolean => field.of.length > NARROW;

/**
 * A list as a compact table: Enter goes down a column, cells of a spreadsheet are pasted from where the cursor is, a line
 * is dragged by its number, or moved with Alt and an arrow key, duplicated and removed.
 */
export function RowsTable({ field, rows, part, onChange }: RowsTableProps) {
  const unit = useView((v) => v.unit);
  const chosen = useSelected((s) => (s.row?.field === field.key ? s.row.index : undefined));
  const body = useRef<HTMLTableSectionElement>(null);
  const [dragged, setDragged] = useState<number | undefined>();
  const [least, most] = field.range;
  const ply = firstOf(part.stack);
  const move = (from: number, to: number): void => {
    if (to < 0 || to >= rows.length || from === to) return;
    onChange(movedRow(rows, from, to));
    selectRow({ field: field.key, index: to });
  };
  const paste = (event: ClipboardEvent, row: number, column: number): void => {
    const text = event.clipboardData.getData('text');
    if (!isCells(text)) return;
    event.preventDefault();
    const pasted = pasteRows(field, rows, { row, column }, text, unit);
    if (pasted.ok) onChange(pasted.value);
    else toast.error(pasted.message);
  };
  const onKey = (event: KeyboardEvent, row: number, column: number): void => {
    if (event.altKey && event.shiftKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      event.stopPropagation();
      move(row, row + (event.key === 'ArrowUp' ? -1 : 1));
    } else if (event.key === 'Enter') {
      const below = body.current?.rows[row + 1]?.cells[column + 1];
      below?.querySelector<HTMLElement>('input, select')?.focus();
    }
  };
  return (
    <div className="cells py-1">
      <p className="mb-0.5 text-[12px] leading-snug text-soft">{field.help}</p>
      {rows.length > 0 && (
        <table className="w-full table-fixed border-collapse">
          <thead>
            <tr>
              <th scope="col" className="w-7">
                <span className="sr-only">{field.line}</span>
              </th>
              {field.of.map((sub) => (
                <th key={sub.key} scope="col" title={sub.help} className="px-0.5 text-left align-bottom">
                  <span className="label block leading-tight">{sub.label}</span>
                </th>
              ))}
              <th scope="col" className="w-[52px]">
                <span className="sr-only">Duplicate or remove</span>
              </th>
            </tr>
          </thead>
          <tbody ref={body}>
            {rows.map((row, i) => (
              <tr
                key={i}
                data-row={`${field.key}-${i + 1}`}
                aria-selected={chosen === i}
                className={`${chosen === i ? 'bg-wash' : ''} ${dragged === i ? 'opacity-50' : ''}`}
                onFocus={() => chosen !== i && selectRow({ field: field.key, index: i })}
                onDragOver={(e) => dragged !== undefined && e.preventDefault()}
                onDrop={(e) => {
                  e.preventDefault();
                  if (dragged !== undefined) move(dragged, i);
                  setDragged(undefined);
                }}
              >
                <th
                  scope="row"
                  draggable
                  onDragStart={() => setDragged(i)}
                  onDragEnd={() => setDragged(undefined)}
                  title={`Drag to another place; Shift, Alt and an arrow key in a cell does the same`}
                  className="cursor-grab text-left text-[12px] font-normal text-soft"
                >
                  <span className="flex items-center">
                    <GripVertical size={12} aria-hidden />
                    {i + 1}
                  </span>
                </th>
                {field.of.map((sub, k) => (
                  <td
                    key={sub.key}
                    className="px-0.5 py-px align-top"
                    onPaste={(e) => paste(e, i, k)}
                    onKeyDown={(e) => onKey(e, i, k)}
                  >
                    <FieldSpot at={{ partId: part.id, path: [field.key, i, sub.key] }}>
                      <FieldInput
                        bare
                        field={sub}
                        label={`${sub.label}, ${field.line} ${i + 1}`}
                        value={row[sub.key]!}
                        ply={ply}
                        onChange={(value) =>
                          onChange(rows.map((r, at) => (at === i ? { ...r, [sub.key]: value } : r)))
                        }
                      />
                    </FieldSpot>
                  </td>
                ))}
                <td className="whitespace-nowrap text-right">
                  <button
                    type="button"
                    className="tiny"
                    aria-label={`Duplicate ${field.line} ${i + 1}`}
                    title={`Duplicate ${field.line} ${i + 1}`}
                    disabled={rows.length >= most}
                    onClick={() => onChange([...rows.slice(0, i + 1), { ...row }, ...rows.slice(i + 1)])}
                  >
                    <Copy size={13} aria-hidden />
                  </button>
                  <button
                    type="button"
                    className="tiny"
                    aria-label={`Remove ${field.line} ${i + 1}`}
                    title={`Remove ${field.line} ${i + 1}`}
                    disabled={rows.length <= least}
                    onClick={() => onChange(rows.filter((_, at) => at !== i))}
                  >
                    <X size={14} aria-hidden />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {rows.length === 0 && <p className="text-[13px] text-soft">None yet.</p>}
      <button
        type="button"
        className="btn mt-1 min-h-7 px-2"
        disabled={rows.length >= most}
        onClick={() => {
          onChange([...rows, field.start(rows)]);
          selectRow({ field: field.key, index: rows.length });
        }}
      >
        <Plus size={14} aria-hidden /> {field.line}
      </button>
    </div>
  );
}

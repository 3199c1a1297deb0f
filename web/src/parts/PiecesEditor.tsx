import type { Row, RowsField } from '@fomrik/core/document';
import { begunOutline, type DrawnNode, edgesOfOutline, takenPieces } from '@fomrik/core/forms';
import { letterAt, itemAt, firstOf } from '@fomrik/core/units';
import { useState, type ComponentProps } from 'react';
import { OutlineEditor } from './OutlineEditor';

type Editor = ComponentProps<typeof OutlineEditor>;

interface PiecesEditorProps extends Omit<Editor, 'numbers' | 'onTakeAll'> {
  /** How many pieces the pattern has. */
  pieces: number;
  /** Outlines become pieces of their own, one after the other. */
  onPieces: (taken: ReturnType<typeof takenPieces>) => void;
}

const pieceOf = (row: Row): number => Number(row['piece']);
/** One piece has at least a triangle, and no more points than are kept apart by eye. */
const RANGE = [3, 120] as const;

/** Flat pieces drawn one at a time, their edges numbered. */
export function PiecesEditor({
  field,
  rows,
  pieces,
  onChange,
  onDrag,
  onPieces,
  ...rest
}: PiecesEditorProps) {
  const [chosen, setChosen] = useState(1);
  const piece = Math.min(chosen, pieces);
  const own = rows.filter((r) => pieceOf(r) === piece);
  const merged = (next: readonly Row[]): Row[] => {
    const others = rows.filter((r) => pieceOf(r) !== piece);
    const before = others.filter((r) => pieceOf(r) < piece);
    const after = others.filter((r) => pieceOf(r) > piece);
    return [...before, ...next.map((r) => ({ ...r, piece })), ...after];
  };
  // All pieces share what the list of points holds.
  const most = Math.min(RANGE[1], field.range[1] - (rows.length - own.length));
  const drawn = own.length >= RANGE[0];
  const edges = drawn ? edgesOfOutline(begunOutline(own as unknown as DrawnNode[]).outline) : [];
  const begin = (): void =>
    onChange(
      merged(
        [
          [-50, 0],
          [50, 0],
          [50, 100],
          [-50, 100],
        ].map(([xMm, yMm]) => ({ piece, xMm: xMm!, yMm: yMm!, node: 'corner' })),
      ),
    );
  const takeAll: Editor['onTakeAll'] = (found, withinMm) => {
    onPieces(takenPieces(found, withinMm, field.range[1]));
    setChosen(1);
  };
  return (
    <div className="flex min-h-full flex-col [&>:last-child]:flex-1">
      <div role="group" aria-label="Piece that is drawn" className="flex flex-wrap gap-1 py-1">
        {Array.from({ length: pieces }, (_, i) => (
          <button
            key={i}
            type="button"
            className="btn min-h-7 px-2"
            aria-pressed={i + 1 === piece}
            onClick={() => setChosen(i + 1)}
          >
            Piece {letterAt(i)}
          </button>
        ))}
      </div>
      {drawn ? (
        <OutlineEditor
          key={piece}
          {...rest}
          field={{ ...field, draws: 'outline', range: [RANGE[0], most] } satisfies RowsField}
          rows={own}
          onChange={(next) => onChange(merged(next))}
          onDrag={(next) => onDrag(merged(next))}
          numbers={edges.map(({ number, run }) => ({
            number,
            at: itemAt(run, Math.floor(run.length / 2)),
            from: firstOf(run),
          }))}
          onTakeAll={takeAll}
        />
      ) : (
        <p className="py-2 text-[13px]">
          Piece {letterAt(piece - 1)} is not drawn yet.{' '}
          <button type="button" className="btn min-h-7 px-2" onClick={begin}>
            Begin with a square
          </button>
        </p>
      )}
    </div>
  );
}

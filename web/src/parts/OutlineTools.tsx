import type { Row, RowsField } from '@fomrik/core/document';
import type { DrawingUnit } from '@fomrik/core/files/outline/readOutline';
import { type DrawnNode, fittedWithin, offsetNodes } from '@fomrik/core/forms';
import { counted, trimNumber } from '@fomrik/core/units';
import { useState, type ComponentProps, type ReactNode } from 'react';
import type { Found } from '../pictures/beneath';
import { TracePicker } from '../pictures/TracePicker';
import { LengthField } from './Field';
import { mirroredRows, rangedIn, reachOf } from './outlineRows';

interface Drawing {
  name: string;
  text: string;
}

const UNREAD = 'The file could not be read. Try again once the server answers.';

export interface OutlineToolsProps {
  field: RowsField;
  rows: readonly Row[];
  onChange: (rows: Row[]) => void;
  /** Half of a profile about its axis: it is neither mirrored nor traced. */
  half: boolean;
  symmetric: boolean;
  setSymmetric: (on: boolean) => void;
  /** Takes an outline with the rings inside it, where the form has them. */
  onRings?: ((outline: Row[], rings: Row[]) => void) | undefined;
  /** The fields that place what lies beneath the lines, and how it is traced. */
  beneath: { fields: ReactNode; trace?: () => Promise<Found> };
  /** All outlines that were traced, as pieces of their own. */
  onTakeAll?: ComponentProps<typeof TracePicker>['onTakeAll'];
}

/** What changes a drawn outline as a whole: mirrored, drawn in or out, read from a file, traced. */
export function OutlineTools({
  field,
  rows,
  onChange,
  half,
  symmetric,
  setSymmetric,
  beneath,
  onRings,
  onTakeAll,
}: OutlineToolsProps) {
  const [said, setSaid] = useState('');
  const [offsetMm, setOffsetMm] = useState(5);
  const [asking, setAsking] = useState<{ file: Drawing; units: readonly DrawingUnit[] } | undefined>();
  const ranged = rangedIn(field);
  /** Points that were found somewhere, with whatever else a point of this outline has. */
  const whole = (found: readonly Row[]): Row[] => found.map((row) => ({ ...field.start([]), ...row }));
  const moveLine = (outMm: number): void => {
    const moved = offsetNodes(rows as unknown as DrawnNode[], outMm, field.range[1]);
    if (!moved) return setSaid('Nothing is left of it when it is drawn in so far.');
    setSaid('');
    onChange(whole(moved.map((n) => ({ ...n, xMm: ranged('xMm', n.xMm), yMm: ranged('yMm', n.yMm) }))));
  };
  const readIn = async (file: Drawing, unitMm?: number): Promise<void> => {
    // What reads drawings is fetched when there is one to read.
    const { readOutline } = await import('@fomrik/core/files/outline/readOutline');
    const found = readOutline(file.text, file.name, field.range[1], reachOf(field), unitMm);
    setAsking(undefined);
    if (!found.ok) return setSaid(found.message);
    if ('asks' in found.value) {
      setSaid(`${file.name} does not say its unit.`);
      return setAsking({ file, units: found.value.units });
    }
    const { points: read, offMm, left, rings } = found.value;
    const ringed = onRings && rings.length > 0;
    const not = [
      ...(rings.length > 0 && !onRings ? [`${rings.length} inner ring${rings.length > 1 ? 's' : ''}`] : []),
      ...left,
    ];
    const also = not.length > 0 ? ` Not taken: ${not.join(', ')}.` : '';
    const inside = ringed ? ` ${rings.length} inner ring${rings.length > 1 ? 's' : ''} with it.` : '';
    setSaid(
      `${counted(read.length, 'point')} read from ${file.name}, within ${trimNumber(offMm, 1)} mm.${inside}${also}`,
    );
    const outline = whole(read.map(([x, y]): Row => ({ xMm: x, yMm: y, node: 'corner' })));
    if (!onRings) return onChange(outline);
    onRings(
      outline,
      rings.flatMap((r, i) => r.map(([x, y]): Row => ({ ring: i + 1, xMm: x, yMm: y, node: 'corner' }))),
    );
  };
  return (
    <>
      {!half && (
        <>
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={symmetric} onChange={(e) => setSymmetric(e.target.checked)} />
            Move both sides alike
          </label>
          <button
            type="button"
            className="btn min-h-7 px-2"
            onClick={() => onChange(mirroredRows(rows, field.range[1]))}
          >
            Mirror the right half
          </button>
          <div className="flex flex-wrap items-end gap-1">
            <div className="w-16">
              <LengthField label="Distance" valueMm={offsetMm} range={[0.5, 200]} onChange={setOffsetMm} />
            </div>
            <button type="button" className="btn min-h-7 px-2" onClick={() => moveLine(-offsetMm)}>
              Draw in
            </button>
            <button type="button" className="btn min-h-7 px-2" onClick={() => moveLine(offsetMm)}>
              Draw out
            </button>
          </div>
          <label className="btn min-h-7 cursor-pointer px-2">
            Read SVG or DXF
            <input
              type="file"
              accept=".svg,.dxf"
              className="sr-only"
              onChange={(e) => {
                const file = e.target.files?.[0];
                e.target.value = '';
                if (file)
                  file
                    .text()
                    .then((text) => readIn({ name: file.name, text }))
                    .catch(() => setSaid(UNREAD));
              }}
            />
          </label>
        </>
      )}
      {beneath.fields}
      {!half && beneath.trace && (
        <TracePicker
          trace={beneath.trace}
          {...(onTakeAll && { onTakeAll })}
          onTake={(outline, withinMm) =>
            onChange(
              whole(
                fittedWithin(outline, withinMm, field.range[1]).map((n) => ({
                  ...n,
                  xMm: ranged('xMm', n.xMm),
                  yMm: ranged('yMm', n.yMm),
                })),
              ),
            )
          }
        />
      )}
      {asking && (
        <label className="label">
          Its unit
          <select
            className="box"
            defaultValue=""
            onChange={(e) => void readIn(asking.file, Number(e.target.value))}
          >
            <option value="" disabled>
              choose
            </option>
            {asking.units.map((u) => (
              <option key={u.label} value={u.mm}>
                {u.label}
              </option>
            ))}
          </select>
        </label>
      )}
      <p role="status" className="text-[12px] text-soft">
        {said || 'Drag points, or move the focused one with the arrows (Shift 10, Alt 0.1).'}
      </p>
    </>
  );
}

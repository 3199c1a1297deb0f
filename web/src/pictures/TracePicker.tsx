import type { Vec2 } from '@fomrik/core/geometry';
import { trimNumber } from '@fomrik/core/units';
import { useState } from 'react';
import { LengthField } from '../parts/Field';
import type { Found } from './beneath';

/** A likely error worse than this share of the size wants a better photograph. */
const DOUBTFUL = 0.01;

/** A tilt or a bow beyond these is reported; from memory. */
const TILTED_DEG = 15;
const BOWED_MM = 1;

/** Outlines found on the picture beneath: one of them becomes the drawing. */
export function TracePicker({
  trace,
  onTake,
  onTakeAll,
}: {
  trace: () => Promise<Found>;
  onTake: (outline: readonly Vec2[], withinMm: number) => void;
  /** Each becomes a piece of its own. */
  onTakeAll?: (found: Found['outlines'], withinMm: number) => void;
}) {
  const [found, setFound] = useState<Found | undefined>();
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const [withinMm, setWithinMm] = useState(0.3);
  const look = async (): Promise<void> => {
    setBusy(true);
    setSaid('');
    try {
      const made = await trace();
      setFound(made);
      if (made.outlines.length === 0)
        setSaid(
          'No outline was found: lay pieces apart from each other on plain ground, paler or darker than they are.',
        );
    } catch (error) {
      setSaid((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const marks = found?.outlines.reduce((sum, f) => sum + f.marks.length, 0) ?? 0;
  const doubtful = found?.outlines.some((f) => f.likelyMm > DOUBTFUL * f.widthMm) ?? false;
  return (
    <div className="grid gap-1" role="group" aria-label="Traced from the picture">
      <button type="button" className="btn min-h-7 px-2" disabled={busy} onClick={() => void look()}>
        {busy ? 'Tracing…' : 'Trace its outlines'}
      </button>
      {found && found.outlines.length > 0 && (
        <div className="w-24">
          <LengthField
            label="Drawn within"
            valueMm={withinMm}
            range={[0.1, 5]}
            onChange={setWithinMm}
            help="How near lines and arcs keep to what was traced."
          />
        </div>
      )}
      {found?.outlines.map((f, i) => (
        <button
          key={i}
          type="button"
          className="btn min-h-7 gap-2 px-2 text-left"
          onClick={() => onTake(f.outline, withinMm)}
        >
          <Small outline={f.outline} />
          Take {i + 1}: {trimNumber(f.widthMm, 1)} ± {trimNumber(Math.max(0.1, f.likelyMm), 1)} ×{' '}
          {trimNumber(f.heightMm, 1)} mm
        </button>
      ))}
      {onTakeAll && found && (found.outlines.length > 1 || marks > 0) && (
        <button
          type="button"
          className="btn btn-main min-h-7 px-2"
          onClick={() => onTakeAll(found.outlines, withinMm)}
        >
          Take {found.outlines.length > 1 ? `all ${found.outlines.length} as pieces` : 'it as the one piece'}
        </button>
      )}
      {onTakeAll && marks > 0 && (
        <p className="text-[12px]">
          {marks === 1 ? 'A line is' : `${marks} lines are`} drawn on them: taken with all pieces, and
          printed.
        </p>
      )}
      {found?.tiltDeg !== undefined && found.tiltDeg > TILTED_DEG && (
        <p className="text-[12px]">
          The camera looked about {trimNumber(found.tiltDeg, 0)}° off square; above {TILTED_DEG}° the far side
          is read coarsely. Hold it straight above the table.
        </p>
      )}
      {found?.sheetBowMm !== undefined && found.sheetBowMm > BOWED_MM && (
        <p className="text-[12px]">
          The sheet’s edges bow by {trimNumber(found.sheetBowMm, 1)} mm: it curls, or the lens is wide. Weigh
          it down, stand back and zoom in.
        </p>
      )}
      {doubtful && (
        <p className="text-[12px]">
          The size is doubtful by more than 1 %: mark the sheet larger in the picture, hold the camera
          straight above the table and farther away, and keep paper flat.
        </p>
      )}
      {said && (
        <p role="status" className="text-[12px] text-soft">
          {said}
        </p>
      )}
    </div>
  );
}

function Small({ outline }: { outline: readonly Vec2[] }) {
  const xs = outline.map((p) => p.x);
  const ys = outline.map((p) => p.y);
  const [left, top] = [Math.min(...xs), Math.max(...ys)];
  return (
    <svg
      viewBox={`0 0 ${Math.max(...xs) - left} ${top - Math.min(...ys)}`}
      className="h-6 w-6 shrink-0"
      aria-hidden
    >
      <polygon points={outline.map((p) => `${p.x - left},${top - p.y}`).join(' ')} fill="var(--color-foam)" />
    </svg>
  );
}

import type { PartReport } from '@fomrik/core/parts';
import { useShallow } from 'zustand/react/shallow';
import { toggle, useView } from '../../store/view';

/** What is laid over solid and pieces; only what this part has. */
export function BenchToggles({ made }: { made: PartReport }) {
  const view = useView(
    useShallow(({ figureOpen, gapOpen, sightOpen, ringsOpen, stretchOpen, legendOpen }) => ({
      figureOpen,
      gapOpen,
      sightOpen,
      ringsOpen,
      stretchOpen,
      legendOpen,
    })),
  );
  const all = [
    { key: 'figureOpen', label: 'On the figure', title: 'Everything worn (F)', has: true },
    {
      key: 'gapOpen',
      label: 'Gap',
      title: 'Gap between shell and body, and pads (G)',
      has: (made.wear?.standOff.length ?? 0) > 0,
    },
    {
      key: 'sightOpen',
      label: 'View',
      title: 'What is seen through the opening (V)',
      has: made.sight.length > 0,
    },
    {
      key: 'ringsOpen',
      label: 'Openings',
      title: 'Openings and what must pass (O)',
      has: made.clearances.length > 0,
    },
    {
      key: 'stretchOpen',
      label: 'Stretch',
      title: 'Stretch map on the pieces (S)',
      has: made.pieces.some((p) => p.stretch),
    },
    { key: 'legendOpen', label: 'Legend', title: 'Legend of lines (L)', has: true },
  ] as const;
  return (
    <div role="group" aria-label="Laid over the bench" className="absolute left-2 top-1 flex flex-wrap gap-1">
      {all
        .filter((t) => t.has)
        .map(({ key, label, title }) => (
          <button
            key={key}
            type="button"
            className={`btn min-h-7 px-2 text-[12.5px] ${view[key] ? 'btn-main' : 'bg-paper'}`}
            aria-pressed={view[key]}
            title={title}
            onClick={() => toggle(key)}
          >
            {label}
          </button>
        ))}
    </div>
  );
}

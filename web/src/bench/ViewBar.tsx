import { Magnet } from 'lucide-react';
import type { PartReport } from '@fomrik/core/parts';
import { useShallow } from 'zustand/react/shallow';
import { toggle, useView } from '../store/view';

/** What is laid over a picture, each with a key; only what this part has. */
export function ViewBar({ made, on }: { made: PartReport; on: 'solid' | 'flat' }) {
  const view = useView(
    useShallow((v) => ({
      figureOpen: v.figureOpen,
      darkOpen: v.darkOpen,
      finishOpen: v.finishOpen,
      foldOpen: v.foldOpen,
      gapOpen: v.gapOpen,
      sightOpen: v.sightOpen,
      ringsOpen: v.ringsOpen,
      stretchOpen: v.stretchOpen,
      legendOpen: v.legendOpen,
      snaps: v.snaps,
    })),
  );
  const hasGap = (made.wear?.standOff.length ?? 0) > 0;
  const solid = [
    { key: 'figureOpen', label: 'On the figure', title: 'Everything worn, on the figure (W)', has: true },
    { key: 'gapOpen', label: 'Gap', title: 'Gap between shell and body, and pads (G)', has: hasGap },
    {
      key: 'sightOpen',
      label: 'View',
      title: 'What is seen through the opening (E)',
      has: made.sight.length > 0,
    },
    {
      key: 'ringsOpen',
      label: 'Openings',
      title: 'Openings and what must pass (O)',
      has: made.clearances.length > 0,
    },
    { key: 'finishOpen', label: 'Finished', title: 'The solid in its colours (C)', has: true },
    {
      key: 'foldOpen',
      label: 'Fold',
      title: 'From flat pieces to the solid (B)',
      has: made.surfaces.length > 0,
    },
    {
      key: 'darkOpen',
      label: 'In the dark',
      title: 'Only what is lit (D)',
      has: made.items.some((i) => i.lamp ?? i.steady),
    },
  ] as const;
  const flat = [
    {
      key: 'stretchOpen',
      label: 'Stretch',
      title: 'Stretch map on the pieces (S)',
      has: made.pieces.some((p) => p.stretch),
    },
    { key: 'legendOpen', label: 'Legend', title: 'Legend of lines (L)', has: true },
  ] as const;
  return (
    <div
      role="group"
      aria-label={on === 'solid' ? 'Laid over the solid' : 'Laid over the pieces'}
      className="flex flex-wrap gap-1"
    >
      {(on === 'solid' ? solid : flat)
        .filter((t) => t.has)
        .map(({ key, label, title }) => (
          <button
            key={key}
            type="button"
            className={`btn min-h-6 px-1.5 text-[12.5px] ${view[key] ? 'btn-main' : ''}`}
            aria-pressed={view[key]}
            title={title}
            onClick={() => toggle(key)}
          >
            {label}
          </button>
        ))}
      {on === 'solid' && (
        <button
          type="button"
          className={`btn btn-icon min-h-6 min-w-6 px-1 ${view.snaps ? 'bg-wash' : ''}`}
          aria-pressed={view.snaps}
          aria-label="Snap"
          title="What is moved snaps to middles and to its neighbours (N)"
          onClick={() => toggle('snaps')}
        >
          <Magnet size={14} aria-hidden />
        </button>
      )}
    </div>
  );
}

/** Which of several pictures a pane shows. */
export function PaneChoice({
  pane,
  choices,
}: {
  pane: string;
  choices: readonly (readonly [value: string, label: string])[];
}) {
  const kept = useView((v) => v.panes[pane]);
  const shown = choices.some(([value]) => value === kept) ? kept : choices[0]![0];
  return (
    <div role="group" aria-label="Picture" className="flex gap-1">
      {choices.map(([value, label]) => (
        <button
          key={value}
          type="button"
          aria-pressed={shown === value}
          className={`min-h-6 border-b-2 px-1 text-[13px] text-teal ${shown === value ? 'border-teal font-semibold' : 'border-transparent'}`}
          onClick={() => useView.setState(({ panes }) => ({ panes: { ...panes, [pane]: value } }))}
        >
          {label}
        </button>
      ))}
    </div>
  );
}

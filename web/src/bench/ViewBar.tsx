import { Magnet } from 'lucide-react';
import type { PartReport } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { useShallow } from 'zustand/react/shallow';
import { useReport } from '../store/report';
import { toggle, useView } from '../store/view';

type Overlay =
  | 'figureOpen'
  | 'gapOpen'
  | 'sightOpen'
  | 'ringsOpen'
  | 'finishOpen'
  | 'foldOpen'
  | 'darkOpen'
  | 'stretchOpen'
  | 'legendOpen';

const always = (): boolean => true;

/** Everything that can be laid over a picture, each with a key, and the parts that have it. */
const overlays: {
  key: Overlay;
  on: 'solid' | 'flat';
  label: string;
  title: string;
  has: (made: PartReport) => boolean;
}[] = [
  {
    key: 'figureOpen',
    on: 'solid',
    label: 'On the figure',
    title: 'Everything worn, on the figure (W)',
    has: always,
  },
  {
    key: 'gapOpen',
    on: 'solid',
    label: 'Gap',
    title: 'Gap between shell and body, and pads (G)',
    has: ({ wear }) => (wear?.standOff.length ?? 0) > 0,
  },
  {
    key: 'sightOpen',
    on: 'solid',
    label: 'View',
    title: 'What is seen through the opening (E)',
    has: ({ sight }) => sight.length > 0,
  },
  {
    key: 'ringsOpen',
    on: 'solid',
    label: 'Openings',
    title: 'Openings and what must pass (O)',
    has: ({ clearances }) => clearances.length > 0,
  },
  {
    key: 'finishOpen',
    on: 'solid',
    label: 'Finished',
    title: 'The solid in its colours (C)',
    has: always,
  },
  {
    key: 'foldOpen',
    on: 'solid',
    label: 'Fold',
    title: 'From flat pieces to the solid (B)',
    has: ({ surfaces }) => surfaces.length > 0,
  },
  {
    key: 'darkOpen',
    on: 'solid',
    label: 'In the dark',
    title: 'Only what is lit (D)',
    has: ({ items }) => items.some((i) => i.lamp ?? i.steady),
  },
  {
    key: 'stretchOpen',
    on: 'flat',
    label: 'Stretch',
    title: 'Stretch map on the pieces (S)',
    has: ({ pieces }) => pieces.some((p) => p.stretch),
  },
  { key: 'legendOpen', on: 'flat', label: 'Legend', title: 'Legend of lines (L)', has: always },
];

/** What is laid over a picture; only what this part has. */
export function ViewBar({ partId, on }: { partId: string; on: 'solid' | 'flat' }) {
  // By their keys in one string: drawn anew when the part has others, not whenever it is worked out.
  const has = useReport((s) => {
    const made = byId(s.report?.parts ?? [], partId);
    return overlays.flatMap((o) => (made && o.has(made) ? [o.key] : [])).join(' ');
  }).split(' ');
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
  return (
    <div
      role="group"
      aria-label={on === 'solid' ? 'Laid over the solid' : 'Laid over the pieces'}
      className="flex flex-wrap gap-1"
    >
      {overlays
        .filter((o) => o.on === on && has.includes(o.key))
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

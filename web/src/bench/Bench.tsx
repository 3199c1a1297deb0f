import type { Station } from '@fomrik/core/document';
import { Maximize2, Minimize2 } from 'lucide-react';
import { Fragment, type ReactNode, useEffect } from 'react';
import { Group, Panel, useDefaultLayout } from 'react-resizable-panels';
import { safeStorage } from '../store/safeStorage';
import { fillBench, useView } from '../store/view';
import { Divider } from './Divider';
import { Drawer, type DrawerTab } from './Drawer';
import { UPRIGHT, useMedia } from './useMedia';

export interface Pane {
  id: string;
  label: string;
  /** What is chosen about the picture, in a line above it. */
  bar?: ReactNode;
  picture: ReactNode;
  /** Its first share of the bench, percent. */
  share: number;
}

/** A pane: a line of choices, then its picture at full height. */
function PaneFrame({ pane, alone }: { pane: Pane; alone: boolean }) {
  const full = useView((v) => v.fullPane === pane.id);
  return (
    <section
      aria-label={pane.label}
      className="flex h-full min-h-0 min-w-0 flex-col"
      onPointerDown={() => useView.setState({ usedPane: pane.id })}
      onFocus={() => useView.setState({ usedPane: pane.id })}
    >
      <div className="flex min-h-8 items-center gap-1 border-b border-hair bg-paper px-1.5">
        <div className="flex min-w-0 flex-1 flex-wrap items-center gap-1 py-0.5">{pane.bar}</div>
        {!alone && (
          <button
            type="button"
            className="btn btn-icon min-h-6"
            aria-pressed={full}
            aria-label={
              full ? `Show the other panes beside ${pane.label}` : `Fill the bench with ${pane.label}`
            }
            title={full ? 'Show the other panes again (F)' : 'Fill the bench with this pane (F)'}
            onClick={() => fillBench(pane.id)}
          >
            {full ? <Minimize2 size={14} aria-hidden /> : <Maximize2 size={14} aria-hidden />}
          </button>
        )}
      </div>
      <div className="relative min-h-0 flex-1">{pane.picture}</div>
    </section>
  );
}

/** Panes beside each other, or above each other where it is upright, with dividers between them. */
function Panes({ station, panes }: { station: Station; panes: readonly Pane[] }) {
  const upright = useMedia(UPRIGHT);
  const way = upright ? 'vertical' : 'horizontal';
  const { defaultLayout, onLayoutChanged } = useDefaultLayout({
    id: `fomrik:${station}:${way}`,
    panelIds: panes.map((p) => p.id),
    onlySaveAfterUserInteractions: true,
    storage: safeStorage,
  });
  return (
    <Group
      key={way}
      orientation={way}
      className="h-full"
      {...(defaultLayout && { defaultLayout })}
      onLayoutChanged={onLayoutChanged}
    >
      {panes.map((pane, i) => (
        <Fragment key={pane.id}>
          {i > 0 && <Divider label={`Between ${panes[i - 1]!.label} and ${pane.label}`} level={upright} />}
          <Panel id={pane.id} defaultSize={`${pane.share}%`} minSize="20%" className="min-h-0">
            <PaneFrame pane={pane} alone={panes.length === 1} />
          </Panel>
        </Fragment>
      ))}
    </Group>
  );
}

/** The bench of a station: its panes, and what belongs to the whole station in a drawer below. */
export function Bench({
  station,
  panes,
  drawer,
}: {
  station: Station;
  panes: readonly Pane[];
  drawer?: readonly DrawerTab[];
}) {
  const filled = useView((v) => v.fullPane);
  const full = panes.find((p) => p.id === filled);
  const first = panes[0]?.id ?? '';
  const known = panes.map((p) => p.id).join();
  useEffect(() => {
    // The key fills the bench with its first pane until another was used.
    if (!known.split(',').includes(useView.getState().usedPane)) useView.setState({ usedPane: first });
  }, [known, first]);
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="min-h-[260px] flex-1">
        {full ? (
          <PaneFrame pane={full} alone={panes.length === 1} />
        ) : (
          <Panes station={station} panes={panes} />
        )}
      </div>
      {drawer && drawer.length > 0 && !full && <Drawer station={station} tabs={drawer} />}
    </div>
  );
}

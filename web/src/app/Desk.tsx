import type { Station } from '@fomrik/core/document';
import { findIn } from '@fomrik/core/units';
import type { ReactNode } from 'react';
import { Group, Panel, useDefaultLayout } from 'react-resizable-panels';
import { Divider } from '../bench/Divider';
import { NARROW, useMedia } from '../bench/useMedia';
import { Inspector } from '../inspector/Inspector';
import { safeStorage } from '../store/safeStorage';
import { useView } from '../store/view';
import { Rack } from './Rack';
import { stations } from './stations';

/** Rack, bench and inspector; the inspector is a drawer over the bench where it is narrow. */
export function Desk({ station, children }: { station: Station; children: ReactNode }) {
  const narrow = useMedia(NARROW);
  const open = useView((v) => v.inspectorOpen);
  const { defaultLayout, onLayoutChanged } = useDefaultLayout({
    id: 'fomrik:desk',
    onlySaveAfterUserInteractions: true,
    storage: safeStorage,
  });
  const bench = (
    <main
      className="relative h-full min-h-0 overflow-auto"
      aria-label={findIn(stations, (s) => s.key === station).label}
    >
      {children}
    </main>
  );
  return (
    <div className="relative grid min-h-0 grid-cols-[132px_minmax(0,1fr)] max-[1099px]:grid-cols-[108px_minmax(0,1fr)]">
      <Rack />
      {narrow ? (
        <>
          {bench}
          {open && (
            <div className="absolute inset-y-0 right-0 z-30 w-[340px] border-l border-ink bg-paper">
              <Inspector station={station} />
            </div>
          )}
        </>
      ) : (
        <Group
          orientation="horizontal"
          className="min-h-0"
          {...(defaultLayout && { defaultLayout })}
          onLayoutChanged={onLayoutChanged}
        >
          <Panel id="bench" minSize="40%">
            {bench}
          </Panel>
          <Divider label="Between the bench and the inspector" />
          <Panel
            id="inspector"
            defaultSize="330px"
            minSize="290px"
            maxSize="440px"
            groupResizeBehavior="preserve-pixel-size"
          >
            <Inspector station={station} />
          </Panel>
        </Group>
      )}
    </div>
  );
}

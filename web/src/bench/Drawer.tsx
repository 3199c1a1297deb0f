import type { Station } from '@fomrik/core/document';
import { ChevronDown } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { memo, type ReactNode } from 'react';
import { setDrawer, useView } from '../store/view';

export interface DrawerTab {
  key: string;
  label: string;
  content: ReactNode;
}

const sameTabs = (a: readonly DrawerTab[], b: readonly DrawerTab[]): boolean =>
  a.length === b.length &&
  a.every((tab, i) => {
    const { key, label, content } = b[i]!;
    return tab.key === key && tab.label === label && tab.content === content;
  });

interface DrawerProps {
  station: Station;
  tabs: readonly DrawerTab[];
}

/** Below the panes, what belongs to the station as a whole; as tall as what it holds, and shut by a press on its tab. */
export const Drawer = memo(DrawerOf, (a, b) => a.station === b.station && sameTabs(a.tabs, b.tabs));

function DrawerOf({ station, tabs }: DrawerProps) {
  const chosen = useView((v) => v.drawers[station]);
  const known = tabs.some((t) => t.key === chosen);
  const open = chosen === '' ? '' : known ? chosen! : tabs[0]!.key;
  return (
    <Tabs.Root
      value={open}
      activationMode="manual"
      className="flex max-h-[calc(100%-260px)] min-h-8 flex-col border-t border-ink bg-bench"
    >
      <div className="flex shrink-0 items-center pr-1">
        <Tabs.List aria-label="More at this station" className="flex min-h-8 flex-1 flex-wrap gap-x-3 px-2">
          {tabs.map(({ key, label }) => (
            <Tabs.Trigger
              key={key}
              value={key}
              onClick={() => setDrawer(station, open === key ? '' : key)}
              className="border-b-2 border-transparent px-1 py-1 text-[13.5px] text-teal data-[state=active]:border-teal data-[state=active]:font-semibold"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {open !== '' && (
          <button
            type="button"
            className="btn btn-icon min-h-6"
            aria-label="Close the drawer"
            title="Close the drawer"
            onClick={() => setDrawer(station, '')}
          >
            <ChevronDown size={15} aria-hidden />
          </button>
        )}
      </div>
      {tabs.map(({ key, content }) => (
        <Tabs.Content key={key} value={key} className="relative min-h-0 overflow-auto px-3 pb-2 outline-none">
          {content}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}

import { Tabs } from 'radix-ui';

/** The tabs of a bench in a line; stands within a `Tabs.Root`. */
export function TabLine({ label, tabs }: { label: string; tabs: readonly (readonly [string, string])[] }) {
  return (
    <Tabs.List aria-label={label} className="flex flex-wrap gap-x-4">
      {tabs.map(([value, words]) => (
        <Tabs.Trigger
          key={value}
          value={value}
          className="border-b-2 border-transparent px-1 pb-1 text-[15px] data-[state=active]:border-teal data-[state=active]:font-medium"
        >
          {words}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
}

import { Tabs } from 'radix-ui';
import { AgainstPlan } from './AgainstPlan';
import { Day } from './Day';
import { Diary } from './Diary';
import { Packing } from './Packing';
import { Readings } from './Readings';

const tabs = [
  ['diary', 'Diary', <Diary key="diary" />],
  ['shop', 'What it really takes', <Readings key="shop" />],
  ['plan', 'Against the plan', <AgainstPlan key="plan" />],
  ['packing', 'Packing', <Packing key="packing" />],
  ['day', 'The day', <Day key="day" />],
] as const;

/** What really happened, what that teaches, and what goes to the event. */
export function Log() {
  return (
    <Tabs.Root defaultValue="diary" className="p-4">
      <Tabs.List aria-label="About the log" className="mb-3 flex flex-wrap gap-4 border-b border-hair">
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
      {tabs.map(([value, , bench]) => (
        <Tabs.Content key={value} value={value}>
          {bench}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}

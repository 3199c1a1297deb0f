import { Tabs } from 'radix-ui';
import { TabLine } from '../../parts/TabLine';
import { AgainstPlan } from './AgainstPlan';
import { Day } from './Day';
import { Diary } from './Diary';
import { Packing } from './Packing';
import { Readings } from './Readings';

const benches = {
  Diary,
  'What it really takes': Readings,
  'Against the plan': AgainstPlan,
  Packing,
  'The day': Day,
};

/** What really happened, what that teaches, and what goes to the event. */
export function Log() {
  return (
    <Tabs.Root defaultValue="Diary" className="p-4">
      <div className="mb-3 border-b border-hair">
        <TabLine label="About the log" tabs={Object.keys(benches).map((name) => [name, name])} />
      </div>
      {Object.entries(benches).map(([name, Bench]) => (
        <Tabs.Content key={name} value={name}>
          <Bench />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}

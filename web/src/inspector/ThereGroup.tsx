import type { Part } from '@fomrik/core/document';
import { trimNumber } from '@fomrik/core/units';
import { memo } from 'react';
import { NumberField } from '../parts/Field';
import type { Changer } from '../store/version';
import { Group } from './Group';
import { onlyWhen } from './onlyWhen';

/** What a part begins as that is said to be there already, years. */
const START_YEARS = 1;

interface ThereGroupProps {
  part: Pick<Part, 'reused'>;
  change: Changer;
}

/** Whether a part is made for this build or is there already from another, and how old it is. */
export const ThereGroup = memo(function ThereGroup({ part, change }: ThereGroupProps) {
  const { reused } = part;
  return (
    <Group
      title="Made before"
      open={false}
      holds={reused ? `${trimNumber(reused.years)} years old` : 'made for this build'}
    >
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          checked={reused !== undefined}
          onChange={(e) => {
            const on = e.target.checked;
            change((p) => {
              if (on) p.reused = { years: START_YEARS };
              else delete p.reused;
            });
          }}
        />
        It is there already
      </label>
      <p className="text-[12.5px] text-soft">
        Then nothing of it is printed, cut, bought or painted; what has aged is renewed.
      </p>
      {reused && (
        <NumberField
          label="Years old"
          value={reused.years}
          range={[0, 60]}
          onChange={(years) => change((p) => void (p.reused = { years }))}
        />
      )}
    </Group>
  );
}, onlyWhen('reused'));

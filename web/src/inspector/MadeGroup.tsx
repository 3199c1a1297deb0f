import type { Part } from '@fomrik/core/document';
import { standardKinds } from '@fomrik/core/parts';
import { counted, printMinutes, trimNumber } from '@fomrik/core/units';
import { memo } from 'react';
import { NumberField } from '../parts/Field';
import { useMade } from '../parts/useMade';
import type { Changer } from '../store/version';
import { Group } from './Group';
import { onlyWhen } from './onlyWhen';

/** What a part begins as that is said to be there already, years. */
const START_YEARS = 1;

/** What the group is about. */
const own = ['id', 'form', 'reused', 'printed'] as const satisfies readonly (keyof Part)[];

interface MadeGroupProps {
  part: Pick<Part, (typeof own)[number]>;
  change: Changer;
}

/** Whether a part is cut from sheet, printed, or there already from another build, and how old it is. */
export const MadeGroup = memo(
  function MadeGroup({ part, change }: MadeGroupProps) {
    const { reused, printed } = part;
    const sheets = standardKinds.forms.get(part.form)?.sheets;
    return (
      <Group
        title="How it is made"
        open={false}
        holds={reused ? `${trimNumber(reused.years)} years old` : printed ? 'printed' : 'made for this build'}
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
        {!reused && (sheets === 'one' || sheets === 'layers') && (
          <>
            <label className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                checked={printed ?? false}
                onChange={(e) => {
                  const on = e.target.checked;
                  change((p) => {
                    if (on) p.printed = true;
                    else delete p.printed;
                  });
                }}
              />
              Its shell is printed
            </label>
            <p className="text-[12.5px] text-soft">
              In plastic, as thick as its foam; what is laid on it is still cut. Its files are under Cut.
            </p>
            {printed && <Takes id={part.id} />}
          </>
        )}
      </Group>
    );
  },
  onlyWhen(...own),
);

/** What printing it takes. */
function Takes({ id }: { id: string }) {
  const takes = useMade(id)?.printing;
  if (!takes) return null;
  return (
    <p role="status" className="text-[13px]">
      {trimNumber(takes.plasticG, 0)} g and {trimNumber(takes.supportG, 0)} g of support,{' '}
      {printMinutes(takes.hours * 60)}, {counted(takes.pieces, 'piece')} on the bed
      {takes.pins > 0 && `, ${counted(takes.pins, 'pin')}`}. One copy, from memory.
    </p>
  );
}

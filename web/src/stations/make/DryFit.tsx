import { applyChanges } from '@fomrik/core/document';
import { dryFit, type DryFitRow } from '@fomrik/core/report';
import { measureInfo } from '@fomrik/core/body';
import { printLength } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { LengthField } from '../../parts/Field';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { useView } from '../../store/view';
import { insideWorker } from '../../workers/insideClient';
import { recordMeasure } from '../body/recordMeasure';

const TYPED: [number, number] = [0, 3000];

/** Trying on in paper, part by part: what is read is typed here, and the pieces follow. */
export function DryFit() {
  const report = useReport((s) => s.report)!;
  const doc = useBuild((s) => s.doc);
  const update = useBuild((s) => s.update);
  const unit = useView((v) => v.unit);
  const parts = useMemo(() => dryFit(doc, report), [doc, report]);
  if (parts.length === 0) return null;
  const take = async (row: DryFitRow, mm: number): Promise<void> => {
    if (row.kind === 'measure') {
      update((d) => recordMeasure(d.wearer, row.key, mm, todayIso()));
      toast(`${measureInfo(row.key).label}: ${printLength(mm, unit)}, and what is drawn from it follows.`);
      return;
    }
    try {
      const { changes, standsOffMm } = await insideWorker.roomRead(doc, row, mm);
      const off = printLength(standsOffMm, unit, 0);
      if (changes.length === 0) {
        toast(
          Math.abs(mm - row.plannedMm) < 1
            ? 'It stands off as planned; nothing is changed.'
            : `No other value brings it nearer: it would stand off ${off}. Change its form or its measures.`,
        );
        return;
      }
      const next = applyChanges(useBuild.getState().doc, changes);
      update((d) => void Object.assign(d, next as Draft<typeof d>));
      toast(
        `Changed to ${printLength(Number(changes[0]!.value), unit)}; on the measures it now stands off ${off}.`,
      );
    } catch (error) {
      toast.error(`Not worked out: ${(error as Error).message}`);
    }
  };
  return (
    <section aria-label="Trying on in paper" className="mt-4 max-w-2xl">
      <h3 className="head">Trying on in paper, in this order</h3>
      <ol className="grid gap-3">
        {parts.map((part, i) => (
          <li key={part.partId} className="border-t border-hair pt-2">
            <p className="text-[16px]">
              <strong>
                {i + 1}. {part.name}
              </strong>
              : {part.how}
            </p>
            {part.rows.map((row) => (
              <div key={row.what} className="grid grid-cols-[1fr_9rem] items-end gap-3">
                <p className="pb-1 text-[14px]">
                  {row.what}
                  <span className="block text-[12.5px] text-soft">Then {row.changes}.</span>
                </p>
                <LengthField
                  label="Read"
                  valueMm={row.plannedMm}
                  range={TYPED}
                  onChange={(mm) => void take(row, mm)}
                />
              </div>
            ))}
          </li>
        ))}
      </ol>
    </section>
  );
}

import { type MeasureKey, measures } from '@fomrik/core/body';
import { useState } from 'react';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField } from '../../parts/Field';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { recordMeasure } from '../body/recordMeasure';

const TYPED_RANGE: [number, number] = [1, 3000];

/** What trying it on measured: today's reading of the wearer, and the pattern follows. */
export function FitReading() {
  const report = useReport((s) => s.report)!;
  const update = useBuild((s) => s.update);
  const known = [...new Set(report.parts.flatMap((p) => p.measures))];
  const [chosen, setChosen] = useState<MeasureKey | undefined>();
  const key = chosen ?? known[0];
  if (!key) return null;
  const { valueMm, source } = report.body[key];
  return (
    <div className="mt-4 grid max-w-md grid-cols-2 gap-3" role="group" aria-label="Reading: the wearer">
      <ChoiceField
        label="Measured again"
        value={key}
        choices={known.map((k) => ({
          value: k,
          label: measures.find((m) => m.key === k)?.label ?? k,
        }))}
        onChange={(k) => setChosen(k)}
      />
      <LengthField
        label="It is now"
        valueMm={valueMm}
        range={TYPED_RANGE}
        estimate={source === 'estimate'}
        onChange={(value) => update((d) => recordMeasure(d.wearer, key, value, todayIso()))}
      />
    </div>
  );
}

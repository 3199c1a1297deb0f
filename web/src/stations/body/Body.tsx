import { measureInfo, measures, type MeasureKey } from '@fomrik/core/body/measures';
import { newestMeasures } from '@fomrik/core/body/estimate';
import { useState } from 'react';
import { LengthField, WordsField } from '../../parts/Field';
import { dragEnd, dragUpdate, useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { ArmFigure } from './ArmFigure';
import { recordMeasure } from './recordMeasure';
import { WearerBook } from './WearerBook';

/** Anything a tape can read; what is too odd is said by a finding, not refused. */
const TYPED_RANGE: [number, number] = [1, 3000];

/** The wearer, measured. */
export function Body() {
  const { doc, update } = useBuild();
  const report = useReport((s) => s.report)!;
  const [active, setActive] = useState<MeasureKey>('wristGirth');
  const taken = newestMeasures(doc.wearer.measures);
  const info = measureInfo(active);
  const resolved = report.body[active];
  return (
    <div className="grid h-full grid-cols-[1fr_310px]">
      <section aria-label="Figure" className="flex min-h-0 flex-col p-2">
        <ArmFigure
          body={report.body}
          active={active}
          onActive={setActive}
          onDrag={(key, mm) => dragUpdate((d) => recordMeasure(d.wearer, key, mm, todayIso()))}
          onDragEnd={dragEnd}
        />
        <div className="leaf mx-2 mb-2 p-2.5" aria-live="polite">
          <h2 className="text-[15px]">
            {info.label}
            {info.standardName && (
              <span className="ml-2 text-[12px] font-normal text-soft">
                standard name: {info.standardName}
              </span>
            )}
          </h2>
          <p>{info.how}</p>
          <p className="text-[12.5px] text-soft">
            {resolved.source === 'estimate'
              ? `est. from ${resolved.from}`
              : `taken ${resolved.takenOn} with the tape`}
            {doc.wearer.measures.filter((m) => m.key === active).length > 1 &&
              ` · earlier: ${earlier(active)}`}
          </p>
        </div>
      </section>
      <section aria-label="Measures" className="min-h-0 overflow-auto border-l border-hair p-3">
        <WearerBook />
        <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-1">
          <WordsField
            label="Wearer"
            value={doc.wearer.name}
            onChange={(name) => update((d) => void (d.wearer.name = name))}
          />
          <LengthField
            label="Under-layer"
            valueMm={doc.wearer.underLayerMm}
            range={[0, 40]}
            onChange={(mm) => update((d) => void (d.wearer.underLayerMm = mm))}
            help="Thickness of the sleeve under the armour."
          />
          {measures.map(({ key, label, how }) => {
            const measure = report.body[key];
            const estimate = measure.source === 'estimate';
            return (
              <div
                key={key}
                onFocus={() => setActive(key)}
                className={key === active ? 'bg-wash px-1' : 'px-1'}
              >
                <LengthField
                  label={label}
                  valueMm={taken.get(key)?.valueMm ?? Math.round(measure.valueMm)}
                  range={TYPED_RANGE}
                  help={how}
                  estimate={estimate}
                  {...(estimate && { note: `est. from ${measure.from}` })}
                  onChange={(mm) => update((d) => recordMeasure(d.wearer, key, mm, todayIso()))}
                />
                {!estimate && (
                  <button
                    type="button"
                    className="text-[11.5px] text-teal underline"
                    onClick={() =>
                      update((d) => void (d.wearer.measures = d.wearer.measures.filter((m) => m.key !== key)))
                    }
                  >
                    forget, estimate it
                  </button>
                )}
              </div>
            );
          })}
        </div>
      </section>
    </div>
  );

  function earlier(key: MeasureKey): string {
    return doc.wearer.measures
      .filter((m) => m.key === key)
      .sort((a, b) => a.takenOn.localeCompare(b.takenOn))
      .slice(0, -1)
      .map((m) => `${m.valueMm} mm on ${m.takenOn}`)
      .join(', ');
  }
}

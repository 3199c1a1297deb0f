import { findIn } from '@fomrik/core/units';
import {
  type BodyRegion,
  type LimbSide,
  measureInfo,
  type MeasureInfo,
  type MeasureKey,
  measures,
  newestMeasures,
  shortSet,
} from '@fomrik/core/body';
import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField, WordsField } from '../../parts/Field';
import { LazyFigure } from '../../parts/LazySolid';
import { dragEnd, dragUpdate, useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { ArmFigure } from './ArmFigure';
import { Drift } from './Drift';
import { MeasureDrawing } from './MeasureDrawing';
import { MeasureFiles } from './MeasureFiles';
import { recordMeasure } from './recordMeasure';
import { WearerBook } from './WearerBook';

/** Anything a tape can read; what is too odd is said by a finding, not refused. */
const TYPED_RANGE: [number, number] = [1, 3000];

const tabs: { key: string; label: string; of: (m: MeasureInfo) => boolean }[] = [
  { key: 'short', label: 'Short set', of: (m) => shortSet.includes(m.key) },
  { key: 'head', label: 'Head', of: (m) => m.region === 'head' },
  { key: 'torso', label: 'Trunk', of: (m) => m.region === 'torso' },
  { key: 'arm', label: 'Arm', of: (m) => m.region === 'arm' || m.region === 'hand' },
  { key: 'leg', label: 'Leg', of: (m) => m.region === 'leg' },
];

const tabOf = (region: BodyRegion): string =>
  region === 'hand' ? 'arm' : region === 'whole' ? 'short' : region;

/** The wearer, measured: figure on the left, fields on the right, one chosen tape in both. */
export function Body() {
  const wearer = useBuild((s) => s.doc.wearer);
  const update = useBuild((s) => s.update);
  const report = useReport((s) => s.report)!;
  const [active, setActive] = useState<MeasureKey>('wristGirth');
  const [tab, setTab] = useState('short');
  const [side, setSide] = useState<'both' | LimbSide>('both');
  const limb = tab === 'arm' || tab === 'leg';
  const of = limb && side !== 'both' ? side : undefined;
  const [view, setView] = useState<'figure' | 'worn' | 'arm'>('figure');
  const taken = newestMeasures(wearer.measures, of);
  const body = of ? report.sides[of] : report.body;
  const info = measureInfo(active);
  const resolved = report.body[active];
  const choose = (key: MeasureKey): void => {
    setActive(key);
    if (!findIn(tabs, (t) => t.key === tab).of(measureInfo(key))) setTab(tabOf(measureInfo(key).region));
    // A tape that is pressed is about to be typed; its field may still have to appear.
    requestAnimationFrame(() => {
      const field = document.querySelector<HTMLInputElement>(`[data-measure="${key}"] input`);
      field?.focus();
      field?.select();
    });
  };
  const record = (key: MeasureKey, mm: number): void =>
    update((d) => recordMeasure(d.wearer, key, mm, todayIso(), of));
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_330px]">
      <section aria-label="Figure" className="flex min-h-0 min-w-0 flex-col p-2">
        <div role="group" aria-label="View of the body" className="flex gap-1.5">
          {(['figure', 'worn', 'arm'] as const).map((v) => (
            <button
              key={v}
              type="button"
              className={`btn ${view === v ? 'btn-main' : ''}`}
              aria-pressed={view === v}
              onClick={() => setView(v)}
            >
              {{ figure: 'Figure', worn: 'Everything worn', arm: 'Arm, drag tapes' }[v]}
            </button>
          ))}
        </div>
        <div className="min-h-0 flex-1">
          {view === 'arm' ? (
            <div className="flex h-full flex-col">
              <ArmFigure
                body={report.body}
                active={active}
                onActive={choose}
                onDrag={(key, mm) => dragUpdate((d) => recordMeasure(d.wearer, key, mm, todayIso()))}
                onDragEnd={dragEnd}
              />
            </div>
          ) : (
            <LazyFigure
              body={report.body}
              parts={view === 'worn' ? report.parts : []}
              active={active}
              onActive={choose}
            />
          )}
        </div>
        <div className="leaf mx-2 mb-1 flex gap-3 p-2">
          <MeasureDrawing body={report.body} measure={active} />
          <div aria-live="polite">
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
                : `taken ${resolved.takenOn}, by ${resolved.source}`}
              {earlier(active)}
            </p>
          </div>
        </div>
      </section>
      <section aria-label="Measures" className="min-h-0 overflow-auto border-l border-hair p-3">
        <WearerBook />
        <div className="mt-2 grid grid-cols-2 gap-x-3">
          <WordsField
            label="Wearer"
            value={wearer.name}
            onChange={(name) => update((d) => void (d.wearer.name = name))}
          />
          <LengthField
            label="Under-layer"
            valueMm={wearer.underLayerMm}
            range={[0, 40]}
            onChange={(mm) => update((d) => void (d.wearer.underLayerMm = mm))}
            help="Thickness of the clothing under the armour."
          />
        </div>
        <Tabs.Root value={tab} onValueChange={setTab} className="mt-1">
          <Tabs.List aria-label="Measures by place" className="flex border-b border-ink">
            {tabs.map((t) => (
              <Tabs.Trigger
                key={t.key}
                value={t.key}
                className="px-2 py-1 text-teal data-[state=active]:bg-foam data-[state=active]:text-white"
              >
                {t.label}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          {limb && (
            <div className="mt-1">
              <ChoiceField
                label="Side"
                value={side}
                choices={[
                  { value: 'both', label: 'both alike' },
                  { value: 'left', label: 'left, where it differs' },
                  { value: 'right', label: 'right, where it differs' },
                ]}
                onChange={setSide}
              />
            </div>
          )}
          {tabs.map((t) => (
            <Tabs.Content key={t.key} value={t.key} className="mt-1 grid grid-cols-2 gap-x-2 gap-y-0.5">
              {measures.filter(t.of).map(({ key, label, how }) => {
                const measure = body[key];
                const estimate = measure.source === 'estimate';
                return (
                  <div
                    key={key}
                    data-measure={key}
                    onFocus={() => setActive(key)}
                    className={`px-1 ${key === active ? 'bg-wash' : ''}`}
                  >
                    <LengthField
                      label={label}
                      valueMm={taken.get(key)?.valueMm ?? Math.round(measure.valueMm)}
                      range={TYPED_RANGE}
                      help={how}
                      estimate={estimate}
                      {...(estimate && { note: `est. from ${measure.from}` })}
                      onChange={(mm) => record(key, mm)}
                    />
                    {!estimate && (
                      <button
                        type="button"
                        className="text-[11.5px] text-teal underline"
                        aria-label={`Remove ${label}, use the estimate`}
                        onClick={() =>
                          update(
                            (d) =>
                              void (d.wearer.measures = d.wearer.measures.filter(
                                (m) => m.key !== key || (of !== undefined && m.side !== of),
                              )),
                          )
                        }
                      >
                        remove, use the estimate
                      </button>
                    )}
                  </div>
                );
              })}
            </Tabs.Content>
          ))}
        </Tabs.Root>
        <Drift measures={wearer.measures.filter((m) => m.key === active)} label={info.label} />
        <MeasureFiles />
      </section>
    </div>
  );

  function earlier(key: MeasureKey): string {
    const before = wearer.measures
      .filter((m) => m.key === key)
      .sort((a, b) => a.takenOn.localeCompare(b.takenOn))
      .slice(0, -1)
      .map((m) => `${m.valueMm} mm on ${m.takenOn}`);
    return before.length > 0 ? ` · earlier: ${before.join(', ')}` : '';
  }
}

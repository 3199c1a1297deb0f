import type { CircuitReport } from '@fomrik/core/circuit';
import type { Circuit, Part } from '@fomrik/core/document';
import { byId, printVolts, trimNumber, getFrom, itemAt } from '@fomrik/core/units';
import { effectWords, type EffectKind } from '@fomrik/core/light';
import {
  gaugeMm,
  gauges,
  regulators,
  startGauge,
  type Gauge,
  type RegulatorKind,
} from '@fomrik/core/materials';
import { standardKinds, freeName } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { Plus, X } from 'lucide-react';
import { ChoiceField, NumberField, WordsField } from '../../parts/Field';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { useView } from '../../store/view';
import { PlayedEffect } from './PlayedEffect';

/** Something electric anywhere in the build, by a name that says where it is. */
interface Named {
  id: string;
  label: string;
  steady: boolean;
}

function named(parts: readonly Part[], electric: string): Named[] {
  return parts.flatMap((part) =>
    part.features
      .filter((f) => standardKinds.features.get(f.kind)?.electric === electric)
      .map((f, i) => ({
        id: f.id,
        steady: getFrom(standardKinds.features, f.kind).steady === true,
        label: `${part.name}: ${getFrom(standardKinds.features, f.kind).label.toLowerCase()} ${i + 1}`,
      })),
  );
}

/** Circuits that reach into this part: what feeds them, what switches them, which lamps they light, in any part. */
export function CircuitFields({ part, chosen }: { part: Part; chosen: string | undefined }) {
  const parts = useBuild((s) => s.doc.parts);
  const circuits = useBuild((s) => s.doc.circuits);
  const update = useBuild((s) => s.update);
  const made = useReport((s) => s.report?.circuits);
  const own = new Set(part.features.map((f) => f.id));
  const [sources, toggles, loads] = ['source', 'switch', 'load'].map((e) => named(parts, e)) as [
    Named[],
    Named[],
    Named[],
  ];
  const here = circuits.filter(
    (c) => own.has(c.source) || (c.switch && own.has(c.switch)) || c.loads.some((l) => own.has(l.feature)),
  );
  const set = (id: string, recipe: (c: Draft<Circuit>) => void): void =>
    update((d) => {
      const circuit = byId(d.circuits, id);
      if (circuit) recipe(circuit);
    });
  const add = (): void => {
    const source = sources.find((s) => own.has(s.id)) ?? sources[0];
    if (!source) return;
    const fed = new Set(circuits.flatMap((c) => c.loads.map((l) => l.feature)));
    const id = freeName(
      circuits.map((c) => c.id),
      `${part.id}.light`,
    );
    update((d) => {
      d.circuits.push({
        id,
        name: `${part.name} light`.slice(0, 120),
        source: source.id,
        switch: toggles.find((s) => own.has(s.id))?.id ?? null,
        loads: loads
          .filter((l) => own.has(l.id) && !fed.has(l.id))
          .map((l) => ({ feature: l.id, currentMa: 15 })),
      });
    });
    useView.setState({ circuitId: id });
  };
  const orGone = (list: Named[], id: string): { value: string; label: string }[] => [
    ...(list.some((n) => n.id === id) ? [] : [{ value: id, label: `${id} (gone)` }]),
    ...list.map((n) => ({ value: n.id, label: n.label })),
  ];
  return (
    <section aria-label="Circuits" className="mt-1 border-t border-ink pt-1">
      <h2 className="head flex items-center gap-2">
        Circuits
        <button
          type="button"
          className="btn min-h-7 px-2"
          disabled={sources.length === 0}
          onClick={add}
          title={sources.length === 0 ? 'Put in a pack first' : 'A circuit from this part’s pack'}
        >
          <Plus size={14} aria-hidden /> Circuit
        </button>
      </h2>
      {here.length === 0 && <p className="text-soft">Nothing is joined up yet.</p>}
      {here.map((circuit) => {
        const report = made?.find((c) => c.id === circuit.id);
        return (
          <fieldset
            key={circuit.id}
            data-circuit={circuit.id}
            className={`border-l-4 pl-2 ${circuit.id === chosen ? 'border-teal' : 'border-hair'}`}
            onFocus={() => useView.setState({ circuitId: circuit.id })}
          >
            <legend className="sr-only">{circuit.name}</legend>
            <div className="grid grid-cols-[1fr_1fr_1fr_32px] items-end gap-x-2">
              <WordsField
                label="Circuit"
                value={circuit.name}
                onChange={(name) => set(circuit.id, (c) => void (c.name = name))}
              />
              <ChoiceField
                label="Fed by"
                value={circuit.source}
                choices={orGone(sources, circuit.source)}
                onChange={(id) => set(circuit.id, (c) => void (c.source = id))}
              />
              <ChoiceField
                label="Switched by"
                value={circuit.switch ?? ''}
                choices={[
                  { value: '', label: 'nothing' },
                  ...(circuit.switch
                    ? orGone(toggles, circuit.switch)
                    : toggles.map((n) => ({ value: n.id, label: n.label }))),
                ]}
                onChange={(id) => set(circuit.id, (c) => void (c.switch = id === '' ? null : id))}
              />
              <button
                type="button"
                className="btn btn-icon"
                aria-label={`Remove circuit ${circuit.name}`}
                onClick={() =>
                  update((d) => void (d.circuits = d.circuits.filter((c) => c.id !== circuit.id)))
                }
              >
                <X size={16} aria-hidden />
              </button>
            </div>
            <div className="grid grid-cols-[1fr_1fr_1fr] items-end gap-x-2">
              <ChoiceField
                label="Wire"
                value={String(circuit.wireAwg ?? startGauge)}
                choices={gauges.map((g) => ({
                  value: String(g.awg),
                  label: `AWG ${g.awg}, ${gaugeMm(g.awg).toFixed(2)} mm`,
                }))}
                onChange={(awg) =>
                  set(circuit.id, (c) => {
                    c.wireAwg = Number(awg) as Gauge;
                  })
                }
              />
              <NumberField
                label="Light is on"
                value={Math.round((circuit.onShare ?? 1) * 100)}
                range={[1, 100]}
                suffix="%"
                help="Of the hours of the day: always on is 100, for pictures about 10."
                onChange={(share) =>
                  set(circuit.id, (c) => {
                    if (share >= 100) delete c.onShare;
                    else c.onShare = share / 100;
                  })
                }
              />
              <ChoiceField
                label="Lamps grouped"
                value={circuit.apart ? 'apart' : 'series'}
                choices={[
                  { value: 'series', label: 'in series as the volts allow' },
                  { value: 'apart', label: 'each behind its own resistor' },
                ]}
                help="In series they share one current; apart, one that fails leaves the others lit."
                onChange={(way) =>
                  set(circuit.id, (c) => {
                    if (way === 'apart') c.apart = true;
                    else delete c.apart;
                  })
                }
              />
              <label className="flex items-center gap-2 self-center text-[13.5px]">
                <input
                  type="checkbox"
                  checked={circuit.fused === true}
                  onChange={(e) =>
                    set(circuit.id, (c) => {
                      if (e.target.checked) c.fused = true;
                      else delete c.fused;
                    })
                  }
                />
                Fuse by the pack
              </label>
              <ChoiceField
                label="Regulator"
                value={circuit.regulator?.kind ?? ''}
                choices={[
                  { value: '', label: 'none: straight from the pack' },
                  ...Object.values(regulators).map((r) => ({ value: r.kind, label: r.name })),
                ]}
                help="Behind the switch; holds the lamps’ voltage while the cells sink."
                onChange={(kind) =>
                  set(circuit.id, (c) => {
                    if (kind === '') delete c.regulator;
                    else c.regulator = { kind: kind as RegulatorKind, volts: c.regulator?.volts ?? 5 };
                  })
                }
              />
              {circuit.regulator && (
                <NumberField
                  label="Set to"
                  value={circuit.regulator.volts}
                  range={[1.5, 24]}
                  suffix="V"
                  onChange={(volts) =>
                    set(circuit.id, (c) => {
                      if (c.regulator) c.regulator.volts = volts;
                    })
                  }
                />
              )}
              <ChoiceField
                label="Effect"
                value={circuit.effect?.kind ?? 'steady'}
                choices={Object.entries(effectWords).map(([value, label]) => ({ value, label }))}
                onChange={(kind) =>
                  set(circuit.id, (c) => {
                    if (kind === 'steady') delete c.effect;
                    else c.effect = { kind: kind as EffectKind, periodS: c.effect?.periodS ?? 2 };
                  })
                }
              />
              {circuit.effect && (
                <NumberField
                  label="A round in"
                  value={circuit.effect.periodS}
                  range={[0.2, 60]}
                  suffix="s"
                  onChange={(periodS) =>
                    set(circuit.id, (c) => {
                      if (c.effect) c.effect.periodS = periodS;
                    })
                  }
                />
              )}
              {circuit.effect && (
                <PlayedEffect
                  effect={circuit.effect}
                  lamps={report?.played ?? 1}
                  safe={(report?.flashes ?? 0) <= 3}
                />
              )}
            </div>
            <ul>
              {circuit.loads.map((load, i) => (
                <li key={load.feature} className="grid grid-cols-[2fr_1fr_32px] items-end gap-x-2">
                  <span className="self-center text-[13.5px]">
                    {byId(loads, load.feature)?.label ?? 'a light that is gone'}
                  </span>
                  {byId(loads, load.feature)?.steady ? (
                    <span className="self-center text-[12.5px] text-soft">
                      {steadyWords(report, load.feature)}
                    </span>
                  ) : (
                    <NumberField
                      label="Current a lamp"
                      value={load.currentMa}
                      range={[0.5, 60]}
                      suffix="mA"
                      onChange={(mA) => set(circuit.id, (c) => void (itemAt(c.loads, i).currentMa = mA))}
                    />
                  )}
                  <button
                    type="button"
                    className="btn btn-icon"
                    aria-label={`Remove ${byId(loads, load.feature)?.label ?? 'what is gone'} from the circuit`}
                    onClick={() => set(circuit.id, (c) => void c.loads.splice(i, 1))}
                  >
                    <X size={14} aria-hidden />
                  </button>
                </li>
              ))}
            </ul>
            <Joinable
              loads={loads.filter((n) => !circuit.loads.some((l) => l.feature === n.id))}
              onJoin={(feature) =>
                set(circuit.id, (c) => void c.loads.push({ feature, currentMa: c.loads[0]?.currentMa ?? 15 }))
              }
            />
            {report && report.crossings > 0 && (
              <p className="text-[12.5px]">
                {report.crossings} connector{report.crossings > 1 ? 's' : ''} where its wires go from part to
                part.
              </p>
            )}
          </fieldset>
        );
      })}
    </section>
  );
}

/** What a strip or a ring draws as it works. */
function steadyWords(report: CircuitReport | undefined, featureId: string): string {
  const name = report?.lamps.find((l) => l.item.featureId === featureId)?.item.steady?.name;
  const now = report?.working?.steady.find((s) => s.name === name);
  if (!now) return 'dark';
  return `${trimNumber(now.amps * 1000, 0)} of ${trimNumber(now.ratedA * 1000, 0)} mA at ${printVolts(now.volts)}`;
}

/** Lamps of any part that the circuit does not light yet. */
function Joinable({ loads, onJoin }: { loads: Named[]; onJoin: (id: string) => void }) {
  if (loads.length === 0) return null;
  return (
    <ChoiceField
      label="Light more lamps"
      value=""
      choices={[{ value: '', label: 'choose a row' }, ...loads.map((n) => ({ value: n.id, label: n.label }))]}
      onChange={(id) => {
        if (id !== '') onJoin(id);
      }}
    />
  );
}

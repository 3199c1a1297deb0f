import type { CircuitReport } from '@fomrik/core/circuit';
import type { Circuit } from '@fomrik/core/document';
import { byId, counted, printVolts, trimNumber, itemAt } from '@fomrik/core/units';
import { effectWords, type EffectKind } from '@fomrik/core/light';
import {
  gaugeMm,
  gauges,
  regulators,
  startGauge,
  type Gauge,
  type RegulatorKind,
} from '@fomrik/core/materials';
import type { Draft } from 'immer';
import { X } from 'lucide-react';
import { ChoiceField } from '../../parts/ChoiceField';
import { NumberField, WordsField } from '../../parts/Field';
import { useBuild } from '../../store/build';
import { PlayedEffect } from './PlayedEffect';

/** Something electric anywhere in the build, by a name that says where it is. */
export interface Named {
  id: string;
  label: string;
  steady: boolean;
}

interface CircuitFieldsProps {
  circuit: Circuit;
  report: CircuitReport | undefined;
  sources: readonly Named[];
  toggles: readonly Named[];
  loads: readonly Named[];
}

const orGone = (list: readonly Named[], id: string): { value: string; label: string }[] => [
  ...(list.some((n) => n.id === id) ? [] : [{ value: id, label: `${id} (gone)` }]),
  ...list.map((n) => ({ value: n.id, label: n.label })),
];

/** One circuit: what feeds it, what switches it, which lights of any part it feeds, and how. */
export function CircuitFields({ circuit, report, sources, toggles, loads }: CircuitFieldsProps) {
  const update = useBuild((s) => s.update);
  const set = (recipe: (c: Draft<Circuit>) => void): void =>
    update((d) => {
      const own = byId(d.circuits, circuit.id);
      if (own) recipe(own);
    });
  return (
    <div className="pb-2 pl-4">
      <WordsField
        label="Circuit"
        value={circuit.name}
        onChange={(name) => set((c) => void (c.name = name))}
      />
      <ChoiceField
        label="Fed by"
        value={circuit.source}
        choices={orGone(sources, circuit.source)}
        onChange={(id) => set((c) => void (c.source = id))}
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
        onChange={(id) => set((c) => void (c.switch = id === '' ? null : id))}
      />
      <ChoiceField
        label="Wire"
        value={String(circuit.wireAwg ?? startGauge)}
        choices={gauges.map((g) => ({
          value: String(g.awg),
          label: `AWG ${g.awg}, ${gaugeMm(g.awg).toFixed(2)} mm`,
        }))}
        onChange={(awg) =>
          set((c) => {
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
          set((c) => {
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
          set((c) => {
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
            set((c) => {
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
          set((c) => {
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
            set((c) => {
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
          set((c) => {
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
            set((c) => {
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
      <ul>
        {circuit.loads.map((load, i) => (
          <li key={load.feature} className="border-t border-hair">
            <span className="self-center text-[13.5px]">
              {byId(loads, load.feature)?.label ?? 'a light that is gone'}
            </span>
            {byId(loads, load.feature)?.steady ? (
              <span className="self-center text-[12.5px] text-soft">{steadyWords(report, load.feature)}</span>
            ) : (
              <NumberField
                label="Current a lamp"
                value={load.currentMa}
                range={[0.5, 60]}
                suffix="mA"
                onChange={(mA) => set((c) => void (itemAt(c.loads, i).currentMa = mA))}
              />
            )}
            <button
              type="button"
              className="btn btn-icon"
              aria-label={`Remove ${byId(loads, load.feature)?.label ?? 'what is gone'} from the circuit`}
              onClick={() => set((c) => void c.loads.splice(i, 1))}
            >
              <X size={14} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <Joinable
        loads={loads.filter((n) => !circuit.loads.some((l) => l.feature === n.id))}
        onJoin={(feature) =>
          set((c) => void c.loads.push({ feature, currentMa: c.loads[0]?.currentMa ?? 15 }))
        }
      />
      {report && report.crossings > 0 && (
        <p className="text-[12.5px]">
          {counted(report.crossings, 'connector')} where its wires go from part to part.
        </p>
      )}
    </div>
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

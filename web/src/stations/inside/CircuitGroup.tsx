import type { Part } from '@fomrik/core/document';
import { standardKinds, freeName } from '@fomrik/core/parts';
import { counted, getFrom } from '@fomrik/core/units';
import { ChevronDown, ChevronRight, Plus, X } from 'lucide-react';
import { memo } from 'react';
import { Group } from '../../inspector/Group';
import { onlyWhen } from '../../inspector/onlyWhen';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { selectCircuit, useSelected } from '../../store/selection';
import { CircuitFields, type Named } from './CircuitFields';

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

/** What circuits are about. */
const wired = ['id', 'name', 'features'] as const satisfies readonly (keyof Part)[];

interface CircuitGroupProps {
  part: Pick<Part, (typeof wired)[number]>;
  open: boolean;
}

/** Circuits that reach into a part: each a line that opens into what feeds it, switches it and is lit by it. */
export const CircuitGroup = memo(
  function CircuitGroup({ part, open }: CircuitGroupProps) {
    const parts = useBuild((s) => s.doc.parts);
    const circuits = useBuild((s) => s.doc.circuits);
    const update = useBuild((s) => s.update);
    const made = useReport((s) => s.report?.circuits);
    const selected = useSelected((s) => s.circuitId);
    const own = new Set(part.features.map((f) => f.id));
    const sources = named(parts, 'source');
    const toggles = named(parts, 'switch');
    const loads = named(parts, 'load');
    const here = circuits.filter(
      (c) => own.has(c.source) || (c.switch && own.has(c.switch)) || c.loads.some((l) => own.has(l.feature)),
    );
    const chosen = here.some((c) => c.id === selected) ? selected : here.length === 1 ? here[0]!.id : '';
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
      selectCircuit(id);
    };
    return (
      <Group
        title="Circuits"
        open={open}
        holds={here.length === 0 ? 'none' : here.map((c) => c.name).join(', ')}
        tools={
          <button
            type="button"
            className="btn min-h-7 px-2"
            disabled={sources.length === 0}
            onClick={add}
            title={sources.length === 0 ? 'Put in a pack first' : 'A circuit from this part’s pack'}
          >
            <Plus size={14} aria-hidden /> Circuit
          </button>
        }
      >
        {here.length === 0 && (
          <p className="text-[13px] text-soft">No circuit yet: put in a pack and a light, then add one.</p>
        )}
        {here.map((circuit) => {
          const report = made?.find((c) => c.id === circuit.id);
          const shown = circuit.id === chosen;
          const Icon = shown ? ChevronDown : ChevronRight;
          return (
            <fieldset key={circuit.id} data-circuit={circuit.id} className="min-w-0 border-t border-hair">
              <legend className="sr-only">{circuit.name}</legend>
              <div className={`flex items-center ${circuit.id === selected ? 'bg-wash' : ''}`}>
                <button
                  type="button"
                  aria-expanded={shown}
                  className="flex min-h-8 min-w-0 flex-1 items-center gap-1.5 text-left"
                  onClick={() => selectCircuit(shown && circuit.id === selected ? '' : circuit.id)}
                >
                  <Icon size={13} aria-hidden className="shrink-0" />
                  <span className="min-w-0 truncate font-medium" title={circuit.name}>
                    {circuit.name}
                  </span>
                  {!shown && (
                    <span className="ml-auto shrink-0 text-[12px] text-soft">
                      {counted(circuit.loads.length, 'light')}
                      {report?.run && `, ${report.run.hours.toFixed(1)} h`}
                    </span>
                  )}
                </button>
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Remove circuit ${circuit.name}`}
                  title="Remove the circuit"
                  onClick={() =>
                    update((d) => void (d.circuits = d.circuits.filter((c) => c.id !== circuit.id)))
                  }
                >
                  <X size={15} aria-hidden />
                </button>
              </div>
              {shown && <CircuitFields {...{ circuit, report, sources, toggles, loads }} />}
            </fieldset>
          );
        })}
      </Group>
    );
  },
  onlyWhen(...wired),
);

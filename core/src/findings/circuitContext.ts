import type { CircuitReport } from '../circuit';
import type { Change, Circuit } from '../document';
import type { Pack } from '../materials';
import { trimNumber } from '../units';
import type { Finding, Remedy } from '../document';
import type { RuleInput, BuildRule } from './rule';

export interface CircuitContext extends RuleInput {
  circuit: Circuit;
  made: CircuitReport;
  at: number;
}

type CircuitRule = (input: CircuitContext) => Finding[];

export const each =
  (rule: CircuitRule): BuildRule =>
  (input) =>
    input.doc.circuits.flatMap((circuit, at) => {
      const made = input.report.circuits[at];
      return made ? rule({ ...input, circuit, made, at }) : [];
    });

/** What a finding of a circuit always says. */
export const about = (
  { made }: CircuitContext,
  id: string,
): Pick<Finding, 'id' | 'station'> & { partId?: string; circuitId: string } => {
  const partId = made.source?.partId ?? made.partIds[0];
  return { id: `${id}:${made.id}`, station: 'inside', circuitId: made.id, ...(partId && { partId }) };
};

/** A change of what an item is, such as another pack in the same place. */
export function choose({ doc }: RuleInput, fitted: CircuitReport['source'], value: string): Change[] {
  const index = doc.parts.findIndex((p) => p.id === fitted?.partId);
  if (!fitted?.item.choose || index < 0) return [];
  return [{ path: ['parts', index, ...fitted.item.choose], value }];
}

export const usePack = (input: CircuitContext, pack: Pack, words = ''): Remedy => ({
  label: `${pack.name}${words}`,
  changes: choose(input, input.made.source, pack.id),
});

/** Packs that want nothing besides themselves come first: no fuse, no load to stay awake; then the thinner ones. */
export const handiest = (packs: readonly Pack[]): Pack[] => {
  const asks = ({ cell }: Pack): number =>
    Number(cell.wantsFuse === true) + Number(cell.sleepsBelowA !== undefined);
  return [...packs].sort((a, b) => asks(a) - asks(b) || a.thickMm - b.thickMm || a.massG - b.massG);
};

/** Every load of the circuit at one current. */
export const atCurrent = ({ circuit, at }: CircuitContext, currentMa: number): Change[] =>
  circuit.loads.map((_, i) => ({ path: ['circuits', at, 'loads', i, 'currentMa'], value: currentMa }));

export const mostMa = ({ circuit }: CircuitContext): number =>
  Math.max(0, ...circuit.loads.map((l) => l.currentMa));

export const ma = (a: number): string => `${trimNumber(a * 1000, 0)} mA`;

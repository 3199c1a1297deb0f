import type { Change, Remedy } from '../document';
import { findIn } from '../units';
import type { CircuitContext } from './circuitContext';

/** Addressable lamps are set no dimmer than this by a remedy, percent. */
const LEAST_PCT = 5;

/** Every addressable light of a circuit, dimmed by one share so that all together draw no more; nothing where they cannot. */
export function dimmedTo({ doc, made }: CircuitContext, drawsA: number, mostA: number): Remedy | undefined {
  const dims = made.lamps.flatMap(({ item, partId, times }) =>
    item.dims && item.steady?.kind === 'digital'
      ? [{ ...item.dims, partId, amps: times * (item.steady.amps - item.steady.restA) }]
      : [],
  );
  const dimmedA = dims.reduce((sum, d) => sum + d.amps, 0);
  // Through a regulator the pack gives more or less than the lights take.
  const lightA = made.working?.lightA ?? drawsA;
  const lessA = (drawsA - mostA) * (lightA / drawsA);
  if (lessA <= 0 || dimmedA <= lessA) return undefined;
  const share = 1 - lessA / dimmedA;
  const changes = dims.map(({ path, pct, partId }): Change & { value: number } => ({
    path: ['parts', doc.parts.indexOf(findIn(doc.parts, (p) => p.id === partId)), ...path],
    value: Math.floor(pct * share),
  }));
  if (changes.some(({ value }) => value < LEAST_PCT)) return undefined;
  const all = new Set(changes.map(({ value }) => value));
  const [first] = all;
  return {
    label:
      all.size === 1
        ? `${first} % brightness for every addressable lamp`
        : `Addressable lamps at ${Math.floor(share * 100)} % of their brightness`,
    changes,
  };
}

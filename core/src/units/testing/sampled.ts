import { chance } from '../chance';

const long = process.env['FOMRIK_LONG'] === '1';
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261130);

/** So many of a list, by the seed of the run; all of them in a long run. */
export function sampled<T>(all: readonly T[], most: number): T[] {
  if (long || all.length <= most) return [...all];
  const roll = chance(seed);
  return all
    .map((one) => ({ one, at: roll() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, most)
    .map(({ one }) => one);
}

/** How often a property is tried: ten times as often in a long run. */
export const runs = (usual: number): number => (long ? 10 * usual : usual);

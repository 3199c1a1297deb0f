import { chance } from '../chance';

const long = process.env['FOMRIK_LONG'] === '1';
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261130);

/** So many of a list, by the seed of the run and the number of the one who asks; all of them in a long run. */
export function sampled<T>(all: readonly T[], most: number, asker = 0): T[] {
  if (long || all.length <= most) return [...all];
  const roll = chance(seed + asker);
  return all
    .map((one) => ({ one, at: roll() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, most)
    .map(({ one }) => one);
}

/** How often a property is tried: ten times as often in a long run. */
export const runs = (usual: number): number => (long ? 10 * usual : usual);

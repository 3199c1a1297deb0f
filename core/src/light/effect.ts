import { itemAt } from '../units';
import { object, oneOf, type ValueOf, within } from '../rule';

export const effectWords = {
  steady: 'steady',
  breathe: 'breathes',
  flicker: 'flickers like a flame',
  chase: 'chases round',
  alarm: 'on and off',
} as const;

/** How lamps change in time: what a controller plays. */
export type EffectKind = keyof typeof effectWords;

export const effectRule = object({
  kind: oneOf(...(Object.keys(effectWords) as EffectKind[])),
  /** From one round to the next, seconds. */
  periodS: within(0.2, 60),
});
export type Effect = ValueOf<typeof effectRule>;

/** Three waves without a common beat make a flame that does not repeat; depths from memory. */
const flame = [
  [1, 0.45],
  [2.37, 0.33],
  [5.19, 0.22],
] as const;

/**
 * Brightness of one lamp of a row at a moment, as a share of its full light.
 * @param lamp from 0; `lamps` in the row.
 */
export function effectAt({ kind, periodS }: Effect, seconds: number, lamp: number, lamps: number): number {
  const round = seconds / periodS;
  switch (kind) {
    case 'steady':
      return 1;
    case 'breathe':
      return (0.5 - 0.5 * Math.cos(2 * Math.PI * round)) ** 2;
    case 'flicker': {
      const wave = flame.reduce(
        (sum, [rate, depth]) => sum + depth * Math.sin(2 * Math.PI * rate * round + lamp * 2.1),
        0,
      );
      return Math.min(1, Math.max(0.15, 0.65 + 0.35 * wave));
    }
    case 'chase': {
      const head = ((round % 1) + 1) % 1;
      const away = Math.abs(((lamp / Math.max(1, lamps) - head + 1.5) % 1) - 0.5);
      return Math.max(0, 1 - away * 4);
    }
    case 'alarm':
      return ((round % 1) + 1) % 1 < 0.5 ? 1 : 0;
  }
}

const STEP_S = 1 / 60;
/** A flame has no round; so many of its periods are looked at. */
const ROUNDS = 12;

const moments = ({ periodS }: Effect): number[] =>
  Array.from({ length: Math.ceil(Math.max(2, ROUNDS * periodS) / STEP_S) }, (_, i) => i * STEP_S);

/** Share of the full light, and so of the full current, on the mean. */
export function meanShare(effect: Effect, lamps: number): number {
  const at = moments(effect);
  const all = Math.max(1, lamps);
  let sum = 0;
  for (const t of at) for (let i = 0; i < all; i++) sum += effectAt(effect, t, i, all);
  return sum / (at.length * all);
}

/** A change of so much of the full light, with the darker state under so much of it, counts (WCAG 2.2). */
const CHANGE = 0.1;
const DARKER = 0.8;

/**
 * Most flashes in any second: a flash is a pair of opposite changes of a tenth or more of the full light, the darker
 * state under eight tenths of it (general flash, WCAG 2.2, success criterion 2.3.1).
 */
export function flashesPerSecond(effect: Effect, lamps: number): number {
  const at = moments(effect);
  const all = Math.max(1, lamps);
  let worst = 0;
  for (let i = 0; i < all; i++) {
    const turns: number[] = [];
    const first = effectAt(effect, 0, i, all);
    let [trough, peak, way] = [first, first, 0];
    for (const t of at) {
      const now = effectAt(effect, t, i, all);
      trough = way > 0 ? trough : Math.min(trough, now);
      peak = way < 0 ? peak : Math.max(peak, now);
      if (way <= 0 && now - trough >= CHANGE && trough < DARKER) {
        [way, peak] = [1, now];
        turns.push(t);
      } else if (way >= 0 && peak - now >= CHANGE && now < DARKER) {
        [way, trough] = [-1, now];
        turns.push(t);
      }
    }
    let from = 0;
    for (let k = 0; k < turns.length; k++) {
      while (itemAt(turns, k) - itemAt(turns, from) > 1) from += 1;
      worst = Math.max(worst, (k - from + 1) / 2);
    }
  }
  return Math.floor(worst);
}

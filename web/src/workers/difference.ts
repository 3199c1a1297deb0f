import equal from 'fast-deep-equal/es6';
import { createPacker, createUnpacker } from './packed';

/**
 * What became of a value: it is the same, new as a whole, or some of its fields or members changed. Members of lists
 * are known again by their `id`; other lists are the same or new as a whole.
 */
type Difference =
  | 'same'
  | { whole: unknown }
  | { fields: Record<string, Difference> }
  | { members: { from: number; now: Difference }[] };

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !ArrayBuffer.isView(value) && !Array.isArray(value);

const idOf = (value: unknown): string | undefined =>
  isObject(value) && typeof value['id'] === 'string' ? value['id'] : undefined;

function between(before: unknown, now: unknown, pack: (value: unknown) => unknown): Difference {
  if (Object.is(before, now)) return 'same';
  if (Array.isArray(before) && Array.isArray(now)) return betweenLists(before, now, pack);
  if (!isObject(before) || !isObject(now)) return { whole: pack(now) };
  const keys = Object.keys(now);
  const fields: Record<string, Difference> = {};
  let same = keys.length === Object.keys(before).length;
  let kept = false;
  for (const key of keys) {
    const field = key in before ? between(before[key], now[key], pack) : { whole: pack(now[key]) };
    fields[key] = field;
    if (field === 'same') kept = true;
    else same = false;
  }
  if (same) return 'same';
  return kept ? { fields } : { whole: pack(now) };
}

function betweenLists(before: unknown[], now: unknown[], pack: (value: unknown) => unknown): Difference {
  if (now.length === 0 || now.some((one) => idOf(one) === undefined))
    return equal(before, now) ? 'same' : { whole: pack(now) };
  const places = new Map(before.map((one, i) => [idOf(one), i]));
  const members = now.map((one) => {
    const from = places.get(idOf(one)) ?? -1;
    return { from, now: from < 0 ? { whole: pack(one) } : between(before[from], one, pack) };
  });
  const same = now.length === before.length && members.every((m, i) => m.from === i && m.now === 'same');
  return same ? 'same' : { members };
}

function applied(before: unknown, difference: Difference, unpack: (value: unknown) => unknown): unknown {
  if (difference === 'same') return before;
  if ('whole' in difference) return unpack(difference.whole);
  if ('members' in difference)
    return difference.members.map(({ from, now }) => applied((before as unknown[])[from], now, unpack));
  return Object.fromEntries(
    Object.entries(difference.fields).map(([key, field]) => [
      key,
      applied((before as Record<string, unknown>)[key], field, unpack),
    ]),
  );
}

/** A value on its way, as far as the other side does not have it. */
export interface Sent<T> {
  /** Counts what was sent, so that nothing is put on what it does not belong to. */
  serial: number;
  difference: Difference;
  /** Only told to the types. */
  of?: T;
}

/** Sends what changed of a value since it was last sent, and what may be handed over with it. */
export function createSender<T>(): (value: T) => { sent: Sent<T>; buffers: ArrayBuffer[] } {
  let before: T | undefined;
  let serial = 0;
  return (value) => {
    const { pack, buffers } = createPacker();
    const difference = between(before, value, pack);
    before = value;
    return { sent: { serial: serial++, difference }, buffers };
  };
}

/** Puts together what was sent: whatever did not change is the very same object as before. */
export function createReceiver<T>(): (sent: Sent<T>) => T {
  let before: T | undefined;
  let next = 0;
  return ({ serial, difference }) => {
    if (serial !== next) throw new Error('What was sent before this never came.');
    next++;
    before = applied(before, difference, createUnpacker()) as T;
    return before;
  };
}

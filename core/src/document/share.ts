/**
 * `next` rebuilt so that every part equal to `previous` is the very same object.
 * Gives identity back to a document that crossed to a worker as a copy.
 */
export function share<T>(previous: T, next: T): T {
  if (Object.is(previous, next)) return previous;
  if (typeof previous !== 'object' || typeof next !== 'object' || previous === null || next === null)
    return next;
  if (Array.isArray(previous) !== Array.isArray(next)) return next;
  const before = previous as Record<string, unknown>;
  const after = next as Record<string, unknown>;
  const keys = Object.keys(after);
  let same = keys.length === Object.keys(before).length;
  const merged: Record<string, unknown> | unknown[] = Array.isArray(next) ? [] : {};
  for (const key of keys) {
    const value = share(before[key], after[key]);
    (merged as Record<string, unknown>)[key] = value;
    same &&= key in before && Object.is(value, before[key]);
  }
  return same ? previous : (merged as T);
}

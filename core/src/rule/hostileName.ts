/** Names that every object answers to by itself; as a key they are an attack or an accident. */
const hostile = new Set([...Object.getOwnPropertyNames(Object.prototype), 'prototype', 'toJSON', 'then']);

/** Deeper than any document. */
const MOST_DEEP = 60;

/** Where in a value a key is one of those names, or nests deeper than any document; nothing when it is plain. */
export function hostileName(value: unknown): string | undefined {
  const stack: { value: unknown; path: string[] }[] = [{ value, path: [] }];
  for (let at = stack.pop(); at; at = stack.pop()) {
    if (typeof at.value !== 'object' || at.value === null) continue;
    if (at.path.length > MOST_DEEP) return at.path.slice(0, 8).join('.');
    const list = Array.isArray(at.value);
    for (const key of Object.keys(at.value)) {
      const path = [...at.path, key];
      if (!list && hostile.has(key)) return path.join('.');
      const inner = (at.value as Record<string, unknown>)[key];
      if (typeof inner === 'object' && inner !== null) stack.push({ value: inner, path });
    }
  }
  return undefined;
}

export const hostileSays = (path: string): string => `“${path}” is no name that a field can have.`;

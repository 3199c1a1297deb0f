/** One value of the build document to set; the path leads from its root. */
export interface Change {
  path: (string | number)[];
  value: unknown;
}

/** The document with the changes made; everything not on a path keeps its identity. */
export function applyChanges<T>(doc: T, changes: readonly Change[]): T {
  return changes.reduce((current, { path, value }) => setAt(current, path, value) as T, doc);
}

function setAt(node: unknown, path: readonly (string | number)[], value: unknown): unknown {
  const [head, ...rest] = path;
  if (head === undefined) return value;
  if (Array.isArray(node))
    return node.map((item: unknown, i) => (i === head ? setAt(item, rest, value) : item));
  if (typeof node !== 'object' || node === null) throw new Error(`No ${String(head)} to change.`);
  return { ...node, [head]: setAt((node as Record<string, unknown>)[head], rest, value) };
}

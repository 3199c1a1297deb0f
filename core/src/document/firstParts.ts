import type { BuildDoc } from './document';

/** A build as if it had only its first parts, with the circuits that lie wholly in them: for first figures of a large one. */
export function firstParts(doc: BuildDoc, count: number): BuildDoc {
  if (count >= doc.parts.length) return doc;
  const parts = doc.parts.slice(0, count);
  const known = new Set(parts.flatMap((p) => p.features.map((f) => f.id)));
  return {
    ...doc,
    parts,
    circuits: doc.circuits.filter((c) =>
      [c.source, ...(c.switch ? [c.switch] : []), ...c.loads.map((l) => l.feature)].every((id) =>
        known.has(id),
      ),
    ),
  };
}

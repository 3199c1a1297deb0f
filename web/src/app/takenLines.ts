import type { Part } from '@fomrik/core/document';
import type { TakenLine } from '@fomrik/core/forms';
import { freeName, standardKinds } from '@fomrik/core/parts';
import type { Draft } from 'immer';

/** Lines taken off a pattern become details of its part, only drawn, in place of those that were only drawn before. */
export function addTakenLines(
  part: Draft<Part>,
  taken: readonly string[],
  lines: readonly TakenLine[],
): void {
  const kind = [...standardKinds.features.values()].find((k) => k.asDrawn);
  if (!kind?.asDrawn) return;
  const { asDrawn } = kind;
  part.features = part.features.filter(
    (f) => f.kind !== kind.kind || Object.entries(asDrawn).some(([key, value]) => f.params[key] !== value),
  );
  const ids = [...taken];
  for (const { panel, points } of lines) {
    const id = freeName(ids, `${part.id}.${kind.kind}`);
    ids.push(id);
    part.features.push({
      id,
      kind: kind.kind,
      place: { on: 'path', panel, points },
      params: { ...asDrawn },
    });
  }
}

import type { Part } from '@fomrik/core/document';
import type { PartReport } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { dragUpdate, useBuild } from '../store/build';
import { useReport } from '../store/report';
import { useView } from '../store/view';

interface Chosen {
  part: Part | undefined;
  made: PartReport | undefined;
  /** Changes the chosen part as one step of undo. */
  change: (recipe: (part: Draft<Part>) => void) => void;
  /** The same while dragging. */
  drag: (recipe: (part: Draft<Part>) => void) => void;
}

/** The chosen part, what was worked out about it, and how to change it. */
export function usePart(): Chosen {
  const partId = useView((v) => v.partId);
  const part = useBuild((s) => s.doc.parts.find((p) => p.id === partId) ?? s.doc.parts[0]);
  const made = useReport((s) => s.report?.parts.find((p) => p.id === part?.id));
  const update = useBuild((s) => s.update);
  const on = (recipe: (part: Draft<Part>) => void) => (draft: Draft<{ parts: Part[] }>) => {
    const target = draft.parts.find((p) => p.id === part?.id);
    if (target) recipe(target);
  };
  return { part, made, change: (recipe) => update(on(recipe)), drag: (recipe) => dragUpdate(on(recipe)) };
}

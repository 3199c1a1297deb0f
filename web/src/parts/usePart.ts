import { byId } from '@fomrik/core/units';
import type { BuildDoc, Part } from '@fomrik/core/document';
import type { PartReport } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { dragReplace, useBuild } from '../store/build';
import { useReport } from '../store/report';
import { editedPart, shownDoc, useShownParts } from '../store/version';
import { useSelected } from '../store/selection';
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
  const partId = useSelected((s) => s.partId);
  const parts = useShownParts();
  const part = byId(parts, partId) ?? parts[0];
  const made = useReport((s) => s.report?.parts.find((p) => p.id === part?.id));
  /** The part as it is now: several changes may come from one drawing of the screen. */
  const now = (): Part | undefined =>
    shownDoc(useBuild.getState().doc, useView.getState().versionId).parts.find((p) => p.id === part?.id);
  const edited = (recipe: (part: Draft<Part>) => void): BuildDoc => {
    const { doc } = useBuild.getState();
    const before = now();
    return before ? editedPart(doc, before, recipe) : doc;
  };
  return {
    part,
    made,
    change: (recipe) => useBuild.getState().replace(edited(recipe)),
    drag: (recipe) => dragReplace(() => edited(recipe)),
  };
}

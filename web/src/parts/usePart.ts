import type { Part } from '@fomrik/core/document';
import type { PartReport } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { useMemo } from 'react';
import { useSelected } from '../store/selection';
import { type Changer, editsOf, useShownParts } from '../store/version';
import { useMade } from './useMade';

interface Edits {
  /** Changes the part as one step of undo. */
  change: Changer;
  /** The same while dragging. */
  drag: Changer;
}

/** A part that is there and worked out, and how it is changed. */
export interface ShownPart extends Edits {
  part: Part;
  made: PartReport;
}

/** How a part is changed; the same functions for as long as it is that part. */
export const useEdits = (partId: string | undefined): Edits => useMemo(() => editsOf(partId), [partId]);

/** The chosen part as it is shown. */
export function useChosen(): Part | undefined {
  const partId = useSelected((s) => s.partId);
  const parts = useShownParts();
  return byId(parts, partId) ?? parts[0];
}

/** The chosen part, what was worked out about it, and how to change it. */
export function usePart(): Edits & { part: Part | undefined; made: PartReport | undefined } {
  const part = useChosen();
  const made = useMade(part?.id);
  const edits = useEdits(part?.id);
  return { part, made, ...edits };
}

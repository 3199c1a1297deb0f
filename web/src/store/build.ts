import { applyChanges, type BuildDoc, type Change } from '@fomrik/core/document';
import { withLetters } from '@fomrik/core/plan';
import { produce, type Draft } from 'immer';
import { temporal } from 'zundo';
import { create } from 'zustand';

interface BuildState {
  id: string;
  /** The document being worked on; every change replaces it and is one step of undo. */
  doc: BuildDoc;
  update: (recipe: (draft: Draft<BuildDoc>) => void) => void;
  apply: (changes: readonly Change[]) => void;
  replace: (doc: BuildDoc) => void;
}

const nothing = {} as BuildDoc;
const HISTORY = 200;

/** The open build. Undo is the history of its document and of nothing else. */
export const useBuild = create<BuildState>()(
  temporal(
    (set) => ({
      id: '',
      doc: nothing,
      update: (recipe) => set((state) => ({ doc: withLetters(produce(state.doc, recipe)) })),
      replace: (doc) => set({ doc }),
      apply: (changes) => set((state) => ({ doc: withLetters(applyChanges(state.doc, changes)) })),
    }),
    { limit: HISTORY, partialize: ({ doc }) => ({ doc }), equality: (a, b) => a.doc === b.doc },
  ),
);

const historyKey = (id: string): string => `fomrik:history:${id}`;

interface KeptHistory {
  doc: BuildDoc;
  past: { doc: BuildDoc }[];
  future: { doc: BuildDoc }[];
}

/** Opens a document; the undo history of this tab comes back if it ends at the same document. */
export function openDoc(id: string, doc: BuildDoc): void {
  useBuild.temporal.getState().pause();
  useBuild.setState({ id, doc });
  useBuild.temporal.getState().resume();
  const kept = readHistory(id);
  const same = kept !== undefined && JSON.stringify(kept.doc) === JSON.stringify(doc);
  useBuild.temporal.setState({ pastStates: same ? kept.past : [], futureStates: same ? kept.future : [] });
}

function readHistory(id: string): KeptHistory | undefined {
  try {
    return JSON.parse(sessionStorage.getItem(historyKey(id)) ?? '') as KeptHistory;
  } catch {
    return undefined;
  }
}

/** Keeps the last steps of undo for a reload of this tab. */
export function keepHistory(): void {
  const { id, doc } = useBuild.getState();
  if (!id) return;
  const { pastStates, futureStates } = useBuild.temporal.getState();
  const kept = { doc, past: pastStates.slice(-60), future: futureStates.slice(-60) };
  try {
    sessionStorage.setItem(historyKey(id), JSON.stringify(kept));
  } catch {
    try {
      // Rather no history than one that does not lead to what is on screen.
      sessionStorage.removeItem(historyKey(id));
    } catch {
      // Storage is forbidden: undo works as long as the page is open.
    }
  }
}

export const undo = (): void => useBuild.temporal.getState().undo();
export const redo = (): void => useBuild.temporal.getState().redo();

let dragStart: BuildDoc | undefined;

/** Whether a handle is held: the document on screen is on its way. */
export const dragging = (): boolean => dragStart !== undefined;

/** Changes while a handle is dragged: live, but one step of undo when it is let go. */
export function dragReplace(next: () => BuildDoc): void {
  if (!dragStart) {
    dragStart = useBuild.getState().doc;
    useBuild.temporal.getState().pause();
  }
  useBuild.getState().replace(next());
}

/** The same by a recipe over the whole document. */
export const dragUpdate = (recipe: (draft: Draft<BuildDoc>) => void): void =>
  dragReplace(() => produce(useBuild.getState().doc, recipe));

export function dragEnd(): void {
  if (!dragStart) return;
  const final = useBuild.getState().doc;
  useBuild.setState({ doc: dragStart });
  dragStart = undefined;
  useBuild.temporal.getState().resume();
  useBuild.setState({ doc: final });
}

/** Takes in what was changed elsewhere: no step of undo, and steps before it lead to states that have it as well. */
export function adoptDoc(doc: BuildDoc, lift: (past: BuildDoc) => BuildDoc | undefined): void {
  const { pastStates } = useBuild.temporal.getState();
  const past: Partial<BuildState>[] = [];
  for (const state of [...pastStates].reverse()) {
    const lifted = state.doc && lift(state.doc as BuildDoc);
    if (!lifted) break;
    past.unshift({ doc: lifted });
  }
  const held = dragging();
  if (dragStart) dragStart = lift(dragStart) ?? doc;
  useBuild.temporal.getState().pause();
  useBuild.setState({ doc });
  // A handle that is held goes on being one step.
  if (!held) useBuild.temporal.getState().resume();
  useBuild.temporal.setState({ pastStates: past as typeof pastStates, futureStates: [] });
  keepHistory();
}

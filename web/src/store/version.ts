import { byId, itemAt } from '@fomrik/core/units';
import {
  applyChanges,
  type BuildDoc,
  type Change,
  editPart,
  holds,
  inVersion,
  type Part,
  type Version,
} from '@fomrik/core/document';
import { standardKinds } from '@fomrik/core/parts';
import { produce, type Draft } from 'immer';
import { toast } from 'sonner';
import { dragReplace, useBuild } from './build';
import { useView } from './view';

const versionOf = (doc: BuildDoc, id: string): Version | undefined => doc.versions?.find((v) => v.id === id);

let last: { doc: BuildDoc; id: string; shown: BuildDoc } | undefined;

/** The document as the chosen version has it; the same object as long as neither changes. */
export function shownDoc(doc: BuildDoc, id: string): BuildDoc {
  if (last?.doc === doc && last.id === id) return last.shown;
  const shown = inVersion(doc, versionOf(doc, id));
  last = { doc, id, shown };
  return shown;
}

/** The part as it is shown. */
export function useShownParts(): readonly Part[] {
  const doc = useBuild((s) => s.doc);
  const id = useView((v) => v.versionId);
  return shownDoc(doc, id).parts;
}

/** The sentence for a value that no build can be saved with, where an edit made one: it is not made. */
function brokenField(before: Part, after: Part): string | undefined {
  if (after.params === before.params) return undefined;
  const fields = standardKinds.forms.get(after.form)?.fields ?? [];
  const field = fields.find(
    (f) => after.params[f.key] !== before.params[f.key] && !holds(f, after.params[f.key]),
  );
  if (!field) return undefined;
  if (field.type !== 'rows') return `${field.label} cannot be that; it stays as it was.`;
  const [least, most] = field.range;
  const value = after.params[field.key];
  return Array.isArray(value) && (value.length < least || value.length > most)
    ? `${field.label} has ${least} to ${most} ${field.line}s, not ${value.length}; it stays as it was.`
    : `${field.label} cannot be that; it stays as it was.`;
}

/** A part edited as it is shown: in the document, or in the shown version alone. */
export function editedPart(doc: BuildDoc, before: Part, recipe: (part: Draft<Part>) => void): BuildDoc {
  const { versionId, versionScope } = useView.getState();
  const after = produce(before, recipe);
  if (after === before) return doc;
  const broken = brokenField(before, after);
  if (broken) {
    toast.error(broken, { id: 'broken-field' });
    return doc;
  }
  if (!versionOf(doc, versionId))
    return { ...doc, parts: doc.parts.map((p) => (p.id === after.id ? after : p)) };
  return editPart(doc, versionId, versionScope, before, after);
}

export type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** How a part is changed as it is shown, as one step of undo or while dragging: each time from what it is by then. */
export function editsOf(partId: string | undefined): { change: Changer; drag: Changer } {
  const edited = (recipe: (part: Draft<Part>) => void): BuildDoc => {
    const { doc } = useBuild.getState();
    const before = byId(shownDoc(doc, useView.getState().versionId).parts, partId);
    return before ? editedPart(doc, before, recipe) : doc;
  };
  return {
    change: (recipe) => useBuild.getState().replace(edited(recipe)),
    drag: (recipe) => dragReplace(() => edited(recipe)),
  };
}

/** Changes that lead from the document as it is shown, such as a remedy's. */
export function applyShown(changes: readonly Change[]): void {
  const { doc, apply, replace } = useBuild.getState();
  const { versionId, versionScope } = useView.getState();
  const shown = shownDoc(doc, versionId);
  if (shown === doc) return apply(changes);
  const elsewhere = versionOf(doc, versionId)?.statureMm !== undefined;
  if (elsewhere && changes.some((c) => c.path[0] === 'wearer')) {
    toast('This version is for someone of another height. Show the build itself to change its wearer.');
    return;
  }
  const next = applyChanges(shown, changes);
  // A version may show fewer circuits than there are: they are found again by what they are called.
  const rest = changes
    .filter((c) => c.path[0] !== 'parts')
    .map(({ path, value }): Change => {
      const [root, index, ...deeper] = path;
      if (root !== 'circuits' || typeof index !== 'number') return { path, value };
      const id = shown.circuits[index]?.id;
      return { path: [root, doc.circuits.findIndex((c) => c.id === id), ...deeper], value };
    });
  const edited = next.parts.reduce((now, after, i) => {
    const before = itemAt(shown.parts, i);
    return before === after ? now : editPart(now, versionId, versionScope, before, after);
  }, doc);
  replace(applyChanges(edited, rest));
}

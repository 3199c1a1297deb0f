import type { FormKindName } from '@fomrik/core/forms/kinds';
import { isPaired } from '@fomrik/core/forms/partForm';
import { newPart } from '@fomrik/core/build/newBuild';
import type { Part } from '@fomrik/core/build/document';
import { useBuild } from '../store/build';
import { useView } from '../store/view';

const freeId = (parts: readonly Part[], kind: string): string => {
  let n = 1;
  while (parts.some((p) => p.id === `${kind}-${n}`)) n += 1;
  return `${kind}-${n}`;
};

export function addPart(form: FormKindName = 'bracer'): void {
  const { doc, update } = useBuild.getState();
  const part = newPart(freeId(doc.parts, form), doc.wearer, form);
  update((draft) => void draft.parts.push(part));
  useView.setState({ partId: part.id });
}

export function copyPart(id: string): void {
  const { doc, update } = useBuild.getState();
  const part = doc.parts.find((p) => p.id === id);
  if (!part) return;
  const copy: Part = { ...part, id: freeId(doc.parts, part.form), name: `${part.name} copy`.slice(0, 120) };
  update((draft) => void draft.parts.push(copy));
  useView.setState({ partId: copy.id });
}

export function removePart(id: string): void {
  useBuild.getState().update((draft) => {
    draft.parts = draft.parts.filter((p) => p.id !== id);
  });
  const first = useBuild.getState().doc.parts[0];
  useView.setState({ partId: first?.id ?? '' });
}

/** One arm or both: left and right become a pair, a pair becomes the left one. */
export function mirrorPart(id: string): void {
  useBuild.getState().update((draft) => {
    const part = draft.parts.find((p) => p.id === id);
    if (part && isPaired(part)) part.sides = part.sides === 'pair' ? 'left' : 'pair';
  });
}

export function stepPart(by: 1 | -1): void {
  const { parts } = useBuild.getState().doc;
  if (parts.length === 0) return;
  const at = parts.findIndex((p) => p.id === useView.getState().partId);
  useView.setState({ partId: parts[(at + by + parts.length) % parts.length]!.id });
}

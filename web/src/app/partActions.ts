import { byId, itemAt } from '@fomrik/core/units';
import { canPair, type Zone } from '@fomrik/core/body';
import type { BuildDoc, Part } from '@fomrik/core/document';
import {
  carries,
  type Copied,
  copiedPart,
  formOf,
  freeName,
  newPart,
  setFree,
  standardKinds,
} from '@fomrik/core/parts';
import { current, type Draft } from 'immer';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { useSelected, selectPart } from '../store/selection';
import { useView } from '../store/view';

const partIds = (doc: Pick<BuildDoc, 'parts'>): string[] => doc.parts.map((p) => p.id);

/** What a part that rides on a stick is put on: the chosen part or what that is mounted on. */
function hostFor(form: string): string | undefined {
  if (!formOf(standardKinds, form).rides) return undefined;
  const { parts } = useBuild.getState().doc;
  const made = useReport.getState().report?.parts ?? [];
  const chosen = useSelected.getState().partId || parts[0]?.id;
  for (let id = chosen, deep = 0; id !== undefined && deep < parts.length; deep++) {
    if (made.some((p) => p.id === id && carries(p))) return id;
    const mount = byId(parts, id)?.mount;
    id = mount?.to === 'part' ? mount.part : undefined;
  }
  return made.find(carries)?.id;
}

/** A new part of a form, selected; where on the wearer, when its form can hang there. */
export function addPart(form: string, where?: Zone): void {
  const { doc, update } = useBuild.getState();
  const part = newPart(freeName(partIds(doc), form), doc.wearer, form, standardKinds, hostFor(form), where);
  update((draft) => void draft.parts.push(part as Draft<Part>));
  selectPart(part.id);
}

/** A copy of a part comes into the build, with its circuits and what surfaces it needs. */
function bring(copied: Copied): void {
  useBuild.getState().update((draft) => putInto(draft, copied));
  selectPart(copied.part.id);
}

function putInto(draft: Draft<BuildDoc>, { part, circuits, meshes, foams }: Copied): void {
  draft.parts.push(part as Draft<Part>);
  draft.circuits.push(...circuits);
  if (foams.length > 0) draft.foams = [...(draft.foams ?? []), ...(foams as Draft<typeof foams>)];
  if (meshes.length > 0) draft.meshes = [...(draft.meshes ?? []), ...(meshes as Draft<typeof meshes>)];
}

export function copyPart(id: string): void {
  const { doc } = useBuild.getState();
  const part = byId(doc.parts, id);
  if (!part) return;
  const copied = copiedPart(doc, part, doc, `${part.name} copy`);
  bring({
    ...copied,
    circuits: copied.circuits.map((c) => ({ ...c, name: `${c.name} copy`.slice(0, 120) })),
  });
}

/** A part out of the shop's book. */
export const takeKept = (kept: BuildDoc): void => takeAll([kept]);

/** Parts as the shop's book keeps them, all of them in one step. */
export function takeAll(kept: readonly BuildDoc[]): void {
  const taken: string[] = [];
  useBuild.getState().update((draft) => {
    for (const from of kept) {
      const [part] = from.parts;
      if (!part) continue;
      const copied = copiedPart(from, part, current(draft), part.name);
      putInto(draft, copied);
      taken.push(copied.part.id);
    }
  });
  const last = taken.at(-1);
  if (last !== undefined) selectPart(last);
}

/** A new part like another but for some of its values, with nothing laid on it. */
export function addLike(part: Part, name: string, params: Part['params']): void {
  const id = freeName(partIds(useBuild.getState().doc), part.form);
  const like: Part = {
    ...part,
    id,
    name: name.slice(0, 120),
    params: { ...part.params, ...params },
    features: [],
    darts: [],
  };
  useBuild.getState().update((draft) => void draft.parts.push(like as Draft<Part>));
  selectPart(id);
}

/** The last of several copies as a part of its own, where it stood, with what is on it. */
export function freeOne(part: Part): void {
  if (part.mount.to !== 'part') return;
  const { mount } = part;
  const host = byId(useReport.getState().report?.parts ?? [], mount.part);
  const free = setFree(mount, byId(host?.anchors ?? [], mount.anchor));
  if (!free) return;
  const { doc, update } = useBuild.getState();
  const made = copiedPart(doc, part, doc, `${part.name}, detached`.slice(0, 120), free.own);
  update((draft) => {
    const own = byId(draft.parts, part.id);
    if (own) own.mount = free.kept;
    draft.parts.push(made.part as Draft<Part>);
    draft.circuits.push(...made.circuits);
  });
  selectPart(made.part.id);
}

/** Several parts taken away as one step. */
export function removeParts(ids: readonly string[]): void {
  const { temporal } = useBuild;
  const [first, ...rest] = ids;
  if (first === undefined) return;
  removePart(first);
  // What follows belongs to the same step.
  temporal.getState().pause();
  rest.forEach(removePart);
  temporal.getState().resume();
}

/** Takes a part away, out of the shown version alone when edits go there; otherwise with the circuits it fed; what fed its lamps from elsewhere lets go of them. */
export function removePart(id: string): void {
  const { versionId, versionScope } = useView.getState();
  if (versionScope === 'one' && useBuild.getState().doc.versions?.some((v) => v.id === versionId)) {
    useBuild.getState().update((draft) => {
      const version = draft.versions?.find((v) => v.id === versionId);
      if (version) version.parts[id] = { ...version.parts[id], leftOut: true };
    });
    selectPart('');
    return;
  }
  useBuild.getState().update((draft) => {
    const gone = new Set(byId(draft.parts, id)?.features.map((f) => f.id));
    draft.parts = draft.parts.filter((p) => p.id !== id);
    draft.circuits = draft.circuits.filter((c) => !gone.has(c.source));
    for (const c of draft.circuits) {
      c.loads = c.loads.filter((l) => !gone.has(l.feature));
      if (c.switch && gone.has(c.switch)) c.switch = null;
    }
  });
  const first = useBuild.getState().doc.parts[0];
  selectPart(first?.id ?? '');
}

/** Whether a part has a left and a right. */
export const isPaired = ({ mount }: Pick<Part, 'mount'>): boolean =>
  mount.to === 'wearer' && canPair(mount.zone);

/** One side or both: left and right become a pair, a pair becomes the left one. */
export function mirrorPart(id: string): void {
  useBuild.getState().update((draft) => {
    const part = byId(draft.parts, id);
    if (part?.mount.to === 'wearer' && canPair(part.mount.zone))
      part.mount.side = part.mount.side === 'pair' ? 'left' : 'pair';
  });
}

export function stepPart(by: 1 | -1): void {
  const { parts } = useBuild.getState().doc;
  if (parts.length === 0) return;
  const at = parts.findIndex((p) => p.id === useSelected.getState().partId);
  selectPart(itemAt(parts, (at + by + parts.length) % parts.length).id);
}

import { canPair } from '@fomrik/core/body';
import { featureIdsOf, type BuildDoc, type Circuit, type Part } from '@fomrik/core/document';
import { carries, formOf, newPart, standardKinds } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { useView } from '../store/view';

/** A name with a number that is not taken yet. */
export function freeName(taken: Iterable<string>, base: string): string {
  const known = new Set(taken);
  let n = 1;
  while (known.has(`${base}-${n}`)) n += 1;
  return `${base}-${n}`;
}

const partIds = (doc: Pick<BuildDoc, 'parts'>): string[] => doc.parts.map((p) => p.id);

/** What a part that rides on a stick is put on: the chosen part or what that is mounted on. */
function hostFor(form: string): string | undefined {
  if (!formOf(standardKinds, form).rides) return undefined;
  const { parts } = useBuild.getState().doc;
  const made = useReport.getState().report?.parts ?? [];
  const chosen = useView.getState().partId || parts[0]?.id;
  for (let id = chosen, deep = 0; id !== undefined && deep < parts.length; deep++) {
    if (made.some((p) => p.id === id && carries(p))) return id;
    const mount = parts.find((p) => p.id === id)?.mount;
    id = mount?.to === 'part' ? mount.part : undefined;
  }
  return made.find(carries)?.id;
}

export function addPart(form: string): void {
  const { doc, update } = useBuild.getState();
  const part = newPart(freeName(partIds(doc), form), doc.wearer, form, standardKinds, hostFor(form));
  update((draft) => void draft.parts.push(part as Draft<Part>));
  useView.setState({ partId: part.id });
}

/** Circuits that lie wholly within a part, for its copy. */
function copiedCircuits(doc: BuildDoc, part: Part, renamed: ReadonlyMap<string, string>): Circuit[] {
  const own = new Set(part.features.map((f) => f.id));
  const all = (c: Circuit): string[] => [
    c.source,
    ...(c.switch ? [c.switch] : []),
    ...c.loads.map((l) => l.feature),
  ];
  const taken = doc.circuits.map((c) => c.id);
  return doc.circuits
    .filter((c) => all(c).every((id) => own.has(id)))
    .map((c) => {
      const id = freeName(taken, c.id.slice(0, 58));
      taken.push(id);
      return {
        id,
        name: `${c.name} copy`.slice(0, 120),
        source: renamed.get(c.source)!,
        switch: c.switch && renamed.get(c.switch)!,
        loads: c.loads.map((l) => ({ ...l, feature: renamed.get(l.feature)! })),
      };
    });
}

export function copyPart(id: string): void {
  const { doc, update } = useBuild.getState();
  const part = doc.parts.find((p) => p.id === id);
  if (!part) return;
  const taken = featureIdsOf(doc);
  const renamed = new Map(
    part.features.map((f) => {
      const name = freeName(taken, f.id.slice(0, 58));
      taken.push(name);
      return [f.id, name];
    }),
  );
  const copy: Part = {
    ...part,
    id: freeName(partIds(doc), part.form),
    name: `${part.name} copy`.slice(0, 120),
    features: part.features.map((f) => ({ ...f, id: renamed.get(f.id)! })),
  };
  update((draft) => {
    draft.parts.push(copy as Draft<Part>);
    draft.circuits.push(...copiedCircuits(doc, part, renamed));
  });
  useView.setState({ partId: copy.id });
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
  useView.setState({ partId: id });
}

/** Takes a part away, out of the shown version alone when edits go there; otherwise with the circuits it fed; what fed its lamps from elsewhere lets go of them. */
export function removePart(id: string): void {
  const { versionId, versionScope } = useView.getState();
  if (versionScope === 'one' && useBuild.getState().doc.versions?.some((v) => v.id === versionId)) {
    useBuild.getState().update((draft) => {
      const version = draft.versions?.find((v) => v.id === versionId);
      if (version) version.parts[id] = { ...version.parts[id], leftOut: true };
    });
    useView.setState({ partId: '' });
    return;
  }
  useBuild.getState().update((draft) => {
    const gone = new Set(draft.parts.find((p) => p.id === id)?.features.map((f) => f.id));
    draft.parts = draft.parts.filter((p) => p.id !== id);
    draft.circuits = draft.circuits.filter((c) => !gone.has(c.source));
    for (const c of draft.circuits) {
      c.loads = c.loads.filter((l) => !gone.has(l.feature));
      if (c.switch && gone.has(c.switch)) c.switch = null;
    }
  });
  const first = useBuild.getState().doc.parts[0];
  useView.setState({ partId: first?.id ?? '' });
}

/** Whether a part has a left and a right. */
export const isPaired = ({ mount }: Pick<Part, 'mount'>): boolean =>
  mount.to === 'wearer' && canPair(mount.zone);

/** One side or both: left and right become a pair, a pair becomes the left one. */
export function mirrorPart(id: string): void {
  useBuild.getState().update((draft) => {
    const part = draft.parts.find((p) => p.id === id);
    if (part?.mount.to === 'wearer' && canPair(part.mount.zone))
      part.mount.side = part.mount.side === 'pair' ? 'left' : 'pair';
  });
}

export function stepPart(by: 1 | -1): void {
  const { parts } = useBuild.getState().doc;
  if (parts.length === 0) return;
  const at = parts.findIndex((p) => p.id === useView.getState().partId);
  useView.setState({ partId: parts[(at + by + parts.length) % parts.length]!.id });
}

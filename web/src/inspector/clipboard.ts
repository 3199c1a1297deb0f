import { type BuildDoc, featureIdsOf, type Feature } from '@fomrik/core/document';
import { freeName, keptAlone, standardKinds } from '@fomrik/core/parts';
import { byId, counted } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { toast } from 'sonner';
import { takeAll } from '../app/partActions';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { safeStorage } from '../store/safeStorage';
import { useSelected } from '../store/selection';
import { todayIso } from '../store/today';
import { removeFeatures } from './featureActions';

/** What was copied last: details of a part, or whole parts, each as a build of nothing else. */
type Clip = { details: Feature[] } | { parts: BuildDoc[] };

/** Kept in the browser, so that what is copied in one build is pasted in another, in this tab or the next. */
const KEY = 'fomrik:clipboard';

function clipped(): Clip | undefined {
  try {
    const read = JSON.parse(safeStorage.getItem(KEY) ?? '') as Partial<Record<'details' | 'parts', unknown>>;
    return Array.isArray(read.details) || Array.isArray(read.parts) ? (read as Clip) : undefined;
  } catch {
    return undefined;
  }
}

function keep(clip: Clip, what: string): void {
  if (safeStorage.setItem(KEY, JSON.stringify(clip))) toast(`${what} copied. Ctrl+V pastes.`);
  else toast.error('This browser keeps nothing here, so nothing was copied.');
}

/** Copies the selected details, or the selected parts where no detail is. */
export function copySelected(): void {
  const { doc } = useBuild.getState();
  const { partId, alsoPartIds, featureIds } = useSelected.getState();
  const part = byId(doc.parts, partId) ?? doc.parts[0];
  if (!part) return;
  if (featureIds.length > 0)
    return keep(
      { details: part.features.filter((f) => featureIds.includes(f.id)) },
      counted(featureIds.length, 'detail'),
    );
  const parts = doc.parts.filter((p) => p.id === part.id || alsoPartIds.includes(p.id));
  keep({ parts: parts.map((p) => keptAlone(doc, p, todayIso())) }, counted(parts.length, 'part'));
}

/** Puts what was copied into the open build: details on the selected part, parts beside the others. */
export function pasteCopied(): void {
  const clip = clipped();
  if (!clip) return void toast('Nothing was copied yet.');
  if ('parts' in clip) takeAll(clip.parts);
  else pasteDetails(clip.details);
}

/** Details keep their place on pieces this part has as well; others go to its first piece. */
function pasteDetails(details: readonly Feature[]): void {
  const { doc, update } = useBuild.getState();
  const { partId } = useSelected.getState();
  const part = byId(doc.parts, partId) ?? doc.parts[0];
  const panels = byId(useReport.getState().report?.parts ?? [], part?.id)?.panels ?? [];
  const first = panels[0];
  if (!part || !first) return void toast.error('Details are pasted on a part with pieces. Choose one.');
  const taken = featureIdsOf(doc);
  const known = new Set(panels.map((p) => p.id));
  const here = (panel: string): string => (known.has(panel) ? panel : first.id);
  const copies = details
    .filter((f) => standardKinds.features.has(f.kind))
    .map((f): Feature => {
      const id = freeName(taken, `${part.id}.${f.kind}`);
      taken.push(id);
      const { place } = f;
      if (place.on === 'panel' || place.on === 'path')
        return { ...f, id, place: { ...place, panel: here(place.panel) } };
      if (place.on === 'edges')
        return {
          ...f,
          id,
          place: { ...place, runs: place.runs.map((r) => ({ ...r, panel: here(r.panel) })) },
        };
      return { ...f, id };
    });
  update((d) => void byId(d.parts, part.id)?.features.push(...(copies as Draft<Feature>[])));
  useSelected.setState({ featureIds: copies.map((f) => f.id) });
}

/** Removes the selected details; nothing when none is selected. */
export function removeSelected(): void {
  const { partId, featureIds } = useSelected.getState();
  const part = byId(useBuild.getState().doc.parts, partId) ?? useBuild.getState().doc.parts[0];
  if (part && featureIds.length > 0) removeFeatures(part.id, featureIds);
}

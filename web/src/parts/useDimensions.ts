import { type Dimension, movedTo } from '@fomrik/core/dimensions';
import type { BuildDoc, Part } from '@fomrik/core/document';
import { useEffect, useMemo } from 'react';
import { create } from 'zustand';
import { dragging, useBuild } from '../store/build';
import { useSelected } from '../store/selection';
import { shownDoc } from '../store/version';
import { type FieldRef, useView } from '../store/view';
import { besideWorker } from '../workers/besideClient';
import { valueAt } from './valueHandles';

/** Waited after a change before dimensions are asked again, and how long a first answer may take; ms. */
const REST_MS = 250;
const WITHIN_MS = 700;
/** A detail has few values, and is asked for as soon as it is selected. */
const SOON_MS = 60;

/** Of what it is, with its build. */
interface Found {
  of: string;
  list: readonly Dimension[];
}

const none: readonly Dimension[] = [];

const pathOf = ({ path }: Pick<Dimension, 'path'>): string => path.join('.');

/** What was found last of the part that is shown, and of its selected detail: one answer for every picture of them. */
const useFound = create<{ part?: Found; detail?: Found }>(() => ({}));

/** Asks the worker for the dimensions of a part or a detail once it has come to rest. */
function useAsked(
  part: Part,
  what: 'part' | 'detail',
  of: string | undefined,
  ask: (doc: BuildDoc, of: string) => Promise<Dimension[]>,
): void {
  const doc = useBuild((s) => s.doc);
  const versionId = useView((v) => v.versionId);
  useEffect(() => {
    if (of === undefined) return;
    let left = false;
    const waitMs = what === 'part' ? REST_MS : SOON_MS;
    const asked = (): void => {
      if (dragging()) {
        timer = setTimeout(asked, REST_MS);
        return;
      }
      ask(shownDoc(doc, versionId), of)
        .then((list) => {
          if (!left) useFound.setState({ [what]: { of: here(of), list } });
        })
        // Without them the fields are still there.
        .catch(() => undefined);
    };
    let timer = setTimeout(asked, waitMs);
    return () => {
      left = true;
      clearTimeout(timer);
    };
    // What is asked depends on what is watched here alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [doc, versionId, part, of, what]);
}

/** Parts of two builds may have one id. */
const here = (id: string | undefined): string => `${useBuild.getState().id}/${id ?? ''}`;

const listOf = (found: Found | undefined, id: string | undefined): readonly Dimension[] | undefined =>
  found && found.of === here(id) ? found.list : undefined;

/** Dimensions with the values they have by now. */
const asTheyAre = (part: Part, found: readonly Dimension[]): Dimension[] =>
  found.flatMap((d) => {
    const value = valueAt(part, d);
    return typeof value !== 'number' ? [] : value === d.value ? [d] : [movedTo(d, value)];
  });

/** Measures a part and its selected detail anew whenever they have come to rest. */
export function useAskedDimensions(part: Part): void {
  useAsked(part, 'part', part.id, (doc, id) => besideWorker.dimensions(doc, id, { withinMs: WITHIN_MS }));
  const known = useFound(({ part: found }) => listOf(found, part.id));
  const focused = useView((v) => v.dimensionOf);
  const asked = known && focused?.partId === part.id && !focused.featureId ? pathOf(focused) : undefined;
  const wanted = known?.some((d) => pathOf(d) === asked) ? undefined : asked;
  useEffect(() => {
    if (wanted === undefined) return;
    const doc = shownDoc(useBuild.getState().doc, useView.getState().versionId);
    besideWorker.dimensions(doc, part.id, { wanted: [wanted] }).then(
      (more) =>
        useFound.setState(({ part: was }) =>
          was?.of === here(part.id) ? { part: { ...was, list: [...was.list, ...more] } } : {},
        ),
      () => undefined,
    );
    // Asked once for every value that is missing.
  }, [wanted, part]);
  useAskedDetail(part);
}

const detailOf = (part: Part, chosen: readonly string[]): string | undefined =>
  chosen.length === 1 && part.features.some((f) => f.id === chosen[0]) ? chosen[0] : undefined;

/** Measures the one detail of a part that is selected. */
export function useAskedDetail(part: Part): void {
  const featureId = useSelected((s) => detailOf(part, s.featureIds));
  useAsked(part, 'detail', featureId, (doc, id) => besideWorker.dimensions(doc, part.id, { featureId: id }));
}

/** The dimensions of the one detail of a part that is selected, with the values they have by now. */
export function useDetailDimensions(part: Part): Dimension[] {
  const featureId = useSelected((s) => detailOf(part, s.featureIds));
  const known = useFound(({ detail }) => listOf(detail, featureId));
  return useMemo(
    () => (featureId === undefined ? [] : asTheyAre(part, known ?? none)),
    [known, featureId, part],
  );
}

/** The dimensions of a part and of its selected detail; as far as they are known. */
export function useDimensions(part: Part): Dimension[] {
  const known = useFound(({ part: found }) => listOf(found, part.id));
  const details = useDetailDimensions(part);
  return useMemo(() => [...asTheyAre(part, known ?? none), ...details], [known, details, part]);
}

/** The dimension that is drawn: the one under the pointer, or that of the field that has the focus. */
export function useShownDimension(partId: string, all: readonly Dimension[]): Dimension | undefined {
  const hinted = useView((v) => v.hinted);
  const focused = useView((v) => v.dimensionOf);
  const of = (ref: FieldRef | undefined): Dimension | undefined =>
    ref?.partId === partId
      ? all.find((d) => d.featureId === ref.featureId && pathOf(d) === ref.path.join('.'))
      : undefined;
  return of(hinted) ?? of(focused);
}

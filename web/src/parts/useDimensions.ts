import { type Dimension, movedTo } from '@fomrik/core/dimensions';
import type { BuildDoc, Part } from '@fomrik/core/document';
import { useEffect, useMemo, useState } from 'react';
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

interface Found {
  of: string;
  list: readonly Dimension[];
}

const none: readonly Dimension[] = [];

const pathOf = ({ path }: Pick<Dimension, 'path'>): string => path.join('.');

/** What the worker says of a part or a detail once it has come to rest, and a way to add to it. */
function useAtRest(
  part: Part,
  of: string | undefined,
  waitMs: number,
  ask: (doc: BuildDoc, of: string) => Promise<Dimension[]>,
): [readonly Dimension[] | undefined, (more: Promise<Dimension[]>) => void] {
  const [found, setFound] = useState<Found>();
  const doc = useBuild((s) => s.doc);
  const versionId = useView((v) => v.versionId);
  useEffect(() => {
    if (of === undefined) return;
    let left = false;
    const asked = (): void => {
      if (dragging()) {
        timer = setTimeout(asked, REST_MS);
        return;
      }
      ask(shownDoc(doc, versionId), of)
        .then((list) => {
          if (!left) setFound({ of, list });
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
  }, [doc, versionId, part, of, waitMs]);
  const add = (more: Promise<Dimension[]>): void =>
    void more
      .then((list) =>
        setFound((was) => (was && was.of === of ? { ...was, list: [...was.list, ...list] } : was)),
      )
      .catch(() => undefined);
  return [found && found.of === of ? found.list : undefined, add];
}

/** Dimensions with the values they have by now. */
const asTheyAre = (part: Part, found: readonly Dimension[]): Dimension[] =>
  found.flatMap((d) => {
    const value = valueAt(part, d);
    return typeof value === 'number' ? [movedTo(d, value)] : [];
  });

/** The dimensions of a part and of its selected detail, measured anew when it has come to rest; as far as they are known meanwhile. */
export function useDimensions(part: Part): Dimension[] {
  const [known, add] = useAtRest(part, part.id, REST_MS, (doc, id) =>
    besideWorker.dimensions(doc, id, { withinMs: WITHIN_MS }),
  );
  const focused = useView((v) => v.dimensionOf);
  const asked = known && focused?.partId === part.id && !focused.featureId ? pathOf(focused) : undefined;
  const missing = known?.some((d) => pathOf(d) === asked) ? undefined : asked;
  useEffect(() => {
    if (missing === undefined) return;
    const doc = shownDoc(useBuild.getState().doc, useView.getState().versionId);
    add(besideWorker.dimensions(doc, part.id, { wanted: [missing] }));
    // Asked once for every value that is missing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [missing, part]);
  const details = useDetailDimensions(part);
  return useMemo(() => [...asTheyAre(part, known ?? none), ...details], [known, details, part]);
}

/** The dimensions of the one detail of a part that is selected. */
export function useDetailDimensions(part: Part): Dimension[] {
  const chosen = useSelected((s) => (s.featureIds.length === 1 ? s.featureIds[0] : undefined));
  const featureId = part.features.some((f) => f.id === chosen) ? chosen : undefined;
  const [known] = useAtRest(part, featureId, SOON_MS, (doc, id) =>
    besideWorker.dimensions(doc, part.id, { featureId: id }),
  );
  return useMemo(() => asTheyAre(part, known ?? none), [known, part]);
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

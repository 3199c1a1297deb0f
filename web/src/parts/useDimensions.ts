import { type Dimension, movedTo } from '@fomrik/core/dimensions';
import type { Part } from '@fomrik/core/document';
import { useEffect, useMemo, useState } from 'react';
import { dragging, useBuild } from '../store/build';
import { shownDoc } from '../store/version';
import { type FieldRef, useView } from '../store/view';
import { dimensionWorker } from '../workers/dimensionClient';

/** Waited after a change before dimensions are asked again, and how long a first answer may take; ms. */
const REST_MS = 250;
const WITHIN_MS = 700;

const pathOf = ({ path }: Pick<Dimension, 'path'>): string => path.join('.');

const valueAt = (part: Part, path: Dimension['path']): unknown =>
  path.reduce<unknown>((at, key) => (at as Record<string | number, unknown> | undefined)?.[key], part.params);

/** The dimensions of a part, measured anew when it has come to rest; as far as they are known meanwhile. */
export function useDimensions(part: Part): Dimension[] {
  const [found, setFound] = useState<{ partId: string; list: Dimension[] }>();
  const focused = useView((v) => v.dimensionOf);
  const doc = useBuild((s) => s.doc);
  const versionId = useView((v) => v.versionId);
  useEffect(() => {
    let left = false;
    const ask = (): void => {
      if (dragging()) {
        timer = setTimeout(ask, REST_MS);
        return;
      }
      dimensionWorker
        .dimensions(shownDoc(doc, versionId), part.id, { withinMs: WITHIN_MS })
        .then((list) => {
          if (!left) setFound({ partId: part.id, list });
        })
        // Without them the fields are still there.
        .catch(() => undefined);
    };
    let timer = setTimeout(ask, REST_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [doc, versionId, part]);
  const known = found?.partId === part.id ? found.list : undefined;
  const missing =
    known &&
    focused?.partId === part.id &&
    !focused.featureId &&
    !known.some((d) => pathOf(d) === pathOf(focused))
      ? pathOf(focused)
      : undefined;
  useEffect(() => {
    if (!missing) return;
    let left = false;
    dimensionWorker
      .dimensions(shownDoc(doc, versionId), part.id, { wanted: [missing] })
      .then((list) => {
        if (!left) setFound((was) => was && { ...was, list: [...was.list, ...list] });
      })
      .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [missing, doc, versionId, part]);
  return useMemo(
    () =>
      (known ?? []).flatMap((d) => {
        const value = valueAt(part, d.path);
        return typeof value === 'number' ? [movedTo(d, value)] : [];
      }),
    [known, part],
  );
}

/** The dimension that is drawn: the one under the pointer, or that of the field that has the focus. */
export function useShownDimension(partId: string, all: readonly Dimension[]): Dimension | undefined {
  const hinted = useView((v) => v.hinted);
  const focused = useView((v) => v.dimensionOf);
  const of = (ref: FieldRef | undefined): Dimension | undefined =>
    ref?.partId === partId && !ref.featureId ? all.find((d) => pathOf(d) === ref.path.join('.')) : undefined;
  return of(hinted) ?? of(focused);
}

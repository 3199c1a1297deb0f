import type { Body, MeasureKey, Zone } from '@fomrik/core/body';
import type { Mesh } from '@fomrik/core/geometry';
import type { MeasureView } from '../stations/body/measureView';
import { coreWorker } from './coreWorker';
import type { InsideApi } from './inside';
import { createUnpacker } from './packed';
import type { FigureDrawn, PackedOf, WearerApi } from './wearer';

type BesideApi = WearerApi & Pick<InsideApi, 'begun' | 'dimensions' | 'measures'>;

/**
 * A thread beside the one that works out the build, for what is short: the wearer drawn, dimensions, and what could
 * be begun. Searches, which take long, have one of their own.
 */
export const { api: besideWorker } = coreWorker<BesideApi>(60_000);

const unpacked = async <T>(answer: Promise<PackedOf<T>>): Promise<T> =>
  createUnpacker()((await answer).packed) as T;

/** Asks once for each body and keeps the answer while the body is kept; a question that failed is asked again. */
function once<K, T>(ask: (body: Body, key: K) => Promise<T>): (body: Body, key: K) => Promise<T> {
  const kept = new WeakMap<Body, Map<K, Promise<T>>>();
  return (body, key) => {
    const of = kept.get(body) ?? new Map<K, Promise<T>>();
    kept.set(body, of);
    const known = of.get(key);
    if (known) return known;
    const answer = ask(body, key);
    of.set(key, answer);
    answer.catch(() => of.delete(key));
    return answer;
  };
}

const figureOf = once<undefined, FigureDrawn>((body) => unpacked(besideWorker.figure(body)));

/** The wearer drawn, with tapes. */
export const drawnFigure = (body: Body): Promise<FigureDrawn> => figureOf(body, undefined);

/** The bodies a part is shown on. */
export const bodiesOf = once<Zone | undefined, Mesh[]>((body, zone) =>
  unpacked(besideWorker.bodiesOf(body, zone)),
);

/** How a measure is taken; null where no tape can be drawn. */
export const drawnMeasure = once<MeasureKey, MeasureView | null>((body, key) =>
  besideWorker.measure(body, key),
);

import {
  type Body,
  bodyMeshes,
  figure,
  junctions,
  type FigurePart,
  type MeasureKey,
  type Tape,
  tapes,
  type Zone,
} from '@fomrik/core/body';
import type { Mesh } from '@fomrik/core/geometry';
import { transfer } from 'comlink';
import { type MeasureView, measureView } from '../stations/body/measureView';
import { createPacker } from './packed';

export interface FigureDrawn {
  parts: FigurePart[];
  tapes: Tape[];
}

/** Something packed on its way; only the types know what. */
export interface PackedOf<T> {
  packed: unknown;
  of?: T;
}

function sent<T>(value: T): PackedOf<T> {
  const { pack, buffers } = createPacker();
  return transfer({ packed: pack(value) }, buffers);
}

/** The wearer drawn: worked out here, so that a measure can be dragged without a stutter. */
export const wearer = {
  figure: (body: Body): PackedOf<FigureDrawn> =>
    sent({ parts: [...figure(body).parts, ...junctions(body)], tapes: tapes(body) }),
  bodiesOf: (body: Body, zone: Zone | undefined): PackedOf<Mesh[]> => sent(bodyMeshes(body, zone)),
  /** Null where no tape can be drawn. */
  measure: (body: Body, key: MeasureKey): MeasureView | null => measureView(body, key) ?? null,
};

export type WearerApi = typeof wearer;

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
import { expose } from 'comlink';
import { type MeasureView, measureView } from '../stations/body/measureView';

/** The wearer drawn: worked out here, so that a measure can be dragged without a stutter. */
const api = {
  figure: (body: Body): { parts: FigurePart[]; tapes: Tape[] } => ({
    parts: [...figure(body).parts, ...junctions(body)],
    tapes: tapes(body),
  }),
  bodiesOf: (body: Body, zone: Zone | undefined): Mesh[] => bodyMeshes(body, zone),
  /** Null where no tape can be drawn. */
  measure: (body: Body, key: MeasureKey): MeasureView | null => measureView(body, key) ?? null,
};

export type BodyWorker = typeof api;
expose(api);

import type { MeasureKey } from '@fomrik/core/body';
import type { WireRun } from '@fomrik/core/circuit';
import type { BuildDoc, Feature, Part } from '@fomrik/core/document';
import { diffuserRows, type DiffuserRow, type LightBox, type Shine } from '@fomrik/core/features';
import { type Brightness, litFace, type LitFace } from '@fomrik/core/light';
import type { Dimension } from '@fomrik/core/dimensions';
import {
  decisiveMeasures,
  roomRead,
  shineIn,
  dimensionsIn,
  lightMethods,
  placesFor,
  proposedChannels,
  type MethodProposal,
  type MethodsAsked,
} from '@fomrik/core/report';
import { transfer } from 'comlink';
import { begunPicture } from './begunPicture';

type Places = ReturnType<typeof placesFor>;
type Tilt = Parameters<typeof placesFor>[3];

/** Searches of the inside, away from the page: where things fit, and how a face glows. */
export const inside = {
  face: (face: LitFace, across: number): Brightness => {
    const lit = litFace(face, across);
    return transfer(lit, [lit.values.buffer as ArrayBuffer]);
  },
  diffusers: (box: LightBox): DiffuserRow[] => diffuserRows(box),
  places: (doc: BuildDoc, partId: string, featureId: string, tilt: Tilt): Places =>
    placesFor(doc, partId, featureId, tilt),
  dimensions: (doc: BuildDoc, partId: string, asked: Parameters<typeof dimensionsIn>[2]): Dimension[] =>
    dimensionsIn(doc, partId, asked),
  shines: (doc: BuildDoc, partIds: readonly string[]): [string, Shine][] =>
    partIds.flatMap((id) => {
      const shine = shineIn(doc, id);
      return shine ? [[id, shine]] : [];
    }),
  roomRead,
  begun: begunPicture,
  measures: (doc: BuildDoc): MeasureKey[] => decisiveMeasures(doc),
  channels: (doc: BuildDoc, part: Part, runs: readonly WireRun[], awg: number): Feature[] =>
    proposedChannels(doc, part, runs, awg),
  methods: (doc: BuildDoc, circuitId: string, asked: MethodsAsked): MethodProposal[] =>
    lightMethods(doc, circuitId, asked),
};

export type InsideApi = typeof inside;

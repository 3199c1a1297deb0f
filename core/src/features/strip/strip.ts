import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { defineFeature } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { layBand } from '../laying/band';

const fields = [
  length('widthMm', 'Width', [4, 120], 'From the edge inwards.'),
  madeOf,
  thicknessOf('Thicker holds more.'),
] as const;

/** A stiffening strip glued inside an edge. */
export const strip = defineFeature<ParamsOf<typeof fields>>({
  kind: 'strip',
  label: 'Strip',
  verb: 'Stiffening strip',
  picture: [draw.plate, draw.line(draw.box(8, 26, 56, 10))],
  summary: 'A strip inside an edge, so that it keeps its shape.',
  station: 'shape',
  fields,
  places: ['edges'],
  remedies: 'slack',
  start: ({ panel, edge }) => ({
    place: { on: 'edges', runs: [{ panel, edge }] },
    params: { widthMm: 30, madeOf: 'part', foamMm: 6 },
  }),
  lay: (on, feature) =>
    layBand(on, feature, {
      runs: feature.place.on === 'edges' ? feature.place.runs : [],
      widthMm: feature.params.widthMm,
      foam: ownSheet(on, feature.params),
      face: 'inner',
      name: 'stiffening strip',
      note: 'Glued inside, so that the edge keeps its shape.',
    }),
});

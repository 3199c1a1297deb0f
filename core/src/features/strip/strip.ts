import * as draw from '../../thumbnail';
import { type FoamField, length, type ParamsOf } from '../../document';
import { defineFeature } from '../contract';
import { layBand } from '../laying/band';

const foam: FoamField<'foamMm'> = {
  type: 'foam',
  key: 'foamMm',
  label: 'Foam',
  help: 'Thicker holds more.',
  group: 'Foam',
  own: false,
};

const fields = [length('widthMm', 'Width', [4, 120], 'From the edge inwards.'), foam] as const;

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
    params: { widthMm: 30, foamMm: 6 },
  }),
  lay: (on, feature) =>
    layBand(on, feature, {
      runs: feature.place.on === 'edges' ? feature.place.runs : [],
      widthMm: feature.params.widthMm,
      foam: on.sheet({ foamId: on.ply.foamId, nominalMm: feature.params.foamMm }),
      face: 'inner',
      name: 'stiffening strip',
      note: 'Glued inside, so that the edge keeps its shape.',
    }),
});

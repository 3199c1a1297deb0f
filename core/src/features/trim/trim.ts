import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import { defineFeature } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { layBand } from '../laying/band';

const fields = [
  length('widthMm', 'Width', [4, 120], 'From the edge inwards.'),
  madeOf,
  thicknessOf('Bands and lips are usually 5 mm or less.', { usualMm: 5 }),
  choice(
    'look',
    'Edge form',
    [
      ['square', 'square'],
      ['rounded', 'rounded'],
    ],
    'Left square, or overhung and sanded round.',
  ),
] as const;

/** A band laid along the outside of an edge. */
export const trim = defineFeature<ParamsOf<typeof fields>>({
  kind: 'trim',
  label: 'Trim',
  verb: 'Trim an edge',
  picture: [draw.plate, draw.foam(draw.box(2, 34, 68, 10)), draw.line('M2 34H70')],
  summary: 'A band along an edge, outside; it hides the cut.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['edges'],
  start: ({ panel, edge }) => ({
    place: { on: 'edges', runs: [{ panel, edge }] },
    params: { widthMm: 18, madeOf: 'part', foamMm: 2, look: 'rounded' },
  }),
  lay: (on, feature) =>
    layBand(on, feature, {
      runs: feature.place.on === 'edges' ? feature.place.runs : [],
      widthMm: feature.params.widthMm,
      foam: ownSheet(on, feature.params),
      face: 'outer',
      name: 'trim',
      note:
        feature.params.look === 'rounded'
          ? 'Overhang the edge by half its thickness, then sand both round together.'
          : 'Flush with the edge, left square.',
    }),
});

import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import type { Vec2 } from '../../geometry';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { found, type Found } from './found';

const fields = [
  choice(
    'found',
    'Behind it',
    (Object.keys(found) as Found[]).map((key) => [key, found[key].label] as const),
    'Felt with a needle or a thin drill turned by hand, seen with a torch, or heard by tapping.',
  ),
  length('acrossMm', 'Across', [3, 200], 'How far round the spot that holds.'),
] as const;

/** The rim of a spot, closed. */
const rimOf = ({ x, y }: Vec2, acrossMm: number): Vec2[] =>
  Array.from({ length: 25 }, (_, i) => ({
    x: x + (acrossMm / 2) * Math.cos((i * Math.PI) / 12),
    y: y + (acrossMm / 2) * Math.sin((i * Math.PI) / 12),
  }));

/** What was found behind a spot before anything is drilled there: cuts that come near are told. */
export const probe = defineFeature<ParamsOf<typeof fields>>({
  kind: 'probe',
  label: 'Probed spot',
  verb: 'Note what is behind',
  picture: [draw.plate, draw.line(draw.discs(22, [36, 24])), draw.casing('M36 24L52 8l4 4L40 28Z')],
  summary: 'What was found behind a wall before it is drilled: glue, a screw, a spring, a board, or nothing.',
  station: 'inside',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { found: 'clear', acrossMm: 20 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that was probed is no longer there.');
    const at = laid.flatAt({ x: place.u, y: place.v });
    const { label, blocks, does } = found[params.found];
    return {
      ...nothing(),
      marks: [
        {
          pieceId: laid.panel.id,
          mark: { kind: 'glue', points: rimOf(at, params.acrossMm), text: `probed: ${label}` },
        },
      ],
      probed: [
        {
          id: feature.id,
          pieceId: laid.panel.id,
          at,
          acrossMm: params.acrossMm,
          label,
          blocks,
          does,
          ...(feature.note !== undefined && { note: feature.note }),
        },
      ],
    };
  },
});

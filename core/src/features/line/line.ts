import * as draw from '../../thumbnail';
import { itemAt, lastOf } from '../../units';
import { choice, type ParamsOf } from '../../document';
import { offsetGrid, onGrid } from '../../panel';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';

const fields = [
  choice(
    'look',
    'Cut as',
    [
      ['score', 'score'],
      ['groove', 'groove'],
      ['drawn', 'pencil line'],
    ],
    'A shallow line on the face opened by heat, a V in the back, or a line that says where something goes.',
  ),
] as const;

/** Points drawn between two set by hand. */
const BETWEEN = 12;

/** A groove or scored line drawn on the form. */
export const line = defineFeature<ParamsOf<typeof fields>>({
  kind: 'line',
  label: 'Line',
  verb: 'Line across',
  picture: [draw.plate, draw.line('M6 36C24 36 22 12 40 12S58 30 66 30')],
  summary: 'A score or groove drawn on the form.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['path'],
  asDrawn: { look: 'drawn' },
  start: ({ panel }) => ({
    place: {
      on: 'path',
      panel,
      points: [
        [0.15, 0.5],
        [0.85, 0.5],
      ],
    },
    params: { look: 'score' },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'path' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'path')
      return notLaid(feature, 'shape', 'the piece that carried a drawn line is no longer there.');
    const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
    const points = place.points.map(([x, y]) => ({ x, y }));
    const run = [
      ...points.slice(1).flatMap((to, i) =>
        Array.from({ length: BETWEEN }, (_, k) => {
          const from = itemAt(points, i);
          return {
            x: from.x + ((to.x - from.x) * k) / BETWEEN,
            y: from.y + ((to.y - from.y) * k) / BETWEEN,
          };
        }),
      ),
      lastOf(points),
    ];
    const flat = run.map((uv) => laid.flatAt(uv));
    if (params.look === 'drawn')
      return { ...nothing(), marks: [{ pieceId: laid.panel.id, mark: { kind: 'glue', points: flat } }] };
    const scored = params.look === 'score';
    return {
      ...nothing(),
      marks: [{ pieceId: laid.panel.id, mark: { kind: params.look, points: flat } }],
      drawn: [{ kind: params.look, points: run.map((uv) => onGrid(face, uv)), acrossMm: 1 }],
      work: [
        {
          step: scored ? 'score' : 'lines',
          when: 'flat',
          verb: scored ? 'score' : 'groove',
          what: scored ? 'lines on the face' : 'lines in the back',
          count: 1,
          eachMin: 4,
          detail: scored
            ? 'A light cut a third deep, opened with warm air.'
            : 'A V a little more than half deep, from the back.',
          cautions: scored ? ['blade', 'heat'] : ['blade'],
          waitMin: 0,
        },
      ],
    };
  },
});

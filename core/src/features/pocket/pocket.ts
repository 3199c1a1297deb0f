import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { contains } from '../../geometry';
import { footprintOutline } from '../../panel';
import { trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid, panelOf, type Work } from '../contract';
import { footingOf } from '../laying/device';
import { deviceCut, pocketChecks } from '../laying/devicePocket';
import { pocketDepthMm, snugPocketMm } from './recess';

const fields = [
  length('widthMm', 'Width', [5, 200], 'Of what goes in.'),
  length('lengthMm', 'Length', [5, 200], 'Of what goes in.'),
  length('deepMm', 'Depth', [1, 40], 'Cut from the back; 2 mm of skin stay.'),
] as const;

const work: Work = {
  step: 'pockets',
  when: 'flat',
  verb: 'cut',
  what: 'pockets',
  count: 1,
  eachMin: 8,
  detail: 'On the inside of the traced line, level by level; a rotary tool evens the floor.',
  cautions: ['blade', 'dust'],
  waitMin: 0,
};

/** A pocket cut into the back of the foam for anything. */
export const pocket = defineFeature<ParamsOf<typeof fields>>({
  kind: 'pocket',
  label: 'Pocket',
  verb: 'Pocket',
  picture: [
    draw.plate,
    draw.line(draw.box(18, 12, 36, 24)),
    draw.line('M18 12l5 5M54 12l-5 5M18 36l5 -5M54 36l-5 -5'),
    draw.line(draw.box(23, 17, 26, 14)),
  ],
  summary: 'Cut into the back of a shell, or into as many layers of a lamination as it is deep.',
  station: 'inside',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { widthMm: 30, lengthMm: 30, deepMm: 3 },
  }),
  divide: (panels, { id, place, params }, foamOf) =>
    deviceCut(panels, { id, place }, { ...params, name: 'pocket' }, foamOf),
  lay: (on, feature) => {
    const { place, params } = feature;
    const footing = footingOf(on, feature, params);
    if (footing?.room.solid)
      return {
        ...nothing(),
        work: [work],
        checks: pocketChecks(on, feature, footing, { ...params, name: 'pocket' }),
      };
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried a pocket is no longer there.');
    const points = footprintOutline({
      at: laid.flatAt({ x: place.u, y: place.v }),
      widthMm: snugPocketMm(params.widthMm),
      lengthMm: snugPocketMm(params.lengthMm),
      turnDeg: place.turnDeg,
    });
    if (!points.every((p) => contains(laid.piece.outline, p)))
      return notLaid(feature, 'inside', `the pocket runs over the edge of ${laid.panel.name}.`);
    const most = pocketDepthMm(laid.foam.thicknessMm.value);
    return {
      ...nothing(),
      marks: [
        {
          pieceId: laid.panel.id,
          mark: {
            kind: 'pocket',
            points,
            takesMm: Math.min(params.deepMm, most),
            text: `pocket ${trimNumber(Math.min(params.deepMm, most))} mm, back`,
          },
        },
      ],
      work: [work],
      checks:
        params.deepMm > most
          ? [
              {
                id: `pocket-${feature.id}`,
                severity: 'mind',
                station: 'inside',
                title: `a pocket ${trimNumber(params.deepMm)} mm deep in ${trimNumber(laid.foam.thicknessMm.value)} mm foam; ${trimNumber(most)} mm is the most.`,
                why: 'Less than 2 mm of skin shows what is behind it.',
                provenance: 'memory',
                excess: params.deepMm - most,
                pieceId: laid.panel.id,
                remedies:
                  most >= 1
                    ? [
                        {
                          label: `${trimNumber(most)} mm deep`,
                          changes: [{ path: featurePath(on, feature, 'params', 'deepMm'), value: most }],
                        },
                      ]
                    : [],
              },
            ]
          : [],
    };
  },
});

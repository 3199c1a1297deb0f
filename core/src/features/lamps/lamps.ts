import * as draw from '../../thumbnail';
import { colourField } from '../laying/stripFields';
import { choice, count, length, type ParamsOf } from '../../document';
import { ledBodies } from '../../materials';
import { defineFeature, type Item, nothing, notLaid, panelOf } from '../contract';
import { spotBy } from '../laying/spot';
import { checksOf, LEAST_PITCH_MM } from './checks';
import { layoutOf } from './layout';
import { lampShine } from './shine';
import { throughChecks, throughWork } from './through';

const fields = [
  count('count', 'Lamps', [1, 60], 'All of them together.'),
  choice(
    'layout',
    'Laid out',
    [
      ['line', 'in a line'],
      ['circle', 'on a circle'],
      ['grid', 'on a grid'],
    ],
    'A line begins at its place; a circle and a grid lie round it.',
  ),
  count('rows', 'Rows', [1, 20], 'Of the grid, as far apart as its lamps.', 'Size', {
    when: (params) => (params as { layout?: string }).layout === 'grid',
  }),
  colourField,
  choice(
    'body',
    'Body',
    [
      ['3mm', '3 mm'],
      ['5mm', '5 mm'],
      ['10mm', '10 mm'],
      ['flat', 'flat-top'],
      ['surface', 'surface'],
    ],
    'The hole is as wide as the body.',
  ),
  length('pitchMm', 'Spacing', [6, 500], 'Middle to middle, along the foam.'),
  choice(
    'shows',
    'Shines',
    [
      ['hole', 'out of a hole of its own'],
      ['through', 'through the foam, from behind it'],
    ],
    'Through foam that light goes through, no hole is cut.',
  ),
  length('awayMm', 'Behind the foam', [0, 80], 'From the lamps to the foam they shine through.', 'Size', {
    when: (params) => (params as { shows?: string }).shows === 'through',
  }),
] as const;

export type LampParams = ParamsOf<typeof fields>;

const bodyWords: Record<LampParams['body'], string> = {
  '3mm': '3 mm',
  '5mm': '5 mm',
  '10mm': '10 mm',
  flat: '5 mm flat-top',
  surface: 'surface',
};

/** How far apart lamps usually stand, mm; common practice, no source. */
const USUAL_PITCH_MM = 30;

/** LEDs in a line, on a circle or on a grid, each in a hole of its own. */
export const lamps = defineFeature<LampParams>({
  kind: 'lamps',
  label: 'Lamps',
  verb: 'Lamp row',
  picture: [draw.plate, draw.light(draw.discs(6, [16, 24], [36, 24], [56, 24]))],
  summary: 'LEDs in a line, on a circle or on a grid, each pushed into a hole from behind.',
  station: 'inside',
  electric: 'load',
  fields,
  places: ['panel'],
  methods: [
    {
      method: 'bare',
      label: 'bare LEDs on a pack',
      is: () => true,
      along: ({ panel, from, turnDeg, lengthMm, colour }) => {
        const count = Math.min(60, Math.max(1, Math.round(lengthMm / USUAL_PITCH_MM) + 1));
        return {
          place: { on: 'panel', panel, u: from.x, v: from.y, turnDeg },
          params: {
            count,
            layout: 'line',
            rows: 2,
            colour,
            body: '5mm',
            shows: 'hole',
            awayMm: 5,
            pitchMm:
              count > 1 ? Math.min(500, Math.max(LEAST_PITCH_MM, lengthMm / (count - 1))) : USUAL_PITCH_MM,
          },
        };
      },
    },
  ],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: {
      count: 3,
      layout: 'line',
      rows: 2,
      colour: 'amber',
      body: '5mm',
      pitchMm: 30,
      shows: 'hole',
      awayMm: 5,
    },
  }),
  shine: lampShine,
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried a row of lamps is no longer there.');
    const led = ledBodies[params.body];
    const made = nothing();
    const room = on.rooms.find((r) => r.panel === laid.panel.id && !r.solid);
    const through = params.shows === 'through';
    const overhang = through
      ? led.lengthMm + params.awayMm
      : Math.max(0, led.lengthMm - laid.foam.thicknessMm.value);
    made.items = layoutOf(params, place.turnDeg).map((by, i): Item => {
      const spot = spotBy(laid, place, by);
      return {
        id: `${id}-${i + 1}`,
        featureId: id,
        name: `${params.colour} lamp ${i + 1}`,
        at: spot.at,
        normal: spot.normal,
        pieceId: laid.panel.id,
        flat: spot.flat,
        marginMm: spot.marginMm,
        massG: led.massG,
        lamp: { colour: params.colour, led },
        fit: {
          needMm: overhang,
          haveMm: room?.depthAt(spot.flat) ?? 0,
          widthMm: led.rimMm,
          lengthMm: led.rimMm,
          pocketMm: 0,
          foamMm: laid.foam.thicknessMm.value,
          roomId: `gap:${laid.panel.id}`,
          fromMm: 0,
          prints: [{ at: spot.flat, turnDeg: 0, widthMm: led.rimMm, lengthMm: led.rimMm, shape: 'disc' }],
          outline: [],
          profile: [],
        },
      };
    });
    made.holes = made.items
      .filter((l) => !through && l.marginMm > led.bodyMm / 2)
      .map((l) => ({
        pieceId: laid.panel.id,
        hole: { id: l.id, kind: 'lamp', centre: l.flat!, diameterMm: led.bodyMm },
      }));
    made.bought.push({
      what: `${bodyWords[params.body]} ${params.colour} LED`,
      unit: 'lamps',
      count: params.count,
      each: led.price,
      massG: 0,
      provenance: 'memory',
    });
    made.checks = [
      ...checksOf(on, id, laid, place, params, made.items),
      ...(through ? throughChecks(on, id, laid, params, made.items) : []),
    ];
    if (through) made.work.push(throughWork(params));
    return made;
  },
});

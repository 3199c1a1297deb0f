import * as draw from '../../thumbnail';
import { choice, count, type ParamsOf } from '../../document';
import { add3, pointAlong, dist2, lerp2, polylineLength, scale3, type Vec2 } from '../../geometry';
import { type LampColour, leds } from '../../materials';
import type { Footprint, LaidPanel } from '../../panel';
import { counted, trimNumber, itemAt } from '../../units';
import { defineFeature, featurePath, nothing, notLaid, panelOf } from '../contract';
import { lampFlux, lampRgb, type LitPoint, noShine } from '../laying/shine';
import { spotBy, spotFrom } from '../laying/spot';
import { lampPitchMm, stripBought, stripG, stripLoad, stripOf, stripStepMm } from '../laying/stripParts';

const colours = Object.keys(leds) as LampColour[];
const addressable = (params: object): boolean => (params as { type?: string }).type === '5v';

const fields = [
  choice(
    'type',
    'Strip',
    [
      ['12v', '12 V, cut in segments'],
      ['5v', '5 V, addressable'],
    ],
    'Of one colour in segments of 50 mm, or every lamp by itself from a controller.',
  ),
  choice(
    'colour',
    'Colour',
    colours.map((c) => [c, c] as const),
    'Of the light.',
  ),
  count('brightPct', 'Brightness, %', [5, 100], 'Of full white, at its brightest.', 'Size', {
    when: addressable,
  }),
] as const;

/** A strip bends with its wall: it is looked at in runs no longer than this, mm. */
const RUN_MM = 30;

/** A lamp of a strip is so wide, and stands so far off its wall; mm, from memory. */
const LAMP_MM = 5;
const STAND_MM = 2;

/** The spot of a panel at a point of its flat, from the first point of a line on it. */
const spotAtFlat = (laid: LaidPanel, points: readonly (readonly [number, number])[], p: Vec2) => {
  const [u, v] = itemAt(points, 0);
  const from = laid.flatAt({ x: u, y: v });
  return spotBy(
    laid,
    { on: 'panel', panel: laid.panel.id, u, v, turnDeg: 0 },
    { x: p.x - from.x, y: p.y - from.y },
  );
};

/** A band of a width along a run, in short straight lengths. */
const runsOf = (run: readonly Vec2[], widthMm: number): Footprint[] =>
  run.slice(1).flatMap((q, i) => {
    const p = itemAt(run, i);
    const long = dist2(p, q);
    const count = Math.max(1, Math.ceil(long / RUN_MM));
    return Array.from({ length: count }, (_, k) => ({
      at: lerp2(p, q, (k + 0.5) / count),
      widthMm,
      lengthMm: Math.max(1, long / count),
      turnDeg: (Math.atan2(q.x - p.x, q.y - p.y) * 180) / Math.PI,
    }));
  });

/** A light strip glued along a line on the inside of a piece. */
export const lightStrip = defineFeature<ParamsOf<typeof fields>>({
  kind: 'light-strip',
  label: 'Light strip',
  verb: 'Light strip',
  picture: [
    draw.plate,
    draw.clear(draw.box(4, 19, 64, 10)),
    draw.light(
      `${draw.box(9, 21.5, 5, 5)}${draw.box(26, 21.5, 5, 5)}${draw.box(43, 21.5, 5, 5)}${draw.box(60, 21.5, 5, 5)}`,
    ),
  ],
  summary: 'An LED strip glued along a line inside: 12 V in segments, or addressable from a controller.',
  station: 'inside',
  electric: 'load',
  steady: true,
  fields,
  places: ['path'],
  methods: (
    [
      ['12v', 'segments', '12 V strip cut in segments'],
      ['5v', 'addressable', 'addressable 5 V with a controller'],
    ] as const
  ).map(([type, method, label]) => ({
    method,
    label,
    is: (params) => params['type'] === type,
    along: ({ panel, from, to, colour }) => ({
      place: {
        on: 'path',
        panel,
        points: [
          [from.x, from.y],
          [to.x, to.y],
        ],
      },
      params: { type, colour, brightPct: 30 },
    }),
  })),
  start: ({ panel }) => ({
    place: {
      on: 'path',
      panel,
      points: [
        [0.2, 0.5],
        [0.8, 0.5],
      ],
    },
    params: { type: '12v', colour: 'amber', brightPct: 30 },
  }),
  shine: (on, { id, place, params }) => {
    const laid = place.on === 'path' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'path') return noShine();
    const run = place.points.map(([x, y]) => laid.flatAt({ x, y }));
    const pitch = lampPitchMm(params.type);
    const count = Math.floor(polylineLength(run) / stripStepMm(params.type) + 1e-6);
    const lamps = Math.round((count * stripStepMm(params.type)) / pitch);
    return {
      ...noShine(),
      points: Array.from({ length: lamps }, (_, i): LitPoint => {
        const { at, normal } = spotAtFlat(laid, place.points, pointAlong(run, (i + 0.5) * pitch));
        return {
          itemId: id,
          rgb: lampRgb[params.colour],
          // On the inner face, looking in.
          at: add3(at, scale3(normal, -laid.foam.thicknessMm.value - STAND_MM)),
          normal: scale3(normal, -1),
          flux: lampFlux(params.colour, params.type === '5v' ? params.brightPct / 100 : 1),
          acrossMm: LAMP_MM,
          hidden: false,
        };
      }),
    };
  },
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'path' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'path')
      return notLaid(feature, 'inside', 'the piece that carried a light strip is no longer there.');
    const run: Vec2[] = place.points.map(([x, y]) => laid.flatAt({ x, y }));
    const lengthMm = polylineLength(run);
    const digital = params.type === '5v';
    const of = stripOf(params.type);
    const step = stripStepMm(params.type);
    const parts = Math.floor(lengthMm / step + 1e-6);
    if (parts < 1)
      return notLaid(
        feature,
        'inside',
        `a light strip on ${laid.panel.name} is ${trimNumber(lengthMm, 0)} mm long; it is cut every ${trimNumber(step, 0)} mm.`,
      );
    const cutMm = parts * step;
    const name = digital
      ? `addressable strip of ${counted(parts, 'lamp')}`
      : `12 V strip of ${counted(parts, 'segment')}`;
    const steady = stripLoad(params.type, name, parts, params.colour, params.brightPct / 100);
    const middle = itemAt(place.points, Math.floor(place.points.length / 2));
    const spot = spotFrom(
      laid,
      { on: 'panel', panel: place.panel, u: middle[0], v: middle[1], turnDeg: 0 },
      0,
    );
    const room = on.rooms.find((r) => r.panel === laid.panel.id && !r.solid);
    const haveMm = Math.min(...run.map((p) => room?.depthAt(p) ?? 0));
    return {
      ...nothing(),
      marks: [{ pieceId: laid.panel.id, mark: { kind: 'glue', points: run, text: `${name}, inside` } }],
      items: [
        {
          id,
          featureId: id,
          name,
          at: spot.at,
          normal: spot.normal,
          pieceId: laid.panel.id,
          flat: spot.flat,
          marginMm: spot.marginMm,
          massG: stripG(params.type, cutMm),
          steady,
          ...(digital && {
            dims: { path: featurePath(on, feature, 'params', 'brightPct'), pct: params.brightPct },
          }),
          fit: {
            needMm: of.thickMm,
            haveMm,
            widthMm: of.widthMm,
            lengthMm: of.widthMm,
            pocketMm: 0,
            foamMm: laid.foam.thicknessMm.value,
            roomId: `gap:${laid.panel.id}`,
            fromMm: 0,
            prints: runsOf(run, of.widthMm),
            outline: [],
            profile: [],
          },
        },
      ],
      bought: stripBought(params.type, cutMm),
      work: [
        {
          step: 'light-strips',
          when: 'lit',
          verb: 'glue',
          what: 'light strips inside',
          count: 1,
          eachMin: 12,
          detail: `Cut it on a mark, ${trimNumber(cutMm, 0)} mm; solder and test before its tape is pulled. No sharp turns: cut and join with wire round a corner.`,
          cautions: ['solder'],
          waitMin: 0,
        },
      ],
      checks:
        haveMm + 0.05 < of.thickMm
          ? [
              {
                id: `strip-deep-${id}`,
                severity: 'mind',
                station: 'inside',
                title: `the ${name} is ${trimNumber(of.thickMm)} mm thick, ${trimNumber(haveMm)} mm is behind ${laid.panel.name}.`,
                why: 'It rubs on the wearer, and its joints crack.',
                provenance: 'memory',
                excess: of.thickMm - haveMm,
                pieceId: laid.panel.id,
                remedies: [{ need: 'room', mm: of.thickMm - haveMm }],
              },
            ]
          : [],
    };
  },
});

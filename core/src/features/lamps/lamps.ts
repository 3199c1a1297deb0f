import { type Check, choice, count, type Cure, length, type PanelSpot, type ParamsOf } from '../../document';
import { type LampColour, ledBodies, leds } from '../../materials';
import type { LaidPanel } from '../../panel';
import { trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid, panelOf, type Item, type LaidPart } from '../contract';
import { spotBy, spotFrom } from '../laying/spot';
import { layoutOf } from './layout';
import { throughChecks, throughWork } from './through';

const colours = Object.keys(leds) as LampColour[];

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
  count('rows', 'Rows', [1, 20], 'Of the grid, as far apart as its lamps.', 'Form', {
    when: (params) => (params as { layout?: string }).layout === 'grid',
  }),
  choice(
    'colour',
    'Colour',
    colours.map((c) => [c, c] as const),
    'Of the light.',
  ),
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
  length('pitchMm', 'Apart', [6, 500], 'Middle to middle, along the foam.'),
  choice(
    'shows',
    'Shines',
    [
      ['hole', 'out of a hole of its own'],
      ['through', 'through the foam, from behind it'],
    ],
    'Through foam that light goes through, no hole is cut.',
  ),
  length('awayMm', 'Behind the foam', [0, 80], 'From the lamps to the foam they shine through.', 'Form', {
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

/** Least foam round a lamp window, mm (common practice, no source). */
const WINDOW_MARGIN_MM = 8;
const LEAST_PITCH_MM = 6;
/** How far apart lamps usually stand, mm; common practice, no source. */
const USUAL_PITCH_MM = 30;

/** Foam from a place either way, as far as a window keeps its margin; mm. */
function clearRun(laid: LaidPanel, place: PanelSpot, clearMm: number): [number, number] {
  const reach = (sign: 1 | -1): number => {
    let mm = 0;
    while (mm < 600 && spotFrom(laid, place, sign * (mm + 4)).marginMm >= clearMm) mm += 4;
    return mm;
  };
  return [reach(-1), reach(1)];
}

/** A circle or a grid moved to the middle of its piece, and drawn together as far as it must be. */
function drawnIn(
  on: LaidPart,
  id: string,
  laid: LaidPanel,
  place: PanelSpot,
  params: LampParams,
  clearMm: number,
): Cure[] {
  const all = (at: PanelSpot, pitchMm: number): boolean =>
    layoutOf({ ...params, pitchMm }, at.turnDeg).every((by) => spotBy(laid, at, by).marginMm >= clearMm);
  return [
    { at: place, words: 'Draw it together' },
    { at: { ...place, u: 0.5, v: 0.5 }, words: 'Middle of the piece' },
  ].flatMap(({ at, words }): Cure[] => {
    for (let pitchMm = params.pitchMm; pitchMm >= LEAST_PITCH_MM; pitchMm = Math.floor(pitchMm - 1))
      if (all(at, pitchMm))
        return [
          {
            label: pitchMm < params.pitchMm ? `${words}, ${pitchMm} mm apart` : words,
            changes: [
              { path: featurePath(on, { id }, 'place'), value: at },
              { path: featurePath(on, { id }, 'params', 'pitchMm'), value: pitchMm },
            ],
          },
        ];
    return [];
  });
}

/** Ways to bring a whole row onto foam: centred where it is, or in the middle of the piece, closer together if it must be. */
function centred(on: LaidPart, id: string, laid: LaidPanel, place: PanelSpot, params: LampParams): Cure[] {
  const clear = WINDOW_MARGIN_MM + ledBodies[params.body].bodyMm / 2 + 1;
  if (params.layout !== 'line') return drawnIn(on, id, laid, place, params, clear);
  const spans = params.count - 1;
  const tries: { place: PanelSpot; words: string }[] = [
    { place, words: 'Centre the row' },
    { place: { ...place, u: 0.5, v: 0.5 }, words: 'Middle of the piece' },
    {
      place: { ...place, u: 0.5, v: 0.5, turnDeg: (place.turnDeg + 90) % 360 },
      words: 'Middle of the piece, turned',
    },
  ];
  return tries.flatMap(({ place: at, words }): Cure[] => {
    if (spotFrom(laid, at, 0).marginMm < clear) return [];
    const [back, ahead] = clearRun(laid, at, clear);
    const pitchMm =
      spans === 0 ? params.pitchMm : Math.min(params.pitchMm, Math.floor((back + ahead) / spans));
    if (pitchMm < LEAST_PITCH_MM) return [];
    const start = (ahead - back - spans * pitchMm) / 2;
    const uv = laid.uvAt(spotFrom(laid, at, start).flat);
    if (!uv) return [];
    const round = (t: number): number => Math.round(t * 1e4) / 1e4;
    return [
      {
        label: pitchMm < params.pitchMm ? `${words}, ${pitchMm} mm apart` : words,
        changes: [
          {
            path: featurePath(on, { id }, 'place'),
            value: { ...at, u: round(uv.x), v: round(uv.y) },
          },
          { path: featurePath(on, { id }, 'params', 'pitchMm'), value: pitchMm },
        ],
      },
    ];
  });
}

/** LEDs in a line, on a circle or on a grid, each in a hole of its own. */
export const lamps = defineFeature<LampParams>({
  kind: 'lamps',
  label: 'Lamps',
  verb: 'Lamp row',
  summary: 'LEDs in a line, on a circle or on a grid, each pushed into a hole from behind.',
  station: 'inside',
  electric: 'load',
  fields,
  places: ['panel'],
  schools: [
    {
      school: 'bare',
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
      sure: 'memory',
    });
    made.checks = [
      ...checksOf(on, id, laid, place, params, made.items),
      ...(through ? throughChecks(on, id, laid, params, made.items) : []),
    ];
    if (through) made.work.push(throughWork(params));
    return made;
  },
});

function checksOf(
  on: LaidPart,
  id: string,
  laid: LaidPanel,
  place: PanelSpot,
  params: LampParams,
  items: readonly Item[],
): Check[] {
  const checks: Check[] = [];
  const half = ledBodies[params.body].bodyMm / 2;
  const off = items.filter((l) => l.marginMm - half < WINDOW_MARGIN_MM);
  const worst = Math.min(...items.map((l) => l.marginMm));
  if (off.length > 0)
    checks.push({
      id: `lamp-edge-${id}`,
      severity: worst < half ? 'stop' : 'mind',
      station: 'inside',
      title: `${off.length} lamp window${off.length > 1 ? 's' : ''} on ${laid.panel.name} ${worst < 0 ? 'beside the piece' : `${trimNumber(worst, 0)} mm from an edge`}; keep ${WINDOW_MARGIN_MM} mm ${laid.panel.given ? 'of wall' : 'of foam'} round each.`,
      why: laid.panel.given
        ? 'A thin bridge of plastic splits while it is drilled.'
        : 'A thin bridge of foam tears when it is bent.',
      sure: 'practice',
      excess: off.reduce((sum, l) => sum + WINDOW_MARGIN_MM + half - l.marginMm, 0),
      pieceId: laid.panel.id,
      cures: centred(on, id, laid, place, params),
    });
  const short = Math.max(...items.map((l) => l.fit!.needMm - l.fit!.haveMm));
  if (short > 0.05)
    checks.push({
      id: `lamp-deep-${id}`,
      severity: 'mind',
      station: 'inside',
      title: `lamps stand ${trimNumber(items[0]!.fit!.needMm)} mm out behind the ${laid.panel.given ? 'wall' : 'foam'}, ${trimNumber(short)} mm more than the gap there.`,
      why: 'The leads press into the sleeve and short on sweat.',
      sure: 'memory',
      excess: short,
      pieceId: laid.panel.id,
      cures: [{ need: 'room', mm: short }],
    });
  if (!on.lined && !laid.panel.given)
    checks.push({
      id: 'lining',
      severity: 'note',
      station: 'inside',
      title: 'nothing covers the wires inside.',
      why: 'A 2 mm lining keeps solder off the sleeve and sweat off the solder.',
      sure: 'practice',
      excess: 1,
      cures: [
        {
          label: 'Add a 2 mm lining',
          changes: [{ path: ['lining'], value: { foamId: 'dense-eva', nominalMm: 2 } }],
          certain: true,
        },
      ],
    });
  return checks;
}

import { type Check, choice, count, length, type ParamsOf } from '../../document';
import { add3, contains, distanceToEdge, rotate2, scale3, type Vec2 } from '../../geometry';
import { litFace } from '../../light';
import { diffusers, LEAST_OVER_BORE_MM, type LampColour, ledBodies, leds } from '../../materials';
import { type Piece, type Plate, platePiece } from '../../panel';
import { trimNumber } from '../../units';
import { defineFeature, type Item, nothing, notLaid, panelOf } from '../contract';
import { footingOf } from '../laying/device';
import { deviceCut, pocketChecks } from '../laying/devicePocket';
import { spotFrom } from '../laying/spot';
import { boxFace, diffuserOf, leftOverBore, needOf, pocketOf } from './box';
import { CELLS, evener } from './evener';

const colours = Object.keys(leds) as LampColour[];

const fields = [
  length('widthMm', 'Width', [8, 400], 'Of the window.'),
  length('heightMm', 'Height', [8, 400], 'Of the window.'),
  count('columns', 'Lamps across', [1, 12], 'Behind it.'),
  count('rows', 'Lamps up', [1, 12], 'Behind it.'),
  choice(
    'colour',
    'Colour',
    colours.map((c) => [c, c] as const),
    'Of the light.',
  ),
  choice(
    'shine',
    'Lamps',
    [
      ['flat-top', '5 mm flat-top'],
      ['diffused', '5 mm diffused'],
      ['clear', '5 mm clear'],
    ],
    'Clear ones shine narrowly and leave spots.',
  ),
  length('deepMm', 'Lamps behind', [3, 80], 'From the lamps to the diffuser.'),
  choice(
    'diffuser',
    'Diffuser',
    diffusers.map((d) => [d.id, d.name] as const),
    'What the light goes through.',
  ),
  count('layers', 'Layers', [1, 4], 'Of it.'),
  length('boredMm', 'Bored up', [0, 40], 'From every lamp into soft foam: light comes further.', 'Light', {
    when: (p) => diffuserOf(String(p['diffuser'])).boreable === true,
  }),
  choice(
    'walls',
    'Walls',
    [
      ['plain', 'plain foam'],
      ['white', 'painted white'],
      ['foil', 'lined with foil'],
    ],
    'Inside the box.',
  ),
  count('evenPct', 'Even to, %', [10, 95], 'The darkest spot against the mean.'),
  {
    type: 'foam',
    key: 'foamMm',
    label: 'Foam',
    help: 'Of the box behind the window.',
    group: 'Foam',
    own: false,
  },
] as const;

type BoxParams = ParamsOf<typeof fields>;

/** The diffuser is glued on the back this wide round its window. */
const LIP_MM = 8;
const rectangle = (w: number, h: number): Vec2[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];

const flatPlane = (outline: Vec2[]): Plate => ({
  origin: { x: 0, y: 0, z: 0 },
  across: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 1, z: 0 },
  outline,
  cuts: [],
});

/** A window with a diffuser, and a box of lamps behind it. */
export const lightBox = defineFeature<BoxParams>({
  kind: 'light-box',
  label: 'Light box',
  verb: 'Light box',
  summary: 'A window with a diffuser and a box of lamps behind it; how evenly it glows is worked out.',
  station: 'inside',
  electric: 'load',
  glows: true,
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: {
      widthMm: 50,
      heightMm: 20,
      columns: 3,
      rows: 1,
      colour: 'amber',
      shine: 'flat-top',
      deepMm: 12,
      diffuser: 'pe-3',
      layers: 1,
      boredMm: 0,
      walls: 'white',
      evenPct: 60,
      foamMm: 5,
    },
  }),
  divide: (panels, { id, place, params }, foamOf) =>
    deviceCut(panels, { id, place }, pocketOf(params), foamOf),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried a light box is no longer there.');
    const { widthMm: w, heightMm: h, deepMm: deep } = params;
    const centre = laid.flatAt({ x: place.u, y: place.v });
    const onFlat = (x: number, y: number): Vec2 => {
      const p = rotate2({ x, y }, (-place.turnDeg * Math.PI) / 180);
      return { x: centre.x + p.x, y: centre.y + p.y };
    };
    const window = [
      onFlat(-w / 2, -h / 2),
      onFlat(w / 2, -h / 2),
      onFlat(w / 2, h / 2),
      onFlat(-w / 2, h / 2),
    ];
    const margin = Math.min(
      ...window.map((p) => (contains(laid.piece.outline, p) ? distanceToEdge(laid.piece.outline, p) : -1)),
    );
    const size = `${trimNumber(w)} × ${trimNumber(h)} mm`;
    if (margin < 1)
      return notLaid(feature, 'inside', `a window of ${size} breaks the edge of ${laid.panel.name}.`);
    const diffuser = diffuserOf(params.diffuser);
    const foam = on.sheet({ foamId: on.ply.foamId, nominalMm: params.foamMm });
    const t = foam.thicknessMm.value;
    const led = ledBodies['5mm'];
    const sized = pocketOf(params);
    const footing = footingOf(on, feature, sized);
    // In a lamination the pocket is its box; behind a shell it has walls of its own.
    const layered = footing?.room.solid === true;
    const wall = layered ? 0 : t;
    const lip = layered ? 0 : LIP_MM;
    const piece = (
      suffix: string,
      name: string,
      wide: number,
      high: number,
      sheet = foam,
      each = 1,
    ): Piece => ({
      ...platePiece({ id: `${id}.${suffix}`, name }, flatPlane(rectangle(wide, high)), sheet),
      role: 'laid',
      featureId: id,
      face: 'inner',
      ...(each > 1 && { each }),
      note: `Light box behind ${laid.panel.name}.`,
    });
    const back = piece('back', 'back of the light box', w + 2 * wall, h + 2 * wall);
    const lamps = boxFace(params).sources;
    const spot = spotFrom(laid, place, 0);
    const room = on.rooms.find((r) => r.panel === laid.panel.id && !r.solid);
    const behind = (layered ? 0 : laid.foam.thicknessMm.value) + params.layers * diffuser.thicknessMm + deep;
    // The lamps stand in the back; their leads and the wires lie behind it.
    const needMm = needOf(params);
    const haveMm = layered ? needMm : (room?.depthAt(spot.flat) ?? 0);
    const lit = litFace(boxFace(params), CELLS);
    const wanted = params.evenPct / 100;
    const checks: Check[] = footing ? pocketChecks(on, feature, footing, sized) : [];
    if (lit.evenness < wanted)
      checks.push({
        id: `glow-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the window of ${size} glows unevenly: its darkest spot has ${trimNumber(lit.evenness * 100, 0)} % of the mean, ${params.evenPct} % is wanted; the brightest has ${trimNumber(lit.hotSpot, 1)} times it.`,
        why: 'Cosine and inverse square from every lamp, walls and diffuser counted. Try it with a lamp in the hand before cutting.',
        sure: 'memory',
        excess: wanted - lit.evenness,
        pieceId: laid.panel.id,
        cures: evener(on, id, params),
      });
    if (needMm > haveMm + 0.05)
      checks.push({
        id: `glow-deep-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the light box is ${trimNumber(needMm)} mm deep, ${trimNumber(needMm - haveMm)} mm more than there is behind ${laid.panel.name}.`,
        why: 'It presses into the wearer or does not go in.',
        sure: 'standard',
        excess: needMm - haveMm,
        pieceId: laid.panel.id,
        cures: [{ need: 'room', mm: needMm - haveMm }],
      });
    return {
      ...nothing(),
      pieces: [
        ...(diffuser.sheet
          ? [piece('diffuser', 'diffuser', w + 2 * lip, h + 2 * lip, on.sheet(diffuser.sheet), params.layers)]
          : []),
        {
          ...back,
          holes: lamps.map((l, i) => ({
            id: `${id}-${i + 1}`,
            kind: 'lamp' as const,
            centre: { x: l.xMm + wall, y: l.yMm + wall },
            diameterMm: led.bodyMm,
          })),
        },
        ...(layered
          ? []
          : [
              piece('long', 'long wall of the light box', w + 2 * t, deep, foam, 2),
              piece('short', 'short wall of the light box', h, deep, foam, 2),
            ]),
      ],
      marks: layered
        ? []
        : [{ pieceId: laid.panel.id, mark: { kind: 'slot', points: window, text: `window ${size}` } }],
      items: lamps.map((l, i): Item => {
        const flat = onFlat(l.xMm - w / 2, l.yMm - h / 2);
        const uv = laid.uvAt(flat);
        const over = uv ? spotFrom(laid, { ...place, u: uv.x, v: uv.y }, 0) : spot;
        return {
          id: `${id}-${i + 1}`,
          featureId: id,
          name: `${params.colour} lamp ${i + 1}`,
          at: add3(over.at, scale3(over.normal, -behind)),
          normal: over.normal,
          marginMm: margin,
          massG: led.massG,
          lamp: { colour: params.colour, led },
        };
      }),
      bought: [
        {
          what: `5 mm ${params.shine} ${params.colour} LED`,
          unit: 'lamps',
          count: lamps.length,
          each: led.price,
          massG: 0,
          sure: 'memory',
        },
        ...(diffuser.sheet
          ? []
          : [
              {
                what: diffuser.name,
                unit: 'pieces',
                count: params.layers,
                each: 0.5,
                massG: 0.5,
                sure: 'memory' as const,
              },
            ]),
      ],
      work: [
        ...(leftOverBore(params) < 1
          ? [
              {
                step: 'bores',
                when: 'flat' as const,
                verb: 'bore',
                what: 'holes up into the diffuser',
                count: lamps.length,
                eachMin: 1,
                detail: `${led.bodyMm} mm, ${trimNumber(Math.min(params.boredMm, params.layers * diffuser.thicknessMm - LEAST_OVER_BORE_MM))} mm deep, by hand with a sharpened tube or a drill turned slowly; soft foam winds itself round a fast one.`,
                cautions: ['dust' as const],
                waitMin: 0,
              },
            ]
          : []),
        {
          step: 'light-boxes',
          when: 'lit',
          verb: 'build',
          what: 'light boxes',
          count: 1,
          eachMin: 30,
          detail: layered
            ? 'Paint or line the pocket in the layers, lay the lamps on their back into it, test every one, and only then press the diffuser in, flush with the face; do not glue it, so that it comes out again.'
            : 'Cut the window, glue the diffuser behind it, then the four walls. Line or paint the walls before the back goes on, test every lamp, and only then close it; tape leaves it to be opened again.',
          cautions: ['blade'],
          waitMin: 0,
        },
      ],
      checks,
    };
  },
});

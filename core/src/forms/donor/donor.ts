import { type Check, choice, count, length, number, type ParamsOf, rows, setting } from '../../document';
import { defineForm, type Design, type FormInput } from '../contract';
import { rectangle } from '../held/outlines';
import { boxMesh, type Cell, cellRoom, radiusAt, roundMesh, roundRoom } from './hollow';
import { type CaseMaterial, caseMaterials } from './materials';

const isBox = (params: object): boolean => (params as { shape?: string }).shape === 'box';
const isRound = (params: object): boolean => !isBox(params);
const hasScrews = (params: object): boolean => (params as { opens?: string }).opens === 'screws';

const fields = [
  choice(
    'shape',
    'Outside',
    [
      ['box', 'a box'],
      ['round', 'round: by its girths'],
    ],
    'What it comes nearest to.',
    'Outside',
  ),
  length('wideMm', 'Wide', [5, 1000], 'From side to side, outside.', 'Outside', { when: isBox }),
  length('highMm', 'High', [5, 1500], 'Upwards, outside.', 'Outside', { when: isBox }),
  length('deepMm', 'Deep', [5, 1000], 'From front to back, outside.', 'Outside', { when: isBox }),
  rows(
    'girths',
    'Girths',
    [
      length('zMm', 'At', [0, 1500], 'Above its foot.'),
      length('girthMm', 'Girth', [10, 3000], 'Tape round it there.'),
    ],
    [2, 12],
    (before) => ({
      zMm: Math.min(1500, (Number(before.at(-1)?.zMm) || 0) + 20),
      girthMm: Number(before.at(-1)?.girthMm) || 200,
    }),
    'girth',
    'From its foot up; straight between them. Two make a cylinder or a cone, more a dome.',
    'Outside',
    { when: isRound },
  ),
  length('wallMm', 'Wall', [0.5, 20], 'Thickness of its case.', 'Outside'),
  choice(
    'material',
    'Made of',
    Object.entries(caseMaterials).map(([key, { label }]): [string, string] => [key, label]),
    'Says how it takes paint.',
    'Outside',
  ),
  number('massG', 'Mass', [1, 5000], 'g', 'On a scale, emptied of what comes out.', 'Outside'),
  choice(
    'opens',
    'Opens',
    [
      ['screws', 'by screws'],
      ['clips', 'by clips'],
      ['open', 'it is open'],
      ['glued', 'it is glued shut'],
    ],
    'How its inside is come to.',
    'Inside',
  ),
  count('screws', 'Screws', [1, 40], 'To be bagged and put back in their order.', 'Inside', {
    when: hasScrews,
  }),
  choice(
    'power',
    'In it was',
    [
      ['none', 'no current'],
      ['cells', 'cells'],
      ['mains', 'a mains plug'],
    ],
    'What it ran on.',
    'Inside',
  ),
  choice(
    'guards',
    'It is',
    [
      ['no', 'a thing like any other'],
      ['yes', 'a safety helmet or other protection'],
    ],
    'Protection that has been cut protects nobody.',
    'Inside',
  ),
  rows(
    'rooms',
    'Rooms',
    [
      length(
        'acrossMm',
        'Across',
        [-500, 500],
        'Its middle, to the right of the thing’s middle, seen from the front.',
      ),
      length('upMm', 'Up', [0, 1500], 'Its middle above the foot.'),
      length('wideMm', 'Wide', [3, 1000], 'Inside.'),
      length('highMm', 'High', [3, 1500], 'Inside.'),
      length('deepMm', 'Deep', [3, 1000], 'From the front wall inwards.'),
    ],
    [0, 6],
    (before) => ({
      acrossMm: Number(before.at(-1)?.acrossMm) || 0,
      upMm: Number(before.at(-1)?.upMm) || 20,
      wideMm: Number(before.at(-1)?.wideMm) || 20,
      highMm: Number(before.at(-1)?.highMm) || 20,
      deepMm: Number(before.at(-1)?.deepMm) || 10,
    }),
    'room',
    'Where there is room inside, as you measured it; none takes the whole hollow.',
    'Rooms',
  ),
] as const;

export type DonorParams = ParamsOf<typeof fields>;

/** Minutes to open it, and for each screw; from memory. */
const OPEN_MIN = 6;
const SCREW_MIN = 0.5;
const GLUED_MIN = 25;

interface Outside {
  wideMm: number;
  footMm: number;
  highMm: number;
  /** Depth outside at a height. */
  deepAt: (zMm: number) => number;
}

function outsideOf({ shape, wideMm, highMm, deepMm, girths }: DonorParams): Outside {
  if (shape === 'box') return { wideMm, footMm: 0, highMm, deepAt: () => deepMm };
  const zs = girths.map((g) => g.zMm);
  return {
    wideMm: Math.max(...girths.map((g) => g.girthMm)) / Math.PI,
    footMm: Math.min(...zs),
    highMm: Math.max(...zs),
    deepAt: (z) => 2 * radiusAt(girths, z),
  };
}

/** The part of a described room that is within the case. */
function within(cell: Cell, out: Outside, wallMm: number): Cell {
  const clip = (from: number, to: number, low: number, high: number): [number, number] => {
    const a = Math.min(Math.max(from, low), high - 3);
    return [a, Math.max(Math.min(to, high), a + 3)];
  };
  const half = Math.max(3, out.wideMm / 2 - wallMm);
  const [left, right] = clip(cell.acrossMm - cell.wideMm / 2, cell.acrossMm + cell.wideMm / 2, -half, half);
  const [low, high] = clip(
    cell.upMm - cell.highMm / 2,
    cell.upMm + cell.highMm / 2,
    out.footMm + wallMm,
    Math.max(out.footMm + wallMm + 3, out.highMm - wallMm),
  );
  const middle = (low + high) / 2;
  return {
    acrossMm: (left + right) / 2,
    upMm: middle,
    wideMm: right - left,
    highMm: high - low,
    deepMm: Math.max(3, Math.min(cell.deepMm, out.deepAt(middle) - 2 * wallMm)),
  };
}

const differs = (a: Cell, b: Cell): boolean =>
  (Object.keys(a) as (keyof Cell)[]).some((key) => Math.abs(a[key] - b[key]) > 0.05);

function checksOf(params: DonorParams, out: Outside): Check[] {
  const rounded = (cell: Cell): Cell => ({
    acrossMm: Math.round(cell.acrossMm * 10) / 10,
    upMm: Math.round(cell.upMm * 10) / 10,
    wideMm: Math.floor(cell.wideMm * 10) / 10,
    highMm: Math.floor(cell.highMm * 10) / 10,
    deepMm: Math.floor(cell.deepMm * 10) / 10,
  });
  const clipped = params.rooms.map((cell) => within(cell, out, params.wallMm));
  const over = params.rooms.filter((cell, i) => differs(cell, clipped[i]!));
  return [
    ...(params.power === 'mains'
      ? [
          {
            id: 'mains',
            severity: 'stop' as const,
            station: 'inside' as const,
            title: 'it ran on the mains: it is not opened or cut here.',
            why: 'Capacitors stay charged, and an altered mains device is for licensed practice. Take a thing that ran on cells.',
            sure: 'practice' as const,
            excess: 1,
            cures: [],
          },
        ]
      : []),
    ...(params.guards === 'yes'
      ? [
          {
            id: 'guards',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: 'cut, drilled or painted it protects nobody any more.',
            why: 'Solvents and holes weaken a safety helmet unseen. Write “costume only” inside it.',
            sure: 'practice' as const,
            excess: 1,
            cures: [],
          },
        ]
      : []),
    ...(over.length > 0
      ? [
          {
            id: 'room-in',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `${over.length === 1 ? 'a room reaches' : `${over.length} rooms reach`} through its case; only what is within it counts.`,
            why: 'Measured inside, a room is no larger than the outside less two walls.',
            sure: 'standard' as const,
            excess: over.length,
            cures: [setting('Keep them within', { rooms: clipped.map((cell) => ({ ...rounded(cell) })) })],
          },
        ]
      : []),
  ];
}

function workOf(params: DonorParams): Design['work'] {
  const { opens, screws, power } = params;
  const bagged = opens === 'screws' ? `Take out ${screws} screws, bag them and note which goes where. ` : '';
  const shut = opens === 'glued' ? 'Cut along the glued seam with a fine saw, not through it. ' : '';
  const was =
    power === 'cells'
      ? 'Take the cells out first; touch no capacitor. Photograph the wires before they are cut. '
      : '';
  const openMin =
    OPEN_MIN + (opens === 'screws' ? screws * SCREW_MIN : 0) + (opens === 'glued' ? GLUED_MIN : 0);
  return [
    {
      step: 'open',
      when: 'flat',
      verb: 'open',
      what: 'the thing itself',
      count: 1,
      eachMin: openMin,
      detail: `${bagged}${shut}${was}Test what works before anything is changed.`,
      cautions: opens === 'glued' ? ['boardDust', 'blade'] : ['blade'],
      waitMin: 0,
    },
    {
      step: 'prime',
      when: 'formed',
      verb: 'prime',
      what: 'the case',
      count: 1,
      eachMin: 20,
      detail: `${caseMaterials[params.material as CaseMaterial].prime} Dust of unknown plastic harms: wet sand, mask, eye protection; old cases splinter.`,
      cautions: ['boardDust', 'paint'],
      waitMin: 60,
      waitFor: 'primer dry',
    },
    {
      step: 'close',
      when: 'painted',
      verb: 'close',
      what: 'the case',
      count: 1,
      eachMin: OPEN_MIN + (opens === 'screws' ? screws * SCREW_MIN : 0),
      detail: `Test, close${opens === 'screws' ? ', every screw where it came from, by hand' : ''}, test again.`,
      cautions: [],
      waitMin: 0,
    },
  ];
}

function design({ params }: FormInput<DonorParams>): Design {
  const { shape, wallMm, massG, girths } = params;
  const out = outsideOf(params);
  const rooms =
    params.rooms.length > 0
      ? params.rooms.map((cell, i) => {
          const own = within(cell, out, wallMm);
          return cellRoom(`room-${i + 1}`, `room ${i + 1}`, own, out.deepAt(own.upMm) / 2 - wallMm);
        })
      : shape === 'round'
        ? [roundRoom(girths, wallMm)]
        : [
            cellRoom(
              'inside',
              'inside',
              within(
                {
                  acrossMm: 0,
                  upMm: out.highMm / 2,
                  wideMm: params.wideMm,
                  highMm: params.highMm,
                  deepMm: params.deepMm,
                },
                out,
                wallMm,
              ),
              params.deepMm / 2 - wallMm,
            ),
          ];
  const middle = { x: 0, y: 0, z: (out.footMm + out.highMm) / 2 };
  return {
    panels: [],
    joins: [],
    roomMm: 0,
    rooms,
    given: [shape === 'round' ? roundMesh(girths) : boxMesh(params.wideMm, params.deepMm, params.highMm)],
    ballast: [{ what: 'the thing itself', massG, at: middle }],
    anchors: [
      {
        id: 'top',
        name: 'top',
        at: { ...middle, z: out.highMm },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
      },
    ],
    work: workOf(params),
    figures: [
      { key: 'wide', label: 'wide outside', value: out.wideMm, unit: 'mm', decimals: 0 },
      { key: 'high', label: 'high outside', value: out.highMm - out.footMm, unit: 'mm', decimals: 0 },
    ],
    checks: checksOf(params, out),
  };
}

export const donor = defineForm<DonorParams>({
  kind: 'donor',
  label: 'Bought thing, opened up',
  zones: [],
  developable: true,
  sheets: 'none',
  summary: 'A toy, torch or case described by what it is outside and where it has room inside.',
  fields,
  defaults: () => ({
    shape: 'box',
    wideMm: 70,
    highMm: 90,
    deepMm: 36,
    girths: [
      { zMm: 0, girthMm: 200 },
      { zMm: 60, girthMm: 200 },
    ],
    wallMm: 2,
    material: 'hard',
    massG: 80,
    opens: 'screws',
    screws: 4,
    power: 'cells',
    guards: 'no',
    rooms: [],
  }),
  design,
  silhouette: (params) => {
    const out = outsideOf(params);
    return rectangle(
      { x: 0, y: (out.footMm + out.highMm) / 2 },
      out.wideMm,
      Math.max(1, out.highMm - out.footMm),
    );
  },
});

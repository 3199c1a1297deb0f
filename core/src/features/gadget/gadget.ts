import * as draw from '../../thumbnail';
import { type Check, choice, length, number, type ParamsOf } from '../../document';
import { type Gel, gels } from '../../materials';
import { trimNumber, findIn } from '../../units';
import { defineFeature, nothing, notLaid } from '../contract';
import { type Footing, footingOf } from '../laying/device';
import { deviceCut, pocketChecks } from '../laying/devicePocket';

const kinds = [
  ['torch', 'salvaged torch board'],
  ['fairy', 'fairy lights'],
  ['speaker', 'small speaker and its board'],
  ['fan', 'fan'],
  ['other', 'something else'],
] as const;

/** What gives no light. */
const dark = new Set<string>(['speaker', 'fan']);

const isLit = (params: object): boolean => !dark.has((params as { what: string }).what);

const fields = [
  choice('what', 'What', kinds, 'Its name in the lists.'),
  length('lengthMm', 'Length', [3, 250], 'Measured, with room for its leads.'),
  length('widthMm', 'Width', [3, 200], 'Measured.'),
  length('thickMm', 'Thickness', [1, 100], 'Measured.'),
  number('massG', 'Mass', [0.1, 1000], 'g', 'With its leads.'),
  number('volts', 'Rated voltage', [1, 24], 'V', 'What its own cells gave, or what is printed on it.'),
  number(
    'drawsMa',
    'Current',
    [0.5, 3000],
    'mA',
    'Measured with a meter in one of its leads, at that voltage.',
  ),
  number(
    'leastV',
    'Cuts out below',
    [0.5, 24],
    'V',
    'Below this it dims or stops; about two thirds of its voltage if you do not know.',
  ),
  number(
    'lumens',
    'Light output',
    [0, 2000],
    'lm',
    'Printed on it; 0 if it gives no light or you do not know.',
    'Size',
    {
      when: isLit,
    },
  ),
  choice(
    'gel',
    'Gel before it',
    Object.entries(gels).map(([key, { label }]): [Gel, string] => [key as Gel, label]),
    'A sheet of coloured filter; what it costs in light is reported.',
    'Size',
    { when: isLit },
  ),
] as const;

const sizedOf = ({ widthMm, lengthMm, thickMm }: ParamsOf<typeof fields>) => ({
  widthMm,
  lengthMm,
  deepMm: thickMm,
  name: 'device',
});

/** A board of three cells out of a torch. */
const start: ParamsOf<typeof fields> = {
  what: 'torch',
  lengthMm: 24,
  widthMm: 24,
  thickMm: 8,
  massG: 6,
  volts: 4.5,
  drawsMa: 60,
  leastV: 3,
  lumens: 0,
  gel: 'none',
};

/** Anything that draws current and is known by measuring it: a board out of a torch, fairy lights, a speaker. */
export const gadget = defineFeature<ParamsOf<typeof fields>>({
  kind: 'gadget',
  label: 'Measured device',
  verb: 'Device',
  picture: [
    draw.casing(draw.box(8, 12, 56, 24)),
    draw.light(draw.box(14, 17, 14, 14)),
    draw.line('M64 24h7'),
  ],
  summary:
    'A board out of a torch, fairy lights, a small speaker or a fan, by its measured size and current.',
  station: 'inside',
  electric: 'load',
  steady: true,
  fields,
  places: ['panel', 'room'],
  methods: [
    {
      method: 'salvaged',
      label: 'salvaged fairy lights',
      is: (params) => params['what'] === 'fairy' || params['what'] === 'torch',
      // A string of twenty on 4.5 V draws some 60 mA; their little box of leads is what takes room. From memory.
      along: ({ panel, from, to }) => ({
        place: { on: 'panel', panel, u: (from.x + to.x) / 2, v: (from.y + to.y) / 2, turnDeg: 0 },
        params: { ...start, what: 'fairy', lengthMm: 20, widthMm: 8, thickMm: 4, massG: 12 },
      }),
    },
  ],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: start,
  }),
  divide: (panels, { id, place, params }, foamOf) =>
    deviceCut(panels, { id, place }, sizedOf(params), foamOf),
  lay: (on, feature) => {
    const { id, params } = feature;
    const size = { widthMm: params.widthMm, lengthMm: params.lengthMm };
    const footing = footingOf(on, feature, size);
    if (!footing) return notLaid(feature, 'inside', 'the place that held a device is no longer there.');
    const name = findIn(kinds, ([value]) => value === params.what)[1];
    const haveMm = footing.depthMm;
    return {
      ...nothing(),
      items: [
        {
          id,
          featureId: id,
          name,
          at: footing.at,
          normal: footing.normal,
          ...(footing.laid && { pieceId: footing.laid.panel.id, flat: footing.flat }),
          marginMm: footing.marginMm,
          massG: params.massG,
          steady: {
            kind: 'board',
            name,
            amps: params.drawsMa / 1000,
            leastV: Math.min(params.leastV, params.volts),
            ratedV: params.volts,
            lit: !dark.has(params.what),
          },
          fit: {
            needMm: params.thickMm,
            haveMm,
            ...size,
            pocketMm: 0,
            foamMm: footing.room.solid ? 0 : (footing.laid?.foam.thicknessMm.value ?? 0),
            roomId: footing.room.id,
            fromMm: footing.fromMm,
            prints: [footing.print],
            outline: footing.outline,
            profile: footing.profile,
          },
        },
      ],
      work: [
        {
          step: 'devices',
          when: 'lit',
          verb: 'prepare',
          what: 'measured devices',
          count: 1,
          eachMin: 15,
          detail:
            'Take its own cells out first. Mark plus and minus before a wire is cut, measure what it draws, solder, and test it on the bench pack. Nothing that was ever plugged into the mains is opened.',
          cautions: ['solder'],
          waitMin: 0,
        },
      ],
      checks: [
        ...gelChecks(id, name, params),
        ...(footing.room.solid
          ? pocketChecks(on, feature, footing, sizedOf(params))
          : roomChecks(id, name, params.thickMm, haveMm, footing)),
      ],
    };
  },
});

/** Whether the room it lies in is deep enough for it. */
function roomChecks(id: string, name: string, thickMm: number, haveMm: number, { laid }: Footing): Check[] {
  const short = thickMm - haveMm;
  if (short <= 0.05) return [];
  return [
    {
      id: `device-deep-${id}`,
      severity: 'mind',
      station: 'inside',
      title: `the ${name} is ${trimNumber(thickMm)} mm thick, ${trimNumber(Math.max(0, haveMm))} mm is there.`,
      why: 'It does not go in, or presses through.',
      provenance: 'measured',
      excess: short,
      ...(laid && { pieceId: laid.panel.id }),
      remedies: [{ need: 'room', mm: short }],
    },
  ];
}

/** What a gel leaves of the light. */
function gelChecks(id: string, name: string, { gel, lumens, what }: ParamsOf<typeof fields>): Check[] {
  if (gel === 'none' || dark.has(what)) return [];
  const { label, passes } = gels[gel];
  return [
    {
      id: `gel-${id}`,
      severity: 'note',
      station: 'inside',
      title:
        lumens > 0
          ? `the ${name} gives about ${trimNumber(lumens * passes, 0)} of ${trimNumber(lumens, 0)} lm through its ${label} gel.`
          : `about ${trimNumber(passes * 100, 0)} % of the light of the ${name} gets through its ${label} gel.`,
      why: 'Typical of stage filters; a lamp of that colour gives more light from the same cells. Keep gel off anything that gets hot.',
      provenance: 'memory',
      excess: 1 - passes,
      remedies: [],
    },
  ];
}

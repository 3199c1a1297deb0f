import { angle, type Check, choice, length, number, type ParamsOf, rows, setting } from '../../document';
import { type LightMatter, type Rod, rodMatters, rods } from '../../materials';
import { type Stick, isRound, sectionAreaMm2, sectionOf, type Section, sizeOf } from '../../panel';
import { byId, trimNumber, itemAt } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { tubeWall } from '../held/lightWalls';
import { jointWords } from './joints';
import { openingsIn } from './openings';

const hasStick = (params: object): boolean => (params as { rod?: string }).rod !== 'none';
/** Openings are cut in the wall of a pipe; what is solid has none. */
const isPipe = (params: object): boolean => byId(rods, (params as { rod?: string }).rod)?.shape === 'tube';
/** PVC pipe in place of metal, wood or carbon of about its width: it gives before it breaks, and does not splinter. */
function softer(id: string): string | undefined {
  const own = byId(rods, id);
  if (!own || own.matter === 'pvc' || !rodMatters[own.matter].rigid) return undefined;
  const off = ({ acrossMm }: Rod): number => Math.abs(acrossMm.value - own.acrossMm.value);
  return rods
    .filter((r) => r.matter === 'pvc' && r.shape === 'tube')
    .reduce((best, r) => (off(r) < off(best) ? r : best)).id;
}
const isJointed = (params: object): boolean =>
  hasStick(params) && ((params as { joints?: unknown[] }).joints?.length ?? 0) > 0;

const fields = [
  choice(
    'rod',
    'Stick',
    [['none', 'none: foam alone'], ...rods.map((r): [string, string] => [r.id, r.name])],
    'Pipe, dowel or bar that carries everything mounted on it.',
    'Stick',
    { open: true, stunt: ({ rod }) => softer(String(rod)) },
  ),
  length('lengthMm', 'Length', [40, 4000], 'From foot to tip.', 'Stick', {
    gives: [{ need: 'reach', by: -1 }],
  }),
  length(
    'measuredMm',
    'Measured outside',
    [0, 200],
    'Your own stick by caliper; less than 3 mm takes the table.',
    'Stick',
    {
      when: hasStick,
    },
  ),
  length('handMm', 'Hand at', [0, 4000], 'From the foot to the middle of the fist.', 'Hold', {
    only: 'carried',
  }),
  length(
    'balanceMm',
    'Balance wanted',
    [-1000, 2000],
    'From the fist towards the tip; 0 asks for none.',
    'Hold',
    { only: 'carried' },
  ),
  number('footG', 'Ballast in the foot', [0, 3000], 'g', 'Dead weight that brings it to balance.', 'Hold', {
    only: 'carried',
    gives: [{ need: 'footMass', by: 1 }],
  }),
  number('tipG', 'Ballast in the tip', [0, 3000], 'g', 'Dead weight that brings it to balance.', 'Hold', {
    only: 'carried',
    gives: [{ need: 'tipMass', by: 1 }],
  }),
  choice(
    'joint',
    'Joined by',
    [
      ['coupler', 'couplers'],
      ['sleeve', 'a length of pipe inside'],
      ['plug', 'a plug and a screw'],
      ['keyhole', 'a keyhole strip'],
      ['magnets', 'plug and magnets'],
    ],
    'How the lengths hold together.',
    'Break down',
    { when: isJointed },
  ),
  rows(
    'joints',
    'Joints',
    [length('atMm', 'At', [20, 3980], 'From the foot.')],
    [0, 6],
    (before) => ({ atMm: Math.min(3980, (Number(before.at(-1)?.atMm) || 0) + 400) }),
    'joint',
    'Where it comes apart.',
    'Joints',
    { when: hasStick },
  ),
  rows(
    'openings',
    'Cut in the pipe',
    [
      length('atMm', 'At', [0, 4000], 'From the foot to its middle.'),
      length('lengthMm', 'Length', [2, 400], 'Along the pipe; a round hole is as long as it is wide.'),
      length('acrossMm', 'Width', [2, 100], 'Round the pipe.'),
      angle('roundDeg', 'Round', [0, 359], 'Degrees round the pipe from its front.'),
    ],
    [0, 12],
    (before) => ({
      atMm: Math.min(4000, (Number(before.at(-1)?.atMm) || 100) + 60),
      lengthMm: Number(before.at(-1)?.lengthMm) || 12,
      acrossMm: Number(before.at(-1)?.acrossMm) || 12,
      roundDeg: Number(before.at(-1)?.roundDeg) || 0,
    }),
    'opening',
    'For a switch, a lamp or a wire.',
    'Openings',
    { when: isPipe },
  ),
] as const;

export type HaftParams = ParamsOf<typeof fields>;

/** What the wall of a pipe lets through. */
const lightThrough = ({ matter }: Rod): LightMatter => {
  const { lets } = rodMatters[matter];
  return lets ? { lets } : {};
};

function stickOf({
  rods: known,
  params,
}: FormInput<HaftParams>): { section: Section; name: string } | undefined {
  const rod = byId(known, params.rod);
  if (!rod) return undefined;
  const across = params.measuredMm >= LEAST_MM ? params.measuredMm : rod.acrossMm.value;
  return { section: sectionOf(rod, across), name: rod.name };
}

/** Nothing thinner is a stick to hold on to, mm. */
const LEAST_MM = 3;

/** A joint's own length of stick and what it costs; sleeves and plugs reach two widths into either side. */
const SLEEVE_WIDTHS = 2;

function design(input: FormInput<HaftParams>): Design {
  const { params, rods: known } = input;
  const { lengthMm } = params;
  const handMm = Math.min(params.handMm, lengthMm);
  const up = { x: 0, y: 0, z: 1 };
  const at = (z: number): { x: number; y: number; z: number } => ({ x: 0, y: 0, z });
  const down = { x: 0, y: 0, z: -1 };
  // What is put on the foot grows out of it, as what is put on the tip does.
  const anchor = (id: string, name: string, z: number, out = up) => ({
    id,
    name,
    at: at(z),
    out,
    up: { x: 0, y: 1, z: 0 },
    along: out,
  });
  const made = stickOf(input);
  const rod = byId(known, params.rod);
  const breaks = [...new Set(params.joints.map((j) => j.atMm))]
    .filter((at) => at < lengthMm)
    .sort((a, b) => a - b);
  const joints = breaks.length;
  const ends = [0, ...breaks, lengthMm];
  const cutMm = ends.slice(1).map((end, i) => end - itemAt(ends, i));
  const sticks: Stick[] = made
    ? [
        {
          id: 'stick',
          name: made.name,
          rodId: params.rod,
          from: at(0),
          to: at(lengthMm),
          wide: { x: 1, y: 0, z: 0 },
          section: made.section,
          cutMm,
        },
      ]
    : [];
  const checks: Check[] = [];
  if (params.rod !== 'none' && !rod)
    checks.push({
      id: 'stick-known',
      severity: 'stop',
      station: 'shape',
      title: `the stick “${params.rod}” is not in the catalogue; it is worked out without one.`,
      why: 'Choose another, or none.',
      provenance: 'standard',
      excess: 1,
      remedies: [setting('No stick', { rod: 'none' })],
    });
  if (params.handMm > lengthMm)
    checks.push({
      id: 'hand-on',
      severity: 'mind',
      station: 'shape',
      title: `the hand is ${trimNumber(params.handMm - lengthMm, 0)} mm beyond the tip.`,
      why: 'Everything is balanced about the fist.',
      provenance: 'standard',
      excess: params.handMm - lengthMm,
      remedies: [setting(`Hand at ${Math.floor(lengthMm / 2)} mm`, { handMm: Math.floor(lengthMm / 2) })],
    });
  const tube = made?.section.shape === 'tube' ? made.section : undefined;
  const openings = tube ? openingsIn(params, tube) : { checks: [], work: [] };
  if (made && rod?.coupler && params.joint === 'coupler')
    sticks.push(
      ...breaks.map((z, i): Stick => ({
        id: `coupler-${i + 1}`,
        name: `coupler on ${made.name}`,
        rodId: params.rod,
        from: at(Math.max(0, z - rod.coupler!.socketMm.value)),
        to: at(Math.min(lengthMm, z + rod.coupler!.socketMm.value)),
        wide: { x: 1, y: 0, z: 0 },
        section: {
          shape: 'tube',
          outsideMm: Math.max(rod.coupler!.acrossMm.value, sizeOf(made.section)[0] + 2),
          boreMm: sizeOf(made.section)[0],
        },
        cutMm: [],
      })),
    );
  return {
    panels: [],
    joins: [],
    roomMm: 0,
    sticks,
    heldAt: at(handMm),
    ...(params.balanceMm !== 0 && { balanceWantedMm: params.balanceMm }),
    ballast: [
      { what: 'ballast in the foot', massG: params.footG, at: at(0) },
      { what: 'ballast in the tip', massG: params.tipG, at: at(lengthMm) },
    ].filter((b) => b.massG > 0),
    stickField: 'rod',
    splitAt: (atMm) => ({ joints: atMm.map((mm) => ({ atMm: Math.min(3980, Math.max(20, mm)) })) }),
    anchors: [
      anchor('foot', 'foot of the stick', 0, down),
      anchor('hand', 'where the hand is', handMm),
      anchor('tip', 'tip of the stick', lengthMm),
    ],
    rooms:
      tube && rod
        ? [
            {
              ...boreRoom('bore', 'bore of the pipe', tube.boreMm, at(0), lengthMm),
              // Out of one that is opened light comes as it is cut.
              ...(params.openings.length === 0 && {
                walls: [
                  tubeWall({
                    name: rod.name,
                    lowMm: tube.outsideMm,
                    highMm: tube.outsideMm,
                    boreMm: tube.boreMm,
                    lengthMm,
                    footMm: 0,
                    ...lightThrough(rod),
                  }),
                ],
              }),
            },
          ]
        : [],
    figures: made
      ? [
          {
            key: 'outside',
            label: isRound(made.section) ? 'outside' : 'wide',
            value: sizeOf(made.section)[0],
            unit: 'mm',
            decimals: 1,
          },
          ...(tube
            ? [{ key: 'bore', label: 'bore', value: tube.boreMm, unit: 'mm' as const, decimals: 1 }]
            : []),
          {
            key: 'length',
            label: joints > 0 ? `longest of ${joints + 1}` : 'stick',
            value: Math.max(...cutMm),
            unit: 'mm' as const,
            decimals: 0,
          },
        ]
      : [],
    checks: [...checks, ...openings.checks],
    bought:
      made && joints > 0
        ? [
            {
              what: `${jointWords[params.joint].what} for ${made.name}`,
              unit: 'pieces',
              count: joints,
              each:
                (params.joint === 'coupler' && rod?.coupler?.price.value) || jointWords[params.joint].price,
              // A coupler is weighed as the pipe it is.
              massG:
                sticks.length > 1
                  ? 0
                  : joints * jointG(made.section, rod ? rodMatters[rod.matter].densityKgM3.value : 1000),
              provenance: 'memory',
            },
          ]
        : [],
    work:
      made && rod
        ? [
            {
              step: 'saw',
              when: 'flat',
              verb: 'saw',
              what: `${cutMm.length === 1 ? 'length' : 'lengths'} of ${made.name}`,
              count: cutMm.length,
              eachMin: 6,
              detail: `${cutMm.map((mm) => trimNumber(mm, 0)).join(', ')} mm by ${rodMatters[rod.matter].saw}. Wrap a straight strip of paper round it, overlap in line, to mark the cut square; break the edges, scuff for glue and paint.`,
              cautions: [rodMatters[rod.matter].rigid ? 'boardDust' : 'blade'],
              waitMin: 0,
            },
            ...openings.work,
            ...(joints > 0
              ? [
                  {
                    step: 'joints',
                    when: 'flat' as const,
                    verb: 'fit',
                    what: `joints of ${made.name}`,
                    count: joints,
                    eachMin: 12,
                    detail: `${jointWords[params.joint].how} Where wires cross a joint, leave them a plug and a hand’s breadth of slack.`,
                    cautions: [rodMatters[rod.matter].rigid ? ('boardDust' as const) : ('blade' as const)],
                    waitMin: 0,
                  },
                ]
              : []),
          ]
        : [],
  };
}

const jointG = (section: Section, densityKgM3: number): number =>
  sectionAreaMm2(section) * sizeOf(section)[0] * SLEEVE_WIDTHS * densityKgM3 * 1e-6;

export const haft = defineForm<HaftParams>({
  kind: 'haft',
  label: 'Haft or stick',
  summary: 'Pipe, dowel or bar in the hand; everything else is mounted on it.',
  zones: ['hand'],
  fields,
  developable: true,
  sheets: 'none',
  defaults: () => ({
    rod: 'pvc-3-4in',
    lengthMm: 900,
    measuredMm: 0,
    handMm: 160,
    balanceMm: 0,
    footG: 0,
    tipG: 0,
    joint: 'coupler',
    joints: [],
    openings: [],
  }),
  design,
  silhouette: ({ lengthMm }) => [
    { x: -Math.max(6, lengthMm / 60), y: 0 },
    { x: Math.max(6, lengthMm / 60), y: 0 },
    { x: Math.max(6, lengthMm / 60), y: lengthMm },
    { x: -Math.max(6, lengthMm / 60), y: lengthMm },
  ],
});

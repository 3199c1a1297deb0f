import { choice, length, type ParamsOf } from '../../document';
import { rods } from '../../materials';
import { plugMm } from '../../pipe';
import { byId, trimNumber } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { disc } from '../held/disc';
import { rectangle } from '../held/outlines';
import { frusta } from '../held/revolved';

const byHand = (params: object): boolean => (params as { rod?: string }).rod === 'own';
const isAdapter = (params: object): boolean => (params as { kind?: string }).kind === 'adapter';

const tubes = rods.filter((r) => r.shape === 'tube');

const fields = [
  choice(
    'kind',
    'Kind',
    [
      ['plug', 'plug in a pipe'],
      ['cap', 'cap and band over a pipe'],
      ['adapter', 'adapter ring between pipes'],
      ['gasket', 'gasket'],
      ['bulkhead', 'bulkhead with a cable hole'],
    ],
    'Small parts usable anywhere.',
    'Size',
  ),
  choice(
    'rod',
    'For pipe',
    [['own', 'own sizes'], ...tubes.map((r): [string, string] => [r.id, r.name])],
    'The stick it is mounted on, when it is mounted on one, comes first.',
    'Size',
    { open: true },
  ),
  length('outsideMm', 'Outside', [6, 300], 'Of the pipe.', 'Size', { when: byHand }),
  length('boreMm', 'Bore', [4, 290], 'Of the pipe.', 'Size', { when: byHand }),
  length('smallerMm', 'Inner pipe', [4, 290], 'Outside of the pipe within.', 'Size', { when: isAdapter }),
  length('highMm', 'High', [2, 200], 'Band, ring or plug.', 'Size'),
  choice(
    'rings',
    'Rings',
    [
      ['carry', 'where they carry'],
      ['all', 'stacked all along'],
    ],
    'Between two pipes, a few rings at either end hold as well as a full stack.',
    'Size',
    { when: isAdapter },
  ),
  length('everyMm', 'Carried every', [40, 200], 'Rings between the ends are no further apart.', 'Size', {
    when: (params) => isAdapter(params) && (params as { rings?: string }).rings !== 'all',
  }),
] as const;

export type FittingParams = ParamsOf<typeof fields>;

const CABLE_MM = 8;
const GASKET_WALL_MM = 6;

/** A place that carries is as long as this share of the bore; common practice, no source. */
const CARRIES = 0.5;

/** Heights where rings are laid that hold one pipe in another: some at either end, and between them. */
function carriedAt(highMm: number, ringMm: number, boreMm: number, everyMm: number): number[] {
  const layers = Math.max(1, Math.round(highMm / ringMm));
  const each = Math.max(1, Math.ceil((CARRIES * boreMm) / ringMm));
  const places = Math.max(2, Math.ceil(highMm / everyMm) + 1);
  if (each * places >= layers) return Array.from({ length: layers }, (_, i) => i * ringMm);
  return Array.from({ length: places }, (_, p) => {
    const first = Math.round(((layers - each) * p) / (places - 1));
    return Array.from({ length: each }, (__, i) => (first + i) * ringMm);
  }).flat();
}

/** Foam ring that fills between two pipes: half of what is left between the larger's bore and the smaller's outside. */
const adapterMm = (boreMm: number, outsideMm: number): number => (boreMm - outsideMm) / 2;

function pipeOf({ params, through, rods: known }: FormInput<FittingParams>): {
  outside: number;
  bore: number;
} {
  const host = through.find((c) => c.section.shape === 'tube');
  if (host?.section.shape === 'tube') return { outside: host.section.outsideMm, bore: host.section.boreMm };
  const rod = byId(known, params.rod);
  if (rod) return { outside: rod.acrossMm.value, bore: rod.acrossMm.value - 2 * (rod.wallMm?.value ?? 0) };
  return { outside: params.outsideMm, bore: Math.min(params.boreMm, params.outsideMm - 0.5) };
}

function design(input: FormInput<FittingParams>): Design {
  const { params, foam, ply } = input;
  const t = foam.thicknessMm.value;
  const { outside, bore } = pipeOf(input);
  const all = Array.from({ length: Math.max(1, Math.round(params.highMm / t)) }, (_, i) => i * t);
  const stack = (across: number, hole: number, heights = all) =>
    heights.map((z, i) =>
      disc(
        heights.length === 1 ? params.kind : `${params.kind}-${i + 1}`,
        heights.length === 1 ? params.kind : `${params.kind} ${i + 1} of ${heights.length}`,
        z,
        across,
        hole,
        ply,
      ),
    );
  const wall = adapterMm(bore, params.smallerMm);
  const band = () =>
    frusta(
      input,
      [
        { zMm: 0, acrossMm: outside + 2 * t },
        { zMm: params.highMm, acrossMm: outside + 2 * t },
      ],
      'band',
    );
  const made =
    params.kind === 'cap'
      ? (() => {
          const { panels, joins } = band();
          return { panels: [...panels, disc('cap', 'cap', params.highMm, outside + 2 * t, 0, ply)], joins };
        })()
      : {
          joins: [],
          panels:
            params.kind === 'plug'
              ? stack(plugMm(bore), 0)
              : params.kind === 'adapter'
                ? stack(
                    bore,
                    Math.max(2, params.smallerMm),
                    params.rings === 'all' ? all : carriedAt(params.highMm, t, bore, params.everyMm),
                  )
                : params.kind === 'gasket'
                  ? [disc('gasket', 'gasket', 0, outside, Math.max(2, outside - 2 * GASKET_WALL_MM), ply)]
                  : [disc('bulkhead', 'bulkhead', 0, bore, CABLE_MM, ply)],
        };
  return {
    ...made,
    roomMm: 0,
    figures: [
      { key: 'outside', label: 'pipe outside', value: outside, unit: 'mm', decimals: 1 },
      { key: 'bore', label: 'pipe bore', value: bore, unit: 'mm', decimals: 1 },
      ...(params.kind === 'adapter'
        ? [{ key: 'ring', label: 'ring wall', value: wall, unit: 'mm' as const, decimals: 1 }]
        : []),
    ],
    checks:
      params.kind === 'adapter' && wall < 1
        ? [
            {
              id: 'adapter-wall',
              severity: 'stop',
              station: 'shape',
              title:
                wall < 0
                  ? `the inner pipe is ${trimNumber(-2 * wall)} mm wider than the bore.`
                  : `the ring would be ${trimNumber(wall)} mm thin; wind tape instead.`,
              why: 'The ring fills half of what is left between bore and inner pipe.',
              provenance: 'standard',
              excess: 1 - wall,
              remedies: [],
            },
          ]
        : [],
  };
}

export const fitting = defineForm<FittingParams>({
  kind: 'fitting',
  label: 'Plug, cap, ring or gasket',
  summary: 'Small parts cut to a pipe.',
  zones: [],
  rides: { anchor: 'tip', alongMm: 0 },
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 5 }],
  defaults: () => ({
    kind: 'cap',
    rod: 'pvc-1in',
    outsideMm: 33.4,
    boreMm: 26.6,
    smallerMm: 20,
    highMm: 20,
    rings: 'carry',
    everyMm: 150,
  }),
  design,
  silhouette: ({ outsideMm, highMm }) => rectangle({ x: 0, y: highMm / 2 }, outsideMm, highMm),
});

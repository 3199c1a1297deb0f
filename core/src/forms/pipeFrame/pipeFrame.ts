import { levels, torsoSection } from '../../body';
import type { Bought, Work } from '../../features';
import { cross3, lerp3, unit3, sub3, type Vec3 } from '../../geometry';
import { fittingPrice, type PipeFitting, pipeFittings, rodMatters, socketMm } from '../../materials';
import { sectionOf } from '../../panel';
import { byId, counted, itemAt, trimNumber } from '../../units';
import { type Anchor, defineForm, type Design, type FormInput } from '../contract';
import { shoulderStraps } from '../shoulderStraps';
import { strapWayMm } from '../strapWay';
import { frameChecks } from './checks';
import { cornersOf, wholePipes } from './corners';
import { bendSticks, fittingSticks, straightSticks } from './drawn';
import { fields, framePipes, type PipeFrameParams } from './fields';
import { type Length, lengthsOf, type Run, runsOf } from './lengths';

/** Nothing thinner is measured as a pipe, mm. */
const LEAST_MM = 3;

const upright = { x: 0, y: 0, z: 1 };
const forward = { x: 0, y: 1, z: 0 };

/** Where things are mounted: the middle of every pipe, moved along it. */
const anchorsOf = (runs: readonly Run[]): Anchor[] =>
  runs.map((run, i): Anchor => {
    const [a, b] = run.stops.map((s) => s.corner.at) as [Vec3, Vec3];
    const along = unit3(sub3(b, a));
    const out = Math.abs(along.y) > 0.7 ? upright : forward;
    return {
      id: `pipe-${i + 1}`,
      name: `middle of pipe ${run.name}`,
      at: lerp3(a, b, 0.5),
      out,
      up: unit3(cross3(out, cross3(along, out))),
      along,
    };
  });

const lengthWords = (runs: readonly Run[], { runs: own, lengthMm }: Length): string =>
  `${trimNumber(lengthMm, 0)} mm (${own.map((i) => itemAt(runs, i).name).join(', ')})`;

function workOf(
  runs: readonly Run[],
  lengths: readonly Length[],
  counts: { fittings: number; bends: number; sawn: number; flanges: number },
  pipe: { name: string; saw: string; socketMm: number },
): Work[] {
  const each = (count: number, work: Omit<Work, 'count' | 'waitMin' | 'when'>): Work[] =>
    count > 0 ? [{ ...work, count, when: 'flat', waitMin: 0 }] : [];
  return [
    ...each(lengths.length, {
      step: 'saw',
      verb: 'saw',
      what: lengths.length === 1 ? `length of ${pipe.name}` : `lengths of ${pipe.name}`,
      eachMin: 6,
      detail: `${lengths.map((l) => lengthWords(runs, l)).join('; ')}, by ${pipe.saw}. Lengths are to the tips of sawn ends. Wrap a straight strip of paper round to mark a square cut; break the edges.`,
      cautions: ['boardDust'],
    }),
    ...each(counts.sawn, {
      step: 'saddles',
      verb: 'saw',
      what: counts.sawn === 1 ? 'end to its wrap' : 'ends to their wraps',
      eachMin: 15,
      detail:
        'Print the paper wraps at actual size, tape each round its end, its straight edge square to the pipe, and saw along the curve; file until it sits without light between. A wrap’s seam goes to the side the other pipe leans from.',
      cautions: ['boardDust'],
    }),
    ...each(counts.bends, {
      step: 'bends',
      verb: 'bend',
      what: counts.bends === 1 ? 'bend' : 'bends',
      eachMin: 25,
      detail:
        'Mark where each bend begins and ends, stop one end, fill with dry sand and stop the other. Heat evenly all round until it sags, bend it round a former of the inner radius, hold until cool. Bend before cutting to the exact length.',
      cautions: ['heat'],
    }),
    ...each(counts.fittings, {
      step: 'fittings',
      verb: 'fit',
      what: counts.fittings === 1 ? 'fitting' : 'fittings',
      eachMin: 5,
      detail: `Put the whole frame together dry on a flat floor, draw a line across every joint, mark the sockets’ depth, ${trimNumber(pipe.socketMm, 0)} mm, on the pipes: dry, they do not go fully home. Then prime and glue one joint at a time with PVC cement, a quarter turn, lines in line.`,
      cautions: ['solvent'],
    }),
    ...each(counts.flanges, {
      step: 'flanges',
      verb: 'screw',
      what: counts.flanges === 1 ? 'flange to its board' : 'flanges to their boards',
      eachMin: 8,
      detail: 'Pilot holes first; foam under a flange is backed by board, or the screws pull out.',
      cautions: ['drill'],
    }),
  ];
}

/** Off the clothes behind, mm, when it is worn on the back. */
const OFF_BACK_MM = 10;

/** The same frame with its corners where it is worn: its foot at the waist, its foremost corner behind the clothes. */
function onBack(
  { params, body, underLayerMm }: FormInput<PipeFrameParams>,
  outsideMm: number,
): PipeFrameParams {
  const at = levels(body);
  const back = torsoSection(body, at.chest);
  const foremost = Math.max(...params.corners.map((c) => c.forwardMm));
  const y = back.forwardMm - back.b - underLayerMm - OFF_BACK_MM - outsideMm / 2 - foremost;
  return {
    ...params,
    corners: params.corners.map((c) => ({ ...c, forwardMm: c.forwardMm + y, upMm: c.upMm + at.waist })),
  };
}

function design(input: FormInput<PipeFrameParams>): Design {
  const { params: asked, rods, zone, body, underLayerMm } = input;
  const rod = byId(rods, asked.rod);
  if (!rod)
    return {
      panels: [],
      joins: [],
      roomMm: 0,
      checks: [
        {
          id: 'pipe-known',
          severity: 'stop',
          station: 'shape',
          title: `the pipe “${asked.rod}” is not in the catalogue; nothing is worked out without one.`,
          why: 'Choose another pipe.',
          provenance: 'standard',
          excess: 1,
          remedies: [],
        },
      ],
    };
  const outsideMm = asked.measuredMm >= LEAST_MM ? asked.measuredMm : rod.acrossMm.value;
  const worn = zone === 'back';
  const params = worn ? onBack(input, outsideMm) : asked;
  const section = sectionOf(rod, outsideMm);
  const tube = { outsideMm, boreMm: section.shape === 'tube' ? section.boreMm : 0 };
  const corners = cornersOf(params, outsideMm);
  const runs = runsOf(params, corners, tube);
  const lengths = lengthsOf(runs, corners);
  const fittings = corners.flatMap(({ joining }) => (joining.by === 'fitting' ? [joining.fitting] : []));
  const flanges = fittings.filter((f) => f === 'flange').length;
  const sawn = runs.reduce((sum, { stops }) => sum + stops.filter((s) => s.wrap).length, 0);
  const couplerPrice = rod.coupler?.price.value ?? 0;
  const bought = [...new Set<PipeFitting>(fittings)].map((fitting): Bought => ({
    what: `${pipeFittings[fitting].what}, ${rod.name}`,
    unit: 'pieces',
    count: fittings.filter((f) => f === fitting).length,
    each: fittingPrice(fitting, couplerPrice),
    // Fittings are weighed as the pipe they are.
    massG: 0,
    provenance: 'memory',
  }));
  return {
    panels: [],
    joins: [],
    roomMm: 0,
    sticks: [
      ...straightSticks(runs, lengths, section, params.rod),
      ...corners.flatMap((c) => bendSticks(c, section, params.rod)),
      ...corners.flatMap((c) => fittingSticks(c, runs, tube, rod.coupler?.acrossMm.value ?? 0, params.rod)),
    ],
    ...(worn && {
      fastenings: shoulderStraps(
        params,
        strapWayMm(body, underLayerMm, {
          topMm: Math.max(...params.corners.map((c) => c.upMm)),
          footMm: Math.min(...params.corners.map((c) => c.upMm)),
          forwardMm: Math.max(...params.corners.map((c) => c.forwardMm)),
        }),
        body.waistGirth.valueMm + 2 * Math.PI * underLayerMm,
        'over each shoulder, from the top of the frame to its foot',
      ),
    }),
    ...(runs[0] && !worn && { heldAt: lerp3(runs[0].stops[0].corner.at, runs[0].stops[1].corner.at, 0.5) }),
    anchors: anchorsOf(runs),
    framework: {
      corners: corners.map((c) => ({ name: `corner ${c.index + 1}`, at: c.at })),
      pipes: wholePipes(params).map(({ from, to }, i) => ({
        name: `pipe ${from + 1} to ${to + 1}`,
        from,
        to,
        anchorId: `pipe-${i + 1}`,
      })),
      rodId: rod.id,
      section,
      rodField: 'rod',
      rodIds: framePipes.map((r) => r.id),
    },
    figures: [
      { key: 'outside', label: 'outside', value: outsideMm, unit: 'mm', decimals: 1 },
      {
        key: 'pipe',
        label: `pipe, ${counted(lengths.length, 'length')}`,
        value: lengths.reduce((sum, l) => sum + l.lengthMm, 0),
        unit: 'mm',
        decimals: 0,
      },
      { key: 'fittings', label: 'fittings', value: fittings.length, unit: '', decimals: 0 },
    ],
    checks: frameChecks(params, corners, runs, lengths, outsideMm),
    bought: [
      ...bought,
      ...(flanges > 0
        ? [
            {
              what: 'pan-head screw, 4 × 16 mm',
              unit: 'pieces',
              count: flanges * pipeFittings.flange.screws,
              each: 0.05,
              massG: flanges * pipeFittings.flange.screws * 1.5,
              provenance: 'memory' as const,
            },
          ]
        : []),
    ],
    work: workOf(
      runs,
      lengths,
      {
        fittings: fittings.length - flanges,
        bends: corners.filter((c) => c.joining.by === 'bend').length,
        sawn,
        flanges,
      },
      { name: rod.name, saw: rodMatters[rod.matter].saw, socketMm: socketMm(outsideMm).value },
    ),
  };
}

const corner = (acrossMm: number, forwardMm: number, upMm: number) => ({
  acrossMm,
  forwardMm,
  upMm,
  joint: 'fitting' as const,
  radiusMm: 0,
});

export const pipeFrame = defineForm<PipeFrameParams>({
  kind: 'pipe-frame',
  label: 'Frame of pipes',
  summary: 'Pipes between corners, joined by fittings, sawn saddles and mitres, or bends.',
  zones: ['hand', 'back'],
  fields,
  developable: true,
  sheets: 'none',
  defaults: () => ({
    strapOverlapMm: 80,
    strapWideMm: 25,
    rod: framePipes[1]!.id,
    measuredMm: 0,
    takeOffMm: 0,
    corners: [
      corner(-160, 0, 0),
      corner(160, 0, 0),
      corner(160, 0, 420),
      corner(-160, 0, 420),
      corner(160, 0, 210),
      corner(-160, 0, 210),
    ],
    pipes: [
      { from: 1, to: 2 },
      { from: 2, to: 5 },
      { from: 5, to: 3 },
      { from: 3, to: 4 },
      { from: 4, to: 6 },
      { from: 6, to: 1 },
      { from: 6, to: 5 },
    ],
  }),
  design,
  silhouette: ({ corners, pipes }) => {
    const joined = pipes.flatMap(({ from, to }) => [corners[from - 1], corners[to - 1]]);
    const seen = joined.filter((c) => c !== undefined);
    // Seen from the front: a band round all its corners.
    const all = seen.length > 0 ? seen : corners;
    const [xs, ys] = [all.map((c) => c.acrossMm), all.map((c) => c.upMm)];
    const ring = (by: number) => {
      const [x0, x1] = [Math.min(...xs) - by, Math.max(...xs) + by];
      const [y0, y1] = [Math.min(...ys) - by, Math.max(...ys) + by];
      return [
        { x: x0, y: y0 },
        { x: x1, y: y0 },
        { x: x1, y: y1 },
        { x: x0, y: y1 },
      ];
    };
    const [outer, inner] = [ring(12), ring(-12)];
    const hollow = inner[1]!.x > inner[0]!.x && inner[2]!.y > inner[1]!.y;
    return hollow ? [...outer, outer[0]!, inner[0]!, inner[3]!, inner[2]!, inner[1]!, inner[0]!] : outer;
  },
});

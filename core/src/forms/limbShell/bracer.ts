import { itemAt, lastOf } from '../../units';
import { closures } from '../../materials';
import { isOpen } from '../closureField';
import { limbLengthMm, limbSection } from '../../body';
import { angle, choice, length, type ParamsOf } from '../../document';
import {
  add3,
  cross3,
  dist3,
  type Ellipse,
  ellipseAtNormal,
  ellipsePerimeter,
  lerp3,
  parallelGirth,
  scale3,
  sub3,
  unit3,
  type Vec3,
} from '../../geometry';
import type { Join, Panel, Ruled } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import {
  bulgeCheck,
  shutWith,
  easeField,
  gapField,
  gapOf,
  paddingField,
  panelsField,
  passageOf,
  shellChecks,
  standOffMm,
  type ShellLimb,
} from './shell';

const of: ShellLimb = {
  limb: 'forearm',
  pass: ['handGirth', 1.12, 'the hand'],
  measures: ['wristGirth', 'forearmGirth', 'forearmLength', 'handGirth'],
};

const isPointed = (params: object): boolean => (params as { wristEnd?: string }).wristEnd === 'point';

const fields = [
  length(
    'startMm',
    'Cuff edge from wrist',
    [0, 120],
    'From the wrist fold up the arm to the lower edge.',
    'Reach',
    { seededBy: 'forearmLength' },
  ),
  length(
    'endMm',
    'Elbow edge from wrist',
    [60, 330],
    'From the wrist fold up the arm to the upper edge.',
    'Reach',
    { seededBy: 'forearmLength', gives: [{ need: 'reach', by: -1 }] },
  ),
  easeField(60),
  paddingField(15),
  panelsField('One piece bends all the way round; two are glued along the seam opposite the gap.'),
  shutWith,
  gapField(80),
  angle('gapAtDeg', 'Gap position', [0, 359], '0° back of the arm, 180° inside.', 'Closure'),
  choice(
    'wristEnd',
    'Cuff edge',
    [
      ['straight', 'straight'],
      ['point', 'point over the hand'],
    ],
    'Straight round the wrist, or drawn to a point over the back of the hand.',
    'Edges',
  ),
  length('pointMm', 'Point length', [0, 120], 'How far the point reaches past the cuff edge.', 'Edges', {
    when: isPointed,
  }),
  angle(
    'pointWidthDeg',
    'Point half-width',
    [15, 120],
    'Angle round the arm over which the edge rises to the point.',
    'Edges',
    { when: isPointed },
  ),
  length(
    'elbowCutMm',
    'Elbow cut-away',
    [0, 120],
    'Depth of the scoop inside the elbow so the arm can bend.',
    'Edges',
    { gives: [{ need: 'reach', by: 1 }] },
  ),
] as const;

type BracerParams = ParamsOf<typeof fields>;

/** Rulings round the whole arm; dense enough for 0.01 mm of edge. */
const RULINGS = 240;
const AROUND = 72;
const ALONG = 8;

/** Angle between −180° and 180°, in radians. */
const wrap = (angle: number): number => angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));

/** Where the trimmed edges cross a ruling, as shares along it: cuff edge and elbow edge. */
function trimAt(params: BracerParams, angle: number): [number, number] {
  const span = spanOf(params);
  const half = (params.pointWidthDeg * Math.PI) / 180;
  const rise = isPointed(params) ? Math.max(0, 1 - Math.abs(wrap(angle)) / half) : 0;
  const inside = (1 + Math.cos(wrap(angle - Math.PI))) / 2;
  const top = Math.max(span * 0.1, span - params.elbowCutMm * inside * inside);
  return [(-params.pointMm * rise) / span, top / span];
}

/** A shell turned upside down is reported; it is worked out as a narrow band. */
const spanOf = ({ startMm, endMm }: BracerParams): number => Math.max(10, endMm - startMm);

/** The inner face: two offset ellipses joined by rulings of equal normal, hence developable; from the gap's middle round. */
function rulingsOf(params: BracerParams, low: Ellipse, high: Ellipse, outMm: number): Ruled['rulings'] {
  const start = (params.gapAtDeg * Math.PI) / 180;
  return Array.from({ length: RULINGS + 1 }, (_, i) => {
    const angle = start + (i / RULINGS) * 2 * Math.PI;
    const foot: Vec3 = { ...ellipseAtNormal(low, angle, outMm), z: params.startMm };
    const head: Vec3 = { ...ellipseAtNormal(high, angle, outMm), z: params.startMm + spanOf(params) };
    const tangent = { x: -Math.sin(angle), y: Math.cos(angle), z: 0 };
    return { low: foot, high: head, normal: unit3(cross3(tangent, sub3(head, foot))) };
  });
}

/** Share of a turn at which a rail of the layer that keeps its length has run `mm`, from its start or back from its end. */
function turnAt(rulings: Ruled['rulings'], end: 'low' | 'high', neutralMm: number, mm: number): number {
  const at = (i: number): Vec3 => add3(itemAt(rulings, i)[end], scale3(itemAt(rulings, i).normal, neutralMm));
  let run = 0;
  for (let i = 1; i < rulings.length; i++) {
    const step = dist3(at(i - 1), at(i));
    if (run + step >= mm) return (i - 1 + (mm - run) / step) / RULINGS;
    run += step;
  }
  return 1;
}

/** Shares of a turn of one side of a panel, at the narrow and at the wide end. */
interface SideTurn {
  low: number;
  high: number;
}

const mix = (a: number, b: number, t: number): number => a + (b - a) * t;

function panelBetween(
  params: BracerParams,
  rulings: Ruled['rulings'],
  left: SideTurn,
  right: SideTurn,
  words: Pick<Panel, 'id' | 'name' | 'edges'>,
): Panel {
  const start = (params.gapAtDeg * Math.PI) / 180;
  const columns = Math.round(AROUND / params.panels);
  const at = Array.from({ length: ALONG + 1 }, (_, r) =>
    Array.from({ length: columns + 1 }, (_, c) => {
      const u = c / columns;
      const middle = mix((left.low + left.high) / 2, (right.low + right.high) / 2, u);
      const [bottom, top] = trimAt(params, start + middle * 2 * Math.PI);
      const v = mix(bottom, top, r / ALONG);
      const turn = mix(mix(left.low, left.high, v), mix(right.low, right.high, v), u);
      return { x: turn * RULINGS, y: v };
    }),
  );
  const onRulings = (x: number, y: number): Vec3 => {
    const i = Math.min(RULINGS - 1, Math.max(0, Math.floor(x)));
    const [a, b] = [itemAt(rulings, i), itemAt(rulings, i + 1)];
    return lerp3(lerp3(a.low, b.low, x - i), lerp3(a.high, b.high, x - i), y);
  };
  return {
    ...words,
    grid: at.map((row) => row.map((p) => onRulings(p.x, p.y))),
    ruled: { rulings, at, outMm: 0 },
  };
}

function design(input: FormInput<BracerParams>): Design {
  const { params, body, foam } = input;
  const out = standOffMm(input);
  const low = limbSection(body, of.limb, params.startMm);
  const high = limbSection(body, of.limb, params.startMm + spanOf(params));
  const rulings = rulingsOf(params, low, high, out);
  // The gap is as wide as asked where the foam keeps its length, on the solid and on the flat alike.
  const neutral = foam.neutralFraction.value * foam.thicknessMm.value;
  const half = gapOf(params) / 2;
  const first: SideTurn = {
    low: turnAt(rulings, 'low', neutral, half),
    high: turnAt(rulings, 'high', neutral, half),
  };
  const back = [...rulings].reverse();
  const last: SideTurn = {
    low: 1 - turnAt(back, 'low', neutral, half),
    high: 1 - turnAt(back, 'high', neutral, half),
  };
  const closed = !isOpen(params);
  const edges = {
    bottom: 'cuff edge',
    right: closed ? 'seam' : 'closure, little-finger side',
    top: 'elbow edge',
    left: closed ? 'seam' : 'closure, thumb side',
  };
  const middle: SideTurn = { low: 0.5, high: 0.5 };
  const panels =
    params.panels === 2
      ? [
          panelBetween(params, rulings, first, middle, {
            id: 'a',
            name: 'first half',
            edges: { ...edges, right: 'back seam' },
          }),
          panelBetween(params, rulings, middle, last, {
            id: 'b',
            name: 'second half',
            edges: { ...edges, left: 'back seam' },
          }),
        ]
      : [panelBetween(params, rulings, first, last, { id: 'a', name: 'shell', edges })];
  const joins: Join[] = [
    ...(params.panels === 2 ? [{ a: ['a', 'right'], b: ['b', 'left'], kind: 'seam' } satisfies Join] : []),
    { a: [lastOf(panels).id, 'right'], b: ['a', 'left'], kind: closures[params.closure].joint },
  ];
  const clearance = passageOf(input, of);
  return {
    panels,
    joins,
    closure: params.closure,
    measures: [...of.measures],
    clearances: [clearance],
    roomMm: params.paddingMm + params.easeMm / (2 * Math.PI),
    checks: [
      ...shellChecks(input, of, clearance, params.endMm, params.elbowCutMm),
      ...bulgeCheck(
        input,
        of,
        parallelGirth(ellipsePerimeter(low), out),
        parallelGirth(ellipsePerimeter(high), out),
      ),
    ],
  };
}

const round5 = (mm: number): number => Math.round(mm / 5) * 5;

/** A straight cone round the forearm, open or closed, from wrist towards elbow. */
export const bracer = defineForm<BracerParams>({
  kind: 'bracer',
  label: 'Bracer',
  zones: ['forearm'],
  summary: 'A shell round the forearm, from the wrist towards the elbow.',
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 6 }],
  defaults: (body) => {
    const long = limbLengthMm(body, of.limb);
    return {
      startMm: 5,
      endMm: round5(long * 0.75),
      easeMm: 16,
      paddingMm: 3,
      panels: 1,
      closure: 'hook-and-loop',
      gapMm: 20,
      gapAtDeg: 180,
      wristEnd: 'point',
      pointMm: Math.min(60, round5(body.handLength.valueMm * 0.25)),
      pointWidthDeg: 60,
      elbowCutMm: round5(long * 0.16),
    };
  },
  design,
  /** Seen from the back of the arm: cuff edge below with its point, elbow edge above. */
  silhouette: (params) => {
    const span = params.endMm - params.startMm;
    return [
      { x: -32, y: 0 },
      { x: 0, y: isPointed(params) ? -params.pointMm : 0 },
      { x: 32, y: 0 },
      { x: 46, y: span },
      { x: -46, y: span },
    ];
  },
});

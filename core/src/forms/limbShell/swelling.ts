import { lastOf } from '../../units';
import { closures } from '../../materials';
import { isOpen } from '../closureField';
import { limbGirthMm, limbLengthMm, limbSection, type Zone } from '../../body';
import { angle, length, type ParamsOf } from '../../document';
import { gridOf, halfTurnFor, type Join, onSlice, type Panel, type Slice } from '../../panel';
import { defineForm, type Design, type FormInput, type FormKind } from '../contract';
import {
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

const inTwo = (params: object): boolean => (params as { panels?: number }).panels === 2;

const fields = [
  length('startMm', 'Lower edge', [0, 300], 'From the narrow end of the limb.', 'Reach', {
    gives: [{ need: 'reach', by: 1 }],
  }),
  length('endMm', 'Upper edge', [40, 600], 'From the narrow end of the limb.', 'Reach', {
    gives: [{ need: 'reach', by: -1 }],
  }),
  easeField(80),
  paddingField(20),
  panelsField('Two pieces take a swell better than one.'),
  angle(
    'seamDeg',
    'Seam off the middle',
    [-100, 100],
    'Turns the seam of two pieces round the limb.',
    'Division',
    { when: inTwo },
  ),
  shutWith,
  gapField(120),
  length('flareMm', 'Flare at the top', [0, 60], 'How far the upper edge stands off.', 'Edges'),
  length('pointMm', 'Point at the front', [0, 150], 'How far the upper edge rises in front.', 'Edges', {
    gives: [{ need: 'reach', by: -1 }],
  }),
] as const;

type SwellingParams = ParamsOf<typeof fields>;

const AROUND = 36;
const ALONG = 10;

interface SwellingShell extends ShellLimb {
  kind: string;
  label: string;
  summary: string;
  zone: Zone;
  /** Shares of the limb it begins and ends at. */
  reach: readonly [number, number];
}

/** A shell that follows every girth of a limb, swells and all, in one piece or two. */
export function swellingShell(of: SwellingShell): FormKind {
  const { limb } = of;
  const design = (input: FormInput<SwellingParams>): Design => {
    const { params, body, foam } = input;
    const out = standOffMm(input);
    const closed = !isOpen(params);
    const gapMm = gapOf(params);
    const neutral = foam.neutralFraction.value * foam.thicknessMm.value;
    const span = Math.max(20, params.endMm - params.startMm);
    /** The slice of the limb at a distance and half the gap there, as a turn; many points share one. */
    const slices = new Map<number, { slice: Slice; margin: number }>();
    const sliceAt = (at: number): { slice: Slice; margin: number } => {
      let known = slices.get(at);
      if (!known) {
        const slice = { ...limbSection(body, limb, at), x: 0, y: 0, z: at };
        known = { slice, margin: gapMm === 0 ? 0 : halfTurnFor(slice, 180, gapMm, out + neutral) };
        slices.set(at, known);
      }
      return known;
    };
    const panel = (id: string, name: string, from: number, to: number): Panel => ({
      id,
      name,
      grid: gridOf(params.panels === 2 ? AROUND / 2 : AROUND, ALONG, (u, v) => {
        const turn = from + (to - from) * u;
        const back = (1 + Math.cos((turn * Math.PI) / 180 - Math.PI)) / 2;
        const rise = params.pointMm * Math.max(0, 1 - Math.abs(turn - 180) / 60) * v;
        const at = params.startMm + span * v + rise * back;
        const { slice, margin } = sliceAt(at);
        const angle = 180 + margin + (turn / 360) * (360 - 2 * margin);
        return onSlice(slice, angle, out + params.flareMm * v * v);
      }),
      edges: {
        bottom: 'lower edge',
        right: to === 360 ? (closed ? 'back seam' : 'gap') : 'seam',
        top: 'upper edge',
        left: from === 0 ? (closed ? 'back seam' : 'gap') : 'seam',
      },
    });
    const panels =
      params.panels === 2
        ? [
            panel('a', 'first half', 0, 180 + params.seamDeg),
            {
              ...panel('b', 'second half', 180 + params.seamDeg, 360),
              ...(params.seamDeg === 0 && { mirrorOf: 'a' }),
            },
          ]
        : [panel('a', 'shell', 0, 360)];
    const joins: Join[] = [
      { a: [lastOf(panels).id, 'right'], b: ['a', 'left'], kind: closures[params.closure].joint },
    ];
    if (params.panels === 2) joins.unshift({ a: ['a', 'right'], b: ['b', 'left'], kind: 'seam' });
    const clearance = passageOf(input, of);
    return {
      panels,
      joins,
      closure: params.closure,
      measures: [...of.measures],
      clearances: [clearance],
      padded: params.paddingMm > 0,
      roomMm: params.paddingMm + params.easeMm / (2 * Math.PI),
      checks: shellChecks(input, of, clearance, params.endMm + params.pointMm, 0),
    };
  };

  return defineForm<SwellingParams>({
    kind: of.kind,
    label: of.label,
    zones: [of.zone],
    summary: of.summary,
    fields,
    defaults: (body) => {
      const long = limbLengthMm(body, limb);
      return {
        startMm: Math.round(long * of.reach[0]),
        endMm: Math.round(long * of.reach[1]),
        easeMm: 18,
        paddingMm: 3,
        panels: 2,
        seamDeg: 0,
        closure: 'hook-and-loop',
        gapMm: 25,
        flareMm: 4,
        pointMm: 0,
      };
    },
    design,
    silhouette: ({ startMm, endMm, pointMm }, body) => {
      const w = (at: number): number => limbGirthMm(body, limb, at) / Math.PI / 2 + 8;
      const [a, b] = [w(startMm), w(endMm)];
      return [
        { x: -a, y: 0 },
        { x: a, y: 0 },
        { x: b, y: endMm - startMm },
        { x: 0, y: endMm - startMm + pointMm },
        { x: -b, y: endMm - startMm },
      ];
    },
  });
}

export const upperArm = swellingShell({
  kind: 'upper-arm',
  label: 'Upper arm',
  summary: 'A shell round the upper arm.',
  limb: 'upperArm',
  zone: 'upperArm',
  pass: ['elbowBentGirth', 1.04, 'the elbow'],
  measures: ['upperArmGirth', 'elbowBentGirth'],
  reach: [0.28, 0.72],
});
export const greave = swellingShell({
  kind: 'greave',
  label: 'Greave',
  summary: 'A shell round the lower leg that follows the calf.',
  limb: 'lowerLeg',
  zone: 'lowerLeg',
  pass: ['heelGirth', 1.03, 'the heel'],
  measures: ['calfGirth', 'ankleGirth'],
  reach: [0.12, 0.86],
});
export const thigh = swellingShell({
  kind: 'thigh',
  label: 'Thigh',
  summary: 'A shell round the thigh.',
  limb: 'thigh',
  zone: 'thigh',
  pass: ['kneeGirth', 1.08, 'the knee'],
  measures: ['thighGirth', 'kneeGirth'],
  reach: [0.3, 0.78],
});
export const cuff = swellingShell({
  kind: 'cuff',
  label: 'Swelling cuff',
  summary: 'A forearm shell that follows the swell of the muscle.',
  limb: 'forearm',
  zone: 'forearm',
  pass: ['handGirth', 1.12, 'the hand'],
  measures: ['wristGirth', 'forearmGirth', 'handGirth'],
  reach: [0.06, 0.73],
});

import type { MeasureKey } from '../../body/measures';
import { limbGirthMm, limbLengthMm, limbSection, type Limb } from '../../body/sections';
import { trimNumber } from '../../units/length';
import { sprungOpeningMm } from '../../foam/spring';
import { parallelGirth } from '../../geometry/ellipse';
import type { FormCheck, FormInput, FormKind, FormParams, Zone } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { angle, choice, length } from '../draped/fields';
import { gridOf, onSlice, type Slice } from '../draped/grids';
import type { Join, Panel } from '../draped/panel';

interface LimbShellParams extends FormParams {
  startMm: number;
  endMm: number;
  easeMm: number;
  paddingMm: number;
  panels: number;
  gapMm: number;
  flareMm: number;
  pointMm: number;
  seamDeg: number;
}

interface LimbShellKind {
  kind: string;
  label: string;
  summary: string;
  limb: Limb;
  zone: Zone;
  /** What must pass a closed shell: the measure, the factor for comfort, and what it is called. */
  pass: [MeasureKey, number, string];
  reach: [number, number];
}

const AROUND = 36;
const ALONG = 10;

/** A shell that follows every girth of a limb, swells and all, in one piece or two. */
export function limbShell({
  kind,
  label,
  summary,
  limb,
  zone,
  pass,
  reach,
}: LimbShellKind): FormKind<FormParams> {
  const outMm = ({ params, underLayerMm }: FormInput<LimbShellParams>): number =>
    underLayerMm + params.paddingMm + params.easeMm / (2 * Math.PI);

  const design = (input: FormInput<LimbShellParams>): Design => {
    const { params, body, foam } = input;
    const out = outMm(input);
    const closed = params.gapMm === 0;
    const span = Math.max(20, params.endMm - params.startMm);
    /** The slice of the limb at a distance and half the gap there, as a turn; many points share one. */
    const slices = new Map<number, { slice: Slice; margin: number }>();
    const sliceAt = (at: number): { slice: Slice; margin: number } => {
      let known = slices.get(at);
      if (!known) {
        const girth = parallelGirth(limbGirthMm(body, limb, at), out);
        known = {
          slice: { ...limbSection(body, limb, at), x: 0, y: 0, z: at },
          margin: closed ? 0 : ((params.gapMm / girth) * 360) / 2,
        };
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
        right: to === 360 ? 'gap' : 'seam',
        top: 'upper edge',
        left: from === 0 ? 'gap' : 'seam',
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
    const last = panels.at(-1)!.id;
    const joins: Join[] = [{ a: [last, 'right'], b: ['a', 'left'], kind: closed ? 'seam' : 'closure' }];
    if (params.panels === 2) joins.unshift({ a: ['a', 'right'], b: ['b', 'left'], kind: 'seam' });
    const inside = Math.min(
      ...[0, 0.5, 1].map((t) => parallelGirth(limbGirthMm(body, limb, params.startMm + span * t), out)),
    );
    const opening = closed
      ? inside
      : sprungOpeningMm({
          insideGirthMm: inside,
          gapMm: params.gapMm,
          thicknessMm: foam.thicknessMm.value,
          neutralFraction: foam.neutralFraction.value,
        });
    const need = body[pass[0]].valueMm * pass[1];
    const checks: FormCheck[] = [];
    if (opening < need) {
      checks.push({
        id: 'pass',
        severity: 'stop',
        title: `opening ${trimNumber(opening, 0)} mm, ${pass[2]} needs ${trimNumber(need, 0)} mm.`,
        why: closed
          ? 'A closed shell is slipped on over the end of the limb.'
          : 'Springing this foam further strains it past 5 %.',
        sure: 'memory',
        cures: closed
          ? [{ label: 'Open it: 25 mm gap', set: { gapMm: 25 } }]
          : [
              {
                label: `Ease ${Math.min(80, Math.ceil(params.easeMm + need - opening))} mm`,
                set: { easeMm: Math.min(80, Math.ceil(params.easeMm + need - opening)) },
              },
            ],
      });
    }
    const limit = limbLengthMm(body, limb);
    if (params.endMm + params.pointMm > limit * 1.05) {
      checks.push({
        id: 'long',
        severity: 'stop',
        title: `reaches ${trimNumber(params.endMm + params.pointMm, 0)} mm, the limb ends at ${trimNumber(limit, 0)} mm.`,
        why: 'A stiff shell cannot cross the joint.',
        sure: 'practice',
        cures: [
          {
            label: `End at ${Math.floor((limit - params.pointMm) * 0.95)} mm`,
            set: { endMm: Math.floor((limit - params.pointMm) * 0.95) },
          },
        ],
      });
    }
    return {
      panels,
      joins,
      checks,
      roomMm: out - input.underLayerMm,
      rings: [
        {
          name: pass[2],
          openingMm: opening,
          needMm: need,
          centre: { x: 0, y: 0, z: params.startMm + span / 2 },
        },
      ],
      figures: [
        { label: 'opening', value: opening, unit: 'mm', decimals: 0 },
        { label: `${pass[2]} needs`, value: need, unit: 'mm', decimals: 0 },
      ],
    };
  };

  return drapedKind<LimbShellParams>({
    kind,
    label,
    zone,
    summary,
    fields: [
      length('startMm', 'Lower edge', [0, 300], 'From the narrow end of the limb.', 'Reach'),
      length('endMm', 'Upper edge', [40, 600], 'From the narrow end of the limb.', 'Reach'),
      length(
        'easeMm',
        'Ease in girth',
        [0, 80],
        'Extra girth so the limb can work; 10–25 mm is usual.',
        'Room',
      ),
      length('paddingMm', 'Padding', [0, 20], 'Foam or strap between clothing and shell.', 'Room'),
      choice(
        'panels',
        'Pieces round',
        [
          [1, 'one piece'],
          [2, 'two pieces'],
        ],
        'Two pieces take a swell better than one.',
        'Division',
      ),
      {
        ...angle(
          'seamDeg',
          'Seam off the middle',
          [-100, 100],
          'Turns the seam of two pieces round the limb.',
          'Division',
        ),
        absent: 0,
      },
      length('gapMm', 'Gap at the back', [0, 120], '0 glues it to a closed tube.', 'Closure'),
      length('flareMm', 'Flare at the top', [0, 60], 'How far the upper edge stands off.', 'Edges'),
      length('pointMm', 'Point at the front', [0, 150], 'How far the upper edge rises in front.', 'Edges'),
    ],
    defaults: (body) => {
      const limit = limbLengthMm(body, limb);
      return {
        startMm: Math.round(limit * reach[0]),
        endMm: Math.round(limit * reach[1]),
        easeMm: 18,
        paddingMm: 3,
        panels: 2,
        seamDeg: 0,
        gapMm: 25,
        flareMm: 4,
        pointMm: 0,
      };
    },
    design,
    grips: [
      { key: 'startMm', label: 'Lower edge: slide along the limb', panel: 'a', at: [0.5, 0] },
      { key: 'endMm', label: 'Upper edge: slide along the limb', panel: 'a', at: [0.5, 1] },
      { key: 'seamDeg', label: 'Seam: slide round the limb', panel: 'b', at: [0, 0.5] },
      { key: 'flareMm', label: 'Flare of the upper edge', panel: 'a', at: [1, 1] },
    ],
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

export const upperArm = limbShell({
  kind: 'upper-arm',
  label: 'Upper arm',
  summary: 'A shell round the upper arm.',
  limb: 'upperArm',
  zone: 'upperArm',
  pass: ['elbowBentGirth', 1.04, 'the elbow'],
  reach: [0.28, 0.72],
});
export const greave = limbShell({
  kind: 'greave',
  label: 'Greave',
  summary: 'A shell round the lower leg that follows the calf.',
  limb: 'lowerLeg',
  zone: 'lowerLeg',
  pass: ['heelGirth', 1.03, 'the heel'],
  reach: [0.12, 0.86],
});
export const thigh = limbShell({
  kind: 'thigh',
  label: 'Thigh',
  summary: 'A shell round the thigh.',
  limb: 'thigh',
  zone: 'thigh',
  pass: ['kneeGirth', 1.08, 'the knee'],
  reach: [0.3, 0.78],
});
export const cuff = limbShell({
  kind: 'cuff',
  label: 'Swelling cuff',
  summary: 'A forearm shell that follows the swell of the muscle.',
  limb: 'forearm',
  zone: 'forearm',
  pass: ['handGirth', 1.12, 'the hand'],
  reach: [0.06, 0.85],
});

import { firstOf, lastOf, itemAt } from '../../units';
import { limbGirthMm, limbLengthMm, type Limb, type MeasureKey, zoneInfo } from '../../body';
import { length, type ParamsOf } from '../../document';
import type { Vec2 } from '../../geometry';
import type { Panel } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { ringAt, roundProfile, roundWalls, type Ring } from '../held/walls';
import { bandDefaults, bandFields, bandMm, innerBand, loosenessChecks } from './band';
import { levelChecks, openingChecks } from './checks';
import { asDescribed } from './described';
import { caseDefaults, caseFields, girthsField } from './fields';
import { boughtOf, workOf } from './work';

const fields = [
  girthsField(),
  length('startMm', 'Worn from', [0, 400], 'Its lower edge from the narrow end of the limb.', 'Worn'),
  ...bandFields,
  ...caseFields,
] as const;

type SleeveParams = ParamsOf<typeof fields>;

/** A band is so high, mm, at either end. */
const BAND_MM = 30;
/** Where a new one begins on the limb, and how long it is, as shares of the limb: clear of either joint. */
const BEGINS = 0.2;
const LONG = 0.45;

/** What must pass through it on the way to its limb. */
const passes: Record<Limb, readonly [MeasureKey, string]> = {
  forearm: ['handGirth', 'the hand'],
  upperArm: ['elbowBentGirth', 'the elbow'],
  thigh: ['kneeGirth', 'the knee'],
  lowerLeg: ['heelGirth', 'the heel'],
};

const limbOf = ({ zone }: Pick<FormInput<unknown>, 'zone'>): Limb =>
  (zone && zoneInfo(zone).limb) ?? 'forearm';

const raised = (panel: Panel, byMm: number): Panel => ({
  ...panel,
  grid: panel.grid.map((row) => row.map((p) => ({ ...p, z: p.z + byMm }))),
});

function design(input: FormInput<SleeveParams>): Design {
  const { params, body, underLayerMm, liningMm } = input;
  const { girths, wallMm, massG, startMm } = params;
  const limb = limbOf(input);
  const profile = roundProfile(girths);
  const [foot, head] = [firstOf(profile), lastOf(profile)];
  const byMm = startMm - foot.zMm;
  const ring = (zMm: number): Ring => ringAt(profile, zMm);
  const highMm = Math.min(BAND_MM, (head.zMm - foot.zMm) / 2);
  const bands = [
    innerBand(input, 'band-low', 'lower band', [ring(foot.zMm), ring(foot.zMm + highMm)], wallMm),
    innerBand(input, 'band-high', 'upper band', [ring(head.zMm - highMm), ring(head.zMm)], wallMm),
  ].flat();
  const inside = profile.map((r) => r.acrossMm - 2 * wallMm);
  const gaps = profile.map(
    (r, i) =>
      itemAt(inside, i) / 2 - limbGirthMm(body, limb, r.zMm + byMm) / (2 * Math.PI) - underLayerMm - liningMm,
  );
  const [key, what] = passes[limb];
  const end = { x: 0, y: 0, z: head.zMm + byMm };
  return {
    panels: [...asDescribed(roundWalls(girths, wallMm, { top: false, foot: false }), params), ...bands].map(
      (p) => raised(p, byMm),
    ),
    joins: [],
    roomMm: 0,
    ballast: [{ what: 'the thing itself', massG, at: { ...end, z: (foot.zMm + head.zMm) / 2 + byMm } }],
    measures: [key],
    clearances: [
      {
        what,
        openingMm: Math.PI * Math.max(1, Math.min(...inside) - 2 * bandMm(input)),
        needMm: body[key].valueMm,
        at: end,
      },
    ],
    anchors: [
      { id: 'upper', name: 'upper edge', at: end, out: { x: 0, y: 0, z: 1 }, up: { x: 1, y: 0, z: 0 } },
    ],
    work: workOf(params),
    bought: boughtOf(params),
    figures: [
      { key: 'high', label: 'high outside', value: head.zMm - foot.zMm, unit: 'mm', decimals: 0 },
      { key: 'gap', label: 'off the limb all round', value: Math.min(...gaps), unit: 'mm', decimals: 0 },
    ],
    checks: [
      ...openingChecks(params),
      ...levelChecks(girths),
      ...loosenessChecks(input, Math.min(...gaps), 'the limb'),
    ],
  };
}

/** A bought tube, bottle or guard worn round a limb as it is. */
export const donorLimb = defineForm<SleeveParams>({
  kind: 'donor-limb',
  label: 'Bought sleeve, on a limb',
  summary:
    'A bottle, pipe or guard by its girths, worn round an arm or leg: how loose it is, and the band that fills it.',
  zones: ['forearm', 'upperArm', 'thigh', 'lowerLeg'],
  fields,
  developable: true,
  sheets: 'existing',
  defaults: (body) => {
    const limbMm = limbLengthMm(body, 'forearm');
    const [at, longMm] = [BEGINS * limbMm, Math.round(LONG * limbMm)];
    const girth = (mm: number): number => Math.round(limbGirthMm(body, 'forearm', at + mm) * 1.25 + 30);
    return {
      girths: [
        { zMm: 0, girthMm: Math.max(girth(0), Math.round(body.handGirth.valueMm) + 30) },
        { zMm: longMm, girthMm: girth(longMm) },
      ],
      startMm: Math.round(at),
      ...bandDefaults,
      ...caseDefaults,
      opens: 'open',
      power: 'none',
    };
  },
  design,
  silhouette: ({ girths }) => {
    const half = roundProfile(girths).map((p): Vec2 => ({ x: p.acrossMm / 2, y: p.zMm }));
    return [...half, ...[...half].reverse().map((p) => ({ x: -p.x, y: p.y }))];
  },
});

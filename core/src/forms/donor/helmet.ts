import { firstOf, lastOf } from '../../units';
import { type Body, headForm } from '../../body';
import { count, length, type ParamsOf } from '../../document';
import type { Vec2, Vec3 } from '../../geometry';
import { type Panel, platePanel } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { strapOver } from '../straps';
import { bandDefaults, bandFields, innerBand, loosenessChecks } from './band';
import { levelChecks, openingChecks } from './checks';
import { caseDefaults, caseFields, girthsField } from './fields';
import { ovalOf, ringAt, roundProfile, roundWalls, type Oval } from '../held/walls';
import { asDescribed } from './described';
import { boughtOf, workOf } from './work';

const fields = [
  girthsField(),
  count('longerPct', 'Longer, %', [0, 60], 'Than it is wide, from front to back.', 'Outside'),
  length('peakMm', 'Peak', [0, 150], 'How far it stands out in front; 0 has none.', 'Outside'),
  length('upMm', 'Rim above the eyes', [-150, 150], 'Where its rim sits when it is worn.', 'Worn'),
  length('aheadMm', 'Ahead', [-60, 60], 'Of the middle of the head.', 'Worn'),
  ...bandFields,
  ...caseFields,
] as const;

export type HelmetParams = ParamsOf<typeof fields>;

/** Round the head that the helmet a new one begins with is made for, mm. */
const HEAD_MM = 570;

/** The inner band is so high, mm. */
const BAND_MM = 30;

/** Open above the peak, as far as anything stands up there. */
const ABOVE_MM = 60;

/** A peak reaches so far round either side of the front, radians, and is drawn in so many steps. */
const PEAK_HALF = Math.PI / 3;
const STEPS = 24;

/** The peak seen from below: from the rim out, drawn in to nothing at its ends. */
export function peakOutline(rimMm: number, { x, y }: Oval, peakMm: number): Vec2[] {
  const at = (k: number, beyond: number): Vec2 => {
    const t = -PEAK_HALF + (2 * PEAK_HALF * k) / STEPS;
    const out = beyond === 0 ? 0 : Math.max(0.5, peakMm * Math.cos((t / PEAK_HALF) * (Math.PI / 2)));
    return { x: (rimMm * x + out) * Math.sin(t), y: -(rimMm * y + out) * Math.cos(t) };
  };
  const run = Array.from({ length: STEPS + 1 }, (_, k) => k);
  return [...run.map((k) => at(k, 1)), ...run.reverse().map((k) => at(k, 0))];
}

/** The underside of the peak, facing down: lamps in it light the face. */
function peak({ peakMm, wallMm }: HelmetParams, rimMm: number, oval: Oval): Panel {
  return {
    ...platePanel({
      id: 'peak',
      name: 'peak, from below',
      origin: { x: 0, y: 0, z: wallMm },
      across: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: -1, z: 0 },
      outline: peakOutline(rimMm, oval, peakMm),
      cuts: [],
    }),
    existing: { wallMm, behindMm: ABOVE_MM },
    // It stands out over the face, so that how far it is from the head says nothing about fit.
    loose: true,
  };
}

const sits = ({ upMm, aheadMm }: HelmetParams, body: Body): Vec3 => {
  const head = headForm(body);
  return { x: 0, y: head.middle.y + aheadMm, z: head.eyeZ + upMm };
};

const movedBy = (panel: Panel, { x, y, z }: Vec3): Panel => {
  const to = (p: Vec3): Vec3 => ({ x: p.x + x, y: p.y + y, z: p.z + z });
  return {
    ...panel,
    grid: panel.grid.map((row) => row.map(to)),
    ...(panel.plate && { plate: { ...panel.plate, origin: to(panel.plate.origin) } }),
  };
};

function design(input: FormInput<HelmetParams>): Design {
  const { params, body, underLayerMm } = input;
  const { girths, wallMm, massG, longerPct, peakMm } = params;
  const oval = ovalOf(longerPct / 100);
  const profile = roundProfile(girths);
  const [rim, crown] = [firstOf(profile), lastOf(profile)];
  const stands = sits(params, body);
  const at = { ...stands, z: stands.z - rim.zMm };
  const rimMm = rim.acrossMm / 2;
  const rimTop = ringAt(profile, rim.zMm + BAND_MM);
  /** Off the head all round where it is widest, which is where the rim sits. */
  const gapMm = rimMm - wallMm - body.headGirth.valueMm / (2 * Math.PI) - underLayerMm;
  const panels = [
    ...roundWalls(girths, wallMm, { top: true, foot: false }, oval),
    ...innerBand(input, 'band-inside', 'inner band', [rim, rimTop], wallMm, oval),
    ...(peakMm > 0 ? [movedBy(peak(params, rimMm, oval), { x: 0, y: 0, z: rim.zMm })] : []),
  ];
  const highMm = crown.zMm - rim.zMm;
  return {
    panels: asDescribed(panels, params).map((p) => movedBy(p, at)),
    joins: [],
    roomMm: 0,
    padded: true,
    ballast: [{ what: 'the thing itself', massG, at: { ...stands, z: stands.z + highMm / 2 } }],
    measures: ['headGirth', 'headBreadth', 'headLength', 'headHeight', 'eyeDepth'],
    fastenings: [strapOver(body.headGirth.valueMm * 0.55, 'under the chin')],
    anchors: [
      {
        id: 'crown',
        name: 'crown',
        at: { ...stands, z: stands.z + highMm },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
      },
    ],
    work: workOf(params),
    bought: boughtOf(params),
    figures: [
      { key: 'wide', label: 'wide outside', value: 2 * rimMm * oval.x, unit: 'mm', decimals: 0 },
      { key: 'long', label: 'long outside', value: 2 * rimMm * oval.y + peakMm, unit: 'mm', decimals: 0 },
      { key: 'high', label: 'high outside', value: highMm, unit: 'mm', decimals: 0 },
    ],
    checks: [...openingChecks(params), ...levelChecks(girths), ...loosenessChecks(input, gapMm, 'the head')],
  };
}

/** A bought helmet or hat, described by its girths and worn as it is. */
export const donorHelmet = defineForm<HelmetParams>({
  kind: 'donor-helmet',
  label: 'Bought helmet, refitted',
  summary: 'A hard hat, cap or toy helmet by its girths, worn: drilled, lit under its peak, covered in foam.',
  zones: ['head'],
  fields,
  developable: true,
  sheets: 'existing',
  defaults: (body) => ({
    // The size that would be bought for the head.
    girths: [
      [0, 760],
      [60, 730],
      [110, 600],
      [145, 330],
    ].map(([zMm, girthMm]) => ({
      zMm: Math.round((zMm! * body.headGirth.valueMm) / HEAD_MM),
      girthMm: Math.round((girthMm! * body.headGirth.valueMm) / HEAD_MM),
    })),
    longerPct: 22,
    peakMm: 45,
    upMm: 35,
    aheadMm: 0,
    ...bandDefaults,
    ...caseDefaults,
    material: 'soft',
    massG: 350,
    opens: 'open',
    lid: 'front',
    hingeAt: 'top',
    power: 'none',
    guards: 'yes',
  }),
  design,
  silhouette: ({ girths, peakMm }) => {
    const profile = roundProfile(girths);
    const half = profile.map((p): Vec2 => ({ x: p.acrossMm / 2, y: p.zMm }));
    return [
      ...(peakMm > 0 ? [{ x: firstOf(half).x + peakMm, y: firstOf(half).y }] : []),
      ...half,
      ...[...half].reverse().map((p) => ({ x: -p.x, y: p.y })),
    ];
  },
});

import { type Body, earOf, headForm } from '../../body';
import { choice, length, type ParamsOf, setting } from '../../document';
import { boxPanels, gridOf, type Panel } from '../../panel';
import { trimNumber } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';

const fields = [
  length('widthMm', 'Width', [30, 160], 'Front to back.'),
  length('heightMm', 'Height', [30, 180], 'Top to bottom.'),
  length('deepMm', 'Depth', [12, 120], 'Out from the head.'),
  length('insideMm', 'Room inside', [6, 100], 'What must fit in; depth grows to suit the foam.', 'Room', {
    gives: [{ need: 'room', by: 1 }],
  }),
  choice(
    'hookOf',
    'Hook of',
    [
      ['foam', 'a strip of foam'],
      ['wire', 'soft wire in a sleeve'],
    ],
    'What goes over the ear.',
  ),
] as const;

type PodParams = ParamsOf<typeof fields>;

/** What one ear carries before it hurts, grams; from memory. */
const EAR_G = 40;

/** The root of an ear is so wide from front to back, half of it as a share of the ear’s length (as `earOf` has it). */
const EAR_ROOT = 0.27;

/** An ear pressed flat stands so far off the head, mm; from memory. */
const EAR_FLAT_MM = 7;

/** The wire goes so far along the wall it is glued to, and curls so far below the ear, mm; from memory. */
const WIRE_MM = { in: 20, curl: 10 };
/** Ears differ, and hair and glasses take their part: sizes to try, mm of ear length. */
const TRIES_MM = [-5, 0, 5];
/** Aluminium wire 2 mm thick in a sleeve, grams a metre, price a metre; from memory. */
const WIRE = { gPerM: 8.5, sleeveGPerM: 6, pricePerM: 1.5 };

/** The wire over an ear so long: along the wall, half round the root of the ear, down behind it, and a curl. */
export const hookWireMm = (earLengthMm: number): number =>
  WIRE_MM.in + Math.PI * EAR_ROOT * earLengthMm + earLengthMm / 2 + WIRE_MM.curl;

/** The wire, and the three sizes of it that are bent along one strip of card and tried on. */
function wireHook({ earLength }: Body): Pick<Design, 'bought' | 'work'> {
  const sizes = TRIES_MM.map((by) => hookWireMm(earLength.valueMm + by));
  const longest = Math.max(...sizes);
  return {
    bought: [
      {
        what: 'aluminium wire, 2 mm, in a soft sleeve',
        unit: 'metres',
        count: Math.ceil(longest / 100) / 10,
        each: WIRE.pricePerM,
        massG: ((WIRE.gPerM + WIRE.sleeveGPerM) * hookWireMm(earLength.valueMm)) / 1000,
        provenance: 'memory',
      },
    ],
    work: [
      {
        step: 'hook',
        when: 'flat',
        verb: 'bend',
        what: 'the hook for the ear',
        count: 1,
        eachMin: 15,
        detail: `Three sizes on one strip of card: ${sizes.map((mm) => `${Math.round(mm)} mm`).join(', ')} of wire, bent round a ${Math.round(2 * EAR_ROOT * earLength.valueMm)} mm tube. Try each behind the ear for ten minutes with the weight it will carry; keep the one that is forgotten. File the ends round, curl them, pull the sleeve over.`,
        cautions: ['wear'],
        waitMin: 0,
      },
    ],
  };
}

/** A box over the ear: a face and four walls, its inside as asked, and a hook over the ear. */
function design({ params, body, foam, underLayerMm, liningMm }: FormInput<PodParams>): Design {
  const t = foam.thicknessMm.value;
  const ear = earOf(headForm(body), 1);
  // It stands on the side of the head, round the ear.
  const base = { ...ear.at, x: ear.at.x + EAR_FLAT_MM + underLayerMm };
  const inside = params.insideMm + liningMm;
  const deep = Math.max(params.deepMm, inside + 2 * t);
  // Grids lie on inner faces: the face's own foam stands outside of them.
  const box = boxPanels({
    id: '',
    name: '',
    base,
    across: { x: 0, y: 1, z: 0 },
    up: { x: 0, y: 0, z: 1 },
    widthMm: params.widthMm,
    heightMm: params.heightMm,
    deepMm: deep - t,
  });
  const hook: Panel = {
    id: 'hook',
    name: 'hook, over the ear',
    grid: gridOf(2, 2, (u, v) => ({
      x: base.x,
      y: base.y - params.widthMm / 2 - 30 + 14 * u,
      z: base.z - params.heightMm / 2 + (params.heightMm * 1.15 + 60) * v,
    })),
    edges: { bottom: 'end behind the ear', right: 'side', top: 'end on the pod', left: 'side' },
    attached: { top: { by: 'glue', words: 'glued inside the front wall' } },
    loose: true,
  };
  const area = params.widthMm * params.heightMm + 2 * deep * (params.widthMm + params.heightMm);
  const massG = area * t * foam.densityKgM3.value * 1e-6;
  const smaller = (share: number) => ({
    widthMm: Math.max(30, Math.round(params.widthMm * share)),
    heightMm: Math.max(30, Math.round(params.heightMm * share)),
  });
  return {
    panels: params.hookOf === 'foam' ? [...box.panels, hook] : box.panels,
    ...(params.hookOf === 'wire' && wireHook(body)),
    joins: box.joins,
    rooms: [box.room],
    measures: ['headBreadth'],
    roomMm: params.insideMm,
    figures: [
      { key: 'deep', label: 'deep outside', value: deep, unit: 'mm', decimals: 0 },
      { key: 'empty', label: 'foam alone', value: massG, unit: 'g', decimals: 0 },
    ],
    checks:
      massG > EAR_G
        ? [
            {
              id: 'droop',
              severity: 'mind',
              station: 'shape',
              title: `${trimNumber(massG, 0)} g on one ear; over ${EAR_G} g it droops and hurts.`,
              why: 'An ear carries about as much as a heavy pair of glasses.',
              provenance: 'memory',
              excess: massG - EAR_G,
              remedies: [
                setting('Make it smaller', smaller(0.8)),
                setting(`${Math.max(12, Math.round(params.deepMm * 0.7))} mm deep`, {
                  deepMm: Math.max(12, Math.round(params.deepMm * 0.7)),
                }),
              ],
            },
          ]
        : [],
  };
}

export const earPod = defineForm<PodParams>({
  kind: 'ear-pod',
  label: 'Ear pod',
  zones: ['ear'],
  summary: 'A box shell hung on the ear, sized from what is inside.',
  fields,
  defaults: () => ({ widthMm: 70, heightMm: 90, deepMm: 34, insideMm: 20, hookOf: 'foam' }),
  design,
  silhouette: ({ widthMm, heightMm }) => [
    { x: -widthMm / 2, y: -heightMm / 2 },
    { x: widthMm / 2, y: -heightMm / 2 },
    { x: widthMm / 2, y: heightMm / 2 },
    { x: -widthMm / 2, y: heightMm / 2 },
  ],
});

import { type Check, choice, count, length, type ParamsOf } from '../../document';
import { trimNumber, firstOf } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { ellipse } from '../held/outlines';
import { endPlate } from '../held/endPlate';
import { frusta, type Turn } from '../held/revolved';
import { silhouetteOf } from '../held/silhouette';

const fields = [
  length('handleMm', 'Handle', [40, 300], 'From the foot to where the shaft begins.', 'Handle'),
  length('handleAcrossMm', 'Handle, across', [12, 80], 'Outside.', 'Handle', {
    gives: [{ need: 'room', by: 1 }],
  }),
  length('shaftMm', 'Shaft', [40, 1200], 'From the handle to the tip.', 'Shaft'),
  length('buttAcrossMm', 'Shaft, at the handle', [8, 80], 'Outside.', 'Shaft', {
    gives: [{ need: 'room', by: 1 }],
  }),
  length('tipAcrossMm', 'Shaft, at the tip', [6, 60], 'Outside.', 'Shaft', {
    gives: [{ need: 'room', by: 1 }],
  }),
  choice(
    'tip',
    'Its tip',
    [
      ['open', 'is open'],
      ['plate', 'is closed by a plate, for a lamp'],
    ],
    'A lamp at the tip stands in a plate.',
    'Shaft',
  ),
  count('bands', 'Sleeves', [1, 8], 'Tapered sleeves the shaft is rolled from.', 'Shaft'),
] as const;

export type WandParams = ParamsOf<typeof fields>;

/** A 5 mm lamp with its wires goes through no less; from memory. */
const WIRES_MM = 7;
/** Coin cells of 20 mm in a holder want this across; from memory. */
const COIN_MM = 24;

/** The collar that closes the handle stands between it and the shaft. */
function profilesOf(params: WandParams, collarMm: number): { handle: Turn[]; shaft: Turn[] } {
  const { handleMm, handleAcrossMm, shaftMm, buttAcrossMm, tipAcrossMm, bands } = params;
  return {
    handle: [
      { zMm: 0, acrossMm: handleAcrossMm },
      { zMm: handleMm, acrossMm: handleAcrossMm },
    ],
    shaft: Array.from({ length: bands + 1 }, (_, i) => ({
      zMm: handleMm + collarMm + (i / bands) * shaftMm,
      acrossMm: buttAcrossMm + (i / bands) * (tipAcrossMm - buttAcrossMm),
    })),
  };
}

function design(input: FormInput<WandParams>): Design {
  const { params, foam } = input;
  const t = foam.thicknessMm.value;
  const { handle, shaft } = profilesOf(params, t);
  const [grip, sleeves] = [frusta(input, handle, 'handle'), frusta(input, shaft, 'sleeve')];
  const hollowMm = params.handleAcrossMm - 2 * t;
  const wayMm = Math.min(params.tipAcrossMm, params.buttAcrossMm) - 2 * t;
  const end = params.handleMm + t + params.shaftMm;
  // The wider of the two rests on it; the way for the wires goes through.
  const collarAcross = Math.max(params.handleAcrossMm, params.buttAcrossMm);
  const collar = endPlate(input, 'collar', 'collar', params.handleMm, collarAcross, 0);
  const throughMm = Math.max(2, Math.min(params.buttAcrossMm, params.handleAcrossMm) - 2 * t);
  const checks: Check[] = [];
  if (wayMm < WIRES_MM)
    checks.push({
      id: 'wand-way',
      severity: 'mind',
      station: 'shape',
      title: `the shaft is hollow by ${trimNumber(Math.max(0, wayMm), 1)} mm; a lamp and its wires want ${WIRES_MM} mm.`,
      why: 'A sleeve is rolled round what lies in it; thinner foam or a wider tip leaves a way for the wires.',
      provenance: 'memory',
      excess: WIRES_MM - wayMm,
      remedies: [{ need: 'room', mm: WIRES_MM - wayMm }],
    });
  return {
    panels: [
      ...grip.panels,
      ...sleeves.panels,
      endPlate(input, 'butt', 'butt cap', -t, params.handleAcrossMm, 0),
      ...(params.tip === 'plate' ? [endPlate(input, 'tip', 'tip', end, params.tipAcrossMm, 0)] : []),
      {
        ...collar,
        plate: {
          ...collar.plate!,
          cuts: [
            ...collar.plate!.cuts,
            {
              id: 'way',
              name: `hole ${trimNumber(throughMm, 1)} mm`,
              outline: ellipse({ x: 0, y: 0 }, throughMm / 2),
            },
          ],
        },
      },
    ],
    joins: [...grip.joins, ...sleeves.joins],
    roomMm: 0,
    heldAt: { x: 0, y: 0, z: params.handleMm / 2 },
    rooms: [
      boreRoom('handle', 'inside the handle', Math.max(2, hollowMm), { x: 0, y: 0, z: 0 }, params.handleMm),
      boreRoom(
        'shaft',
        'inside the shaft',
        Math.max(1, wayMm),
        { x: 0, y: 0, z: params.handleMm + t },
        params.shaftMm,
      ),
    ],
    anchors: [
      {
        id: 'tip',
        name: 'tip of the rod',
        at: { x: 0, y: 0, z: end },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
        along: { x: 0, y: 0, z: 1 },
      },
      {
        id: 'foot',
        name: 'butt of the rod',
        at: { x: 0, y: 0, z: -t },
        out: { x: 0, y: 0, z: -1 },
        up: { x: 0, y: 1, z: 0 },
        along: { x: 0, y: 0, z: -1 },
      },
    ],
    figures: [
      { key: 'long', label: 'long', value: end + t, unit: 'mm', decimals: 0 },
      {
        key: 'hollow',
        label: `hollow in the handle${hollowMm >= COIN_MM ? ', takes coin cells' : ''}`,
        value: Math.max(0, hollowMm),
        unit: 'mm',
        decimals: 1,
      },
      { key: 'way', label: 'way for wires', value: Math.max(0, wayMm), unit: 'mm', decimals: 1 },
    ],
    checks,
  };
}

export const wand = defineForm<WandParams>({
  kind: 'wand',
  label: 'Rod or wand',
  summary: 'A tapered hollow rod with a handle for cells and a way for a lamp at its tip.',
  zones: ['hand'],
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 2 }],
  defaults: () => ({
    handleMm: 120,
    handleAcrossMm: 32,
    shaftMm: 280,
    buttAcrossMm: 24,
    tipAcrossMm: 16,
    tip: 'open',
    bands: 1,
  }),
  design,
  silhouette: (params) => {
    const { handle, shaft } = profilesOf(params, 0);
    return silhouetteOf([...handle, { ...firstOf(shaft), zMm: params.handleMm + 0.1 }, ...shaft.slice(1)]);
  },
});

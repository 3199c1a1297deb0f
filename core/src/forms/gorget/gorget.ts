import { closureField, isOpen } from '../closureField';
import { levels, neckSection } from '../../body';
import { type Check, length, ownFoam, type ParamsOf, rows, setting } from '../../document';
import { parallelGirth } from '../../geometry';
import { closures } from '../../materials';
import { gridOf, type Join, onSlice, type Panel } from '../../panel';
import { trimNumber, itemAt, lastOf, firstOf } from '../../units';
import { defineForm, ownPly, type Design, type FormInput } from '../contract';

const fields = [
  rows(
    'tiers',
    'Tiers',
    [
      length('heightMm', 'Height', [8, 90], 'Lower to upper edge.', 'Size', {
        gives: [{ need: 'reach', by: -1 }],
      }),
      length('leanMm', 'Lean out', [-30, 50], 'How far its upper edge stands out beyond its lower.'),
      length('overlapMm', 'Overlap', [0, 60], 'How far it begins inside the tier below.'),
      ownFoam('foamMm', 'Foam'),
    ],
    [1, 6],
    (before) => ({ heightMm: 18, leanMm: 8, overlapMm: 4, foamMm: 0, ...before.at(-1) }),
    'tier',
    'Rings from the shoulders up, each inside the one below.',
  ),
  length(
    'stepMm',
    'Step',
    [0, 30],
    'Pads between one tier and the next inside it; 0 when they are glued face to face.',
  ),
  length('setBackMm', 'Set back', [-20, 40], 'How far the rings move back for each 60 mm up.'),
  length('roomMm', 'Room round the neck', [2, 80], 'Between neck and innermost tier.', 'Room', {
    gives: [
      { need: 'room', by: 1 },
      { need: 'girth', by: 2 * Math.PI },
    ],
  }),
  closureField('Back', 'A closed ring must pass the head.', {
    worded: (name) => `open, ${name}`,
    closed: 'closed ring',
  }),
  length('gapMm', 'Gap at the back', [0, 80], 'When the back is open.', 'Closure', { when: isOpen }),
] as const;

type GorgetParams = ParamsOf<typeof fields>;

/** Hair and hood over the head's girth; from memory. */
const HEAD_SPARE_MM = 10;
/** Room under the chin that turning the head wants; from memory. */
const CHIN_MM = 10;

/** The most tiers, up to three, that leave room to turn the head on a neck of this length, each at least a finger high. */
function tiersThatFit(neckMm: number): { tiers: number; tierMm: number } {
  const highMm = (tiers: number): number => Math.floor((neckMm + 3) / (0.8 * (tiers - 1) + 1));
  const tiers = [3, 2].find((n) => highMm(n) >= 16) ?? 1;
  return { tiers, tierMm: Math.min(90, Math.max(10, highMm(tiers))) };
}

/**
 * How far the lower edge of each tier stands out from the innermost of them. Where two lap, the upper tier's foam lies
 * within the lower one's inner face at both ends of the lap, both leaning; touching at one of them.
 */
function standOut(list: GorgetParams['tiers'], thickness: (i: number) => number, stepMm: number): number[] {
  const out = [0];
  for (let i = 1; i < list.length; i++) {
    const [below, tier] = [itemAt(list, i - 1), itemAt(list, i)];
    const atFoot = below.leanMm * (1 - tier.overlapMm / below.heightMm);
    const atRim = below.leanMm - tier.leanMm * (tier.overlapMm / tier.heightMm);
    // Leaning foam takes more room across than it is thick.
    const slope = Math.max(Math.abs(below.leanMm / below.heightMm), Math.abs(tier.leanMm / tier.heightMm));
    const across = (thickness(i) + stepMm) * Math.hypot(1, slope);
    out.push(itemAt(out, i - 1) + Math.min(atFoot, atRim) - across);
  }
  const innermost = Math.min(...out);
  return out.map((mm) => mm - innermost);
}

function design(input: FormInput<GorgetParams>): Design {
  const { params, body, underLayerMm, liningMm, own } = input;
  const at = levels(body);
  const closed = !isOpen(params);
  const { tiers: list } = params;
  const out = underLayerMm + liningMm + params.roomMm;
  const thickness = (i: number): number => own(itemAt(list, i).foamMm).foam.thicknessMm.value;
  const innerOut = standOut(list, thickness, params.stepMm).map((mm) => mm + out);
  /** Lower edge of a tier: each begins inside the one below. */
  const lowOf = (i: number): number =>
    list
      .slice(0, i)
      .reduce((sum, tier, k) => sum + tier.heightMm - itemAt(list, k + 1).overlapMm, at.neckBase - 15);
  const tiers = list.map((tier, i) => {
    const low = lowOf(i);
    const section = (z: number) => {
      const s = neckSection(body, z);
      return { ...s, x: 0, y: s.forwardMm - (params.setBackMm * (z - at.neckBase)) / 60, z };
    };
    const girth = 2 * Math.PI * Math.sqrt((section(low).a ** 2 + section(low).b ** 2) / 2);
    const half = closed ? 0 : ((params.gapMm / parallelGirth(girth, itemAt(innerOut, i))) * 360) / 2;
    const panel: Panel = {
      id: `tier-${i + 1}`,
      name: `tier ${i + 1}`,
      grid: gridOf(44, 3, (u, v) =>
        onSlice(
          section(low + tier.heightMm * v),
          270 + half + u * (360 - 2 * half),
          itemAt(innerOut, i) + tier.leanMm * v,
        ),
      ),
      edges: { bottom: 'lower edge', right: 'back edge', top: 'upper edge', left: 'back edge' },
      ...(i > 0 && {
        attached: {
          bottom: {
            by: 'glue' as const,
            words: `glued inside tier ${i}, lapped by ${trimNumber(tier.overlapMm)} mm${params.stepMm > 0 ? `, on pads ${trimNumber(params.stepMm)} mm thick` : ''}`,
            meets: { on: [`tier-${i}`], way: 'under' as const, apartMm: params.stepMm },
          },
        },
      }),
      ...ownPly(input, tier.foamMm),
    };
    const inside = parallelGirth(girth, itemAt(innerOut, i) - liningMm + Math.min(0, tier.leanMm));
    return { panel, inside };
  });
  const joins: Join[] = tiers.map(({ panel }) => ({
    a: [panel.id, 'right'],
    b: [panel.id, 'left'],
    kind: closures[params.closure].joint,
  }));
  const tightest = tiers.reduce((a, b) => (b.inside < a.inside ? b : a));
  const opening = tightest.inside;
  const need = body.headGirth.valueMm + HEAD_SPARE_MM;
  const checks: Check[] = [];
  if (closed && opening < need) {
    checks.push({
      id: 'head',
      severity: 'stop',
      station: 'shape',
      title: `the collar leaves a ${trimNumber(opening, 0)} mm opening at ${tightest.panel.name}; this head needs ${trimNumber(need, 0)} mm.`,
      why: 'A closed ring goes over the head with hair and hood; every tier inside another costs its thickness all round.',
      provenance: 'memory',
      excess: need - opening,
      remedies: [
        setting('Open the back seam', { closure: 'hook-and-loop', gapMm: Math.max(15, params.gapMm) }),
        { need: 'girth', mm: need - opening },
      ],
    });
  }
  const chinRoom = at.chin - (lowOf(list.length - 1) + lastOf(list).heightMm);
  if (chinRoom < CHIN_MM) {
    const tall = lowOf(list.length - 1) + lastOf(list).heightMm - lowOf(0);
    const share = Math.max(0, (tall - (CHIN_MM - chinRoom) - 1) / tall);
    const lower = list.map((tier) => ({
      ...tier,
      heightMm: Math.max(8, Math.floor(tier.heightMm * share)),
      overlapMm: Math.round(tier.overlapMm * share * 10) / 10,
    }));
    checks.push({
      id: 'chin',
      severity: chinRoom < -10 ? 'stop' : 'mind',
      station: 'shape',
      title: `the top tier ${chinRoom < 0 ? `stands ${trimNumber(-chinRoom, 0)} mm over the chin` : `leaves ${trimNumber(chinRoom, 0)} mm under the chin`}; turning the head wants ${CHIN_MM} mm.`,
      why: 'The jaw swings down and out as the head turns; never let a collar press on the throat.',
      provenance: 'memory',
      excess: CHIN_MM - chinRoom,
      remedies: [
        setting(`Tiers ${lower.map((tier) => tier.heightMm).join(', ')} mm high`, { tiers: lower }),
        ...(list.length > 1 ? [setting('One tier fewer', { tiers: list.slice(0, -1) })] : []),
      ],
    });
  }
  return {
    panels: tiers.map((t) => t.panel),
    joins,
    checks,
    closure: params.closure,
    measures: ['neckGirth', 'headGirth'],
    roomMm: params.roomMm,
    clearances: closed
      ? tiers.map(({ panel, inside }, i) => ({
          what: `the head through tier ${i + 1}`,
          openingMm: inside,
          needMm: need,
          at: {
            x: 0,
            y: firstOf(panel.grid).reduce((s, p) => s + p.y, 0) / firstOf(panel.grid).length,
            z: firstOf(itemAt(panel.grid, 1)).z,
          },
        }))
      : [],
    figures: [{ key: 'chin', label: 'room under the chin', value: chinRoom, unit: 'mm', decimals: 0 }],
  };
}

export const gorget = defineForm<GorgetParams>({
  kind: 'gorget',
  label: 'Gorget',
  zones: ['neck'],
  summary: 'A collar of any number of tiers, open or closed at the back.',
  fields,
  defaults: (body) => {
    const { tiers, tierMm } = tiersThatFit(levels(body).chin - levels(body).neckBase);
    return {
      tiers: Array.from({ length: tiers }, (_, i) => ({
        heightMm: tierMm,
        leanMm: 8,
        overlapMm: i === 0 ? 0 : Math.round(tierMm * 2) / 10,
        foamMm: 0,
      })),
      stepMm: 0,
      setBackMm: 6,
      roomMm: 18,
      closure: 'hook-and-loop',
      gapMm: 20,
    };
  },
  design,
  silhouette: ({ tiers }) => {
    const h = tiers.reduce((sum, t) => sum + t.heightMm * 0.8, 0);
    return [
      { x: -95, y: 0 },
      { x: 95, y: 0 },
      { x: 70, y: h },
      { x: -70, y: h },
    ];
  },
});

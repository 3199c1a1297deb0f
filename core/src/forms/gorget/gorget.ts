import { levels, neckSection } from '../../body/sections';
import { parallelGirth } from '../../geometry/ellipse';
import { trimNumber } from '../../units/length';
import type { FormCheck, FormInput, FormParams } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { choice, count, length, orSame, ownFoam } from '../draped/fields';
import { gridOf, onSlice } from '../draped/grids';
import type { Join, Panel } from '../draped/panel';

interface GorgetParams extends FormParams {
  tiers: number;
  tierMm: number;
  tierGrowMm: number;
  leanMm: number;
  leanGrowMm: number;
  stepMm: number;
  setBackMm: number;
  roomMm: number;
  back: string;
  gapMm: number;
  lowerFoam: number;
  upperFoam: number;
}

/** A tier lower than this is only a rim. */
const LEAST_TIER_MM = 8;

/** Hair and hood over the head's girth; from memory. */
const HEAD_SPARE_MM = 10;

/** The most tiers, up to three, that leave room to turn the head on a neck of this length, each at least a finger high. */
function tiersThatFit(neckMm: number): { tiers: number; tierMm: number } {
  const highMm = (tiers: number): number => Math.floor((neckMm + 3) / (0.8 * (tiers - 1) + 1));
  const tiers = [3, 2].find((n) => highMm(n) >= 16) ?? 1;
  return { tiers, tierMm: Math.min(90, Math.max(10, highMm(tiers))) };
}

function design({ params, body, underLayerMm, foam, sheetOf }: FormInput<GorgetParams>): Design {
  const at = levels(body);
  const closed = params.back === 'closed';
  const out = underLayerMm + params.roomMm;
  const tierFoam = (i: number): number => (i === params.tiers - 1 ? params.upperFoam : params.lowerFoam);
  const thickness = (i: number): number => sheetOf(tierFoam(i) || foam.nominalMm).thicknessMm.value;
  /** Each tier stands inside the one below it: the lower tier's thickness and the step come off. */
  const innerOut = (i: number): number =>
    out +
    Array.from({ length: params.tiers - 1 - i }, (_, k) => thickness(i + 1 + k) + params.stepMm).reduce(
      (a, b) => a + b,
      0,
    );
  const high = (i: number): number => Math.max(LEAST_TIER_MM, params.tierMm + i * params.tierGrowMm);
  /** Lower edge of a tier: each begins a fifth inside the one below. */
  const lowOf = (i: number): number =>
    Array.from({ length: i }, (_, k) => 0.8 * high(k)).reduce((a, b) => a + b, at.neckBase - 15);
  const tiers = Array.from({ length: params.tiers }, (_, i) => {
    const low = lowOf(i);
    const leanMm = params.leanMm + i * params.leanGrowMm;
    const section = (z: number) => {
      const s = neckSection(body, z);
      return { ...s, x: 0, y: s.forwardMm - (params.setBackMm * (z - at.neckBase)) / 60, z };
    };
    const girth = 2 * Math.PI * Math.sqrt((section(low).a ** 2 + section(low).b ** 2) / 2);
    const half = closed ? 0 : ((params.gapMm / parallelGirth(girth, innerOut(i))) * 360) / 2;
    const panel: Panel = {
      id: `tier-${i + 1}`,
      name: `tier ${i + 1}`,
      grid: gridOf(44, 3, (u, v) =>
        onSlice(section(low + high(i) * v), 270 + half + u * (360 - 2 * half), innerOut(i) + leanMm * v),
      ),
      edges: { bottom: 'lower edge', right: 'back edge', top: 'upper edge', left: 'back edge' },
      ...(i > 0 && { hung: { bottom: `glued inside tier ${i}, lapped by a fifth` } }),
      ...orSame(tierFoam(i)),
    };
    const inside = parallelGirth(
      2 * Math.PI * Math.sqrt((section(low).a ** 2 + section(low).b ** 2) / 2),
      innerOut(i) + Math.min(0, leanMm),
    );
    return { panel, inside };
  });
  const joins: Join[] = tiers.map(({ panel }) => ({
    a: [panel.id, 'right'],
    b: [panel.id, 'left'],
    kind: closed ? 'seam' : 'closure',
  }));
  const tightest = tiers.reduce((a, b) => (b.inside < a.inside ? b : a));
  const opening = tightest.inside;
  const need = body.headGirth.valueMm + HEAD_SPARE_MM;
  const checks: FormCheck[] = [];
  if (closed && opening < need) {
    const more = Math.ceil((need - opening) / (2 * Math.PI));
    checks.push({
      id: 'head',
      severity: 'stop',
      title: `the collar leaves a ${trimNumber(opening, 0)} mm opening at ${tightest.panel.name}; this head needs ${trimNumber(need, 0)} mm.`,
      why: 'A closed ring goes over the head with hair and hood; every tier inside another costs its thickness all round.',
      sure: 'memory',
      cures: [
        { label: 'Open the back seam', set: { back: 'open', gapMm: Math.max(15, params.gapMm) } },
        ...(params.roomMm + more <= 80
          ? [
              {
                label: `${params.roomMm + more} mm round the neck (+${trimNumber(need - opening, 0)} mm)`,
                set: { roomMm: params.roomMm + more },
              },
            ]
          : []),
      ],
    });
  }
  const chinRoom = at.chin - (lowOf(params.tiers - 1) + high(params.tiers - 1));
  if (chinRoom < 10) {
    checks.push({
      id: 'chin',
      severity: chinRoom < -10 ? 'stop' : 'mind',
      title: `the top tier ${chinRoom < 0 ? `stands ${trimNumber(-chinRoom, 0)} mm over the chin` : `leaves ${trimNumber(chinRoom, 0)} mm under the chin`}; turning the head wants 10 mm.`,
      why: 'The jaw swings down and out as the head turns; never let a collar press on the throat.',
      sure: 'memory',
      cures: [
        {
          label: `Tiers ${Math.max(10, Math.floor(params.tierMm + (chinRoom - 12) / (0.8 * (params.tiers - 1) + 1)))} mm high`,
          set: {
            tierMm: Math.max(
              20,
              Math.floor(params.tierMm + (chinRoom - 12) / (0.8 * (params.tiers - 1) + 1)),
            ),
          },
        },
      ],
    });
  }
  return {
    panels: tiers.map((t) => t.panel),
    joins,
    checks,
    roomMm: params.roomMm,
    rings: closed
      ? tiers.map(({ panel, inside }, i) => ({
          name: `the head through tier ${i + 1}`,
          openingMm: inside,
          needMm: need,
          centre: {
            x: 0,
            y: panel.grid[0]!.reduce((s, p) => s + p.y, 0) / panel.grid[0]!.length,
            z: panel.grid[1]![0]!.z,
          },
        }))
      : [],
    figures: [
      { label: 'collar opening', value: opening, unit: 'mm', decimals: 0 },
      { label: 'head needs', value: need, unit: 'mm', decimals: 0 },
      { label: 'room under the chin', value: chinRoom, unit: 'mm', decimals: 0 },
    ],
  };
}

export const gorget = drapedKind<GorgetParams>({
  kind: 'gorget',
  label: 'Gorget',
  zone: 'neck',
  summary: 'A collar of any number of tiers, open or closed at the back.',
  fields: [
    count('tiers', 'Tiers', [1, 6], 'Rings from the shoulders up.'),
    length('tierMm', 'Tier height', [10, 90], 'Each ring, lower to upper edge.'),
    {
      ...length<GorgetParams>(
        'tierGrowMm',
        'Each next higher by',
        [-25, 25],
        'Adds up from tier to tier; negative makes them lower.',
      ),
      absent: 0,
    },
    length('leanMm', 'Lean out', [-30, 50], 'How far the upper edge of a tier stands out beyond its lower.'),
    {
      ...length<GorgetParams>(
        'leanGrowMm',
        'Each next leans by',
        [-25, 25],
        'Added to the lean from tier to tier.',
      ),
      absent: 0,
    },
    length('stepMm', 'Step', [0, 30], 'Gap between one tier and the next inside it.'),
    length('setBackMm', 'Set back', [-20, 40], 'How far the rings move back for each 60 mm up.'),
    length('roomMm', 'Room round the neck', [2, 80], 'Between neck and innermost tier.', 'Room'),
    choice(
      'back',
      'Back',
      [
        ['open', 'open, strapped'],
        ['closed', 'closed ring'],
      ],
      'A closed ring must pass the head.',
      'Closure',
    ),
    length('gapMm', 'Gap at the back', [0, 80], 'When the back is open.', 'Closure'),
    ownFoam('lowerFoam', 'Lower tiers'),
    ownFoam('upperFoam', 'Top tier'),
  ],
  defaults: (body) => ({
    ...tiersThatFit(levels(body).chin - levels(body).neckBase),
    tierGrowMm: 0,
    leanMm: 8,
    leanGrowMm: 0,
    stepMm: 4,
    setBackMm: 6,
    roomMm: 18,
    back: 'open',
    gapMm: 20,
    lowerFoam: 0,
    upperFoam: 0,
  }),
  design,
  grips: [
    { key: 'tierMm', label: 'Tier height', panel: 'tier-1', at: [0.5, 1] },
    { key: 'leanMm', label: 'Lean out', panel: 'tier-1', at: [0.75, 1] },
    { key: 'setBackMm', label: 'Set back', panel: 'tier-2', at: [0.5, 1] },
  ],
  silhouette: ({ tiers, tierMm }) => {
    const h = tiers * tierMm * 0.8;
    return [
      { x: -95, y: 0 },
      { x: 95, y: 0 },
      { x: 70, y: h },
      { x: -70, y: h },
    ];
  },
});

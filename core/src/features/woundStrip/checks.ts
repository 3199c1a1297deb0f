import type { Check, Proposal } from '../../document';
import { litFace } from '../../light';
import { SEEN_SHARE } from '../../materials';
import { counted, trimNumber } from '../../units';
import { featurePath, type LaidPart } from '../contract';
import type { Footing } from '../laying/device';
import { stripOf } from '../laying/stripParts';
import { diffuserOf } from '../lightBox/box';
import { SLEEVE_MM, type WoundParams } from './fields';
import {
  evennessOf,
  furtherMm,
  glowOver,
  hidesLamps,
  layersOut,
  ROUND_CELLS,
  roundFace,
  type WallGlow,
} from './glow';
import { leastSleeveMm } from './wound';

/** A strip is not bent round less than this; from memory. */
const LEAST_CORE_MM = 12;

const [LEAST_SLEEVE_MM, MOST_SLEEVE_MM] = SLEEVE_MM;
/** A wall that lets too little through is made thinner by so much, or by several of it. */
const THINNER_MM = 2;

const base = { station: 'inside', provenance: 'memory' } as const;

/** A detail, what lies in its room, and how the walls of that glow. */
export interface Looked {
  on: LaidPart;
  id: string;
  name: string;
  params: WoundParams;
  footing: Footing;
  glows: readonly WallGlow[];
}

/** A change of the detail’s own values. */
const set = ({ on, id }: Looked, label: string, changes: Partial<WoundParams>): Proposal => ({
  label,
  changes: Object.entries(changes).map(([key, value]) => ({
    path: featurePath(on, { id }, 'params', key),
    value,
  })),
});

/** How even a strip of other values would glow where it lies. */
const evenWith = ({ footing, params }: Looked, changes: Partial<WoundParams>): number => {
  const next = { ...params, ...changes };
  return (
    evennessOf(glowOver(footing, next)) ??
    (next.through === 'sleeve' ? litFace(roundFace(next, next.sleeveMm), ROUND_CELLS).evenness : 0)
  );
};

/** Ways to a more even glow: turns closer together, a thinner core, more rows, or a layer more. */
function evener(looked: Looked): Proposal[] {
  const { params } = looked;
  const tried = (label: string, changes: Partial<WoundParams>): Proposal[] =>
    evenWith(looked, changes) >= params.evenPct / 100 ? [set(looked, label, changes)] : [];
  const layers =
    params.through === 'sleeve' && params.layers < 4
      ? tried(`${counted(params.layers + 1, 'layer')} of diffuser`, { layers: params.layers + 1 })
      : [];
  if (params.way === 'along') {
    const most = Math.min(20, Math.floor(params.wideMm / stripOf(params.type).widthMm));
    return [
      ...(params.rows < most ? tried(`${params.rows + 1} rows a face`, { rows: params.rows + 1 }) : []),
      ...layers,
    ];
  }
  return [
    ...[0.75, 0.5, 0.35]
      .map((f) => Math.max(10, Math.round(params.pitchMm * f)))
      .filter((mm) => mm < params.pitchMm)
      .flatMap((pitchMm) => tried(`Turns ${pitchMm} mm apart`, { pitchMm }))
      .slice(0, 1),
    ...(params.coreMm > 16 ? tried('A core of 16 mm', { coreMm: 16 }) : []),
    ...layers,
  ];
}

/** The wall that is least even, and how much further off the lamps it would have to stand. */
function farther({ params, glows }: Looked): { name: string; haveMm: number; mm: number } | undefined {
  if (params.through === 'sleeve') return undefined;
  const [worst] = glows.filter((g) => g.passed[1] > 0).sort((a, b) => a.evenness - b.evenness);
  const mm = worst && furtherMm(params, worst);
  return worst && mm ? { name: worst.wall.name, haveMm: worst.standOffMm, mm } : undefined;
}

/** A sleeve as wide as the tube takes. */
function sleeved(looked: Looked, { standOffMm }: WallGlow): Proposal[] {
  const { params } = looked;
  const sleeveMm = Math.floor(2 * standOffMm - 2 * params.layers * diffuserOf(params.diffuser).thicknessMm);
  return sleeveMm < Math.max(LEAST_SLEEVE_MM, leastSleeveMm(params))
    ? []
    : [
        set(looked, `A sleeve ${sleeveMm} mm inside`, {
          through: 'sleeve',
          sleeveMm: Math.min(MOST_SLEEVE_MM, sleeveMm),
        }),
      ];
}

function evenCheck(looked: Looked): Check[] {
  const { id, name, params } = looked;
  const evenness = evenWith(looked, {});
  const wanted = params.evenPct / 100;
  const known = params.through === 'sleeve' || looked.glows.some((g) => g.passed[1] > 0);
  if (!known || evenness >= wanted) return [];
  const clear = looked.glows.find((g) => g.passed[1] > 0 && !hidesLamps(layersOut(params, g.worst)));
  if (clear)
    return [
      {
        ...base,
        id: `wound-even-${id}`,
        severity: 'mind',
        title: `every lamp of the ${name} is seen as itself through ${clear.wall.name}, ${params.evenPct} % even is wanted.`,
        why: 'A clear wall spreads nothing. A sleeve of diffuser in it hides the lamps, or an opal tube.',
        excess: wanted,
        remedies: sleeved(looked, clear),
      },
    ];
  const off = farther(looked);
  return [
    {
      ...base,
      id: `wound-even-${id}`,
      severity: 'mind',
      title: `${params.through === 'sleeve' ? `the sleeve round the ${name} glows` : `the walls round the ${name} glow`} unevenly: the darkest spot has ${trimNumber(evenness * 100, 0)} % of the mean, ${params.evenPct} % is wanted.`,
      why: off
        ? `${off.name} is ${trimNumber(off.haveMm, 0)} mm from the middle of the lamps; ${trimNumber(off.haveMm + off.mm, 0)} mm would do.`
        : 'Lamps show as spots until what they shine on stands about as far off as they stand apart.',
      excess: wanted - evenness,
      remedies: [...evener(looked), ...(off ? [{ need: 'standOff' as const, mm: off.mm }] : [])],
    },
  ];
}

const names = (glows: readonly WallGlow[]): string => glows.map((g) => g.wall.name).join(' and ');

/** What comes out of the walls that the lamps look at; that nothing does, or that it is not known. */
function outCheck(looked: Looked): Check[] {
  const { id, name, params, footing, glows } = looked;
  const sleeve = set(looked, 'A sleeve of diffuser round it', { through: 'sleeve' });
  if (glows.length === 0)
    return params.through === 'sleeve'
      ? []
      : [
          {
            ...base,
            id: `wound-out-${id}`,
            severity: 'mind',
            title: `what the light of the ${name} goes through is not known: ${footing.room.name} has no wall there that it could come out of.`,
            why: 'The wall of a tube and the layers round a hollow are known. Hold a lamp in it and see.',
            excess: 1,
            remedies: [sleeve],
          },
        ];
  const lit = glows.filter((g) => g.passed[1] > 0);
  if (lit.length === 0) {
    const one = glows.length === 1;
    const painted = params.through === 'walls' && params.coat === 'opaque' && glows.some((g) => g.worst.lets);
    return [
      {
        ...base,
        id: `wound-out-${id}`,
        severity: 'stop',
        title: `no light of the ${name} comes out: ${names(glows)} ${painted ? `${one ? 'is' : 'are'} painted over` : `${one ? 'lets' : 'let'} none through`}.`,
        why: painted
          ? 'Do not paint it where it is meant to glow, or give it one thin coat.'
          : 'Craft foam and pipe are opaque. White polyethylene and upholstery foam glow, and so do clear and opal tubes.',
        excess: 1,
        remedies: painted ? [set(looked, 'Do not paint it', { coat: 'bare' })] : [],
      },
    ];
  }
  const least = Math.min(...lit.map((g) => g.passed[0]));
  const most = Math.max(...lit.map((g) => g.passed[1]));
  const share = (of: number): string => trimNumber(of * 100, 0);
  const percent = share(least) === share(most) ? share(most) : `${share(least)} to ${share(most)}`;
  const thick = Math.max(...lit.map((g) => g.thickMm));
  return [
    {
      ...base,
      id: `wound-out-${id}`,
      severity: most < SEEN_SHARE ? 'mind' : 'note',
      title: `${percent} % of the light of the ${name} comes out of ${names(lit)}, at most ${trimNumber(thick)} mm thick.`,
      why: 'Cosine and inverse square from every lamp, then what the wall lets through and spreads, by its thickness. Hold a piece of it over a lamp before cutting.',
      excess: Math.max(1e-6, SEEN_SHARE - most),
      // A wider hollow has thinner walls.
      remedies: most < SEEN_SHARE ? [{ need: 'standOff', mm: THINNER_MM }] : [],
    },
  ];
}

/** Across the room where the strip lies, between the nearest of its walls; nothing where they are not known. */
function clearAcross({ room, flat }: Footing): number | undefined {
  const offs = (room.walls ?? []).flatMap((w) => w.at(flat.y)?.standOffMm ?? []);
  return offs.length > 0 ? 2 * Math.min(...offs) : undefined;
}

/** Rows wider than their core, bends too tight, and a strip that does not go in. */
function sizeChecks({ on, id, name, params, footing }: Looked, needMm: number): Check[] {
  const of = stripOf(params.type);
  const along = params.way === 'along';
  const change = (label: string, key: keyof WoundParams, value: number): Proposal => ({
    label,
    changes: [{ path: featurePath(on, { id }, 'params', key), value }],
  });
  const checks: Check[] = [];
  if (along && params.rows * of.widthMm > params.wideMm + 0.05)
    checks.push({
      ...base,
      id: `wound-wide-${id}`,
      severity: 'mind',
      title: `${counted(params.rows, 'row')} of strip are ${trimNumber(params.rows * of.widthMm)} mm wide, the core is ${trimNumber(params.wideMm)}.`,
      why: 'What stands over the edge bends and breaks.',
      excess: params.rows * of.widthMm - params.wideMm,
      // A core narrower than one strip is not helped by fewer rows.
      remedies:
        params.wideMm < of.widthMm
          ? []
          : [
              change(
                `Rows a face: ${Math.floor(params.wideMm / of.widthMm)}`,
                'rows',
                Math.floor(params.wideMm / of.widthMm),
              ),
            ],
    });
  if (!along && (params.coreMm < LEAST_CORE_MM || params.pitchMm < of.widthMm))
    checks.push({
      ...base,
      id: `wound-bend-${id}`,
      severity: 'mind',
      title:
        params.coreMm < LEAST_CORE_MM
          ? `a strip is wound round no less than ${LEAST_CORE_MM} mm; this core is ${trimNumber(params.coreMm)}.`
          : `turns ${trimNumber(params.pitchMm)} mm apart lie over each other: the strip is ${of.widthMm} mm wide.`,
      why: 'Its joints crack, and what is covered gives no light.',
      excess: 1,
      remedies: [
        params.coreMm < LEAST_CORE_MM
          ? change(`A core of ${LEAST_CORE_MM} mm`, 'coreMm', LEAST_CORE_MM)
          : change(`Turns ${of.widthMm + 2} mm apart`, 'pitchMm', of.widthMm + 2),
      ],
    });
  const clearMm = clearAcross(footing);
  const layersMm = params.layers * diffuserOf(params.diffuser).thicknessMm;
  const sleeveMm = params.sleeveMm + 2 * layersMm;
  if (params.through === 'sleeve' && clearMm !== undefined && sleeveMm > clearMm + 0.05) {
    const fitsMm = Math.floor(clearMm - 2 * layersMm);
    checks.push({
      ...base,
      id: `wound-sleeve-${id}`,
      severity: 'mind',
      title: `the sleeve is ${trimNumber(sleeveMm)} mm across outside, ${footing.room.name} ${trimNumber(clearMm)} mm.`,
      why: 'It does not go in.',
      provenance: 'standard',
      excess: sleeveMm - clearMm,
      remedies:
        fitsMm >= Math.max(LEAST_SLEEVE_MM, leastSleeveMm(params))
          ? [change(`Sleeve ${fitsMm} mm inside`, 'sleeveMm', fitsMm)]
          : [],
    });
  }
  const leastMm = leastSleeveMm(params);
  if (params.through === 'sleeve' && params.sleeveMm < leastMm - 0.05)
    checks.push({
      ...base,
      id: `wound-round-${id}`,
      severity: 'mind',
      title: `the sleeve is ${trimNumber(params.sleeveMm)} mm inside, the ${name} with its core ${trimNumber(leastMm)} mm across.`,
      why: 'It does not go round it.',
      provenance: 'standard',
      excess: leastMm - params.sleeveMm,
      remedies:
        leastMm <= MOST_SLEEVE_MM
          ? [change(`Sleeve ${Math.ceil(leastMm)} mm inside`, 'sleeveMm', Math.ceil(leastMm))]
          : [],
    });
  if (needMm > footing.depthMm + 0.05)
    checks.push({
      ...base,
      id: `wound-deep-${id}`,
      severity: 'mind',
      title: `the ${name} is ${trimNumber(needMm)} mm thick with its core, ${trimNumber(Math.max(0, footing.depthMm))} mm is there.`,
      why: 'It does not go in.',
      provenance: 'standard',
      excess: needMm - footing.depthMm,
      remedies: [{ need: 'room', mm: needMm - footing.depthMm }],
    });
  return checks;
}

/** All that is to be said of a strip on its core. */
export const woundChecks = (looked: Looked, needMm: number): Check[] => [
  ...outCheck(looked),
  ...evenCheck(looked),
  ...sizeChecks(looked, needMm),
];

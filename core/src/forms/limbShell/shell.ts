import { closureField, isOpen } from '../closureField';
import { type Limb, limbGirthMm, limbLengthMm, limbStations, type MeasureKey } from '../../body';
import { type Check, choice, length, setting } from '../../document';
import { sprungOpeningMm } from '../../foam';
import { parallelGirth } from '../../geometry';
import { type ClosureKind, closures } from '../../materials';
import { trimNumber } from '../../units';
import type { FormInput, OpeningClearance } from '../contract';

/** What every shell round a limb has. */
export interface ShellParams {
  startMm: number;
  endMm: number;
  easeMm: number;
  paddingMm: number;
  panels: 1 | 2;
  closure: ClosureKind;
  gapMm: number;
}

/** Which limb a shell is for, and what must pass it. */
export interface ShellLimb {
  limb: Limb;
  /** The measure that must pass, the factor for comfort, and what it is called. */
  pass: readonly [MeasureKey, number, string];
  measures: readonly MeasureKey[];
}

export const easeField = (most: number) =>
  length(
    'easeMm',
    'Ease in girth',
    [0, most],
    'Extra girth so the limb can work; 10–25 mm is usual.',
    'Room',
    {
      gives: [
        { need: 'girth', by: 1 },
        { need: 'room', by: 1 / (2 * Math.PI) },
      ],
    },
  );

export const paddingField = (most: number) =>
  length('paddingMm', 'Padding', [0, most], 'Foam or strap between clothing and shell.', 'Room', {
    gives: [
      { need: 'room', by: 1 },
      { need: 'girth', by: 2 * Math.PI },
    ],
  });

export const panelsField = (help: string) =>
  choice(
    'panels',
    'Pieces round',
    [
      [1, 'one piece'],
      [2, 'two pieces'],
    ],
    help,
    'Division',
    { gives: [{ need: 'split', by: 1 }] },
  );

export const shutWith = closureField(
  'Shut with',
  'A closed tube is glued edge to edge and must pass the end of the limb.',
  { closed: 'closed tube' },
);

export const gapField = (most: number) =>
  length('gapMm', 'Gap', [0, most], 'Width of the opening between the two edges when worn.', 'Closure', {
    when: isOpen,
  });

/** Distance from skin to the inner face: clothing, padding, lining, and the ease spread round the girth (Steiner). */
export const standOffMm = ({ params, underLayerMm, liningMm }: FormInput<ShellParams>): number =>
  underLayerMm + liningMm + params.paddingMm + params.easeMm / (2 * Math.PI);

/** Gap that stays open when worn. */
export const gapOf = (params: ShellParams): number => (isOpen(params) ? params.gapMm : 0);

/** The narrowest of the inside, lining counted, and what can pass it, sprung open if it is not closed. */
export function passageOf(
  input: FormInput<ShellParams>,
  { limb, pass: [key, factor, what] }: ShellLimb,
): OpeningClearance {
  const { params, body, foam, liningMm } = input;
  const span = params.endMm - params.startMm;
  const out = standOffMm(input) - liningMm;
  const inside = Math.min(
    ...[0, 0.5, 1].map((t) => parallelGirth(limbGirthMm(body, limb, params.startMm + span * t), out)),
  );
  const gapMm = gapOf(params);
  return {
    what,
    openingMm:
      gapMm === 0
        ? inside
        : sprungOpeningMm({
            insideGirthMm: inside,
            gapMm,
            thicknessMm: foam.thicknessMm.value,
            neutralFraction: foam.neutralFraction.value,
          }),
    needMm: body[key].valueMm * factor,
    at: { x: 0, y: 0, z: params.startMm + span / 2 },
  };
}

const up5 = (mm: number): number => Math.ceil(mm / 5) * 5;
const down5 = (mm: number): number => Math.floor(mm / 5) * 5;

/**
 * What can be wrong with any shell round a limb.
 * @param reachMm how far its upper edge stands from the narrow end, points counted; `cutMm` is scooped out of it.
 */
export function shellChecks(
  input: FormInput<ShellParams>,
  of: ShellLimb,
  clearance: OpeningClearance,
  reachMm: number,
  cutMm: number,
): Check[] {
  const { params, body } = input;
  const closed = !isOpen(params);
  const checks: Check[] = [];
  const short = clearance.needMm - clearance.openingMm;
  if (short > 0)
    checks.push({
      id: 'pass',
      severity: 'stop',
      station: 'shape',
      title: `${closed ? 'closed' : 'sprung'} opening ${trimNumber(clearance.openingMm, 0)} mm, ${clearance.what} needs ${trimNumber(clearance.needMm, 0)} mm.`,
      why: closed
        ? 'A closed shell is slipped on over the end of the limb, thumb tucked or toes pointed.'
        : 'Springing this foam further strains it past 5 %, and it cracks or creases.',
      provenance: 'memory',
      excess: short,
      remedies: [
        { need: 'girth', mm: short },
        ...(closed
          ? [setting('Open it: 25 mm gap, hook-and-loop', { closure: 'hook-and-loop', gapMm: 25 })]
          : []),
      ],
    });
  const closure = closures[params.closure];
  const nearest = Math.min(closure.maxGapMm, Math.max(closure.minGapMm, params.gapMm));
  if (!closed && nearest !== params.gapMm)
    checks.push({
      id: 'gap',
      severity: 'mind',
      station: 'shape',
      title: `a ${trimNumber(params.gapMm)} mm gap is too ${params.gapMm < nearest ? 'small' : 'wide'} for ${closure.name} (${closure.minGapMm}–${closure.maxGapMm} mm).`,
      why:
        params.gapMm < nearest
          ? 'The edges meet before the straps pull tight, so it cannot be adjusted.'
          : 'The strap bends into the gap and the edges gape.',
      provenance: closure.provenance,
      excess: Math.abs(params.gapMm - nearest),
      remedies: [setting(`Gap ${nearest} mm`, { gapMm: nearest })],
    });
  const limit = limbLengthMm(body, of.limb);
  if (reachMm > limit)
    checks.push({
      id: 'long',
      severity: 'stop',
      station: 'shape',
      title: `reaches ${trimNumber(reachMm, 0)} mm, the limb ends at ${trimNumber(limit, 0)} mm.`,
      why: 'A stiff shell cannot cross the joint.',
      provenance: 'practice',
      excess: reachMm - limit,
      remedies: [
        setting(`End at ${down5(limit - (reachMm - params.endMm) - 5)} mm`, {
          endMm: down5(limit - (reachMm - params.endMm) - 5),
        }),
      ],
    });
  const left = params.endMm - cutMm - params.startMm;
  if (left < LEAST_MM)
    checks.push({
      id: 'ends',
      severity: 'stop',
      station: 'shape',
      title: `only ${trimNumber(left, 0)} mm of foam is left between lower and upper edge; ${LEAST_MM} mm is the least.`,
      why: cutMm > 0 ? 'The cut-away eats the shell.' : 'So narrow a band is a strap.',
      provenance: 'practice',
      excess: LEAST_MM - left,
      remedies: [
        setting(`Upper edge at ${up5(params.startMm + cutMm + LEAST_MM)} mm`, {
          endMm: up5(params.startMm + cutMm + LEAST_MM),
        }),
        setting(`Lower edge at ${Math.max(0, down5(params.endMm - cutMm - LEAST_MM))} mm`, {
          startMm: Math.max(0, down5(params.endMm - cutMm - LEAST_MM)),
        }),
      ],
    });
  return checks;
}

/** Least height of a shell, mm; common practice, no source. */
const LEAST_MM = 30;

/** Largest shortfall of girth between the ends of a straight cone, at one of the tape readings it covers. */
export function bulgeCheck(
  input: FormInput<ShellParams>,
  { limb }: ShellLimb,
  insideLowMm: number,
  insideHighMm: number,
): Check[] {
  const { params, body } = input;
  const out = standOffMm(input);
  const worst = limbStations(body, limb)
    .filter((s) => s.atMm > params.startMm && s.atMm < params.endMm)
    .map(({ atMm, girthMm }) => {
      const share = (atMm - params.startMm) / (params.endMm - params.startMm);
      const available = insideLowMm + (insideHighMm - insideLowMm) * share;
      return { misfitMm: parallelGirth(girthMm, out) - available, atMm };
    })
    .reduce((a, b) => (b.misfitMm > a.misfitMm ? b : a), { misfitMm: 0, atMm: params.startMm });
  // The ease that is there gives way first.
  if (worst.misfitMm <= Math.max(4, params.easeMm * 0.75)) return [];
  const end = Math.floor(worst.atMm);
  return [
    {
      id: 'bulge',
      severity: worst.misfitMm > params.easeMm + 12 ? 'stop' : 'mind',
      station: 'shape',
      title: `${trimNumber(worst.misfitMm, 0)} mm of girth is missing ${trimNumber(worst.atMm, 0)} mm up from the narrow end.`,
      why: `The limb swells between the two ends by ${trimNumber((worst.misfitMm / insideLowMm) * 100, 1)} % more than a straight cone; ease of ${trimNumber(params.easeMm, 0)} mm must give way or the foam must be stretched there while hot.`,
      provenance: 'standard',
      excess: worst.misfitMm - params.easeMm * 0.75,
      remedies: [{ need: 'girth', mm: worst.misfitMm }, setting(`End at ${end} mm`, { endMm: end })],
    },
  ];
}

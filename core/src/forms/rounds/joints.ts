import type { Vec2 } from '../../geometry';
import type { Panel, PlateCut } from '../../panel';
import type { FormInput } from '../contract';
import { disc } from '../held/disc';
import { arc, ellipse } from '../held/outlines';
import { frusta, type Made } from '../held/revolved';

/** A section at a joint: a wall is hollow, a stack of discs or rings is not. */
export interface Side {
  /** Its letter. */
  name: string;
  wall: boolean;
  /** Outside, at the joint. */
  acrossMm: number;
  heightMm: number;
  input: Pick<FormInput<unknown>, 'foam' | 'ply'>;
}

export type JointKind = 'butt' | 'overhang' | 'groove' | 'lip' | 'loose';

/** A lip stands so far into either section, mm. */
const LIP_MM = 12;
/** A pair of magnets to this much of a loose joint's girth, mm, and no fewer than two; common practice, no source. */
const PAIR_MM = 120;
/** Magnets let into foam: across and deep, mm; a common size, from memory. */
const MAGNET = { acrossMm: 6, deepMm: 2 };
/** Rings that hold magnets are this wide, mm. */
const RING_MM = 16;
/** What is left hollow inside a lip or a ring, mm. */
const HOLLOW_MM = 8;
const SLIT_DEG = 1;

/** Pieces that make a joint, what is let into the sections it joins, and the words for it. */
export interface Joint {
  made: Made;
  /** Cuts in the topmost layer of the lower section and in the lowest of the upper one. */
  intoLower: PlateCut[];
  intoUpper: PlateCut[];
  magnetPairs: number;
  words: string;
}

const insideOf = ({ acrossMm, input }: Side): number => acrossMm - 2 * input.foam.thicknessMm.value;

const hungIn = (panel: Panel, words: string): Panel =>
  panel.plate
    ? { ...panel, plate: { ...panel.plate, rimAttached: { by: 'glue', words } } }
    : { ...panel, attached: { bottom: { by: 'glue', words } } };

/** Pockets for magnets on a circle, let in from a face. */
const pockets = (id: string, count: number, radiusMm: number, face: 'inner' | 'outer'): PlateCut[] =>
  Array.from({ length: count }, (_, i) => {
    const turn = (2 * Math.PI * i) / count;
    const at: Vec2 = { x: radiusMm * Math.cos(turn), y: radiusMm * Math.sin(turn) };
    return {
      id: `${id}-${i + 1}`,
      name: `magnet, ${MAGNET.acrossMm} mm`,
      outline: ellipse(at, MAGNET.acrossMm / 2, MAGNET.acrossMm / 2, 16),
      recess: { depthMm: MAGNET.deepMm, face },
    };
  });

/** A ring about the axis at a height, with pockets in one of its faces. */
function magnetRing(
  id: string,
  name: string,
  z: number,
  acrossMm: number,
  input: Side['input'],
  cuts: PlateCut[],
): Panel {
  const made = disc(id, name, z, acrossMm, acrossMm - 2 * RING_MM, input.ply);
  return { ...made, plate: { ...made.plate!, cuts: [...made.plate!.cuts, ...cuts] } };
}

const none: Omit<Joint, 'words'> = {
  made: { panels: [], joins: [] },
  intoLower: [],
  intoUpper: [],
  magnetPairs: 0,
};

/** A lip all round, half of it in either wall; glued in the lower one. */
function lipOf(z: number, lower: Side, upper: Side): Made | undefined {
  const across = Math.min(insideOf(lower), insideOf(upper));
  const t = lower.input.foam.thicknessMm.value;
  const deep = Math.min(LIP_MM, lower.heightMm / 2, upper.heightMm / 2);
  if (!lower.wall || !upper.wall || across - 2 * t < HOLLOW_MM || deep < 3) return undefined;
  const id = `lip-${lower.name}`;
  const { panels, joins } = frusta(
    lower.input,
    [
      { zMm: z - deep, acrossMm: across },
      { zMm: z + deep, acrossMm: across },
    ],
    id,
  );
  return {
    panels: panels.map((p) =>
      hungIn({ ...p, name: `lip of ${lower.name}` }, `glued inside ${lower.name}, half of it standing out`),
    ),
    joins,
  };
}

/** A groove all round for the foot of a wall, a slit left in it that the knife closes. */
const grooveFor = (id: string, acrossMm: number, wallMm: number, deepMm: number): PlateCut => {
  const [out, inn] = [acrossMm / 2, acrossMm / 2 - wallMm];
  return {
    id,
    name: 'groove all round',
    outline: [
      ...arc({ x: 0, y: 0 }, out, out, SLIT_DEG, 360 - SLIT_DEG, 48),
      ...arc({ x: 0, y: 0 }, inn, inn, SLIT_DEG, 360 - SLIT_DEG, 48).reverse(),
    ],
    recess: { depthMm: deepMm, face: 'outer' },
  };
};

/** What a joint between two sections at a height is made of. */
export function jointOf(kind: JointKind, z: number, lower: Side, upper: Side): Joint {
  const t = lower.input.foam.thicknessMm.value;
  switch (kind) {
    case 'butt':
      return { ...none, words: 'butt, both edges cut level' };
    case 'overhang':
      return { ...none, words: 'overhanging by half the foam, sanded round' };
    case 'groove': {
      const deep = t / 3;
      const wall = upper.input.foam.thicknessMm.value;
      if (lower.wall || !upper.wall || upper.acrossMm > lower.acrossMm - 4)
        return { ...none, words: 'butt: a groove wants a wider solid section below' };
      return {
        ...none,
        intoLower: [grooveFor(`groove-${upper.name}`, upper.acrossMm, wall, deep)],
        words: 'set in a groove a third of the foam deep',
      };
    }
    case 'lip': {
      const lip = lipOf(z, lower, upper);
      return lip
        ? { ...none, made: lip, words: 'over a lip glued inside' }
        : { ...none, words: 'butt: there is no room for a lip' };
    }
    case 'loose':
      return looseJoint(z, lower, upper);
  }
}

/** A joint that comes apart: magnets face to face, in rings or in the discs there are, and a lip that keeps light in. */
function looseJoint(z: number, lower: Side, upper: Side): Joint {
  const lip = lipOf(z, lower, upper);
  const t = lower.input.foam.thicknessMm.value;
  const lipMm = lip ? Math.min(LIP_MM, lower.heightMm / 2, upper.heightMm / 2) : 0;
  const meets = z + lipMm;
  const lowerAcross = lower.wall ? insideOf(lower) - (lip ? 2 * t : 0) : lower.acrossMm;
  const upperAcross = upper.wall ? insideOf(upper) : upper.acrossMm;
  const across = Math.min(lowerAcross, upperAcross);
  const radius = across / 2 - RING_MM / 2;
  if (radius < RING_MM / 2 + HOLLOW_MM / 2)
    return { ...none, words: 'loose: too narrow for magnets, held by its own weight' };
  const pairs = Math.max(2, Math.round((Math.PI * across) / PAIR_MM));
  const id = `magnets-${lower.name}`;
  const low = pockets(`${id}-low`, pairs, radius, 'outer');
  const high = pockets(`${id}-high`, pairs, radius, 'inner');
  const rings = [
    ...(lower.wall
      ? [
          hungIn(
            magnetRing(
              `${id}-lower`,
              `magnet ring of ${lower.name}`,
              meets - t,
              lowerAcross,
              lower.input,
              low,
            ),
            lip
              ? 'glued within the lip, flush with its edge'
              : `glued inside ${lower.name}, flush with its edge`,
          ),
        ]
      : []),
    ...(upper.wall
      ? [
          hungIn(
            magnetRing(`${id}-upper`, `magnet ring of ${upper.name}`, meets, upperAcross, upper.input, high),
            `glued inside ${upper.name}, where it meets the other`,
          ),
        ]
      : []),
  ];
  return {
    made: { panels: [...(lip?.panels ?? []), ...rings], joins: lip?.joins ?? [] },
    intoLower: lower.wall ? [] : low,
    intoUpper: upper.wall ? [] : high,
    magnetPairs: pairs,
    words: `loose: ${pairs} pairs of magnets face to face${lip ? `, and a lip ${LIP_MM} mm deep so that no light leaks` : ''}`,
  };
}

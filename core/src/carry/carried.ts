import { byId, lastOf, itemAt, newtonsOf } from '../units';
import { cross3, dist3, dot3, inertiaAbout, sub3, unit3, type Vec3 } from '../geometry';
import { type Catalogue, rodMatters, type Rod } from '../materials';
import { secondMomentMm4, sectionAreaMm2, sectionOf, sizeOf, type Section } from '../panel';
import { type PartReport, smallestBox } from '../parts';
import { assembliesOf, type Assembly } from './assembly';
import { hang, type Load } from './beam';
import { breakDown, type BreakDown, type Taken } from './breakDown';

/** Another stick in the same place. */
interface StickChoice {
  rodId: string;
  name: string;
  sagMm: number;
  hz: number;
  massG: number;
  price: number;
  chosen: boolean;
}

/** How one thing that is held handles, measured from the middle of the fist along its axis. */
export interface Carried {
  rootId: string;
  name: string;
  partIds: string[];
  massG: number;
  /** Towards the tip when positive. */
  balanceMm: number;
  /** Held level by one hand, N·m. */
  momentNm: number;
  /** About the fist, across the axis, kg·m². */
  swingKgM2: number;
  /** From end to end along the axis, and the smallest box of all of it together. */
  lengthMm: number;
  sidesMm: [number, number, number];
  /** Ends along the axis, and the fist, from the foot of the stick. */
  spanMm: [number, number];
  fistMm: number;
  /** The longest hard stick in one piece. */
  rigidMm: number;
  /** What brings it to the balance that is wanted: how much, at which end. */
  ballast?: { wantedMm: number; massG: number; end: 'foot' | 'tip'; armMm: number };
  stick?: { lengthMm: number; sagMm: number; hz: number; choices: StickChoice[] };
  /** Longest length once it is taken apart at its joints, and where it would be parted for a limit. */
  apartMm: number;
  split?: BreakDown;
}

const NOUGHT = 0.5;

/** The mass at one end that moves the balance to where it is wanted: m(b − w) = x(w − e). */
export function ballastFor(
  massG: number,
  balanceMm: number,
  wantedMm: number,
  ends: readonly [footMm: number, tipMm: number],
): { massG: number; end: 'foot' | 'tip'; armMm: number } | undefined {
  const end = balanceMm > wantedMm ? 'foot' : 'tip';
  const armMm = end === 'foot' ? ends[0] : ends[1];
  const lever = wantedMm - armMm;
  const need = (massG * (balanceMm - wantedMm)) / lever;
  return Math.abs(lever) < 1 || need <= 0 || !Number.isFinite(need) ? undefined : { massG: need, end, armMm };
}

/** A weight as two points along an axis that have its mass, middle and spread there. */
function pointsAlong({ weight }: Assembly['parts'][number], axis: Vec3, from: number): Load[] {
  const { massG, at, spread } = weight;
  const mean = dot3(at, axis) - from;
  const variance =
    spread.xx * axis.x ** 2 +
    spread.yy * axis.y ** 2 +
    spread.zz * axis.z ** 2 +
    2 * (spread.xy * axis.x * axis.y + spread.xz * axis.x * axis.z + spread.yz * axis.y * axis.z);
  const away = Math.sqrt(Math.max(0, variance) / Math.max(1e-9, massG));
  return [
    { atMm: mean - away, massG: massG / 2 },
    { atMm: mean + away, massG: massG / 2 },
  ];
}

function stickOf(all: Assembly, fist: number, tip: number, { rods }: Catalogue): Carried['stick'] {
  const stick = all.root.sticks[0];
  if (!stick || all.root.stickField === undefined) return undefined;
  const length = dist3(stick.from, stick.to);
  const reach = Math.max(dot3(stick.from, all.axis), dot3(stick.to, all.axis)) - fist;
  if (reach < NOUGHT) return undefined;
  const others = all.parts.filter((m) => m.part !== all.root);
  const rootRod = byId(rods, stick.rodId);
  const judge = (rod: Rod, section: Section): Omit<StickChoice, 'chosen'> => {
    const matter = rodMatters[rod.matter];
    const massG = sectionAreaMm2(section) * length * matter.densityKgM3.value * 1e-6;
    const even: Load[] = [0.5 - 1 / Math.sqrt(12), 0.5 + 1 / Math.sqrt(12)].map((s) => ({
      atMm: s * reach,
      massG: (massG * reach) / length / 2,
    }));
    const loads = [...even, ...others.flatMap((m) => pointsAlong(m, all.axis, fist))];
    const { sagMm, hz } = hang(loads, reach, tip - fist, matter.modulusMPa.value * secondMomentMm4(section));
    return {
      rodId: rod.id,
      name: rod.name,
      sagMm,
      hz,
      massG,
      price: (rod.price.value * length) / rod.stickMm,
    };
  };
  if (!rootRod) return undefined;
  const own = judge(rootRod, stick.section);
  const [across] = sizeOf(stick.section);
  const near = rods.filter(
    (r) => r.id !== rootRod.id && rodMatters[r.matter].rigid && r.acrossMm.value < Math.max(45, 1.6 * across),
  );
  const choices = [
    { ...own, chosen: true },
    ...near.map((rod) => ({ ...judge(rod, sectionOf(rod, rod.acrossMm.value)), chosen: false })),
  ].sort((a, b) => a.sagMm - b.sagMm);
  return { lengthMm: reach, sagMm: own.sagMm, hz: own.hz, choices };
}

/** Ends of a stick from the fist: where ballast can be put in it. */
function stickEnds({ sticks: [stick], heldAt }: PartReport, axis: Vec3): [number, number] | undefined {
  if (!stick || !heldAt) return undefined;
  const ends = [stick.from, stick.to].map((p) => dot3(sub3(p, heldAt), axis));
  return [Math.min(...ends), Math.max(...ends)];
}

/** Spans of a stick that are covered by something glued on it, from its foot. */
const takenBy = (all: Assembly): Taken[] =>
  all.parts.filter((m) => m.part !== all.root).map((m): Taken => [m.lowMm, m.highMm]);

/** Works out what is in a hand, remembering things none of whose parts has changed. */
export function createCarried(): (
  parts: readonly PartReport[],
  catalogue: Catalogue,
  limitMm: number,
  coarse?: boolean,
) => Carried[] {
  const known = new Map<string, { parts: PartReport[]; limitMm: number; carried: Carried }>();
  return (parts, catalogue, limitMm, coarse = false) =>
    assembliesOf(parts).map((all) => {
      const before = known.get(all.root.id);
      const own = all.parts.map((m) => m.part);
      const same =
        before?.limitMm === limitMm &&
        before.parts.length === own.length &&
        before.parts.every((p, i) => p === own[i]);
      if (same) return before.carried;
      const carried = carriedOf(all, catalogue, limitMm, coarse ? before?.carried : undefined);
      if (!coarse) known.set(all.root.id, { parts: own, limitMm, carried });
      return carried;
    });
}

/** One thing in a hand: its mass, balance, swing, sag and how it comes apart. */
function carriedOf(all: Assembly, catalogue: Catalogue, limitMm: number, before?: Carried): Carried {
  const { root, weight, axis } = all;
  const held = root.heldAt!;
  const fist = dot3(held, axis);
  const balanceMm = dot3(sub3(weight.at, held), axis);
  const low = Math.min(...all.parts.map((m) => m.lowMm));
  const high = Math.max(...all.parts.map((m) => m.highMm));
  const side = Math.abs(axis.y) < 0.9 ? { x: 0, y: 1, z: 0 } : { x: 1, y: 0, z: 0 };
  const wanted = root.balanceWantedMm;
  const ballast =
    wanted === undefined || Math.abs(balanceMm - wanted) < 1
      ? undefined
      : ballastFor(weight.massG, balanceMm, wanted, stickEnds(root, axis) ?? [low - fist, high - fist]);
  const cuts = root.sticks[0]?.cutMm ?? [];
  // Joints of the stick part the whole; what lies over the ends goes with the first and the last length.
  const ends = cuts.reduce<number[]>((sum, mm) => [...sum, lastOf(sum) + mm], [0]);
  const lengths =
    cuts.length > 1
      ? cuts.map(
          (_, i) => (i === cuts.length - 1 ? high : itemAt(ends, i + 1)) - (i === 0 ? low : itemAt(ends, i)),
        )
      : [high - low];
  const stick = stickOf(all, fist, high, catalogue);
  const rigid = all.parts.flatMap((m) =>
    m.part.sticks.flatMap((c) => {
      const rod = byId(catalogue.rods, c.rodId);
      return rod && rodMatters[rod.matter].rigid ? c.cutMm : [];
    }),
  );
  const apart = root.sticks.length > 0 ? breakDown(low, high, takenBy(all), limitMm) : undefined;
  return {
    rootId: root.id,
    name: root.name,
    partIds: all.parts.map((m) => m.part.id),
    massG: weight.massG,
    balanceMm,
    momentNm: (newtonsOf(weight.massG) * Math.abs(balanceMm)) / 1000,
    swingKgM2: inertiaAbout(weight, held, unit3(cross3(axis, side))) * 1e-9,
    lengthMm: high - low,
    sidesMm:
      before?.sidesMm ??
      smallestBox(
        all.parts.flatMap((m) => [...m.part.solid.mesh.points, ...m.part.extras.points].map(m.toRoot)),
      ),
    spanMm: [low, high],
    fistMm: fist,
    rigidMm: Math.max(0, ...rigid),
    ...(ballast && wanted !== undefined && { ballast: { wantedMm: wanted, ...ballast } }),
    ...(stick && { stick }),
    apartMm: Math.max(...lengths),
    ...(apart && apart.atMm.length > 0 && { split: apart }),
  };
}

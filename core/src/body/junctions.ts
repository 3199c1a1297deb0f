import { dist3, ellipseAtNormal, type Mesh, meshVolume, type Vec2, type Vec3 } from '../geometry';
import type { Body } from './estimate';
import { armLean, type FigurePart, limbFrame, loft, onLimb, turned } from './figure';
import { levels, limbLengthMm, limbSection, neckSection, torsoSection } from './sections';

const AROUND = 64;
const STEPS = 12;
/** The shoulder leaves the trunk so high and low about its middle, mm, and at these shares of its half width and depth. */
const SHOULDER_HALF_MM = 62;
const SHOULDER_DROP_MM = 52;
const SHOULDER_IN = 0.6;
const SHOULDER_DEEP = 0.82;
/** How far below its top the arm is met, mm. */
const ARM_MM = 42;
/** The slope from the neck to the shoulders reaches so far out and up the neck. */
const SLOPE_OUT = 0.8;
const SLOPE_UP_MM = 52;

const angles = Array.from({ length: AROUND }, (_, i) => (i / AROUND) * 2 * Math.PI);

/** From 0 to 1, level at both ends: surfaces run into each other without an edge. */
const eased = (t: number): number => t * t * (3 - 2 * t);

const between = (a: readonly Vec3[], b: readonly Vec3[], t: number): Vec3[] =>
  a.map((p, i) => ({
    x: p.x + (b[i]!.x - p.x) * t,
    y: p.y + (b[i]!.y - p.y) * t,
    z: p.z + (b[i]!.z - p.z) * t,
  }));

/** The points of a ring in the order that lies nearest to those of another: nothing twists between them. */
function matched(ring: readonly Vec3[], to: readonly Vec3[]): Vec3[] {
  const n = ring.length;
  let best = { far: Infinity, order: [...ring] };
  for (const way of [1, -1])
    for (let shift = 0; shift < n; shift++) {
      const order = ring.map((_, i) => ring[(way * i + shift + 2 * n) % n]!);
      const far = order.reduce((sum, p, i) => sum + dist3(p, to[i]!) ** 2, 0);
      if (far < best.far) best = { far, order };
    }
  return best.order;
}

const middleOf = (ring: readonly Vec3[]): Vec3 => {
  const sum = ring.reduce((a, p) => ({ x: a.x + p.x, y: a.y + p.y, z: a.z + p.z }));
  return { x: sum.x / ring.length, y: sum.y / ring.length, z: sum.z / ring.length };
};

/** A loft whose faces look outwards. */
function outwards(rings: Vec3[][]): Mesh {
  const mesh = loft(rings);
  return meshVolume(mesh) < 0 ? turned(mesh, -1) : mesh;
}

const shares = Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS);

/** From the arm below its top into the side of the trunk, over the shoulder and under the arm. */
function armpit(body: Body, side: 1 | -1, lean: number): FigurePart['mesh'] {
  const at = levels(body);
  const frame = limbFrame(body, 'upperArm', side, lean);
  const along = limbLengthMm(body, 'upperArm') - ARM_MM;
  const section = limbSection(body, 'upperArm', along);
  const arm = angles.map((angle) => {
    const p = ellipseAtNormal(section, angle);
    return onLimb(frame, { x: p.x, y: p.y + section.forwardMm, z: along });
  });
  const middle = at.shoulder - SHOULDER_DROP_MM;
  const torso = torsoSection(body, middle);
  const trunk = angles.map((angle) => ({
    x: side * torso.a * SHOULDER_IN,
    y: torso.forwardMm + torso.b * SHOULDER_DEEP * Math.sin(angle),
    z: middle + SHOULDER_HALF_MM * Math.cos(angle),
  }));
  const [from, to] = [middleOf(arm), middleOf(trunk)];
  // One ring lies level and the other upright: between them it turns, and would be pinched if it went straight.
  const ring = (t: number): Vec3[] =>
    arm.map((p, i) => {
      const q = trunk[i]!;
      const [a, b] = [Math.cos((t * Math.PI) / 2), Math.sin((t * Math.PI) / 2)];
      return {
        x: from.x + (to.x - from.x) * t + (p.x - from.x) * a + (q.x - to.x) * b,
        y: p.y + (q.y - p.y) * t,
        z: from.z + (to.z - from.z) * t + (p.z - from.z) * a + (q.z - to.z) * b,
      };
    });
  return outwards(shares.map((t) => ring(eased(t))));
}

/** Round the half of a section that lies to one side of its middle, a hair within it. */
function halfOf({ a, b, forwardMm }: { a: number; b: number; forwardMm: number }): Vec2[] {
  const middle = 0.46 * a;
  return angles.map((angle) => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    // Where the ray from the middle of the half leaves the ellipse.
    const [p, q, r] = [(c / a) ** 2 + (s / b) ** 2, (middle * c) / a ** 2, (middle / a) ** 2 - 1];
    const out = (-q + Math.sqrt(q * q - p * r)) / p;
    const over = c < 0 ? (middle + 0.03 * a) / -c : Infinity;
    const far = 0.985 * Math.min(out, over);
    return { x: middle + far * c, y: forwardMm + far * s };
  });
}

/** From the top of a thigh up into the hip on its side. */
function groin(body: Body, side: 1 | -1): FigurePart['mesh'] {
  const at = levels(body);
  const frame = limbFrame(body, 'thigh', side);
  const length = limbLengthMm(body, 'thigh');
  const section = limbSection(body, 'thigh', length);
  const thigh = angles.map((angle) => {
    const p = ellipseAtNormal(section, angle);
    return onLimb(frame, { x: p.x, y: p.y + section.forwardMm, z: length });
  });
  const hip = torsoSection(body, at.hip);
  const top = halfOf(hip).map(({ x, y }) => ({ x: side * x, y, z: at.hip }));
  return outwards(shares.map((t) => between(thigh, matched(top, thigh), eased(t))));
}

/** The slope from the neck down to both shoulders. */
function slope(body: Body): FigurePart['mesh'] {
  const at = levels(body);
  const high = at.neckBase + SLOPE_UP_MM;
  const low = at.shoulder - 26;
  const ring = (section: { a: number; b: number; forwardMm: number }, z: number, wide: number): Vec3[] =>
    angles.map((angle) => ({
      x: section.a * wide * Math.cos(angle),
      y: section.forwardMm + section.b * (wide === 1 ? 1 : 0.86) * Math.sin(angle),
      z,
    }));
  const neck = ring(neckSection(body, high), high, 1);
  const torso = ring(torsoSection(body, low), low, SLOPE_OUT);
  return outwards(
    shares.map((t) => {
      // Out slowly from the neck, then quickly over the shoulders.
      const spread = between(torso, neck, Math.sqrt(t));
      return spread.map((p) => ({ ...p, z: low + (high - low) * t ** 1.15 }));
    }),
  );
}

/**
 * What runs from one part of the figure into the next, for looks: shoulders, hips and the slope of the neck. They lie
 * within the trunk where it is measured, so that every girth stays as it is.
 */
export const junctions = (body: Body, lean = armLean): FigurePart[] => [
  { name: 'slope of the neck', of: 'trunk', mesh: slope(body) },
  ...([1, -1] as const).flatMap((side): FigurePart[] => {
    const name = side === 1 ? 'right' : 'left';
    return [
      { name: `${name} armpit`, of: 'shoulder', mesh: armpit(body, side, lean) },
      { name: `${name} groin`, of: 'thigh', mesh: groin(body, side) },
    ];
  }),
];

import { firstOf, itemAt } from '../units';
import { cross3, ellipseAtNormal, type Mesh, type Vec3 } from '../geometry';
import type { Body } from './estimate';
import { earOf, headForm, skinAt } from './head';
import {
  ankleHeightMm,
  levels,
  limbLengthMm,
  limbSection,
  limbStations,
  neckSection,
  torsoSection,
  type BodySection,
  type Limb,
} from './sections';

const AROUND = 64;
/** The face has more to it than the rest of the body. */
const HEAD_AROUND = 96;
const HEAD_ROWS = 64;

/** Rings of points joined into a closed tube with capped ends. */
export function loft(rings: Vec3[][]): Mesh {
  const points = rings.flat();
  const triangles: [number, number, number][] = [];
  const n = firstOf(rings).length;
  for (let r = 0; r < rings.length - 1; r++) {
    for (let i = 0; i < n; i++) {
      const [a, b] = [r * n + i, r * n + ((i + 1) % n)];
      triangles.push([a, b, b + n], [a, b + n, a + n]);
    }
  }
  for (const [ring, down] of [
    [0, true],
    [rings.length - 1, false],
  ] as const) {
    const centre = itemAt(rings, ring).reduce(
      (s, p) => ({ x: s.x + p.x / n, y: s.y + p.y / n, z: s.z + p.z / n }),
      {
        x: 0,
        y: 0,
        z: 0,
      },
    );
    const at = points.push(centre) - 1;
    for (let i = 0; i < n; i++) {
      const [a, b] = [ring * n + i, ring * n + ((i + 1) % n)];
      triangles.push(down ? [at, b, a] : [at, a, b]);
    }
  }
  return { points, triangles };
}

const ringOf = (section: BodySection, place: (p: Vec3) => Vec3): Vec3[] =>
  Array.from({ length: AROUND }, (_, i) => {
    const p = ellipseAtNormal(section, (i / AROUND) * 2 * Math.PI);
    return place({ x: p.x, y: p.y + section.forwardMm, z: section.atMm });
  });

const steps = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count);

/** Where a limb or joint hangs: its origin, the direction along it, and which way its x (back or front) looks. */
export interface Frame {
  origin: Vec3;
  along: Vec3;
  out: Vec3;
  /** +1 on the wearer's right, where x is positive. */
  side: 1 | -1;
}

export type Joint = 'elbow' | 'knee' | 'shoulder';

/** Arms hang this far from upright, radians; a scanner asks for more. */
export const armLean = 0.28;

/** Arms hang a little away from the body; legs stand under the hips. x is the wearer's right, y front, z up. */
export function limbFrame(body: Body, place: Limb | Joint, side: 1 | -1, lean = armLean): Frame {
  const at = levels(body);
  const armAlong = { x: -side * Math.sin(lean), y: 0, z: Math.cos(lean) };
  const armOut = { x: side * Math.cos(lean), y: 0, z: Math.sin(lean) };
  const shoulder = {
    x: side * (body.shoulderBreadth.valueMm / 2 + body.upperArmGirth.valueMm / (4 * Math.PI)),
    y: 0,
    z: at.shoulder - 20,
  };
  const down = (mm: number): Vec3 => ({
    x: shoulder.x - armAlong.x * mm,
    y: 0,
    z: shoulder.z - armAlong.z * mm,
  });
  const hip = side * (torsoSection(body, at.hip).a * 0.5);
  const upper = limbLengthMm(body, 'upperArm');
  const up = { x: 0, y: 0, z: 1 };
  const front = { x: 0, y: 1, z: 0 };
  switch (place) {
    case 'upperArm':
      return { origin: down(upper), along: armAlong, out: armOut, side };
    case 'forearm':
      return { origin: down(upper + limbLengthMm(body, 'forearm')), along: armAlong, out: armOut, side };
    case 'elbow':
      return { origin: down(upper), along: armAlong, out: { x: 0, y: -1, z: 0 }, side };
    case 'shoulder':
      return { origin: { ...shoulder, z: shoulder.z - 10 }, along: up, out: { x: side, y: 0, z: 0 }, side };
    case 'lowerLeg':
      return { origin: { x: hip, y: 0, z: ankleHeightMm(body) }, along: up, out: front, side };
    case 'thigh':
    case 'knee':
      return { origin: { x: hip, y: 0, z: body.kneeHeight.valueMm }, along: up, out: front, side };
  }
}

/** A point of limb space (x out, y across, z along) placed on the figure; the left side is the right one mirrored. */
export function onLimb({ origin, along, out, side }: Frame, p: Vec3): Vec3 {
  const across = cross3(along, out);
  return {
    x: origin.x + along.x * p.z + out.x * p.x + side * across.x * p.y,
    y: origin.y + along.y * p.z + out.y * p.x + side * across.y * p.y,
    z: origin.z + along.z * p.z + out.z * p.x + side * across.z * p.y,
  };
}

/** The left limb is the right one mirrored, which turns its faces inside out. */
export const turned = (mesh: Mesh, side: 1 | -1): Mesh =>
  side === 1 ? mesh : { points: mesh.points, triangles: mesh.triangles.map(([a, b, c]) => [a, c, b]) };

function limbMesh(body: Body, limb: Limb, side: 1 | -1, lean: number): Mesh {
  const frame = limbFrame(body, limb, side, lean);
  const measured = limbStations(body, limb).map((s) => s.atMm);
  const along = [...new Set([...steps(0, limbLengthMm(body, limb), 16), ...measured])].sort((a, b) => a - b);
  const rings = along.map((at) => ringOf(limbSection(body, limb, at), (p) => onLimb(frame, p)));
  return turned(loft(rings), side);
}

/** The round of a shoulder over the top of the arm, half a ball deep. */
function shoulderMesh(body: Body, side: 1 | -1, lean: number): Mesh {
  const frame = limbFrame(body, 'upperArm', side, lean);
  const length = limbLengthMm(body, 'upperArm');
  const top = limbSection(body, 'upperArm', length);
  const rings = steps(0, 1, 6).map((t) => {
    const share = Math.max(0.05, Math.sqrt(1 - t * t));
    const slice = { ...top, a: top.a * share, b: top.b * share, atMm: length - 4 + t * top.a * 0.8 };
    return ringOf(slice, (p) => onLimb(frame, p));
  });
  return turned(loft(rings), side);
}

/** A hand hanging open, as long and as broad as measured. */
function handMesh(body: Body, side: 1 | -1, lean: number): Mesh {
  const frame = limbFrame(body, 'forearm', side, lean);
  const long = body.handLength.valueMm;
  const wrist = limbSection(body, 'forearm', 0);
  const broad = body.handGirth.valueMm / 4.9;
  const rings = steps(0, 1, 8).map((t) => {
    const palm = Math.min(1, t / 0.3);
    const taper = t < 0.55 ? 1 : 1 - 0.72 * ((t - 0.55) / 0.45) ** 1.5;
    const slice = {
      ...wrist,
      a: (wrist.a + (11 - wrist.a) * palm) * (t < 0.9 ? 1 : 0.7),
      b: (wrist.b + (broad - wrist.b) * palm) * taper,
      atMm: -long * t,
    };
    return ringOf(slice, (p) => onLimb(frame, p));
  });
  return turned(loft(rings.reverse()), side);
}

/** A foot as a low loft from sole to ankle; its outline is as long as the foot. */
function footMesh(body: Body, side: 1 | -1): Mesh {
  const { origin } = limbFrame(body, 'lowerLeg', side);
  const half = body.footLength.valueMm / 2;
  const ankle = limbSection(body, 'lowerLeg', 0);
  const rings = steps(0, 1, 6).map((t) => {
    const a = ankle.b * t + half * 0.4 * (1 - t);
    const b = ankle.a * t + half * (1 - t * t) + 2;
    const forward = half * 0.55 * (1 - t);
    return Array.from({ length: AROUND }, (_, i) => {
      const angle = (i / AROUND) * 2 * Math.PI;
      return { x: origin.x + a * Math.cos(angle), y: forward + b * Math.sin(angle), z: t * (origin.z + 6) };
    });
  });
  return loft(rings);
}

function headMesh(body: Body): Mesh {
  const head = headForm(body);
  return loft(
    steps(-0.96, 0.96, HEAD_ROWS).map((t) => {
      const up = Math.sin((t * Math.PI) / 2);
      return Array.from({ length: HEAD_AROUND }, (_, i) => skinAt(head, (i / HEAD_AROUND) * 2 * Math.PI, up));
    }),
  );
}

/** An ear as a flattened ball on the side of the head. */
function earMesh(body: Body, side: 1 | -1): Mesh {
  const { at, half } = earOf(headForm(body), side);
  return loft(
    steps(-0.96, 0.96, 10).map((t) => {
      const r = Math.sqrt(1 - t * t);
      return Array.from({ length: 24 }, (_, i) => {
        const angle = (i / 24) * 2 * Math.PI;
        return {
          x: at.x + half.x * r * Math.cos(angle),
          y: at.y + half.y * r * Math.sin(angle),
          z: at.z + half.z * t,
        };
      });
    }),
  );
}

/** A closed mesh of the figure: its name, and which part of the body it is. */
export interface FigurePart {
  name: string;
  of: 'trunk' | 'neck' | 'head' | 'foot' | 'shoulder' | 'hand' | Limb;
  mesh: Mesh;
}

export interface Figure {
  parts: FigurePart[];
}

/** The wearer as closed cross-section lofts whose girths are the measured ones. */
export function figure(body: Body, lean = armLean): Figure {
  const at = levels(body);
  const trunk = loft(
    steps(at.crotch, at.neckBase, 44)
      .concat([at.hip, at.waist, at.underBust, at.chest])
      .sort((a, b) => a - b)
      .map((z) => ringOf(torsoSection(body, z), (p) => p)),
  );
  const neck = loft(
    steps(at.neckBase - 20, at.chin + 40, 6).map((z) => ringOf(neckSection(body, z), (p) => p)),
  );
  const limbs = (['upperArm', 'forearm', 'thigh', 'lowerLeg'] as const).flatMap((limb) =>
    ([1, -1] as const).map((side) => ({
      name: `${side === 1 ? 'right' : 'left'} ${limb}`,
      of: limb,
      mesh: limbMesh(body, limb, side, lean),
    })),
  );
  return {
    parts: [
      { name: 'trunk', of: 'trunk', mesh: trunk },
      { name: 'neck', of: 'neck', mesh: neck },
      { name: 'head', of: 'head', mesh: headMesh(body) },
      { name: 'right ear', of: 'head', mesh: earMesh(body, 1) },
      { name: 'left ear', of: 'head', mesh: earMesh(body, -1) },
      { name: 'right foot', of: 'foot', mesh: footMesh(body, 1) },
      { name: 'left foot', of: 'foot', mesh: footMesh(body, -1) },
      ...limbs,
      ...([1, -1] as const).flatMap((side) => {
        const name = side === 1 ? 'right' : 'left';
        return [
          { name: `${name} shoulder`, of: 'shoulder' as const, mesh: shoulderMesh(body, side, lean) },
          { name: `${name} hand`, of: 'hand' as const, mesh: handMesh(body, side, lean) },
        ];
      }),
    ],
  };
}

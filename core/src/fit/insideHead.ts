import { type Body, earOf, headForm, type HeadForm, noseTip, skinAt } from '../body';
import { add3, type Mesh, scale3, signedArea, type Vec3 } from '../geometry';
import { allOntoRoot, membersOf, type PartReport } from '../parts';
import { meshFaces, togetherWalls, wallsOfFaces } from '../space';

/** Breathing, hearing and glasses in what is worn on the head. */
export interface InsideHead {
  rootId: string;
  name: string;
  partIds: string[];
  /** Open to the air before and below the mouth, holes and slots together, mm². */
  airMm2: number;
  /** What a deep breath pulls through that, Pa; nothing where most of the mouth is free. */
  breathPa: number | undefined;
  /** Of the ways out of the ears, the share that is free, the better ear; and whether holes are cut for them. */
  hearShare: number;
  earHoles: boolean;
  /** From the skin to the foam where glasses sit, the least of it, mm; nothing where nothing covers them. */
  glassesMm: number | undefined;
  /** Beside the head between eye and ear, where their arms lie. */
  armsMm: number | undefined;
  /** From the skin to the foam where a mask can bear, mm; nothing where it lies over none of it. */
  seat: { nose: number | undefined; cheeks: number | undefined; brow: number | undefined };
}

/** Walking fast a breath peaks at about a litre in a second; from memory. */
const BREATH_M3_S = 1e-3;
/** Flow through a sharp-edged hole (orifice, handbooks of fluid mechanics), and the density of air, kg/m³. */
const ORIFICE = 0.6;
const AIR_KG_M3 = 1.2;
/** Ways out of the mouth end on a ball of this radius, mm: what is open of it counts as opening. */
const MOUTH_MM = 45;
/** With more of the mouth free than this, breath is not held back. */
export const FREE_SHARE = 0.3;
/** Glasses stand so far before the skin at the eyes, reach so far up and down, and their arms are so thick; mm, from memory. */
export const GLASSES_MM = { out: 22, high: 20, arm: 6 };

/** Cheek and brow below and above the eyes, as shares of the way to the chin; the canons of drawing. */
const CHEEK = 0.35;
const BROW = -0.17;

const rad = (deg: number): number => (deg * Math.PI) / 180;
const range = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step);

const wayOf = (turnDeg: number, riseDeg: number): Vec3 => ({
  x: Math.sin(rad(turnDeg)) * Math.cos(rad(riseDeg)),
  y: Math.cos(rad(turnDeg)) * Math.cos(rad(riseDeg)),
  z: Math.sin(rad(riseDeg)),
});

/** The pressure that drives a flow through an opening, Pa: half the density times the square of its speed in the narrows. */
export const breathPaOf = (airMm2: number): number =>
  (AIR_KG_M3 / 2) * (BREATH_M3_S / (ORIFICE * airMm2 * 1e-6)) ** 2;

/** Rays from the mouth begin so far behind the lips, mm. */
const LIPS_MM = 8;

type Reach = (from: Vec3, way: Vec3) => number | undefined;

/** The mouth below the nose: behind the lips, so that foam that lies on them is met. */
const mouthOf = (head: HeadForm): Vec3 => {
  const z = (noseTip(head).z + head.chinZ) / 2;
  const skin = skinAt(head, Math.PI / 2, (z - head.middle.z) / head.up);
  return { ...skin, y: skin.y - LIPS_MM };
};

/** Ways forwards and down from the mouth, each with its share of half a ball. */
const mouthWays = range(-80, 80, 10).flatMap((turn) =>
  range(-80, 40, 10).map((rise) => ({ way: wayOf(turn, rise), share: Math.cos(rad(rise)) })),
);

function freeShare(reach: Reach, from: Vec3): number {
  const all = mouthWays.reduce((sum, w) => sum + w.share, 0);
  return mouthWays.reduce((sum, w) => sum + (reach(from, w.way) === undefined ? w.share : 0), 0) / all;
}

/** What is open through the pieces of a part, mm²: nothing that a lens, a lamp, a hose or a lid closes. */
const cutMm2 = ({ pieces }: PartReport): number =>
  pieces.reduce(
    (sum, p) =>
      sum +
      p.holes.reduce(
        (s, h) =>
          s + (h.airs || h.kind === 'air' || h.kind === 'ear' ? (Math.PI * h.diameterMm ** 2) / 4 : 0),
        0,
      ) +
      p.marks.reduce((s, m) => s + (m.airs ? Math.abs(signedArea(m.points)) : 0), 0),
    0,
  );

/** Rays begin so far inside the skin, mm: foam that presses into it is met, and is nearer than nothing. */
const BEHIND_MM = 20;

/** The least a way out of the skin is free at places of the face, mm; below 0 where foam presses, nothing where all are free. */
function leastMm(
  reach: Reach,
  head: HeadForm,
  places: readonly { turnDeg: number; z: number }[],
): number | undefined {
  const found = places.flatMap(({ turnDeg, z }) => {
    const azimuth = rad(90 - turnDeg);
    const skin = skinAt(head, azimuth, Math.max(-0.9, (z - head.middle.z) / head.up));
    const way = { x: Math.cos(azimuth), y: Math.sin(azimuth), z: 0 };
    const mm = reach(add3(skin, scale3(way, -BEHIND_MM)), way);
    return mm === undefined ? [] : [mm - BEHIND_MM];
  });
  return found.length > 0 ? Math.min(...found) : undefined;
}

const movedBy = ({ points, triangles }: Mesh, to: (p: Vec3) => Vec3): Mesh => ({
  points: points.map(to),
  triangles,
});

/** Everything that is worn on the head, by what it hangs on. What is open in its pieces counts wherever it is. */
export function insideHead(parts: readonly PartReport[], body: Body): InsideHead[] {
  const head = headForm(body);
  return parts
    .filter((p) => p.mount.to === 'wearer' && p.mount.zone === 'head')
    .map((root): InsideHead => {
      const members = membersOf(parts, root.id);
      const walls = togetherWalls(
        members.flatMap((p) =>
          allOntoRoot(parts, p.id, root.id).map((to) => wallsOfFaces(meshFaces(movedBy(p.solid.mesh, to)))),
        ),
      );
      const reach: Reach = (from, way) => walls.reach(from, way);
      const share = freeShare(reach, mouthOf(head));
      const airMm2 = share * 2 * Math.PI * MOUTH_MM ** 2 + members.reduce((sum, p) => sum + cutMm2(p), 0);
      const ears = ([1, -1] as const).map((side) => {
        const { at } = earOf(head, side);
        const ways = range(-40, 40, 20).flatMap((turn) =>
          range(-40, 40, 20).map((rise) => wayOf(90 + turn, rise)),
        );
        return ways.filter((w) => reach(at, { ...w, x: side * w.x }) === undefined).length / ways.length;
      });
      const glasses = range(-40, 40, 8).flatMap((turnDeg) =>
        [-1, 0, 1].map((k) => ({ turnDeg, z: head.eyeZ + k * GLASSES_MM.high })),
      );
      const arms = [-85, -70, 70, 85].map((turnDeg) => ({ turnDeg, z: head.eyeZ }));
      const between = (share: number): number => head.eyeZ + share * (head.chinZ - head.eyeZ);
      const seat = {
        nose: leastMm(reach, head, [{ turnDeg: 0, z: noseTip(head).z }]),
        cheeks: leastMm(
          reach,
          head,
          [-45, 45].map((turnDeg) => ({ turnDeg, z: between(CHEEK) })),
        ),
        brow: leastMm(reach, head, [{ turnDeg: 0, z: between(BROW) }]),
      };
      const [glassesMm, armsMm] = [leastMm(reach, head, glasses), leastMm(reach, head, arms)];
      return {
        rootId: root.id,
        name: root.name,
        partIds: members.map((p) => p.id),
        airMm2,
        breathPa: share > FREE_SHARE ? undefined : breathPaOf(Math.max(1, airMm2)),
        hearShare: Math.max(...ears),
        earHoles: members.some((p) => p.pieces.some((q) => q.holes.some((h) => h.kind === 'ear'))),
        glassesMm,
        armsMm,
        seat,
      };
    });
}

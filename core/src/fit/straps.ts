import type { Body } from '../body/estimate';
import type { Surface, Zone } from '../forms/contract';
import { sideVertices, type Side } from '../forms/draped/panel';
import type { Piece } from '../forms/piece';
import { parallelGirth } from '../geometry/ellipse';
import { dist3, type Vec3 } from '../geometry/vec';

/** A strap to cut: where it goes, how many on the wearer, how long with its overlap. */
export interface Strap {
  partId: string;
  name: string;
  where: string;
  count: number;
  lengthMm: number;
  overlapMm: number;
}

export interface StrappedPart {
  id: string;
  name: string;
  form: string;
  zone: Zone;
  copies: number;
  /** Sides drawn together by a lace instead of straps. */
  laced: boolean;
  pieces: readonly Piece[];
  surfaces: readonly Surface[];
}

/** Hook-and-loop that holds: 50 mm of overlap, and 30 mm glued at either end; common practice, no source. */
const OVERLAP_MM = 50;
const ANCHOR_MM = 30;

const points = (part: StrappedPart, pieceId: string): Vec3[] =>
  part.surfaces.find((s) => s.pieceId === pieceId)!.grid.flat();

const sideRun = (part: StrappedPart, pieceId: string, side: Side): Vec3[] => {
  const surface = part.surfaces.find((s) => s.pieceId === pieceId)!;
  const all = points(part, pieceId);
  return sideVertices(surface, side).map((v) => all[v]!);
};

const order: Side[] = ['bottom', 'right', 'top', 'left'];

/** Straps across gaps: one at a third and at two thirds of the edge, one in the middle of a short edge. */
function acrossGaps(part: StrappedPart): Strap[] {
  const done = new Set<string>();
  return part.pieces.flatMap((piece) =>
    piece.edges.flatMap((edge, i): Strap[] => {
      if (piece.role !== 'shell' || edge.joint !== 'closure' || !edge.mate) return [];
      const key = [`${piece.id}/${edge.id}`, `${edge.mate.pieceId}/${edge.mate.edgeId}`].sort().join();
      if (done.has(key)) return [];
      done.add(key);
      const mate = part.pieces.find((p) => p.id === edge.mate!.pieceId)!;
      const a = sideRun(part, piece.id, order[i]!);
      const b = sideRun(
        part,
        mate.id,
        order[mate.edges.findIndex((e) => e.id === edge.mate!.edgeId)]!,
      ).reverse();
      const gap = [0.33, 0.67].map((t) =>
        dist3(a[Math.round(t * (a.length - 1))]!, b[Math.round(t * (b.length - 1))]!),
      );
      const shares = edge.lengthMm < 80 ? ['the middle'] : ['a third up', 'two thirds up'];
      return shares.map((at, k) => ({
        partId: part.id,
        name: part.name,
        where: `across the gap, ${at} (${Math.round((edge.lengthMm * (shares.length === 1 ? 0.5 : (k + 1) / 3)) / 5) * 5} mm)`,
        count: part.copies,
        lengthMm: gap[k]! + OVERLAP_MM + 2 * ANCHOR_MM,
        overlapMm: OVERLAP_MM,
      }));
    }),
  );
}

const nearest = (a: readonly Vec3[], b: readonly Vec3[]): number =>
  a.reduce((least, p) => b.reduce((l, q) => Math.min(l, dist3(p, q)), least), Infinity);

/** Eyelets of a laced side stand this far apart; common practice, no source. */
const EYELETS_MM = 30;

/** A lace crossed from eyelet to eyelet up a side of two plates, and a forearm's length to tie. */
function laceMm(side: readonly Vec3[], gapMm: number): number {
  const heights = side.map((p) => p.z);
  const crossings = Math.max(2, Math.floor((Math.max(...heights) - Math.min(...heights)) / EYELETS_MM));
  return 2 * crossings * Math.hypot(EYELETS_MM, gapMm + 20) + 400;
}

/** Shoulder and side straps from the breastplate to the back plate, or round the back when there is none. */
function trunkStraps(body: Body, parts: readonly StrappedPart[]): Strap[] {
  const plates = parts.filter((p) => p.form === 'breastplate');
  const back = parts.find((p) => p.form === 'backplate');
  return plates.flatMap((plate) => {
    const base = { partId: plate.id, name: plate.name, count: 2, overlapMm: OVERLAP_MM };
    const pick = (part: StrappedPart, side: Side): Vec3[] =>
      part.pieces
        .filter((p) => p.role === 'shell')
        .flatMap((p) => sideRun(part, p.id, side))
        .filter((p) => p.x > 0);
    if (!back) {
      const across = body.acrossBack.valueMm;
      return [
        {
          ...base,
          where: 'crossed behind, shoulder to side',
          lengthMm: across * 1.5 + OVERLAP_MM + 2 * ANCHOR_MM,
        },
        {
          ...base,
          count: 1,
          where: 'round the back at the waist',
          lengthMm: body.waistGirth.valueMm * 0.5 + OVERLAP_MM + 2 * ANCHOR_MM,
        },
      ];
    }
    // Over the shoulder a strap runs about a sixth longer than the straight way between the plates.
    const shoulder = nearest(pick(plate, 'top'), pick(back, 'top')) * 1.17;
    const outer = (part: StrappedPart): Vec3[] =>
      part.pieces
        .filter((p) => p.role === 'shell')
        .flatMap((p) =>
          (['left', 'right'] as const).flatMap((side) =>
            p.edges[order.indexOf(side)]!.joint === 'free' ? sideRun(part, p.id, side) : [],
          ),
        )
        .filter((p) => p.x > 0);
    const side = nearest(outer(plate), outer(back));
    return [
      {
        ...base,
        where: 'over each shoulder, plate to plate',
        lengthMm: shoulder + OVERLAP_MM + 2 * ANCHOR_MM,
      },
      plate.laced
        ? {
            ...base,
            where: `lace at each side, eyelets ${EYELETS_MM} mm apart on both plates`,
            lengthMm: laceMm(outer(plate), side),
            overlapMm: 0,
          }
        : {
            ...base,
            count: 4,
            where: 'at each side, 40 mm above the lower edge and under the arm',
            lengthMm: side + OVERLAP_MM + 2 * ANCHOR_MM,
          },
    ];
  });
}

/** Straps round the limb for parts that lie on one side of it only. */
function roundLimbs(body: Body, part: StrappedPart, underLayerMm: number): Strap[] {
  const round = (girthMm: number, where: string): Strap => ({
    partId: part.id,
    name: part.name,
    where,
    count: part.copies,
    lengthMm: parallelGirth(girthMm, underLayerMm) * 0.6 + OVERLAP_MM + 2 * ANCHOR_MM,
    overlapMm: OVERLAP_MM,
  });
  switch (part.form) {
    case 'pauldron':
      return [
        round(body.upperArmGirth.valueMm, 'under the arm, at the lowest lame'),
        {
          ...round(0, 'from the cap’s neck edge to collar or plate'),
          lengthMm: 70 + OVERLAP_MM + 2 * ANCHOR_MM,
        },
      ];
    case 'elbow-cop':
      return [round(body.elbowBentGirth.valueMm, 'round the inside of the elbow')];
    case 'knee-cop':
      return [
        round(body.kneeGirth.valueMm, 'above the knee'),
        round(body.calfGirth.valueMm, 'below the knee'),
      ];
    case 'belt':
      return [
        {
          ...round(0, 'behind, across the ends of the belt'),
          lengthMm: OVERLAP_MM + 2 * ANCHOR_MM + 60,
        },
      ];
    case 'helmet':
      return [
        {
          ...round(0, 'under the chin, from cheek to cheek'),
          lengthMm: body.headHeight.valueMm * 1.35 + OVERLAP_MM + 2 * ANCHOR_MM,
        },
      ];
    case 'half-mask':
      return [
        {
          ...round(0, 'round the back of the head, elastic'),
          lengthMm: body.headGirth.valueMm * 0.6,
          overlapMm: 0,
        },
      ];
    default:
      return [];
  }
}

/** Every strap of the build, to be cut and placed. */
export const strapsOf = (body: Body, underLayerMm: number, parts: readonly StrappedPart[]): Strap[] => [
  ...parts.flatMap(acrossGaps),
  ...trunkStraps(body, parts),
  ...parts.flatMap((p) => roundLimbs(body, p, underLayerMm)),
];

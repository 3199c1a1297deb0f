import { itemAt, firstOf, lastOf } from '../units';
import {
  add3,
  boundsOf,
  contains,
  cross3,
  dist2,
  distanceToEdge,
  lerp2,
  type Region,
  meshVolume,
  regionArea,
  scale3,
  signedArea,
  type Vec2,
  type Vec3,
} from '../geometry';
import type { FoamSheet } from '../materials';
import { sharpCorners } from './corners';
import { edgeRun } from './edgeRun';
import type { FlatPanel } from './flatPanel';
import type { Attachment } from './attachment';
import { gridOf } from './grids';
import type { Panel } from './panel';
import type { Mark, Piece, PieceEdge } from './piece';
import { floorsOf, plateMesh } from './plateMesh';
import { type Facing, onPlane, openCuts, type Plate, plateRegion, through } from './plateShape';

export interface PlateSpec extends Plate {
  id: string;
  name: string;
  ply?: Panel['ply'];
}

const CELLS = 8;

/** The plate as a panel: its grid covers the box of its outline. */
export function platePanel({ id, name, ply, ...plate }: PlateSpec): Panel {
  const b = plate.frame ?? boundsOf(plate.outline);
  return {
    id,
    name,
    grid: gridOf(CELLS, CELLS, (u, v) =>
      onPlane(plate, { x: b.minX + u * (b.maxX - b.minX), y: b.minY + v * (b.maxY - b.minY) }),
    ),
    edges: { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' },
    plate,
    ...(ply && { ply }),
  };
}

/** Where an outline turns sharply; its lowest and highest points when it hardly does. */
function cornersOf(outline: readonly Vec2[]): number[] {
  const sharp = sharpCorners(outline);
  if (sharp.length >= 2) return sharp;
  const by = (better: (a: Vec2, b: Vec2) => boolean): number =>
    outline.reduce((best, p, i) => (better(p, itemAt(outline, best)) ? i : best), 0);
  return [by((a, b) => a.y < b.y), by((a, b) => a.y > b.y)].sort((a, b) => a - b);
}

const facing = (a: Vec2, b: Vec2): Facing => {
  const [x, y] = [b.y - a.y, a.x - b.x];
  if (Math.abs(x) > Math.abs(y)) return x > 0 ? 'right' : 'left';
  return y > 0 ? 'up' : 'down';
};

const edgeNames: Record<Facing, string> = {
  left: 'left edge',
  right: 'right edge',
  up: 'upper edge',
  down: 'lower edge',
};

/** Width of the bevel at the middle of a run, and on which face; a rim of two sections leans alike all through. */
function leanAt(
  { sections, outline }: Pick<Plate, 'sections' | 'outline'>,
  middle: Vec2,
): { bevelDeg: number; bevelMm: number } | undefined {
  const [back, front] = sections ?? [];
  if (sections?.length !== 2 || back!.region.length !== 1 || front!.region.length !== 1) return undefined;
  const outside = Math.abs(signedArea(outline));
  const fromBack = outside - regionArea(back!.region) > outside - regionArea(front!.region);
  const bevelMm = distanceToEdge((fromBack ? back! : front!).region[0]!, middle);
  const deg = (Math.atan2(bevelMm, front!.atMm - back!.atMm) * 180) / Math.PI;
  return bevelMm < LEAST_BEVEL_MM ? undefined : { bevelDeg: fromBack ? deg : -deg, bevelMm };
}

const LEAST_BEVEL_MM = 0.1;

/** How an edge that faces a way is fastened, and to which piece. */
function rimAt(rim: Plate['rimAttached'], way: Facing): Attachment | undefined {
  if (!rim?.onto) return rim;
  const { onto, comeOff = [], ...attached } = rim;
  const on = onto[way];
  if (on === undefined) return undefined;
  return { ...attached, ...(comeOff.includes(on) && { by: 'hold' }), meets: { on: [on], way: 'on' } };
}

/** Runs between corners, named by the way they face. */
function edgesOf(
  plate: Pick<Plate, 'sections' | 'outline' | 'rimAttached'>,
  outline = plate.outline,
): PieceEdge[] {
  const n = outline.length;
  const corners = cornersOf(outline);
  return corners.map((from, i) => {
    const to = itemAt(corners, (i + 1) % corners.length);
    const way = facing(itemAt(outline, from), itemAt(outline, to));
    const attached = rimAt(plate.rimAttached, way);
    let lengthMm = 0;
    for (let k = from; k !== to; k = (k + 1) % n)
      lengthMm += dist2(itemAt(outline, k), itemAt(outline, (k + 1) % n));
    return {
      id: `edge-${i + 1}`,
      name: edgeNames[way],
      from,
      to,
      lengthMm,
      bevelDeg: 0,
      ...leanAt(plate, lerp2(itemAt(plate.outline, from), itemAt(plate.outline, (from + 1) % n), 0.5)),
      ...(attached ? { joint: 'attached', attached } : { joint: 'free' }),
    };
  });
}

/** The outline at the inner and the outer face, where they differ from what is cut, as lines to bevel to. */
function bevelMarks({ outline, sections, rounded }: Plate, place: (p: Vec2) => Vec2): Mark[] {
  if (!sections) return [];
  const whole = Math.abs(signedArea(outline));
  const widthMm = (region: Region): number =>
    Math.max(...region.flatMap((ring) => ring.map((p) => distanceToEdge(outline, p))));
  const cutMm = sections.find((s) => whole - regionArea(s.region) < 1)?.atMm ?? 0;
  return (
    [
      ['back', firstOf(sections)],
      ['front', lastOf(sections)],
    ] as const
  )
    .filter(([, { region }]) => whole - regionArea(region) > 1)
    .flatMap(([face, { atMm, region }]) => {
      const deg = (Math.atan2(widthMm(region), Math.abs(atMm - cutMm) || 1) * 180) / Math.PI;
      return region.map((ring): Mark => ({
        kind: 'bevel',
        points: ring.map(place),
        bevel: { face, deg, ring: true, ...(rounded && { rounded }) },
      }));
    });
}

/** A plate as a piece, moved to the corner of its box. Its volume is what is left of it once it is shaped. */
export function platePiece({ id, name }: Pick<Panel, 'id' | 'name'>, plate: Plate, foam: FoamSheet): Piece {
  const b = boundsOf(plate.outline);
  const place = (p: Vec2): Vec2 => ({ x: p.x - b.minX, y: p.y - b.minY });
  const outline = plate.outline.map(place);
  return {
    id,
    name,
    role: 'shell',
    outline,
    edges: edgesOf(plate, outline),
    holes: [],
    marks: [
      ...plate.cuts.map((cut): Mark => ({
        kind: cut.recess ? 'pocket' : 'slot',
        points: cut.outline.map(place),
        text: cut.recess ? `${cut.name}, ${cut.recess.depthMm.toFixed(1)} mm deep` : cut.name,
        ...(cut.channel && { channel: true as const }),
      })),
      ...bevelMarks(plate, place),
    ],
    foamId: foam.foamId,
    foamName: foam.name,
    foamColour: foam.colour,
    ...(foam.texture !== 'none' && { texture: foam.texture }),
    nominalMm: foam.nominalMm,
    thicknessMm: foam.thicknessMm.value,
    densityKgM3: foam.densityKgM3.value,
    quantity: 1,
    flipped: 0,
    areaMm2: regionArea(plateRegion(plate)),
    volumeMm3: plateVolumeMm3(plate, foam.thicknessMm.value),
    layers: plate.layers ?? 1,
    ...(plate.inside && { inside: true as const }),
  };
}

/** A plate laid flat: as it is, with the way between shares of its box and its piece. */
export function flatPlate(panel: Panel, plate: Plate, foam: FoamSheet): FlatPanel {
  const b = boundsOf(plate.outline);
  const frame = plate.frame ?? b;
  const [w, h] = [frame.maxX - frame.minX, frame.maxY - frame.minY];
  // The piece begins at the corner of its own box, its shares at that of the whole.
  const [dx, dy] = [frame.minX - b.minX, frame.minY - b.minY];
  const piece = platePiece(panel, plate, foam);
  const open = through(openCuts(plate.cuts)).map((ring) =>
    ring.map((p) => ({ x: p.x - b.minX, y: p.y - b.minY })),
  );
  const off = (p: Vec2): boolean => !contains(piece.outline, p) || open.some((ring) => contains(ring, p));
  const shares = Array.from({ length: CELLS + 1 }, (_, i) => i / CELLS);
  return {
    piece,
    legs: new Set(),
    flat: shares.map((v) => shares.map((u) => ({ x: dx + u * w, y: dy + v * h }))),
    flatAt: ({ x, y }) => ({ x: dx + x * w, y: dy + y * h }),
    uvAt: (p) => (off(p) ? undefined : { x: (p.x - dx) / w, y: (p.y - dy) / h }),
  };
}

/** Foam left once the edges are shaped and pockets are cut, mm³. */
export function plateVolumeMm3(plate: Plate, thicknessMm: number): number {
  if (plate.sections) return Math.max(0, meshVolume(plateMesh(plate, thicknessMm)));
  const whole = plateRegion(plate);
  const hollow = (['inner', 'outer'] as const).reduce(
    (sum, face) =>
      sum + floorsOf(plate, face, whole).floors.reduce((mm3, f) => mm3 + regionArea(f.region) * f.depthMm, 0),
    0,
  );
  return Math.max(0, regionArea(whole) * thicknessMm - hollow);
}

/** Edges of the outline on the outer face. */
export function plateEdgeLines(
  panel: Panel,
  plate: Plate,
  thicknessMm: number,
): { pieceId: string; edgeId: string; points: Vec3[] }[] {
  const lift = scale3(cross3(plate.across, plate.up), thicknessMm);
  return edgesOf(plate).map((edge) => {
    const run = edgeRun(plate.outline, edge);
    return { pieceId: panel.id, edgeId: edge.id, points: run.map((p) => add3(onPlane(plate, p), lift)) };
  });
}

import { lastOf, itemAt, firstOf } from '../../units';
import { boundsOf, common, contains, grown, largestRing, type Vec2, type Vec3 } from '../../geometry';
import { boxRoom, type Rib, type Room } from '../../panel';
import type { DonorParams } from './fields';
import { rectangle } from '../held/outlines';
import type { Girth } from '../held/walls';

/** A room inside: its middle from the foot's middle, its size, and how deep it is from the front. */
export interface Cell {
  acrossMm: number;
  upMm: number;
  wideMm: number;
  highMm: number;
  deepMm: number;
}

/** A round thing by its girths: radius at any height, straight between them. */
export function radiusAt(girths: readonly Girth[], zMm: number): number {
  const sorted = [...girths].sort((a, b) => a.zMm - b.zMm);
  const k = sorted.findIndex((g) => g.zMm >= zMm);
  const [a, b] =
    k < 0 ? [lastOf(sorted), lastOf(sorted)] : [itemAt(sorted, Math.max(0, k - 1)), itemAt(sorted, k)];
  const t = b.zMm > a.zMm ? (zMm - a.zMm) / (b.zMm - a.zMm) : 0;
  return (a.girthMm + (b.girthMm - a.girthMm) * Math.min(1, Math.max(0, t))) / (2 * Math.PI);
}

/** The whole hollow of a round thing seen from the front: as wide as its inside, as deep as its chord. */
export function roundRoom(girths: readonly Girth[], wallMm: number): Room {
  const zs = girths.map((g) => g.zMm);
  const [foot, top] = [Math.min(...zs) + wallMm, Math.max(...zs) - wallMm];
  const inner = (z: number): number => Math.max(0, radiusAt(girths, z) - wallMm);
  const widest = Math.max(1, ...girths.map((g) => g.girthMm / (2 * Math.PI) - wallMm));
  const chord = (p: Vec2): number => 2 * Math.sqrt(Math.max(0, inner(p.y) ** 2 - p.x ** 2));
  const outline = rectangle({ x: 0, y: (foot + top) / 2 }, 2 * widest, Math.max(1, top - foot));
  return {
    id: 'inside',
    name: 'inside',
    outline,
    middle: { x: 0, y: (foot + top) / 2 },
    depthAt: (p) => (p.y >= foot && p.y <= top && Math.abs(p.x) <= inner(p.y) ? chord(p) : undefined),
    toSpace: (p, depthMm): Vec3 => ({ x: -p.x, y: chord(p) / 2 - depthMm, z: p.y }),
  };
}

/** Rooms of a box, or of any thing where they are described one by one; from the front wall inwards. */
export const cellRoom = (id: string, name: string, cell: Cell, frontMm: number): Room =>
  boxRoom(
    id,
    name,
    rectangle({ x: cell.acrossMm, y: cell.upMm }, cell.wideMm, cell.highMm),
    cell.deepMm,
    (p, depthMm) => ({ x: -p.x, y: frontMm - depthMm, z: p.y }),
  );

/** The whole hollow of a thing as deep all over: its outline less a wall all round. */
export function drawnRoom(outline: readonly Vec2[], deepMm: number, wallMm: number): Room | undefined {
  const ring = largestRing(grown([[...outline]], -wallMm));
  const deep = deepMm - 2 * wallMm;
  if (ring.length < 3 || deep < 1) return undefined;
  const b = boundsOf(ring);
  return {
    id: 'inside',
    name: 'inside',
    outline: ring,
    middle: { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 },
    depthAt: (p) => (contains(ring, p) ? deep : undefined),
    toSpace: (p, depthMm): Vec3 => ({ x: -p.x, y: deep / 2 - depthMm, z: p.y }),
  };
}

/** The whole hollow of a thing by its section: seen from the front, as deep as the section is there before it ends. */
export function sectionRoom(section: readonly Vec2[], highMm: number, wallMm: number): Room | undefined {
  const ring = largestRing(grown([[...section]], -wallMm));
  const high = highMm - 2 * wallMm;
  if (ring.length < 3 || high < 1) return undefined;
  const b = boundsOf(ring);
  const middle = { x: (b.minX + b.maxX) / 2, y: highMm / 2 };
  /** Where a line straight back enters the hollow and leaves it again. */
  const chord = (x: number): [number, number] | undefined => {
    const crossed = ring
      .flatMap((p, i) => {
        const q = itemAt(ring, (i + 1) % ring.length);
        return p.x < x !== q.x < x ? [p.y + ((x - p.x) / (q.x - p.x)) * (q.y - p.y)] : [];
      })
      .sort((a, c) => a - c);
    return crossed.length < 2 ? undefined : [firstOf(crossed), itemAt(crossed, 1)];
  };
  return {
    id: 'inside',
    name: 'inside',
    outline: rectangle(middle, b.maxX - b.minX, high),
    middle,
    depthAt: ({ x, y }) => {
      const own = Math.abs(y - middle.y) <= high / 2 ? chord(x) : undefined;
      return own && own[1] - own[0];
    },
    toSpace: (p, depthMm): Vec3 => ({ x: -p.x, y: -((chord(p.x)?.[0] ?? b.minY) + depthMm), z: p.y }),
  };
}

/** A room with what stands in it: less deep where it must stay; what comes out whole is not in the way. */
export function withRibs(room: Room, rows: DonorParams['ribs']): Room {
  const ribs = rows.flatMap((row, i): Rib[] => {
    const outline = rectangle({ x: row.acrossMm, y: row.upMm }, row.wideMm, row.highMm);
    return row.fate === 'out' || largestRing(common([outline], [room.outline])).length < 3
      ? []
      : [
          {
            name: `rib ${i + 1}`,
            outline,
            tallMm: row.tallMm,
            ...(row.fate === 'stays' && { stays: true as const }),
          },
        ];
  });
  if (ribs.length === 0) return room;
  const inTheWay = (p: Vec2): number =>
    Math.max(0, ...ribs.filter((r) => r.stays && contains(r.outline, p)).map((r) => r.tallMm));
  return {
    ...room,
    ribs,
    depthAt: (p) => {
      const deep = room.depthAt(p);
      return deep && Math.max(0, deep - inTheWay(p));
    },
  };
}

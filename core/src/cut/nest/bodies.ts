import { boundsOf, convexHull, regionArea, signedArea, type Vec2 } from '../../geometry';
import type { Piece } from '../../panel';
import { firstOf, itemAt } from '../../units';
import { type Laid, laidOutline, outsideOf, type Sheet, type SheetSize, type ToLay } from '../sheets';
import { convexParts, simplerRound } from './convexParts';
import { type Body, bodyOf } from './depth';
import type { Lies, Room } from './separate';
import { solidOf } from './slide';
import { keptSolid, waysOf } from './ways';

/** How far the simpler solids that are searched with may go out of the true ones, as a share of the size; at most, mm. */
const SIMPLER = 0.005;
const SIMPLER_MM = 1.5;

/** The ways are those of the search in cells, of any size. */
const COARSE_MM = 10;

/** Parts that miss so much of a solid are none of it: its hull stands for it then. */
const WHOLE = 0.999;

/** How a piece is turned and flipped, where the box of its kept solid begins from its own origin, and its body so. */
interface Way extends Pick<Laid, 'flipped' | 'turnRad'> {
  minX: number;
  minY: number;
  body: number;
}

const isSame = (a: Pick<Way, 'flipped' | 'turnRad'>, b: Pick<Way, 'flipped' | 'turnRad'>): boolean =>
  a.flipped === b.flipped && Math.cos(a.turnRad - b.turnRad) > 1 - 1e-12;

/** Convex parts round a solid, simpler than it is. */
function partsRound(solid: readonly (readonly Vec2[])[]): Vec2[][] {
  const { rings } = solidOf(solid);
  const { minX, maxX, minY, maxY } = boundsOf([...firstOf(rings)]);
  const mostMm = Math.min(SIMPLER_MM, SIMPLER * Math.max(maxX - minX, maxY - minY));
  const parts = convexParts(rings.map((ring) => simplerRound(ring, mostMm)));
  const area = parts.reduce((sum, part) => sum + regionArea([part]), 0);
  return area >= WHOLE * regionArea(rings.map((r) => [...r])) ? parts : [convexHull([...firstOf(rings)])];
}

/** Everything that is laid, in each of its ways, and what lies still: a list of bodies, and layouts told by them. */
export class Bodies {
  readonly all: Body[] = [];
  private readonly ways = new Map<ToLay, { ways: Way[]; bodies: number[] }>();
  /** Copies of a piece, the mirrored ones too, share what they are alike in. */
  private readonly shared = new Map<Piece, Way[]>();
  private readonly parts = new Map<Piece, Vec2[][]>();

  constructor(
    private readonly size: SheetSize,
    private readonly spacingMm: number,
  ) {}

  /** @param parts convex, in any sense, of a solid whose outer ring is `outer`. */
  private add(
    parts: readonly Vec2[][],
    outer: readonly Vec2[],
  ): { body: number; minX: number; minY: number } {
    const box = boundsOf([...outer]);
    const turned = parts.map((part) => (signedArea(part) > 0 ? part : [...part].reverse()));
    return { body: this.all.push(bodyOf(turned, box)) - 1, minX: box.minX, minY: box.minY };
  }

  private partsOf(item: ToLay): Vec2[][] {
    let parts = this.parts.get(item.piece);
    if (!parts) this.parts.set(item.piece, (parts = partsRound(keptSolid(item, this.spacingMm))));
    return parts;
  }

  private addLaid(item: ToLay, at: Parameters<typeof laidOutline>[1]): ReturnType<Bodies['add']> {
    const outer = firstOf(keptSolid(item, this.spacingMm));
    return this.add(
      this.partsOf(item).map((part) => laidOutline(part, at)),
      laidOutline(outer, at),
    );
  }

  private addWay(item: ToLay, { flipped, turnRad }: Pick<Way, 'flipped' | 'turnRad'>): void {
    const copies = this.shared.get(item.piece) ?? [];
    this.shared.set(item.piece, copies);
    let way = copies.find((w) => isSame(w, { flipped, turnRad }));
    if (!way)
      copies.push((way = { flipped, turnRad, ...this.addLaid(item, { flipped, turnRad, x: 0, y: 0 }) }));
    const own = this.ways.get(item)!;
    own.ways.push(way);
    own.bodies.push(way.body);
  }

  /** Which of its ways a piece lies in: one more where it was laid by hand. */
  private wayOf(item: ToLay, laid: Laid): number {
    let own = this.ways.get(item);
    if (!own) {
      this.ways.set(item, (own = { ways: [], bodies: [] }));
      for (const way of waysOf(item, COARSE_MM, this.spacingMm, this.size.turns)) this.addWay(item, way);
    }
    const at = own.ways.findIndex((w) => isSame(w, laid));
    if (at >= 0) return at;
    this.addWay(item, laid);
    return own.ways.length - 1;
  }

  /** A piece where it lies on a sheet. */
  lies(item: ToLay, laid: Laid, room: number): Lies {
    const way = this.wayOf(item, laid);
    const { ways, bodies } = this.ways.get(item)!;
    const { minX, minY } = itemAt(ways, way);
    const edge = this.spacingMm / 2;
    return { ways: bodies, way, room, x: laid.x + minX - edge, y: laid.y + minY - edge };
  }

  /** The piece as it is kept on its sheet. */
  laid(item: ToLay, { way, x, y }: Lies): Laid {
    const { flipped, turnRad, minX, minY } = itemAt(this.ways.get(item)!.ways, way);
    const edge = this.spacingMm / 2;
    const at = { flipped, turnRad, x: x + edge - minX, y: y + edge - minY };
    const b = boundsOf(laidOutline(item.piece.outline, at));
    return {
      pieceId: item.piece.id,
      partId: item.partId,
      ...at,
      widthMm: b.maxX - b.minX,
      heightMm: b.maxY - b.minY,
      ...(flipped !== item.flipped && { over: true as const }),
    };
  }

  /** A sheet with what lies still on it: the outside of an offcut, and what is locked. */
  room(sheet: Sheet, locked: readonly { item: ToLay; laid: Laid }[]): Room {
    const edge = this.spacingMm / 2;
    const still = locked.map(({ item, laid }) => this.addLaid(item, laid));
    if (sheet.offcut) {
      const outside = outsideOf(sheet, sheet.offcut, edge);
      still.push(this.add(partsRound(outside), firstOf(outside)));
    }
    return {
      widthMm: sheet.widthMm - this.spacingMm,
      heightMm: sheet.heightMm - this.spacingMm,
      still: still.map(({ body, minX, minY }) => ({ body, x: minX - edge, y: minY - edge })),
    };
  }
}

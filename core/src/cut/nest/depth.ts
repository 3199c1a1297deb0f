import { type Bounds, boundsOf, signedArea, type Vec2 } from '../../geometry';

/** A convex part of a body: `x, y` of its corners, and of each edge its outward normal and how far out it lies. */
interface Part {
  corners: Float64Array;
  edges: Float64Array;
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
}

/** A solid in one of its ways, in convex parts; its box begins at nought. */
export interface Body {
  parts: readonly Part[];
  /** `minX, maxX, minY, maxY` of each part: parts whose boxes are apart are not looked at further. */
  boxes: Float64Array;
  widthMm: number;
  heightMm: number;
}

function partOf(corners: readonly Vec2[]): Part {
  const edges = corners.flatMap((a, i) => {
    const b = corners[(i + 1) % corners.length]!;
    const mm = Math.hypot(b.x - a.x, b.y - a.y);
    const [x, y] = [(b.y - a.y) / mm, (a.x - b.x) / mm];
    return mm < 1e-9 ? [] : [x, y, x * a.x + y * a.y];
  });
  return {
    corners: Float64Array.from(corners.flatMap((p) => [p.x, p.y])),
    edges: Float64Array.from(edges),
    ...boundsOf([...corners]),
  };
}

/**
 * @param parts convex, anticlockwise, wherever they lie.
 * @param box of the solid itself, out of which its parts may go a little.
 */
export function bodyOf(parts: readonly (readonly Vec2[])[], box: Bounds): Body {
  // The largest first: once it lies deep, the small ones need hardly be looked at.
  const own = [...parts]
    .sort((p, q) => signedArea([...q]) - signedArea([...p]))
    .map((part) => partOf(part.map((p) => ({ x: p.x - box.minX, y: p.y - box.minY }))));
  return {
    parts: own,
    boxes: Float64Array.from(own.flatMap((p) => [p.minX, p.maxX, p.minY, p.maxY])),
    widthMm: box.maxX - box.minX,
    heightMm: box.maxY - box.minY,
  };
}

/** The least of a part along a direction. */
function least({ corners }: Part, x: number, y: number): number {
  let found = Infinity;
  for (let i = 0; i < corners.length; i += 2) {
    const along = x * corners[i]! + y * corners[i + 1]!;
    if (along < found) found = along;
  }
  return found;
}

/** Numbers of regions, and pairs of parts, that are remembered at once. */
const MOST_NUMBERS = 1 << 23;
const MOST_PAIRS = 1 << 22;

/**
 * How far bodies lie in each other, by convex no-fit regions: for each part of the one and of the other, all places at
 * which they share some area. A region is drawn up when it is first asked for and kept with all others in one list of
 * numbers: how many edges, and for each its outward normal and how far out it lies.
 */
export class Depths {
  private numbers = new Float64Array(1 << 16);
  private end = 1;
  /** Where the region of each pair of parts begins; nought is not drawn up yet. And where those of two bodies begin. */
  private regions = new Int32Array(1 << 16);
  private last = 1;
  private readonly pairs: Int32Array;

  /** @param bodies that are ever laid, by their places in this list. */
  constructor(readonly bodies: readonly Body[]) {
    this.pairs = new Int32Array(bodies.length ** 2);
  }

  /**
   * How far a moving body lies in another: the least shift that takes the two parts that lie deepest in each other
   * apart, mm; nought where they do not share any area.
   * @param x, y of its box from the other's.
   */
  between(still: number, moving: number, x: number, y: number): number {
    const [a, b] = [this.bodies[still]!, this.bodies[moving]!];
    const [own, other] = [a.boxes, b.boxes];
    const count = b.parts.length;
    const pair = still * this.bodies.length + moving;
    let deepest = 0;
    for (let i = 0; i < own.length; i += 4) {
      const [minX, maxX, minY, maxY] = [own[i]! - x, own[i + 1]! - x, own[i + 2]! - y, own[i + 3]! - y];
      for (let k = 0; k < other.length; k += 4) {
        if (other[k]! >= maxX || other[k + 1]! <= minX || other[k + 2]! >= maxY || other[k + 3]! <= minY)
          continue;
        const first = this.pairs[pair]! || this.begun(pair, a.parts.length * count);
        const place = first + (i / 4) * count + k / 4;
        const at = this.regions[place]! || this.drawnUp(place, a.parts[i / 4]!, b.parts[k / 4]!);
        const { numbers } = this;
        const end = at + 1 + 3 * numbers[at]!;
        let deep = Infinity;
        for (let e = at + 1; e < end && deep > deepest; e += 3) {
          const d = numbers[e + 2]! - numbers[e]! * x - numbers[e + 1]! * y;
          if (d < deep) deep = d;
        }
        if (deep > deepest) deepest = deep;
      }
    }
    return deepest;
  }

  private forget(): void {
    this.pairs.fill(0);
    this.regions.fill(0, 0, this.last);
    [this.end, this.last] = [1, 1];
  }

  /** Room for the regions of two bodies. */
  private begun(pair: number, count: number): number {
    if (this.last + count > MOST_PAIRS || this.end > MOST_NUMBERS) this.forget();
    this.regions = withRoom(this.regions, this.last + count);
    const first = this.last;
    this.last += count;
    this.pairs[pair] = first;
    return first;
  }

  private drawnUp(place: number, a: Part, b: Part): number {
    const count = (a.edges.length + b.edges.length) / 3;
    this.numbers = withRoom(this.numbers, this.end + 1 + 3 * count);
    const { numbers } = this;
    const start = this.end;
    numbers[start] = count;
    let at = start + 1;
    for (let e = 0; e < a.edges.length; e += 3, at += 3) {
      const [x, y] = [a.edges[e]!, a.edges[e + 1]!];
      numbers[at] = x;
      numbers[at + 1] = y;
      numbers[at + 2] = a.edges[e + 2]! - least(b, x, y);
    }
    // Edges of the moving one face the other way.
    for (let e = 0; e < b.edges.length; e += 3, at += 3) {
      const [x, y] = [b.edges[e]!, b.edges[e + 1]!];
      numbers[at] = -x;
      numbers[at + 1] = -y;
      numbers[at + 2] = b.edges[e + 2]! - least(a, x, y);
    }
    this.end = at;
    this.regions[place] = start;
    return start;
  }
}

/** The same list, with room for so many. */
function withRoom<T extends Float64Array | Int32Array>(list: T, count: number): T {
  if (count <= list.length) return list;
  const longer = new (list.constructor as new (length: number) => T)(Math.max(count, 2 * list.length));
  longer.set(list);
  return longer;
}

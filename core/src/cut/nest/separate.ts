import type { Depths } from './depth';

/** A piece where it lies, by the corner of its box, mm from that of its room. */
export interface Lies {
  /** It may lie in any of these ways; bodies by their places in the list of them all. */
  ways: readonly number[];
  way: number;
  room: number;
  x: number;
  y: number;
}

/** What pieces are laid in, and what lies still in it. */
export interface Room {
  widthMm: number;
  heightMm: number;
  still: readonly { body: number; x: number; y: number }[];
}

/** How the weight of two that lie in each other grows with a round: by so much, and as much more by how deep; how it ebbs. */
const HEAVIER = 1.2;
const HEAVIEST = 0.8;
const LIGHTER = 0.95;

/** Spots by chance anywhere and near where it lies, and how many of the best are gone on from. */
const ANYWHERE = 24;
const NEARBY = 8;
const GO_ON = 3;
/** How near is near, as a share of the piece; the first step of going on, and the last, mm. */
const NEAR = 0.25;
const FIRST_STEP = 0.04;
const LAST_STEP_MM = 0.02;
/** Where little is left to go the last step is this share of it, and never less than that, mm. */
const FINER = 0.1;
const FINEST_MM = 1e-6;

/** What is no deeper is beside, mm. */
const BESIDE_MM = 5e-6;

const within = (mm: number, most: number): number => Math.max(0, Math.min(most, mm));

/** A spot, and what a piece costs there. */
interface Spot {
  room: number;
  way: number;
  x: number;
  y: number;
  cost: number;
}

/** Pieces in each other's way, and how much that weighs. What lies still counts as one more beside the pieces. */
class Crowd {
  readonly n: number;
  readonly weights: Float64Array;
  readonly depths: Float64Array;
  /** Where each lies, which body it is there, and its box. */
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  readonly room: Int32Array;
  readonly body: Int32Array;
  private readonly widths: Float64Array;
  private readonly heights: Float64Array;

  constructor(
    readonly lying: Lies[],
    readonly rooms: readonly Room[],
    private readonly regions: Depths,
  ) {
    const count = lying.length;
    this.n = count + 1;
    this.weights = new Float64Array(this.n * this.n).fill(1);
    this.depths = new Float64Array(this.n * this.n);
    [this.xs, this.ys, this.widths, this.heights] = [0, 1, 2, 3].map(() => new Float64Array(count)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    [this.room, this.body] = [new Int32Array(count), new Int32Array(count)];
    lying.forEach((l, i) => this.put(i, l));
    lying.forEach((_, i) => this.look(i));
  }

  bodyOf(i: number, way: number): { widthMm: number; heightMm: number } {
    return this.regions.bodies[this.lying[i]!.ways[way]!]!;
  }

  private put(i: number, { way, room, x, y }: Omit<Spot, 'cost'>): void {
    const own = this.lying[i]!;
    this.lying[i] = { ...own, way, room, x, y };
    const { widthMm, heightMm } = this.bodyOf(i, way);
    [this.xs[i], this.ys[i], this.room[i], this.body[i]] = [x, y, room, own.ways[way]!];
    [this.widths[i], this.heights[i]] = [widthMm, heightMm];
  }

  move(i: number, to: Omit<Spot, 'cost'>): void {
    this.put(i, to);
    this.look(i);
  }

  goesIn(i: number, way: number, room: number): boolean {
    const { widthMm, heightMm } = this.bodyOf(i, way);
    return widthMm <= this.rooms[room]!.widthMm && heightMm <= this.rooms[room]!.heightMm;
  }

  private depth(j: number, room: number, body: number, x: number, y: number): number {
    if (this.room[j] !== room) return 0;
    const [dx, dy] = [x - this.xs[j]!, y - this.ys[j]!];
    if (dx >= this.widths[j]! || dy >= this.heights[j]!) return 0;
    const { widthMm, heightMm } = this.regions.bodies[body]!;
    if (-dx >= widthMm || -dy >= heightMm) return 0;
    return this.regions.between(this.body[j]!, body, dx, dy);
  }

  private stillDepth(room: number, body: number, x: number, y: number): number {
    let sum = 0;
    for (const s of this.rooms[room]!.still) sum += this.regions.between(s.body, body, x - s.x, y - s.y);
    return sum;
  }

  /** What a piece costs at a spot; no further than `most`. */
  costAt(i: number, room: number, way: number, x: number, y: number, most: number): number {
    const { n, weights } = this;
    const body = this.lying[i]!.ways[way]!;
    const base = i * n;
    let cost =
      this.rooms[room]!.still.length > 0 ? weights[base + n - 1]! * this.stillDepth(room, body, x, y) : 0;
    for (let j = 0; j < n - 1 && cost < most; j++) {
      if (j === i) continue;
      const deep = this.depth(j, room, body, x, y);
      if (deep > 0) cost += weights[base + j]! * deep;
    }
    return cost;
  }

  /** Looks at a piece where it lies. */
  private look(i: number): void {
    const { n, depths } = this;
    const [room, body, x, y] = [this.room[i]!, this.body[i]!, this.xs[i]!, this.ys[i]!];
    for (let j = 0; j < n - 1; j++)
      if (j !== i) depths[i * n + j] = depths[j * n + i] = this.depth(j, room, body, x, y);
    depths[i * n + n - 1] = depths[(n - 1) * n + i] = this.stillDepth(room, body, x, y);
  }

  /** Whether a piece lies in another, or out of its room. */
  isInTheWay(i: number): boolean {
    const { n, depths } = this;
    for (let j = 0; j < n; j++) if (depths[i * n + j]! > BESIDE_MM) return true;
    return this.isOut(i);
  }

  isOut(i: number): boolean {
    return !this.goesIn(i, this.lying[i]!.way, this.room[i]!);
  }

  /** All depths together, mm; without end where one is out. */
  total(): number {
    if (this.lying.some((_, i) => this.isOut(i))) return Infinity;
    let sum = 0;
    for (const deep of this.depths) if (deep > BESIDE_MM) sum += deep / 2;
    return sum;
  }

  /** After every round what lies deepest in each other weighs most more, and what lies clear a little less. */
  weigh(): void {
    let deepest = BESIDE_MM;
    for (const deep of this.depths) deepest = Math.max(deepest, deep);
    for (let k = 0; k < this.depths.length; k++) {
      const deep = this.depths[k]!;
      const times = deep > BESIDE_MM ? HEAVIER + HEAVIEST * (deep / deepest) : LIGHTER;
      this.weights[k] = Math.max(1, this.weights[k]! * times);
    }
  }
}

/** Goes on from a spot to where it costs least round there: a step any way, longer when it helps, shorter when not. */
function settled(crowd: Crowd, i: number, from: Spot, random: () => number): Spot {
  const { room, way } = from;
  const { widthMm, heightMm } = crowd.bodyOf(i, way);
  const [mostX, mostY] = [crowd.rooms[room]!.widthMm - widthMm, crowd.rooms[room]!.heightMm - heightMm];
  let step = FIRST_STEP * Math.max(widthMm, heightMm);
  let { x, y, cost } = from;
  while (cost > 0 && step > Math.max(FINEST_MM, Math.min(LAST_STEP_MM, FINER * cost))) {
    const aim = 2 * Math.PI * random();
    const [dx, dy] = [step * Math.cos(aim), step * Math.sin(aim)];
    let better = false;
    for (let side = 1; side >= -1 && !better; side -= 2) {
      const [nextX, nextY] = [within(x + side * dx, mostX), within(y + side * dy, mostY)];
      const next = crowd.costAt(i, room, way, nextX, nextY, cost);
      if (next < cost) {
        [x, y, cost] = [nextX, nextY, next];
        better = true;
      }
    }
    step *= better ? 1.2 : 0.6;
  }
  return { room, way, x, y, cost };
}

/** Where a piece costs least, among spots by chance anywhere and near where it lies. */
function bestSpot(crowd: Crowd, i: number, random: () => number): Spot | undefined {
  const own = crowd.lying[i]!;
  const { rooms } = crowd;
  const found: Spot[] = [];
  const attempt = (room: number, way: number, x: number, y: number): void => {
    const most = found.length < GO_ON ? Infinity : found[GO_ON - 1]!.cost;
    const cost = crowd.costAt(i, room, way, x, y, most);
    if (cost >= most) return;
    const at = found.findIndex((f) => f.cost > cost);
    found.splice(at < 0 ? found.length : at, 0, { room, way, x, y, cost });
    if (found.length > GO_ON) found.pop();
  };
  if (!crowd.isOut(i)) {
    const { widthMm, heightMm } = crowd.bodyOf(i, own.way);
    const [mostX, mostY] = [rooms[own.room]!.widthMm - widthMm, rooms[own.room]!.heightMm - heightMm];
    for (let k = 0; k <= NEARBY; k++) {
      const [ax, ay] =
        k === 0 ? [0, 0] : [NEAR * widthMm * (2 * random() - 1), NEAR * heightMm * (2 * random() - 1)];
      attempt(own.room, own.way, within(own.x + ax, mostX), within(own.y + ay, mostY));
    }
  }
  for (let k = 0; k < ANYWHERE; k++) {
    const room = Math.floor(random() * rooms.length);
    const way = Math.floor(random() * own.ways.length);
    const [x, y] = [random(), random()];
    if (!crowd.goesIn(i, way, room)) continue;
    const { widthMm, heightMm } = crowd.bodyOf(i, way);
    attempt(room, way, x * (rooms[room]!.widthMm - widthMm), y * (rooms[room]!.heightMm - heightMm));
  }
  let best: Spot | undefined;
  for (const from of found) {
    const spot = settled(crowd, i, from, random);
    if (!best || spot.cost < best.cost) best = spot;
    if (best.cost === 0) break;
  }
  return best;
}

/** A list in an order of chance (Fisher and Yates). */
function mixed(list: readonly number[], random: () => number): number[] {
  const next = [...list];
  for (let i = next.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [next[i], next[j]] = [next[j]!, next[i]!];
  }
  return next;
}

/**
 * Pieces moved until none lies in another: whichever does goes where it does least, anywhere between cells, and what
 * goes on lying in each other weighs more and more (guided local search; Voudouris and Tsang, 1999; on layouts, Egeblad,
 * Nielsen and Odgaard, 2007).
 * @param idle rounds that come to nothing better, one after another, before it is given up.
 * @returns the pieces where none lies in another, or where they lay least in each other.
 */
export function* separated(
  start: readonly Lies[],
  rooms: readonly Room[],
  regions: Depths,
  random: () => number,
  idle: number,
): Generator<void, { lying: Lies[]; depthMm: number }> {
  const crowd = new Crowd(
    start.map((l) => {
      const { widthMm, heightMm } = regions.bodies[l.ways[l.way]!]!;
      const room = rooms[l.room]!;
      return { ...l, x: within(l.x, room.widthMm - widthMm), y: within(l.y, room.heightMm - heightMm) };
    }),
    rooms,
    regions,
  );
  let best = { lying: [...crowd.lying], depthMm: Infinity };
  for (let n = 0; n < idle; n++) {
    for (const i of mixed(
      crowd.lying.map((_, k) => k),
      random,
    )) {
      if (!crowd.isInTheWay(i)) continue;
      const spot = bestSpot(crowd, i, random);
      if (spot) crowd.move(i, spot);
      yield;
    }
    const depthMm = crowd.total();
    if (depthMm < best.depthMm) {
      if (depthMm < 0.98 * best.depthMm) n = -1;
      best = { lying: [...crowd.lying], depthMm };
    }
    if (depthMm === 0) return best;
    crowd.weigh();
  }
  return best;
}

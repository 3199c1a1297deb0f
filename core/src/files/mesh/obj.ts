import type { Mesh } from '../../geometry';
import { fail, ok, type Result } from '../../units';

/** A face has at most so many corners. */
const MOST_CORNERS = 1000;

/** Numbers of corners above this name none: no file is that long, and they would not fit their row. */
const LAST_CORNER = 2 ** 31 - 1;

const LINE_FEED = 10;
const SPACE = 32;
const BACKSLASH = 92;
const [MINUS, PLUS, POINT, SLASH, NOUGHT, NINE] = [45, 43, 46, 47, 48, 57];
const [V, F] = [118, 102];
const [E_SMALL, E_LARGE] = [101, 69];

/** Powers of ten that a double holds exactly. */
const TENS = Array.from({ length: 23 }, (_, i) => Number(`1e${i}`));
/** Whole numbers below this are exact, so that one division or multiplication rounds as it should (Clinger, 1990). */
const EXACT = 2 ** 53 / 10 - 1;

/** Reads along the bytes, word by word, without making text of them. */
class Words {
  at = 0;
  line = 1;
  constructor(readonly bytes: Uint8Array) {}

  get ended(): boolean {
    return this.at >= this.bytes.length;
  }

  /** Passes blanks; a backslash at the end of a line goes on in the next. @returns whether a word of this line follows. */
  next(): boolean {
    const { bytes } = this;
    for (; this.at < bytes.length; this.at++) {
      const c = bytes[this.at]!;
      if (c === LINE_FEED) return false;
      if (c === BACKSLASH && this.continues()) continue;
      if (c > SPACE) return true;
    }
    return false;
  }

  private continues(): boolean {
    const skip = this.bytes[this.at + 1] === 13 ? 2 : 1;
    if (this.bytes[this.at + skip] !== LINE_FEED) return false;
    this.at += skip;
    this.line++;
    return true;
  }

  skipWord(): void {
    while (this.at < this.bytes.length && this.bytes[this.at]! > SPACE) this.at++;
  }

  skipLine(): void {
    const end = this.bytes.indexOf(LINE_FEED, this.at);
    this.at = end < 0 ? this.bytes.length : end + 1;
    this.line++;
  }

  /** A decimal number; NaN where the word is none. */
  decimal(): number {
    const { bytes } = this;
    const start = this.at;
    let i = start;
    const sign = bytes[i];
    if (sign === MINUS || sign === PLUS) i++;
    let whole = 0;
    let digits = 0;
    let shift = 0;
    let simple = true;
    for (let behind = false; ; i++) {
      const c = bytes[i] ?? 0;
      if (c === POINT && !behind) behind = true;
      else if (c >= NOUGHT && c <= NINE) {
        digits++;
        if (whole > EXACT) simple = false;
        whole = whole * 10 + (c - NOUGHT);
        if (behind) shift++;
      } else break;
    }
    const stopped = bytes[i] ?? 0;
    if (stopped > SPACE || shift >= TENS.length || !simple || digits === 0) {
      this.skipWord();
      // Exponents and very long numbers are left to the platform.
      const plain = digits > 0 && (stopped <= SPACE || stopped === E_SMALL || stopped === E_LARGE);
      return plain ? Number(new TextDecoder().decode(bytes.subarray(start, this.at))) : NaN;
    }
    this.at = i;
    return (sign === MINUS ? -whole : whole) / TENS[shift]!;
  }

  /** The number of a corner before its first slash; NaN where there is none. */
  corner(): number {
    const { bytes } = this;
    let i = this.at;
    const back = bytes[i] === MINUS;
    if (back) i++;
    const start = i;
    let whole = 0;
    for (let c = bytes[i] ?? 0; c >= NOUGHT && c <= NINE; c = bytes[++i] ?? 0)
      whole = whole * 10 + (c - NOUGHT);
    const c = bytes[i] ?? 0;
    const plain = i > start && (c <= SPACE || c === SLASH) && whole <= LAST_CORNER;
    this.at = i;
    this.skipWord();
    if (!plain) return NaN;
    return back ? -whole : whole;
  }
}

/** Numbers in a row, in room that doubles. */
class Row<T extends Float64Array | Int32Array> {
  count = 0;
  constructor(
    private held: T,
    private readonly make: (length: number) => T,
  ) {}
  push(value: number): void {
    if (this.count === this.held.length) {
      const larger = this.make(2 * this.count);
      larger.set(this.held);
      this.held = larger;
    }
    this.held[this.count++] = value;
  }
  get values(): T {
    return this.held.subarray(0, this.count) as T;
  }
}

/**
 * Reads the corners and faces of an OBJ file, byte by byte into plain rows of numbers; faces of more than three corners
 * become fans. Everything else in it is passed over.
 * @returns the mesh, or the line that breaks it, in a sentence.
 */
export function readObj(bytes: Uint8Array, mostTriangles: number): Result<Mesh> {
  const words = new Words(bytes);
  const places = new Row(new Float64Array(3 << 12), (n) => new Float64Array(n));
  const corners = new Row(new Int32Array(3 << 13), (n) => new Int32Array(n));
  for (; !words.ended; words.skipLine()) {
    if (!words.next()) continue;
    const { line } = words;
    const kind = bytes[words.at];
    if ((kind !== V && kind !== F) || (bytes[words.at + 1] ?? 0) > SPACE) continue;
    words.at++;
    if (kind === V) {
      for (let k = 0; k < 3; k++) places.push(words.next() ? words.decimal() : NaN);
      continue;
    }
    const known = places.count / 3;
    let [first, last, found] = [0, 0, 0];
    for (; words.next(); found++) {
      const named = words.corner();
      // Counted from one, or backwards from the last that is known; what is no number names none.
      const v = Number.isNaN(named) ? -1 : named < 0 ? known + named : named - 1;
      if (found === 0) first = v;
      if (found >= 2 && found < MOST_CORNERS) {
        corners.push(first);
        corners.push(last);
        corners.push(v);
      }
      last = v;
    }
    if (found > MOST_CORNERS)
      return fail(`Line ${line}: a face of ${found} corners; at most ${MOST_CORNERS} are read.`);
    if (corners.count > 3 * mostTriangles) return fail(`Line ${line}: more than ${mostTriangles} triangles.`);
  }
  const [p, c] = [places.values, corners.values];
  return ok({
    points: Array.from({ length: p.length / 3 }, (_, i) => ({
      x: p[3 * i]!,
      y: p[3 * i + 1]!,
      z: p[3 * i + 2]!,
    })),
    triangles: Array.from({ length: c.length / 3 }, (_, t) => [c[3 * t]!, c[3 * t + 1]!, c[3 * t + 2]!]),
  });
}

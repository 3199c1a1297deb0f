/**
 * Values on their way between threads: long lists of points and of rows of numbers go as one array of numbers, which
 * is handed over instead of being copied and read object by object.
 */
interface Packed {
  /** No other object that is sent has a field of this name. */
  $numbers: 'xyz' | 'xy' | 'rows' | 'single';
  width: number;
  data: Float64Array;
}

/** Shorter lists are sent as they are. */
const LEAST = 8;

const fieldsOf = { xyz: ['x', 'y', 'z'], xy: ['x', 'y'] } as const;

const isNumbers = (list: readonly unknown[]): list is number[] => list.every((n) => typeof n === 'number');

/** What all members of a list are, as far as they can go as numbers. */
function kindOf(list: readonly unknown[]): Omit<Packed, 'data'> | undefined {
  const [first] = list;
  if (typeof first === 'number') return isNumbers(list) ? { $numbers: 'single', width: 1 } : undefined;
  if (Array.isArray(first)) {
    const width = first.length;
    const alike =
      width > 0 && list.every((row) => Array.isArray(row) && row.length === width && isNumbers(row));
    return alike ? { $numbers: 'rows', width } : undefined;
  }
  if (typeof first !== 'object' || first === null) return undefined;
  const $numbers = 'z' in first ? 'xyz' : 'xy';
  const fields = fieldsOf[$numbers];
  const points = list.every((p) => {
    if (typeof p !== 'object' || p === null) return false;
    let count = 0;
    for (const key in p) {
      if (key !== fields[count] || typeof (p as Record<string, unknown>)[key] !== 'number') return false;
      count++;
    }
    return count === fields.length;
  });
  return points ? { $numbers, width: fields.length } : undefined;
}

function packList(list: readonly unknown[]): Packed | undefined {
  if (list.length < LEAST) return undefined;
  const kind = kindOf(list);
  if (!kind) return undefined;
  const { $numbers, width } = kind;
  const data = new Float64Array(list.length * width);
  let at = 0;
  for (const one of list) {
    if ($numbers === 'single') data[at++] = one as number;
    else if ($numbers === 'rows') for (const n of one as number[]) data[at++] = n;
    else for (const key of fieldsOf[$numbers]) data[at++] = (one as Record<string, number>)[key]!;
  }
  return { ...kind, data };
}

/** Packs values that go together: what is the same object in several of them is packed once, and arrives as one. */
export function createPacker(): { pack: (value: unknown) => unknown; buffers: ArrayBuffer[] } {
  const done = new Map<object, unknown>();
  const buffers: ArrayBuffer[] = [];
  const pack = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return value;
    const before = done.get(value);
    if (before !== undefined) return before;
    let out: unknown;
    if (Array.isArray(value)) {
      const packed = packList(value);
      if (packed) buffers.push(packed.data.buffer as ArrayBuffer);
      out = packed ?? value.map(pack);
    } else out = Object.fromEntries(Object.entries(value).map(([key, of]) => [key, pack(of)]));
    done.set(value, out);
    return out;
  };
  return { pack, buffers };
}

function unpackList({ $numbers, width, data }: Packed): unknown[] {
  if ($numbers === 'single') return Array.from(data);
  const length = data.length / width;
  const out = new Array<unknown>(length);
  for (let i = 0, at = 0; i < length; i++, at += width)
    out[i] =
      $numbers === 'xyz'
        ? { x: data[at], y: data[at + 1], z: data[at + 2] }
        : $numbers === 'xy'
          ? { x: data[at], y: data[at + 1] }
          : Array.from(data.subarray(at, at + width));
  return out;
}

/** Unpacks what a packer has packed together. */
export function createUnpacker(): (value: unknown) => unknown {
  const done = new Map<object, unknown>();
  const unpack = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return value;
    const before = done.get(value);
    if (before !== undefined) return before;
    const out = Array.isArray(value)
      ? value.map(unpack)
      : '$numbers' in value
        ? unpackList(value as Packed)
        : Object.fromEntries(Object.entries(value).map(([key, of]) => [key, unpack(of)]));
    done.set(value, out);
    return out;
  };
  return unpack;
}

import { fail, ok, type Result } from '../../units';

export const PLY_SHORT = 'The PLY file ends before its last face.';

const PLY_HOLLOW = 'The PLY header promises elements without properties.';

/** Bytes of PLY's types, by its own words for them, old and new. */
const sizes: Record<string, number> = {
  char: 1,
  int8: 1,
  uchar: 1,
  uint8: 1,
  short: 2,
  int16: 2,
  ushort: 2,
  uint16: 2,
  int: 4,
  int32: 4,
  uint: 4,
  uint32: 4,
  float: 4,
  float32: 4,
  double: 8,
  float64: 8,
};

/** Bytes before the triangles of a binary STL: a header and their count. */
const STL_HEAD = 84;
const STL_TRIANGLE = 50;

/** What is wrong with the size of an STL file, told before it is read; nothing when it is as long as it says. */
export function stlFault(bytes: Uint8Array): string | undefined {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 1024));
  if (head.trimStart().startsWith('solid') && /\bfacet\b|\bendsolid\b/.test(head)) return undefined;
  if (bytes.length < STL_HEAD) return 'The STL file ends within its header.';
  const count = new DataView(bytes.buffer, bytes.byteOffset).getUint32(STL_HEAD - 4, true);
  return bytes.length < STL_HEAD + count * STL_TRIANGLE
    ? `The STL file ends before the last of its ${count} triangles.`
    : undefined;
}

/** What a PLY header promises. */
export interface PlyPromise {
  faces: number;
}

/** Blank-parted words of each line. */
const linesOf = (text: string): string[][] => text.split(/\r?\n/).map((line) => line.trim().split(/\s+/));

/**
 * Reads a PLY header. A list holds its count and, of a face, three corners at least; in text every number takes two
 * characters at least. @returns what it promises, or what is wrong.
 */
export function plyPromise(bytes: Uint8Array): Result<PlyPromise> {
  const unclear = fail('The PLY header cannot be understood.');
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 100_000));
  const end = /end_header\r?\n/.exec(head);
  const format = /format (ascii|binary_little_endian|binary_big_endian)/.exec(head)?.[1];
  if (!end || !format) return unclear;
  let [leastBytes, faces, count, properties] = [0, 0, 0, 1];
  for (const [word, first = '', second = '', third = '', name = ''] of linesOf(head.slice(0, end.index))) {
    if (word === 'element') {
      // Elements that hold nothing cost no bytes, however many are promised.
      if (properties === 0 && count > 0) return fail(PLY_HOLLOW);
      properties = 0;
      count = Number(second);
      if (!Number.isInteger(count) || count < 0) return unclear;
      if (first === 'face') faces = count;
    }
    if (word !== 'property') continue;
    properties++;
    const kinds =
      first === 'list' ? [second, ...(name.startsWith('vert') ? [third, third, third] : [])] : [first];
    for (const kind of kinds) {
      const size = sizes[kind];
      if (size === undefined) return unclear;
      leastBytes += count * (format === 'ascii' ? 2 : size);
    }
  }
  if (properties === 0 && count > 0) return fail(PLY_HOLLOW);
  // The very last number of a text may go without the blank behind it.
  return bytes.length - end.index - end[0].length + 1 < leastBytes ? fail(PLY_SHORT) : ok({ faces });
}

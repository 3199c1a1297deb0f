import type { Mesh } from '../../geometry';
import { fail, ok, type Result } from '../../units';

type Kind = 'int8' | 'uint8' | 'int16' | 'uint16' | 'int32' | 'uint32' | 'float32' | 'float64';

/** PLY's own words for its types, old and new. */
const kinds: Record<string, Kind> = {
  char: 'int8',
  int8: 'int8',
  uchar: 'uint8',
  uint8: 'uint8',
  short: 'int16',
  int16: 'int16',
  ushort: 'uint16',
  uint16: 'uint16',
  int: 'int32',
  int32: 'int32',
  uint: 'uint32',
  uint32: 'uint32',
  float: 'float32',
  float32: 'float32',
  double: 'float64',
  float64: 'float64',
};

interface Property {
  name: string;
  kind: Kind;
  /** Type of the count, for a list. */
  listOf?: Kind;
}

interface Element {
  name: string;
  count: number;
  properties: Property[];
}

/** The next number of the body. */
type Reader = (kind: Kind) => number;

function textReader(body: string): Reader {
  const words = body.split(/\s+/).filter((w) => w !== '');
  let at = 0;
  return () => {
    if (at >= words.length) throw new RangeError();
    return Number(words[at++]);
  };
}

function binaryReader(bytes: Uint8Array, from: number, little: boolean): Reader {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = from;
  const read: Record<Kind, [number, (at: number) => number]> = {
    int8: [1, (i) => view.getInt8(i)],
    uint8: [1, (i) => view.getUint8(i)],
    int16: [2, (i) => view.getInt16(i, little)],
    uint16: [2, (i) => view.getUint16(i, little)],
    int32: [4, (i) => view.getInt32(i, little)],
    uint32: [4, (i) => view.getUint32(i, little)],
    float32: [4, (i) => view.getFloat32(i, little)],
    float64: [8, (i) => view.getFloat64(i, little)],
  };
  return (kind) => {
    const [size, get] = read[kind];
    const value = get(at);
    at += size;
    return value;
  };
}

/** What the header says comes; undefined when it cannot be understood. */
function elementsOf(header: string): Element[] | undefined {
  const elements: Element[] = [];
  for (const line of header.split(/\r?\n/)) {
    const words = line.trim().split(/\s+/);
    if (words[0] === 'element') elements.push({ name: words[1]!, count: Number(words[2]), properties: [] });
    if (words[0] !== 'property') continue;
    const list = words[1] === 'list';
    const kind = kinds[words[list ? 3 : 1] ?? ''];
    const listOf = list ? kinds[words[2] ?? ''] : undefined;
    if (!kind || (list && !listOf) || elements.length === 0) return undefined;
    elements.at(-1)!.properties.push({ name: words.at(-1)!, kind, ...(listOf && { listOf }) });
  }
  return elements;
}

/** PLY, text or binary of either byte order: `x`, `y`, `z` of vertices and lists of faces, whatever else is there. */
export function readPly(bytes: Uint8Array): Result<Mesh> {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 100_000));
  const end = /end_header\r?\n/.exec(head);
  const format = /format (ascii|binary_little_endian|binary_big_endian)/.exec(head)?.[1];
  const elements = end && elementsOf(head.slice(0, end.index));
  if (!end || !format || !elements) return fail('The PLY header cannot be understood.');
  const from = end.index + end[0].length;
  const next =
    format === 'ascii'
      ? textReader(new TextDecoder().decode(bytes.subarray(from)))
      : binaryReader(bytes, from, format === 'binary_little_endian');
  const mesh: Mesh = { points: [], triangles: [] };
  try {
    for (const { name, count, properties } of elements) {
      for (let i = 0; i < count; i++) {
        const point = { x: NaN, y: NaN, z: NaN };
        for (const { name: key, kind, listOf } of properties) {
          const size = listOf ? next(listOf) : 1;
          const values = Array.from({ length: size }, () => next(kind));
          if (name === 'vertex' && (key === 'x' || key === 'y' || key === 'z')) point[key] = values[0]!;
          if (name === 'face' && listOf && key.startsWith('vert'))
            for (let k = 2; k < size; k++) mesh.triangles.push([values[0]!, values[k - 1]!, values[k]!]);
        }
        if (name === 'vertex') mesh.points.push(point);
      }
    }
  } catch (error) {
    if (error instanceof RangeError) return fail('The PLY file ends before its last face.');
    throw error;
  }
  return ok(mesh);
}

import { type Eye, seen } from './eye';
import { type Frame, inFrame } from './frame';
import { cornerNormals } from './normals';
import type { Shown } from './shown';

/** What is seen at every pixel: which thing, how near, and which way its face looks; −1 where there is nothing. */
export interface Raster {
  width: number;
  height: number;
  of: Int32Array;
  near: Float32Array;
  /** x to the right, y up, z to the eye, three by three; empty where it was not asked for. */
  normal: Float32Array;
}

interface Corner {
  x: number;
  y: number;
  z: number;
}

/**
 * Everything that is shown, the nearest first at every pixel.
 * @param ways whether the ways faces look are wanted too.
 */
export function rasterOf(shown: readonly Shown[], eye: Eye, frame: Frame, ways = false): Raster {
  const { width, height } = frame;
  const of = new Int32Array(width * height).fill(-1);
  const near = new Float32Array(width * height).fill(-Infinity);
  const normal = new Float32Array(ways ? width * height * 3 : 0);
  const known = new Map<Shown['mesh'], Corner[]>();
  shown.forEach(({ mesh, from, to }, index) => {
    const at =
      known.get(mesh) ??
      mesh.points.map((p): Corner => {
        const s = seen(eye, p);
        return { ...inFrame(frame, s), z: s.z };
      });
    known.set(mesh, at);
    const normals = ways ? cornerNormals(mesh) : undefined;
    const { right, up, out } = eye;
    for (let t = from; t < to; t++) {
      const [i, k, l] = mesh.triangles[t]!;
      const [a, b, c] = [at[i]!, at[k]!, at[l]!];
      const area = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
      if (Math.abs(area) < 1e-9) continue;
      const left = Math.max(0, Math.ceil(Math.min(a.x, b.x, c.x) - 0.5));
      const most = Math.min(width - 1, Math.floor(Math.max(a.x, b.x, c.x) - 0.5));
      const top = Math.max(0, Math.ceil(Math.min(a.y, b.y, c.y) - 0.5));
      const low = Math.min(height - 1, Math.floor(Math.max(a.y, b.y, c.y) - 0.5));
      for (let y = top; y <= low; y++)
        for (let x = left; x <= most; x++) {
          const [px, py] = [x + 0.5, y + 0.5];
          const wa = ((b.x - px) * (c.y - py) - (b.y - py) * (c.x - px)) / area;
          const wb = ((c.x - px) * (a.y - py) - (c.y - py) * (a.x - px)) / area;
          const wc = 1 - wa - wb;
          if (wa < -1e-9 || wb < -1e-9 || wc < -1e-9) continue;
          const z = wa * a.z + wb * b.z + wc * c.z;
          const pixel = y * width + x;
          if (z <= near[pixel]!) continue;
          near[pixel] = z;
          of[pixel] = index;
          if (!normals) continue;
          const n = t * 9;
          const nx = wa * normals[n]! + wb * normals[n + 3]! + wc * normals[n + 6]!;
          const ny = wa * normals[n + 1]! + wb * normals[n + 4]! + wc * normals[n + 7]!;
          const nz = wa * normals[n + 2]! + wb * normals[n + 5]! + wc * normals[n + 8]!;
          const towards = nx * out.x + ny * out.y + nz * out.z;
          // Both sides of a face are seen alike.
          const side = towards < 0 ? -1 : 1;
          const size = side * (Math.hypot(nx, ny, nz) || 1);
          normal[pixel * 3] = (nx * right.x + ny * right.y + nz * right.z) / size;
          normal[pixel * 3 + 1] = (nx * up.x + ny * up.y + nz * up.z) / size;
          normal[pixel * 3 + 2] = towards / size;
        }
    }
  });
  return { width, height, of, near, normal };
}

/** The ids that are seen, and on how many pixels each. */
export function visibleIn({ of }: Raster, shown: readonly Shown[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const index of of) {
    const id = shown[index]?.id;
    if (id !== undefined) counts.set(id, (counts.get(id) ?? 0) + 1);
  }
  return counts;
}

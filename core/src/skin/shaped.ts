import { itemAt } from '../units';
import { add3, cross3, dot3, length3, type Mesh, scale3, sub3, unit3, type Vec3 } from '../geometry';

/** How a surface is set: its size, where it stands, how it is turned, and where it is widened. */
export interface Setting {
  /** Of the size in the file. */
  scale: number;
  /** About the upright, then nodding forwards; radians. */
  turnRad: number;
  nodRad: number;
  /** Where its middle across and ahead, and its lower edge, come to lie. */
  at: Vec3;
  /** Drawn apart sideways between two heights over its lower edge, by so much on either side. */
  wide: { fromMm: number; toMm: number; byMm: number };
}

/** Over so much above and below a widened stretch it fades out, mm. */
const FADES_MM = 45;

/** The surface at its size and place. */
export function setAs({ points, triangles }: Mesh, { scale, turnRad, nodRad, at, wide }: Setting): Mesh {
  const [ct, st, cn, sn] = [Math.cos(turnRad), Math.sin(turnRad), Math.cos(nodRad), Math.sin(nodRad)];
  const turned = points.map((p): Vec3 => {
    const [x, y, z] = [p.x * scale, p.y * scale, p.z * scale];
    const [u, v] = [x * ct - y * st, x * st + y * ct];
    return { x: u, y: v * cn + z * sn, z: z * cn - v * sn };
  });
  const span = (key: keyof Vec3): [number, number] =>
    turned.reduce<[number, number]>(
      ([low, high], p) => [Math.min(low, p[key]), Math.max(high, p[key])],
      [Infinity, -Infinity],
    );
  const [[x0, x1], [y0, y1], [z0]] = [span('x'), span('y'), span('z')];
  const middle = { x: (x0 + x1) / 2, y: (y0 + y1) / 2 };
  const [low, high] = [Math.min(wide.fromMm, wide.toMm), Math.max(wide.fromMm, wide.toMm)];
  const half = Math.max(1, (x1 - x0) / 2);
  return {
    triangles,
    points: turned.map((p) => {
      const z = p.z - z0;
      const away = Math.max(0, low - z, z - high);
      const share = away >= FADES_MM ? 0 : (1 + Math.cos((Math.PI * away) / FADES_MM)) / 2;
      const x = p.x - middle.x;
      return {
        x: at.x + x + wide.byMm * share * Math.max(-1, Math.min(1, x / half)),
        y: at.y + p.y - middle.y,
        z: at.z + z,
      };
    }),
  };
}

/** No corner is moved further than this many times the distance. */
const MITRE = 2;
/** A face that would turn by more than this holds its corners back: the cosine, the share that is left, and the tries. */
const TURNED = 0.3;
const HELD = 0.6;
const TRIES = 14;

/**
 * The surface moved out by a distance (in when negative), every point along the mean of the faces round it, mitred. Where
 * it is narrower than that, points are held back so that no face turns over.
 * @returns the surface, and how many of its points were held back.
 */
export function movedOut({ points, triangles }: Mesh, mm: number): { mesh: Mesh; held: number } {
  if (mm === 0) return { mesh: { points, triangles }, held: 0 };
  const faceOf = (of: readonly Vec3[], [a, b, c]: readonly [number, number, number]): Vec3 =>
    cross3(sub3(itemAt(of, b), itemAt(of, a)), sub3(itemAt(of, c), itemAt(of, a)));
  const faces = triangles.map((t) => faceOf(points, t));
  const sums = points.map((): Vec3 => ({ x: 0, y: 0, z: 0 }));
  triangles.forEach((t, i) => t.forEach((v) => (sums[v] = add3(itemAt(sums, v), itemAt(faces, i)))));
  const normals = sums.map((s) => (length3(s) > 1e-9 ? unit3(s) : s));
  const cos = points.map(() => ({ sum: 0, area: 0 }));
  triangles.forEach((t, i) => {
    const area = length3(itemAt(faces, i));
    if (area < 1e-9) return;
    t.forEach((v) => {
      itemAt(cos, v).sum += dot3(itemAt(normals, v), itemAt(faces, i));
      itemAt(cos, v).area += area;
    });
  });
  const by = cos.map(({ sum, area }) => mm / Math.max(1 / MITRE, area > 0 ? sum / area : 1));
  const held = new Set<number>();
  let made = points;
  for (let k = 0; k < TRIES; k++) {
    made = points.map((p, v) => add3(p, scale3(itemAt(normals, v), itemAt(by, v))));
    const back = new Set<number>();
    triangles.forEach((t, i) => {
      const face = faceOf(made, t);
      if (dot3(face, itemAt(faces, i)) < TURNED * length3(face) * length3(itemAt(faces, i)))
        t.forEach((v) => back.add(v));
    });
    if (back.size === 0) break;
    for (const v of back) {
      held.add(v);
      by[v]! *= HELD;
    }
  }
  return { mesh: { points: made, triangles }, held: held.size };
}

import { BufferGeometry, Float32BufferAttribute, Vector3 } from 'three';

/** Scratches on a part that has as many as can be, and how long they are, mm. */
const MOST = 160;
const LONG_MM = [4, 26] as const;

/** Numbers from 0 to 1 that are the same every time. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) % 4_294_967_296;
    return state / 4_294_967_296;
  };
}

/** Scratches over a solid, spread by area: short lines in its faces, always the same ones. */
export function scratchLines(solid: BufferGeometry, amount: number): BufferGeometry {
  const position = solid.getAttribute('position');
  const count = Math.floor(position.count / 3);
  const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()];
  const corners = (t: number): void => {
    a.fromBufferAttribute(position, t * 3);
    b.fromBufferAttribute(position, t * 3 + 1).sub(a);
    c.fromBufferAttribute(position, t * 3 + 2).sub(a);
  };
  const until = new Float64Array(count);
  let whole = 0;
  for (let t = 0; t < count; t++) {
    corners(t);
    whole += b.cross(c).length() / 2;
    until[t] = whole;
  }
  const next = numbers(7);
  const points: number[] = [];
  for (let i = 0; i < Math.round(MOST * amount) && whole > 0; i++) {
    const at = next() * whole;
    const t = until.findIndex((u) => u >= at);
    corners(Math.max(0, t));
    const [u, v] = [next(), next()].map((s) => s * 0.5) as [number, number];
    const middle = a.clone().addScaledVector(b, u).addScaledVector(c, v);
    const normal = b.clone().cross(c).normalize();
    const way = b
      .clone()
      .normalize()
      .applyAxisAngle(normal, next() * Math.PI);
    const half = (LONG_MM[0] + next() ** 2 * (LONG_MM[1] - LONG_MM[0])) / 2;
    middle.addScaledVector(normal, 0.25);
    points.push(
      ...middle.clone().addScaledVector(way, -half).toArray(),
      ...middle.clone().addScaledVector(way, half).toArray(),
    );
  }
  return new BufferGeometry().setAttribute('position', new Float32BufferAttribute(points, 3));
}

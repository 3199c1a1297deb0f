import { add3, dist3, type Mesh, scale3 } from '../geometry';
import { edgeKey, edgesOf } from './charted';

/** Openings with a rim no longer than this are cut out of a piece that runs on round them, mm: eyes, mouths, vents. */
const MOST_RIM_MM = 260;

/**
 * A surface with its smaller openings spanned, so that pieces run on over them; each opening is the run of vertices round
 * it. The longest rim stays open whatever it is.
 */
export function spanned(mesh: Mesh): { mesh: Mesh; openings: number[][] } {
  const next = new Map<number, number[]>();
  const beside = edgesOf(mesh);
  for (const t of mesh.triangles)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [t[k]!, t[(k + 1) % 3]!];
      if (beside.get(edgeKey(a, b))!.length === 1) next.set(a, [...(next.get(a) ?? []), b]);
    }
  const loops: { loop: number[]; rimMm: number }[] = [];
  while (next.size > 0) {
    const [start] = next.keys();
    const loop: number[] = [];
    let rimMm = 0;
    for (let at = start!; ;) {
      const to = next.get(at)?.pop();
      if (to === undefined) break;
      if (next.get(at)!.length === 0) next.delete(at);
      loop.push(at);
      rimMm += dist3(mesh.points[at]!, mesh.points[to]!);
      at = to;
      if (at === start) break;
    }
    loops.push({ loop, rimMm });
  }
  const [, ...rest] = loops.sort((a, b) => b.rimMm - a.rimMm);
  const small = rest.filter((l) => l.rimMm <= MOST_RIM_MM && new Set(l.loop).size === l.loop.length);
  const points = [...mesh.points];
  const triangles = [...mesh.triangles];
  for (const { loop } of small) {
    const sum = loop.reduce((s, v) => add3(s, mesh.points[v]!), { x: 0, y: 0, z: 0 });
    const middle = points.push(scale3(sum, 1 / loop.length)) - 1;
    loop.forEach((v, i) => triangles.push([loop[(i + 1) % loop.length]!, v, middle]));
  }
  return { mesh: { points, triangles }, openings: small.map((l) => l.loop) };
}

import { add3, dist3, dot3, type Mesh, scale3, sub3, unit3 } from '../geometry';
import { edgeKey, edgesOf } from './charted';

/** Openings with a rim no longer than this are cut out of a piece that runs on round them, mm: eyes, mouths, vents. */
const MOST_RIM_MM = 260;

/** At a window the surface runs on away from its middle; at the end of a tube it runs along it. Cosine, at the least. */
const OUTWARDS = 0.5;

/** Whether the surface runs on round a loop as round a window, rather than ending there. */
function isWindow(
  { points, triangles }: Mesh,
  loop: readonly number[],
  beside: Map<number, number[]>,
): boolean {
  const middle = scale3(
    loop.reduce((sum, v) => add3(sum, points[v]!), { x: 0, y: 0, z: 0 }),
    1 / loop.length,
  );
  const sum = loop.reduce((total, a, i) => {
    const b = loop[(i + 1) % loop.length]!;
    const inner = triangles[beside.get(edgeKey(a, b))![0]!]!.find((v) => v !== a && v !== b)!;
    const along = unit3(sub3(points[b]!, points[a]!));
    const across = sub3(points[inner]!, points[a]!);
    const on = scale3(add3(points[a]!, points[b]!), 1 / 2);
    // Square to the rim, into the surface.
    const away = unit3(sub3(across, scale3(along, dot3(across, along))));
    return total + dot3(away, unit3(sub3(on, middle)));
  }, 0);
  return sum / loop.length > OUTWARDS;
}

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
  const small = rest.filter(
    (l) => l.rimMm <= MOST_RIM_MM && new Set(l.loop).size === l.loop.length && isWindow(mesh, l.loop, beside),
  );
  const points = [...mesh.points];
  const triangles = [...mesh.triangles];
  for (const { loop } of small) {
    const sum = loop.reduce((s, v) => add3(s, mesh.points[v]!), { x: 0, y: 0, z: 0 });
    const middle = points.push(scale3(sum, 1 / loop.length)) - 1;
    loop.forEach((v, i) => triangles.push([loop[(i + 1) % loop.length]!, v, middle]));
  }
  return { mesh: { points, triangles }, openings: small.map((l) => l.loop) };
}

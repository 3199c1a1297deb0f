import { getFrom, firstOf } from '../units';
import { add3, dist3, dot3, type Mesh, scale3, sub3, unit3 } from '../geometry';
import { edgeKey, edgesOf } from './charted';
import { rimsOf } from './rims';

/** Openings with a rim no longer than this are cut out of a piece that runs on round them, mm: eyes, mouths, vents. */
const MOST_RIM_MM = 340;

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
    const inner = triangles[firstOf(getFrom(beside, edgeKey(a, b)))]!.find((v) => v !== a && v !== b)!;
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
  const beside = edgesOf(mesh);
  const loops = rimsOf(mesh, beside).map((loop) => ({
    loop,
    rimMm: loop.reduce(
      (sum, v, i) => sum + dist3(mesh.points[v]!, mesh.points[loop[(i + 1) % loop.length]!]!),
      0,
    ),
  }));
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

import { BufferAttribute, BufferGeometry, Triangle, Vector3 } from 'three';
import { type HitPointInfo, MeshBVH } from 'three-mesh-bvh';
import { add3, convexHull, dot3, scale3, sub3, unit3, type Vec2, type Vec3 } from '../geometry';
import { gridNormals, type Surface } from '../panel';
import { allOntoRoot, type PartReport } from '../parts';
import { bodyOf, movedMesh } from './between';
import { edgeSpots } from './solids';

/** Room left round what is let in, mm; common practice, no source. */
const EASE_MM = 0.5;
/** Fewer spots than this in the foam are no section. */
const LEAST_SPOTS = 3;
/** The section is looked for along edges in spots so far apart, mm: flat faces reach no further than their edges. */
const APART_MM = 1;

/** The nearest spot of a surface to a spot in space: where it is on the piece as it lies flat, and how far off its inner face. */
type Over = (p: Vec3) => { flat: Vec2; offMm: number; asideMm: number } | undefined;

const trees = new WeakMap<Surface['grid'], { flat: Surface['flat']; reachMm: number; over: Over }>();

/** Two triangles for every cell of a grid, in a bounding volume hierarchy; nothing is found further off than the reach. */
function overSurface({ grid, flat }: Surface, reachMm: number): Over {
  const before = trees.get(grid);
  if (before?.flat === flat && before.reachMm === reachMm) return before.over;
  const normals = gridNormals(grid);
  const corners = grid.slice(1).flatMap((row, r) =>
    row.slice(1).flatMap((_, c): [number, number][][] => [
      [
        [r, c],
        [r, c + 1],
        [r + 1, c + 1],
      ],
      [
        [r, c],
        [r + 1, c + 1],
        [r + 1, c],
      ],
    ]),
  );
  const places = new Float32Array(corners.flat().flatMap(([r, c]) => Object.values(grid[r]![c]!)));
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(places, 3));
  const tree = new MeshBVH(geometry, { indirect: true });
  const [spot, shares] = [new Vector3(), new Vector3()];
  const target: HitPointInfo = { point: new Vector3(), distance: 0, faceIndex: 0 };
  const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()];
  const over: Over = (p) => {
    const found = tree.closestPointToPoint(spot.set(p.x, p.y, p.z), target, 0, reachMm);
    if (!found) return undefined;
    const own = corners[found.faceIndex]!;
    const [i, k, l] = own.map(([row, column]) => grid[row]![column]!) as [Vec3, Vec3, Vec3];
    a.set(i.x, i.y, i.z);
    b.set(k.x, k.y, k.z);
    c.set(l.x, l.y, l.z);
    if (!Triangle.getBarycoord(found.point, a, b, c, shares)) return undefined;
    const by = [shares.x, shares.y, shares.z];
    const normal = unit3(
      own.reduce((sum, [row, column], n) => add3(sum, scale3(normals[row]![column]!, by[n]!)), {
        x: 0,
        y: 0,
        z: 0,
      }),
    );
    const d = sub3(p, found.point);
    const offMm = dot3(d, normal);
    return {
      flat: own.reduce(
        (sum, [row, column], n) => ({
          x: sum.x + flat[row]![column]!.x * by[n]!,
          y: sum.y + flat[row]![column]!.y * by[n]!,
        }),
        { x: 0, y: 0 },
      ),
      offMm,
      asideMm: Math.sqrt(Math.max(0, dot3(d, d) - offMm * offMm)),
    };
  };
  trees.set(grid, { flat, reachMm, over });
  return over;
}

/** The outline of what goes through a piece, on the piece as it lies flat, a little larger. */
function sectionOn(surface: Surface, thicknessMm: number, spots: readonly Vec3[]): Vec2[] {
  const over = overSurface(surface, thicknessMm + 2 * EASE_MM);
  const through = spots.flatMap((p): Vec2[] => {
    const s = over(p);
    const inIt = s && s.offMm > -EASE_MM && s.offMm < thicknessMm + EASE_MM && s.asideMm < EASE_MM;
    return inIt ? [s.flat] : [];
  });
  if (through.length < LEAST_SPOTS) return [];
  const hull = convexHull(through);
  const middle = middleOf(hull);
  return hull.map((p) => {
    const d = { x: p.x - middle.x, y: p.y - middle.y };
    const far = Math.hypot(d.x, d.y) || 1;
    return { x: p.x + (d.x / far) * EASE_MM, y: p.y + (d.y / far) * EASE_MM };
  });
}

const middleOf = (ring: readonly Vec2[]): Vec2 => ({
  x: ring.reduce((s, p) => s + p.x, 0) / ring.length,
  y: ring.reduce((s, p) => s + p.y, 0) / ring.length,
});

/** Cutting one opening and trying it dry, min; from memory. */
const CUT_MIN = 8;

const known = new WeakMap<PartReport, { key: string; guests: readonly PartReport[]; with: PartReport }>();

/** A part with what is let into it cut out of its pieces: an opening of the right section in each piece it goes through. */
function withGuests(
  host: PartReport,
  guests: readonly PartReport[],
  parts: readonly PartReport[],
): PartReport {
  const key = JSON.stringify(guests.map((g) => g.mount));
  const before = known.get(host);
  if (
    before?.key === key &&
    before.guests.every((g, i) => g === guests[i]) &&
    before.guests.length === guests.length
  )
    return before.with;
  const openings = guests.flatMap((guest) =>
    allOntoRoot(parts, guest.id, host.id).flatMap((to) => {
      const mesh = movedMesh(bodyOf(guest), to);
      return host.surfaces.flatMap((surface) => {
        const piece = host.pieces.find((p) => p.id === surface.pieceId);
        if (!piece) return [];
        const points = surface.grid.flat();
        const reach = piece.thicknessMm + EASE_MM;
        const box = {
          least: least3(points, Math.min, -reach),
          most: least3(points, Math.max, reach),
        };
        const ring = sectionOn(surface, piece.thicknessMm, edgeSpots(mesh, box, APART_MM));
        return ring.length > 2 ? [{ pieceId: piece.id, guest, ring }] : [];
      });
    }),
  );
  const cut: PartReport = {
    ...host,
    pieces: host.pieces.map((piece) => {
      const own = openings.filter((o) => o.pieceId === piece.id);
      return own.length === 0
        ? piece
        : {
            ...piece,
            marks: [
              ...piece.marks,
              ...own.map((o) => ({ kind: 'slot' as const, points: o.ring, text: `for ${o.guest.name}` })),
            ],
          };
    }),
    work:
      openings.length === 0
        ? host.work
        : [
            ...host.work,
            {
              step: 'let-in',
              when: 'flat',
              verb: 'cut',
              what: 'openings for what is let in',
              count: openings.length,
              eachMin: CUT_MIN,
              detail: `${[...new Set(openings.map((o) => o.guest.name))].join(', ')}: on the drawn line, square to the face; try it dry before any glue.`,
              cautions: ['blade'],
              waitMin: 0,
            },
          ],
  };
  known.set(host, { key, guests, with: cut });
  return cut;
}

const least3 = (points: readonly Vec3[], of: (...v: number[]) => number, byMm: number): Vec3 =>
  add3(
    {
      x: points.reduce((v, p) => of(v, p.x), points[0]!.x),
      y: points.reduce((v, p) => of(v, p.y), points[0]!.y),
      z: points.reduce((v, p) => of(v, p.z), points[0]!.z),
    },
    scale3({ x: 1, y: 1, z: 1 }, byMm),
  );

/** Parts with openings for what is let into them on purpose; the same ones where nothing is. */
export function withLetIn(parts: readonly PartReport[]): PartReport[] {
  return parts.map((host) => {
    const guests = parts.filter(
      (p) => p.mount.to === 'part' && p.mount.part === host.id && p.mount.letIn === true,
    );
    return guests.length === 0 ? host : withGuests(host, guests, parts);
  });
}

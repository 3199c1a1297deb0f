import { add3, convexHull, dist3, dot3, scale3, sub3, type Vec2, type Vec3 } from '../geometry';
import { gridNormals, onGrid, type Surface } from '../panel';
import { allOntoRoot, type PartReport } from '../parts';
import { bodyOf, movedMesh } from './between';
import { edgeSpots } from './solids';

/** Room left round what is let in, mm; common practice, no source. */
const EASE_MM = 0.5;
/** Fewer spots than this in the foam are no section. */
const LEAST_SPOTS = 3;
/** The section is looked for along edges in spots so far apart, mm: flat faces reach no further than their edges. */
const APART_MM = 1;

const within = (t: number): number => Math.min(1, Math.max(0, t));

/** Where a spot lies over a surface, as shares of its width and height, and how far off its inner face. */
function overSurface(
  { grid }: Surface,
  normals: readonly Vec3[][],
  p: Vec3,
): { uv: Vec2; offMm: number; asideMm: number } {
  let best = { r: 0, c: 0, mm: Infinity };
  grid.forEach((row, r) =>
    row.forEach((q, c) => {
      const mm = dist3(p, q);
      if (mm < best.mm) best = { r, c, mm };
    }),
  );
  const [rows, columns] = [grid.length - 1, grid[0]!.length - 1];
  let uv = { x: best.c / columns, y: best.r / rows };
  // Along the grid's own directions, from the nearest of its spots.
  for (let i = 0; i < 4; i++)
    for (const key of ['x', 'y'] as const) {
      const step = 0.5 / (key === 'x' ? columns : rows);
      const [low, high] = [within(uv[key] - step), within(uv[key] + step)];
      const way = sub3(onGrid(grid, { ...uv, [key]: high }), onGrid(grid, { ...uv, [key]: low }));
      const size = dot3(way, way);
      if (size > 1e-9)
        uv = { ...uv, [key]: within(uv[key] + ((high - low) * dot3(sub3(p, onGrid(grid, uv)), way)) / size) };
    }
  const d = sub3(p, onGrid(grid, uv));
  const normal = onGrid(normals as Vec3[][], uv);
  const offMm = dot3(d, normal);
  return { uv, offMm, asideMm: Math.sqrt(Math.max(0, dot3(d, d) - offMm * offMm)) };
}

/** The outline of what goes through a piece, on the piece as it lies flat, a little larger. */
function sectionOn(surface: Surface, thicknessMm: number, spots: readonly Vec3[]): Vec2[] {
  const normals = gridNormals(surface.grid);
  const flat = surface.flat.map((row) => row.map((p) => ({ ...p, z: 0 })));
  // Further from every spot of the grid than its own spacing, it cannot be over the piece.
  const wide = surface.grid.reduce(
    (most, row) => row.reduce((m, p, c) => (row[c + 1] ? Math.max(m, dist3(p, row[c + 1]!)) : m), most),
    surface.grid.reduce(
      (most, row, r) =>
        surface.grid[r + 1]
          ? row.reduce((m, p, c) => Math.max(m, dist3(p, surface.grid[r + 1]![c]!)), most)
          : most,
      0,
    ),
  );
  const reachMm = wide + thicknessMm + EASE_MM;
  const through = spots
    .filter((p) => surface.grid.some((row) => row.some((q) => dist3(p, q) < reachMm)))
    .map((p) => overSurface(surface, normals, p))
    .filter((s) => s.offMm > -EASE_MM && s.offMm < thicknessMm + EASE_MM && s.asideMm < EASE_MM)
    .map((s): Vec2 => onGrid(flat, s.uv));
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

import { byId, firstOf } from '../units';
import { add3, dot3, type Mesh, scale3, sub3, unit3, type Vec2, type Vec3 } from '../geometry';
import { gridNormals, type Piece, type Surface } from '../panel';
import { allOntoRoot, mountedOn, type PartReport } from '../parts';
import { bodyOf, movedMesh, rigid } from './between';
import { planeOf, planeSections } from './planeSection';
import { EASE_MM, sectionOn } from './sectionOn';
import { edgeSpots } from './solids';

/** The section is looked for along edges in spots so far apart, mm: flat faces reach no further than their edges. */
const APART_MM = 1;

/** Cutting one opening and trying it dry, min; from memory. */
const CUT_MIN = 8;

/** What is cut out of a part for another: where that stands in its space, and in which of its layers. */
interface Guest {
  part: PartReport;
  ways: ((p: Vec3) => Vec3)[];
  in: (surface: Surface) => boolean;
  half: boolean;
}

/** What a solid takes out of a piece: exactly of a flat one, its hull on one that is bent. */
function ringsOn(surface: Surface, piece: Piece, mesh: Mesh): Vec2[][] {
  if (planeOf(surface)) return planeSections(surface, piece.outline, piece.thicknessMm, mesh, EASE_MM);
  const points = surface.grid.flat();
  const reach = piece.thicknessMm + EASE_MM;
  const box = {
    least: least3(points, Math.min, -reach),
    most: least3(points, Math.max, reach),
  };
  const ring = sectionOn(surface, piece.thicknessMm, edgeSpots(mesh, box, APART_MM));
  return ring.length > 2 ? [ring] : [];
}

const known = new WeakMap<PartReport, { key: string; guests: readonly PartReport[]; with: PartReport }>();

/** A part with what is let into it cut out of its pieces: an opening of the right section in each piece it goes through. */
function withGuests(host: PartReport, guests: readonly Guest[], key: string): PartReport {
  const before = known.get(host);
  if (
    before?.key === key &&
    before.guests.every((g, i) => g === guests[i]?.part) &&
    before.guests.length === guests.length
  )
    return before.with;
  const openings = guests.flatMap((guest) =>
    guest.ways.flatMap((to) => {
      const mesh = movedMesh(bodyOf(guest.part), to);
      return host.surfaces.filter(guest.in).flatMap((surface) => {
        const piece = byId(host.pieces, surface.pieceId);
        if (!piece) return [];
        return ringsOn(surface, piece, mesh).map((ring) => ({ pieceId: piece.id, guest, ring }));
      });
    }),
  );
  const names = (all: readonly Guest[]): string => [...new Set(all.map((g) => g.part.name))].join(', ');
  const [lapped, whole] = [guests.filter((g) => g.half), guests.filter((g) => !g.half)];
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
              ...own.map((o) => ({
                kind: 'slot' as const,
                points: o.ring,
                text: `for ${o.guest.part.name}`,
              })),
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
              detail: [
                ...(whole.length > 0 ? [names(whole)] : []),
                ...(lapped.length > 0 ? [`half-lapped with ${names(lapped)}, in half of the layers`] : []),
              ]
                .join('; ')
                .concat(': on the drawn line, square to the face; try it dry before any glue.'),
              cautions: ['blade'],
              waitMin: 0,
            },
          ],
  };
  known.set(host, { key, guests: guests.map((g) => g.part), with: cut });
  return cut;
}

const least3 = (points: readonly Vec3[], of: (...v: number[]) => number, byMm: number): Vec3 =>
  add3(
    {
      x: points.reduce((v, p) => of(v, p.x), firstOf(points).x),
      y: points.reduce((v, p) => of(v, p.y), firstOf(points).y),
      z: points.reduce((v, p) => of(v, p.z), firstOf(points).z),
    },
    scale3({ x: 1, y: 1, z: 1 }, byMm),
  );

const middleOf = (points: readonly Vec3[]): Vec3 =>
  scale3(
    points.reduce((sum, p) => add3(sum, p), { x: 0, y: 0, z: 0 }),
    1 / points.length,
  );

/** The middle of a surface, at half its thickness. */
function heartOf(part: PartReport, surface: Surface): Vec3 {
  const thick = byId(part.pieces, surface.pieceId)?.thicknessMm ?? 0;
  const normals = gridNormals(surface.grid).flat();
  return add3(middleOf(surface.grid.flat()), scale3(middleOf(normals), thick / 2));
}

/** The plane that halves the layers of a part: through their middle, square to the way they are stacked. */
function halvingPlane(part: PartReport): { at: Vec3; out: Vec3 } {
  const [first] = part.surfaces;
  return {
    at: middleOf(part.surfaces.map((s) => heartOf(part, s))),
    out: first ? unit3(middleOf(gridNormals(first.grid).flat())) : { x: 0, y: 0, z: 1 },
  };
}

const letInto = (part: PartReport, host: PartReport): true | 'half' | undefined =>
  part.mount.to === 'part' && part.mount.part === host.id ? part.mount.letIn : undefined;

/**
 * Parts with openings for what is let into them on purpose; the same ones where nothing is. Half-lapped, what hangs on
 * another is cut out of the outer half of its layers, and the inner half of its own is cut away for the other.
 */
export function withLetIn(parts: readonly PartReport[]): PartReport[] {
  return parts.map((own) => {
    const guests = mountedOn(parts, own.id).flatMap((part): Guest[] => {
      const how = letInto(part, own);
      if (!how) return [];
      const { at, out } = halvingPlane(own);
      const outer = (s: Surface): boolean => dot3(sub3(heartOf(own, s), at), out) > 0;
      return [
        {
          part,
          ways: allOntoRoot(parts, part.id, own.id),
          in: how === 'half' ? outer : () => true,
          half: how === 'half',
        },
      ];
    });
    const on = own.mount.to === 'part' ? byId(parts, own.mount.part) : undefined;
    const hosts = (on ? [on] : []).flatMap((host): Guest[] => {
      const [to] = letInto(own, host) === 'half' ? allOntoRoot(parts, own.id, host.id) : [];
      if (!to) return [];
      const { at, out } = halvingPlane(host);
      const inner = (s: Surface): boolean => dot3(sub3(to(heartOf(own, s)), at), out) <= 0;
      return [{ part: host, ways: [rigid(to).back], in: inner, half: true }];
    });
    const all = [...guests, ...hosts];
    return all.length === 0
      ? own
      : withGuests(own, all, JSON.stringify([own.mount, ...all.map((g) => g.part.mount)]));
  });
}

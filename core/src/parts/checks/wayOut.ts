import type { Check, Proposal, Feature, Part, PanelSpot } from '../../document';
import type { Laid } from '../../features';
import { cross3, dot3, scale3, sub3, type Vec2, type Vec3 } from '../../geometry';
import { type Stick, gridNormals, type LaidPanel, onGrid } from '../../panel';
import {
  type Convex,
  extentOfFaces,
  meshFaces,
  panelFaces,
  stickFaces,
  togetherExtent,
  togetherWalls,
  type Triangle,
  middleOf,
  seesOut,
  wayLength,
  type WayOut,
  wallsOfFaces,
  wayOut,
} from '../../space';
import { trimNumber, firstOf, findIn, itemAt } from '../../units';
import type { Body } from '../bodies';
import type { Kinds } from '../kinds';
import type { Join } from '../../panel';

/** Corners that stand for a round hole. */
const ROUND = 24;

/** What is cut through each panel by its features, as shares of its width and height. */
function cutsIn(laid: readonly LaidPanel[], lays: Iterable<Laid>): Map<string, Vec2[][]> {
  const cuts = new Map<string, Vec2[][]>();
  const add = (pieceId: string, ring: readonly Vec2[]): void => {
    const own = laid.find((l) => l.panel.id === pieceId);
    const shares = ring.flatMap((p) => own?.uvAt(p) ?? []);
    if (shares.length > 2) cuts.set(pieceId, [...(cuts.get(pieceId) ?? []), shares]);
  };
  // What is put in fills the hole that is cut for it.
  const open = [...lays].filter((l) => l.items.length === 0);
  for (const { pieceId, mark } of open.flatMap((l) => l.marks))
    if (mark.kind === 'slot') add(pieceId, mark.points);
  for (const { pieceId, hole } of open.flatMap((l) => l.holes))
    add(
      pieceId,
      Array.from({ length: ROUND }, (_, i) => ({
        x: hole.centre.x + (hole.diameterMm / 2) * Math.cos((2 * Math.PI * i) / ROUND),
        y: hole.centre.y + (hole.diameterMm / 2) * Math.sin((2 * Math.PI * i) / ROUND),
      })),
    );
  return cuts;
}

/** Pieces that come off without a knife: lids on hinges, what is shut by a closure, what hangs on straps. */
const comesOff = ({ panel }: LaidPanel, joins: readonly Join[]): boolean =>
  panel.loose === true ||
  panel.comesOff === true ||
  panel.unseen === true ||
  panel.existing?.hinge !== undefined ||
  joins.some((j) => j.kind === 'closure' && (j.a[0] === panel.id || j.b[0] === panel.id)) ||
  Object.values(panel.attached ?? {}).some((h) => h?.by === 'strap');

/** Three directions a thing may be moved in: those of its own box. */
function axesOf({ normals }: Convex): Vec3[] {
  const inward = firstOf(normals);
  const side = findIn(normals, (n) => Math.abs(dot3(n, inward)) < 0.5);
  return [inward, side, cross3(inward, side)];
}

/** How each thing that was put in comes out again, by the id of its feature. */
export type WaysOut = ReadonlyMap<string, WayOut>;

/** What was put in that may have to come out: packs, for their cells, and what has a board; a strip is pulled off. */
const mayComeOut = ({ item, inLayers }: Body): boolean =>
  !inLayers &&
  (item.source !== undefined || (item.steady !== undefined && (item.fit?.outline.length ?? 0) > 2));

/** The way out of everything that may have to come out, through what is open, cut, or comes off. */
export function waysOut(
  laid: readonly LaidPanel[],
  joins: readonly Join[],
  sticks: readonly Stick[],
  lays: ReadonlyMap<string, Laid>,
  bodies: readonly Body[],
): Map<string, WayOut> {
  if (bodies.length === 0) return new Map();
  const cuts = cutsIn(laid, lays.values());
  const stays = laid.filter((l) => !comesOff(l, joins));
  const faces: Triangle[] = [
    ...stays.flatMap((l) => panelFaces(l, cuts.get(l.panel.id), false)),
    ...sticks.flatMap(stickFaces),
  ];
  const shell = { walls: wallsOfFaces(faces), extent: extentOfFaces(faces) };
  const laidBy = [...lays].flatMap(([id, { solids }]) => {
    const own = solids.flatMap(meshFaces);
    return own.length === 0 ? [] : [{ id, walls: wallsOfFaces(own), extent: extentOfFaces(own) }];
  });
  const found = new Map<string, WayOut>();
  for (const body of bodies) {
    const [solid] = body.lifted;
    if (!solid || found.has(body.featureId)) continue;
    const others = laidBy.filter((l) => l.id !== body.featureId);
    const walls = togetherWalls([shell, ...others].map((l) => l.walls));
    const extent = togetherExtent([...(faces.length > 0 ? [shell] : []), ...others].map((l) => l.extent));
    found.set(
      body.featureId,
      !extent
        ? { way: [] }
        : mayComeOut(body)
          ? wayOut(solid, axesOf(solid), walls, extent)
          : // A lamp or a switch comes out of its own hole; what is asked is whether its back is reached.
            seesOut(middleOf(solid), walls)
            ? { way: [] }
            : 'none',
    );
  }
  return found;
}

/** What was put in that nothing reaches once the part is closed. */
export const closedFeatures = (ways: WaysOut): string[] =>
  [...ways].flatMap(([id, way]) => (way === 'none' ? [id] : []));

/** How long each way out is, mm, or why there is none. */
export const comingOut = (ways: WaysOut): Record<string, number | Exclude<WayOut, object>> =>
  Object.fromEntries([...ways].map(([id, way]) => [id, typeof way === 'object' ? wayLength(way.way) : way]));

/** A hatch is so much larger than what goes through it, mm. */
const CLEAR_MM = 2;
/** No more pieces than this are tried for a hatch. */
const TRIED = 3;

/** A place for a hatch in a piece that a solid lies behind: its spot and the clear size. */
function hatchOver(
  laid: LaidPanel,
  solid: Convex,
): { place: PanelSpot; widthMm: number; lengthMm: number; offMm: number } {
  const { grid } = laid.panel;
  const normals = gridNormals(grid);
  const middle = middleOf(solid);
  let best = { off: Infinity, r: 0, c: 0 };
  grid.forEach((row, r) =>
    row.forEach((p, c) => {
      const d = sub3(middle, p);
      // Seen square to the piece: how far it lies aside counts more than how deep it lies.
      const deep = dot3(d, itemAt(itemAt(normals, r), c));
      const aside = Math.sqrt(Math.max(0, dot3(d, d) - deep * deep));
      const off = aside * 4 + Math.abs(deep) + (deep > 0 ? 1e4 : 0);
      if (off < best.off) best = { off, r, c };
    }),
  );
  const { r, c } = best;
  const normal = itemAt(itemAt(normals, r), c);
  // Refined between the spots of the grid, in the tangent plane.
  const next = itemAt(grid, r)[c + 1] ?? itemAt(itemAt(grid, r), c - 1);
  const sign = itemAt(grid, r)[c + 1] ? 1 : -1;
  const level = (v: Vec3): Vec3 => {
    const flat = sub3(v, scale3(normal, dot3(v, normal)));
    const size = Math.hypot(flat.x, flat.y, flat.z) || 1;
    return scale3(flat, 1 / size);
  };
  const across = level(scale3(sub3(next, itemAt(itemAt(grid, r), c)), sign));
  const up = cross3(normal, across);
  const here = laid.flatAt({ x: c / (firstOf(grid).length - 1), y: r / (grid.length - 1) });
  const by = sub3(middle, itemAt(itemAt(grid, r), c));
  const flat = { x: here.x + dot3(by, across), y: here.y + dot3(by, up) };
  const uv = laid.uvAt(flat) ?? { x: c / (firstOf(grid).length - 1), y: r / (grid.length - 1) };
  const half = (axis: Vec3): number => {
    const along = solid.points.map((p) => dot3(p, axis));
    return (Math.max(...along) - Math.min(...along)) / 2 + CLEAR_MM / 2;
  };
  const spot = onGrid(grid, uv);
  /** How far it is on the flat until the piece, bent as it is, lets so much through straight on. */
  const onFlat = (axis: Vec3, way: Vec2): number => {
    const want = half(axis);
    const reach = (sign: 1 | -1): number => {
      for (let mm = want; mm < 4 * want; mm += 0.5) {
        const at = laid.uvAt({ x: flat.x + sign * way.x * mm, y: flat.y + sign * way.y * mm });
        if (!at || Math.abs(dot3(sub3(onGrid(grid, at), spot), axis)) >= want) return mm;
      }
      return 4 * want;
    };
    return 2 * Math.max(reach(1), reach(-1));
  };
  const share = (v: number): number => Math.round(Math.min(1, Math.max(0, v)) * 1e4) / 1e4;
  return {
    place: { on: 'panel', panel: laid.panel.id, u: share(uv.x), v: share(uv.y), turnDeg: 0 },
    widthMm: Math.ceil(onFlat(across, { x: 1, y: 0 })),
    lengthMm: Math.ceil(onFlat(up, { x: 0, y: 1 })),
    offMm: best.off,
  };
}

/** A name for a new feature that no other has. */
function newId(part: Part, base: string): string {
  const taken = new Set(part.features.map((f) => f.id));
  let id = base.slice(0, 60);
  for (let n = 2; taken.has(id); n++) id = `${base.slice(0, 56)}-${n}`;
  return id;
}

/** Pieces left loose and hatches by which a thing comes out, those nearest to it first, each tried before it is offered. */
function openings(part: Part, body: Body, laid: readonly LaidPanel[], { features }: Kinds): Proposal[] {
  const [solid] = body.solids;
  if (!solid) return [];
  const near = laid
    .filter(({ panel }) => !panel.existing && !panel.unseen && !panel.plate?.inside)
    .map((l) => ({ l, over: hatchOver(l, solid) }))
    .sort((a, b) => a.over.offMm - b.over.offMm)
    .slice(0, TRIED);
  const adding = (label: string, feature: Omit<Feature, 'id'>): Proposal => {
    const id = newId(part, `${body.featureId}-${feature.kind}`);
    return { label, changes: [{ path: ['features'], value: [...part.features, { id, ...feature }] }] };
  };
  return [...features.values()].flatMap((kind) =>
    near.flatMap(({ l, over: { widthMm, lengthMm, place } }): Proposal[] => {
      const { params } = kind.start({ panel: l.panel.id, edge: '', at: { x: place.u, y: place.v } });
      // A piece that is folded from one sheet with its neighbour does not come off.
      if (kind.opens === 'piece')
        return l.piece.edges.every((e) => e.joint !== 'fold')
          ? [adding(`${l.panel.name} comes off, held by magnets`, { kind: kind.kind, place, params })]
          : [];
      return kind.opens === 'hatch'
        ? [
            adding(`A hatch in ${l.panel.name}, ${trimNumber(lengthMm)} × ${trimNumber(widthMm)} mm`, {
              kind: kind.kind,
              place,
              params: { ...params, widthMm, lengthMm },
            }),
          ]
        : [];
    }),
  );
}

/** What was put in and cannot come out again. */
export function wayOutChecks(
  part: Part,
  ways: WaysOut,
  bodies: readonly Body[],
  laid: readonly LaidPanel[],
  kinds: Kinds,
  reported: readonly Check[],
): Check[] {
  return bodies.filter(mayComeOut).flatMap((body): Check[] => {
    const way = ways.get(body.featureId);
    if (way === undefined || typeof way === 'object') return [];
    const { item } = body;
    const forGood = item.stays === true;
    const there = laid.some((l) => l.panel.existing);
    // What is inside a bought thing is what its maker said; only its cells are asked after.
    if (there && !body.item.source) return [];
    const unknown = way !== 'none';
    // What does not fit where it is is reported already.
    if (way === 'stuck' && reported.some((c) => c.severity === 'stop' && c.id.includes(body.featureId)))
      return [];
    // A bought thing opens as it was made to: its lid is named, or how it opens is not known.
    if (way === 'none' && there)
      return [
        {
          id: `way-out-${body.featureId}`,
          severity: 'note',
          station: 'inside',
          title: `it is not known how ${body.name} can be taken out again: no wall of its case is marked as a lid.`,
          why: 'Say which wall is the lid, and at which side its hinge is.',
          provenance: 'standard',
          excess: 1,
          remedies: [],
        },
      ];
    return [
      {
        id: `way-out-${body.featureId}`,
        severity: unknown || forGood ? 'note' : item.source ? 'stop' : 'mind',
        station: 'inside',
        title: unknown
          ? `it is not known whether ${body.name} can be taken out again.`
          : forGood
            ? `${body.name} stays in for good: once the part is closed it cannot be reached.`
            : `${body.name} cannot be taken out again: no opening around it is large enough.`,
        why: item.source
          ? 'Cells are changed, and a wire that fails is reached, without cutting. It was moved along its own sides, not turned.'
          : 'A board or a lamp that fails is reached without cutting. It was moved along its own sides, not turned.',
        provenance: 'standard',
        excess: 1,
        ...(item.pieceId && { pieceId: item.pieceId }),
        remedies: forGood || unknown ? [] : openings(part, body, laid, kinds),
      },
    ];
  });
}

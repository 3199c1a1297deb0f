import { foldOpeningMm } from '../foam';
import type { FoamSheet, Habits } from '../materials';
import { add2, boundsOf, dist2, polylineLength, rotate2, signedArea, sub2, type Vec2 } from '../geometry';
import { trimNumber, firstOf, lastOf, findIn, getFrom } from '../units';
import { foldOf } from './fold';
import { edgeRun } from './edgeRun';
import { unlooped } from './unlooped';
import type { LaidPanel } from './lay';
import type { Join } from './panel';
import type { Mark, Piece, PieceEdge } from './piece';

/** Where a panel came to lie in the net it is cut with. */
export interface InNet {
  netId: string;
  move: (p: Vec2) => Vec2;
  edgeId: (id: string) => string;
}

export interface Nets {
  /** Nothing for a panel that is cut by itself. */
  placeOf: (panelId: string) => InNet | undefined;
  /** The pieces with those of one net made one. */
  gather: (pieces: readonly Piece[]) => Piece[];
}

/** One end of a fold as it is met while walking round. */
interface Hinge {
  of: string;
  edgeId: string;
  to: string;
  toEdgeId: string;
  join: Join;
}

/** The rigid move that lays the edge of one piece, run backwards, on that of another that is moved already. */
function ontoEdge(here: readonly Vec2[], there: readonly Vec2[]): (p: Vec2) => Vec2 {
  const [a, b] = [firstOf(there), lastOf(there)];
  const [from, to] = [lastOf(here), firstOf(here)];
  const turn = Math.atan2(b.y - a.y, b.x - a.x) - Math.atan2(to.y - from.y, to.x - from.x);
  const middle = (p: Vec2, q: Vec2): Vec2 => ({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 });
  const [pivot, lands] = [middle(from, to), middle(a, b)];
  return (p) => add2(lands, rotate2(sub2(p, pivot), turn));
}

/** Corners of two pieces this near are one, mm. */
const SAME_MM = 0.1;
/** Bevels that meet in a corner reach over each other by loops of a few thicknesses. */
const LOOP_SHARE = 16;

/** Panels that are folded from one sheet, gathered into nets: the first panel lies as it is, the others round it. */
export function netsOf(
  laid: readonly LaidPanel[],
  joins: readonly Join[],
  method: Habits['fold'] = 'v-groove',
): Nets {
  const folds = joins.filter((j) => j.kind === 'fold');
  const hinges = folds.flatMap((join): Hinge[] => [
    { of: join.a[0], edgeId: join.a[1], to: join.b[0], toEdgeId: join.b[1], join },
    { of: join.b[0], edgeId: join.b[1], to: join.a[0], toEdgeId: join.a[1], join },
  ]);
  const places = new Map<string, InNet>();
  const ways = new Map<string, Hinge[]>();
  const pieceOf = (id: string): Piece => findIn(laid, (l) => l.panel.id === id).piece;
  let count = 0;
  for (const { panel } of laid) {
    if (places.has(panel.id) || !hinges.some((h) => h.of === panel.id)) continue;
    count += 1;
    const netId = `net-${count}`;
    const own: string[] = [];
    const place = (id: string, move: (p: Vec2) => Vec2): void => {
      own.push(id);
      places.set(id, { netId, move, edgeId: (edge) => `${id}.${edge}` });
      const on = pieceOf(id);
      for (const hinge of hinges.filter((h) => h.of === id && !places.has(h.to))) {
        if (places.has(hinge.to)) continue;
        const next = pieceOf(hinge.to);
        const run = (piece: Piece, edgeId: string): Vec2[] =>
          edgeRun(
            piece.outline,
            findIn(piece.edges, (e) => e.id === edgeId),
          );
        ways.set(id, [...(ways.get(id) ?? []), hinge]);
        place(hinge.to, ontoEdge(run(next, hinge.toEdgeId), run(on, hinge.edgeId).map(move)));
      }
    };
    place(panel.id, (p) => p);
    // A piece begins at the corner of its own box.
    const { minX, minY } = boundsOf(own.flatMap((id) => pieceOf(id).outline.map(getFrom(places, id).move)));
    for (const id of own) {
      const { move, ...rest } = getFrom(places, id);
      places.set(id, { ...rest, move: (p) => sub2(move(p), { x: minX, y: minY }) });
    }
  }
  return {
    placeOf: (id) => places.get(id),
    gather: (pieces) => {
      const roots = laid.map((l) => l.panel.id).filter((id) => places.has(id) && isFirst(id, ways));
      const nets = new Map(
        roots.map((id) => [id, netPiece(id, pieces, { places, ways, laid, method }, roots.length)]),
      );
      return pieces.flatMap((p) => (places.has(p.id) ? (nets.get(p.id) ?? []) : [toNets(p, places)]));
    },
  };
}

const isFirst = (id: string, ways: ReadonlyMap<string, readonly Hinge[]>): boolean =>
  ![...ways.values()].some((hinges) => hinges.some((h) => h.to === id));

/** Mates of a piece's edges by the names they have in their net. */
function toNets(piece: Piece, places: ReadonlyMap<string, InNet>): Piece {
  if (!piece.edges.some((e) => e.mate && places.has(e.mate.pieceId))) return piece;
  return {
    ...piece,
    edges: piece.edges.map((e) => {
      const net = e.mate && places.get(e.mate.pieceId);
      return net ? { ...e, mate: { pieceId: net.netId, edgeId: net.edgeId(e.mate!.edgeId) } } : e;
    }),
  };
}

interface Folding {
  places: ReadonlyMap<string, InNet>;
  ways: ReadonlyMap<string, readonly Hinge[]>;
  laid: readonly LaidPanel[];
  method: Habits['fold'];
}

/** Foam that a groove takes out of a millimetre of fold: a V as deep as the method cuts it; a slit and a bend take none. */
function grooveMm2(foam: FoamSheet, foldDeg: number, method: Habits['fold']): number {
  const turnRad = (foldDeg * Math.PI) / 180;
  const { grooveMm } = foldOf(foam, turnRad, method);
  return method === 'partial-cut' ? 0 : grooveMm ** 2 * Math.tan(Math.abs(turnRad) / 2);
}

/** What is cut for a fold, and on which face. */
function foldWords(foam: FoamSheet, foldDeg: number, method: Habits['fold']): string {
  const turnRad = (foldDeg * Math.PI) / 180;
  const { grooveMm } = foldOf(foam, turnRad, method);
  const words = `fold ${trimNumber(Math.abs(foldDeg), 1)}°`;
  const face = turnRad > 0 ? 'back' : 'face';
  const deep = `${trimNumber(grooveMm, 1)} deep`;
  switch (method) {
    case 'heat-and-fold':
      return `${words}: heat the ${face}`;
    case 'partial-cut':
      return `${words}: cut on the ${face}, ${deep}`;
    case 'slanted-pair':
    case 'v-groove':
      return `${words}: groove on the ${face} ${deep}, ${trimNumber(foldOpeningMm(foam, Math.abs(turnRad), method), 1)} open`;
  }
}

/** One outline round all panels of a net, with the folds as marks. */
function netPiece(
  first: string,
  pieces: readonly Piece[],
  { places, ways, laid, method }: Folding,
  nets: number,
): Piece {
  const outline: Vec2[] = [];
  const edges: PieceEdge[] = [];
  const marks: Mark[] = [];
  const gathered: Piece[] = [];
  let cutAwayMm3 = 0;
  const push = (p: Vec2): number => {
    const last = outline.at(-1);
    if (!last || dist2(last, p) > SAME_MM) outline.push(p);
    return outline.length - 1;
  };
  /** The edges of a panel in order, from the one after that it was come in by. */
  const walk = (id: string, cameBy?: string): void => {
    const piece = toNets(
      findIn(pieces, (p) => p.id === id),
      places,
    );
    const { move, edgeId } = getFrom(places, id);
    const foam = findIn(laid, (l) => l.panel.id === id).foam;
    gathered.push(piece);
    marks.push(...piece.marks.map((m) => ({ ...m, points: m.points.map(move) })));
    const start = piece.edges.findIndex((e) => e.id === cameBy) + 1;
    const order = [...piece.edges.slice(start), ...piece.edges.slice(0, start)].filter(
      (e) => e.id !== cameBy,
    );
    for (const edge of order) {
      const run = edgeRun(piece.outline, edge).map(move);
      const hinge = ways.get(id)?.find((h) => h.edgeId === edge.id);
      if (hinge) {
        push(firstOf(run));
        cutAwayMm3 +=
          dist2(firstOf(run), lastOf(run)) * grooveMm2(foam, edge.foldDeg ?? 0, edge.foldMethod ?? method);
        marks.push({
          kind: 'fold',
          points: [firstOf(run), lastOf(run)],
          text: foldWords(foam, edge.foldDeg ?? 0, edge.foldMethod ?? method),
        });
        walk(hinge.to, hinge.toEdgeId);
        push(lastOf(run));
        continue;
      }
      const from = push(firstOf(run));
      run.slice(1, -1).forEach(push);
      const to = push(lastOf(run));
      edges.push({
        ...edge,
        id: edgeId(edge.id),
        of: { panel: id, edge: edge.id },
        name: `${piece.name}, ${edge.name}`,
        from,
        to,
      });
    }
  };
  walk(first);
  // Round to where it began.
  if (outline.length > 1 && dist2(firstOf(outline), lastOf(outline)) <= SAME_MM) outline.pop();
  const n = outline.length;
  const [one] = gathered as [Piece];
  const clean = unlooped(outline, LOOP_SHARE * one.thicknessMm);
  /** An edge as it is left where bevels that reach over each other are cut off; darts in it stay uncounted. */
  const trimmed = (now: PieceEdge, was: PieceEdge): PieceEdge => {
    const whole = polylineLength(edgeRun(outline, { from: was.from % n, to: was.to % n }));
    const left = polylineLength(edgeRun(clean.outline, now));
    return whole === 0 ? now : { ...now, lengthMm: (was.lengthMm * left) / whole };
  };
  return {
    ...one,
    id: getFrom(places, first).netId,
    name: findIn(laid, (l) => l.panel.id === first).panel.net ?? (nets === 1 ? 'net' : `net of ${one.name}`),
    outline: clean.outline,
    edges: edges.map((e) => trimmed({ ...e, from: clean.at(e.from % n), to: clean.at(e.to % n) }, e)),
    marks,
    holes: gathered.flatMap((p) => {
      const { move } = getFrom(places, p.id);
      return p.holes.map((h) => ({ ...h, centre: move(h.centre) }));
    }),
    areaMm2: Math.abs(signedArea(clean.outline)),
    volumeMm3: gathered.reduce((sum, p) => sum + (p.volumeMm3 ?? p.areaMm2 * p.thicknessMm), 0) - cutAwayMm3,
    note: `Folds into ${gathered.map((p) => p.name).join(', ')}.`,
  };
}

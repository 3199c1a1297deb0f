import { firstOf, itemAt } from '../units';
import type { Circuit, Feature, Part, Place } from '../document';
import type { FeatureKind, Pointed } from '../features';
import { boundsOf, type Vec2 } from '../geometry';
import type { Piece, PieceEdge } from '../panel';
import type { Kinds } from './kinds';
import { drawnPieces, type PartReport, type RoomReport } from './partReport';

/** Current a new circuit begins with, mA a lamp. */
const START_MA = 20;

/** The first kind that feeds, switches or is fed; of what is fed the one that is asked for. */
const kindOf = (
  { features }: Kinds,
  electric: FeatureKind['electric'],
  asked?: string,
): FeatureKind | undefined =>
  [...features.values()].find((k) => k.electric === electric && (asked === undefined || k.kind === asked));

/** Kinds of light a part may begin with: what a circuit feeds, and a piece of the part or a room in it takes. */
export const firstLights = ({ features }: Kinds): FeatureKind[] =>
  [...features.values()].filter(
    (k) => k.electric === 'load' && k.places.some((p) => p === 'panel' || p === 'room'),
  );

/** A room of its own, that lies behind no piece. */
const ownRoom = (rooms: readonly RoomReport[]): RoomReport | undefined =>
  rooms.find((r) => r.panel === undefined);

/** One that light comes out of, or the first there is. */
const lampRoom = (rooms: readonly RoomReport[]): RoomReport | undefined =>
  rooms.find((r) => r.panel === undefined && r.letsLight) ?? ownRoom(rooms);

const middleOf = (room: string): Place => ({ on: 'room', room, alongMm: 0, acrossMm: 0, turnDeg: 0 });

/** The largest piece that is seen, where lamps begin. */
function largest(made: PartReport): Piece {
  const hanging = new Set(made.surfaces.filter((s) => s.loose).map((s) => s.pieceId));
  const shell = drawnPieces(made).filter((p) => p.role === 'shell' && !hanging.has(p.id));
  const roomy = shell.filter((p) => made.rooms.some((r) => r.panel === p.id && !r.solid));
  return (roomy.length > 0 ? roomy : shell).reduce((a, b) => (b.areaMm2 > a.areaMm2 ? b : a));
}

/** The panel that things are laid on: the piece's own, or of a net the one with the longest edge. */
const panelOn = ({ id, edges }: Piece): string =>
  edges
    .filter((e) => e.of)
    .reduce<PieceEdge | undefined>((a, b) => (a && a.lengthMm >= b.lengthMm ? a : b), undefined)?.of?.panel ??
  id;

/** How long a first row of lamps is, and what it keeps to the edges, mm. */
const ROW_MM = 60;
const EDGE_MM = 12;

/** Lamps begin in the middle of their piece, and this share of its width to either side is left to them. */
const LAMPS_HALF = 0.2;

/** The spot well inside a piece, clear of the lamps, where there is most room behind the shell. */
function roomiest(made: PartReport): { panel: string; at: Vec2 } {
  const lit = panelOn(largest(made));
  let best = { panel: lit, at: { x: 0.25, y: 0.5 }, gap: -Infinity };
  for (const { pieceId, gapMm } of made.wear?.standOff ?? []) {
    const rows = gapMm.length - 1;
    const columns = firstOf(gapMm).length - 1;
    for (let r = Math.ceil(rows * 0.3); r <= rows * 0.7; r++)
      for (let c = Math.ceil(columns * 0.2); c <= columns * 0.8; c++) {
        if (pieceId === lit && Math.abs(c / columns - 0.5) < LAMPS_HALF) continue;
        const near = [
          itemAt(itemAt(gapMm, r), c),
          gapMm[r - 1]?.[c],
          gapMm[r + 1]?.[c],
          itemAt(gapMm, r)[c - 1],
          itemAt(gapMm, r)[c + 1],
        ];
        const gap = Math.min(...near.filter((g) => g !== undefined));
        if (gap > best.gap) best = { panel: pieceId, at: { x: c / columns, y: r / rows }, gap };
      }
  }
  return best;
}

/**
 * A first row of lamps, a pack and a switch for a part, and the circuit that joins them: lamps on its largest piece,
 * the pack where there is most room. Nothing when the product knows no such features.
 * @param light the kind of light; lamps when absent.
 */
export function startLights(
  part: Part,
  made: PartReport,
  kinds: Kinds,
  free: (base: string) => string,
  light?: string,
): { features: Feature[]; circuit: Circuit } | undefined {
  const [load, source, toggle] = (['load', 'source', 'switch'] as const).map((e) =>
    kindOf(kinds, e, e === 'load' ? light : undefined),
  );
  if (!load || !source || !toggle) return undefined;
  if (made.pieces.length === 0 && made.templates.length === 0)
    return inRoomLights(part, made, kinds, free, light);
  const piece = largest(made);
  const main = panelOn(piece);
  const edge = firstOf(piece.edges).of?.edge ?? firstOf(piece.edges).id;
  // In a bought thing the pack lies in its room, not behind a wall.
  const hollow = made.wear ? undefined : made.templates.length > 0 ? ownRoom(made.rooms) : undefined;
  const pack = roomiest(made);
  const { minY, maxY } = boundsOf(piece.outline);
  const startAt = Math.max(EDGE_MM / (maxY - minY), Math.min(0.35, 1 - (EDGE_MM + ROW_MM) / (maxY - minY)));
  const feature = (kind: FeatureKind, name: string, pointed: Pointed): Feature => ({
    id: free(`${part.id}.${name}`),
    kind: kind.kind,
    ...kind.start(pointed),
  });
  const room = load.places.includes('panel') ? undefined : lampRoom(made.rooms);
  const features = [
    {
      ...feature(load, 'lamps', { panel: main, edge, at: { x: 0.5, y: startAt } }),
      ...(room && { place: middleOf(room.id) }),
    },
    {
      ...feature(source, 'pack', { panel: pack.panel, edge, at: pack.at }),
      ...(hollow && { place: middleOf(hollow.id) }),
    },
    feature(toggle, 'switch', { panel: main, edge, at: { x: 0.75, y: 0.5 } }),
  ];
  return {
    features,
    circuit: {
      id: free(`${part.id}.light`),
      name: `${part.name} light`.slice(0, 120),
      source: itemAt(features, 1).id,
      switch: itemAt(features, 2).id,
      loads: [{ feature: firstOf(features).id, currentMa: START_MA }],
    },
  };
}

/** The same in a part of no pieces: a light that goes into a room, with pack and switch beside it. */
function inRoomLights(
  part: Part,
  { rooms }: PartReport,
  kinds: Kinds,
  free: (base: string) => string,
  asked?: string,
): { features: Feature[]; circuit: Circuit } | undefined {
  const room = ownRoom(rooms);
  if (!room) return undefined;
  const ys = room.outline.map((p) => p.y);
  const step = (Math.max(...ys) - Math.min(...ys)) / 4;
  const put = (electric: FeatureKind['electric'], name: string, alongMm: number): Feature | undefined => {
    const kind = [...kinds.features.values()].find(
      (k) =>
        k.electric === electric &&
        k.places.includes('room') &&
        (electric !== 'load' || asked === undefined || k.kind === asked),
    );
    if (!kind) return undefined;
    const { params } = kind.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });
    return {
      id: free(`${part.id}.${name}`),
      kind: kind.kind,
      params,
      place: { on: 'room', room: room.id, alongMm: Math.round(alongMm), acrossMm: 0, turnDeg: 0 },
    };
  };
  const [light, pack, toggle] = [
    put('load', 'light', step),
    put('source', 'pack', -step),
    put('switch', 'switch', 0),
  ];
  if (!light || !pack || !toggle) return undefined;
  return {
    features: [light, pack, toggle],
    circuit: {
      id: free(`${part.id}.light`),
      name: `${part.name} light`.slice(0, 120),
      source: pack.id,
      switch: toggle.id,
      loads: [{ feature: light.id, currentMa: START_MA }],
    },
  };
}

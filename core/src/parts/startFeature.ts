import {
  type Feature,
  type Field,
  foamOfField,
  type Params,
  type Part,
  type Place,
  type Ply,
} from '../document';
import type { FeatureKind, Pointed } from '../features';
import { boundsOf, contains, dist2, distanceToEdge, type Vec2 } from '../geometry';
import { thicknessesOf } from '../materials';
import type { LaidPanel } from '../panel';
import { fail, ok, type Result, firstOf } from '../units';
import type { Context } from './context';
import { makePart, type MadePart } from './made';

/** How far a value is scaled before it is given up. */
const SCALES = [1, 0.8, 0.62, 0.48, 0.36, 0.27, 0.2, 0.14];
/** Other pieces that are tried, the largest first, and how large things are there. */
const OTHERS = 3;
const OTHER_SCALES = [1, 0.62];
/** Spots of a piece that are tried, those with the most foam round them first; looked for in so many steps each way. */
const SPOTS = 4;
const STEPS = 14;
/** Kinds of a thing that are tried where the one it begins with has no room. */
const KINDS = 40;

/** The sheet of a part's foam nearest in thickness to what a kind of feature begins with. */
function soldMm(context: Context, foamId: string, wantedMm: number): number {
  const sold = thicknessesOf(context.catalogue.foams, context.stock, foamId);
  return sold.reduce(
    (a, b) => (Math.abs(b - wantedMm) < Math.abs(a - wantedMm) ? b : a),
    sold[0] ?? wantedMm,
  );
}

/** Start values with lengths scaled within their ranges, and foams that are sold. */
function scaled(fields: readonly Field[], params: Params, scale: number, context: Context, ply: Ply): Params {
  return Object.fromEntries(
    Object.entries(params).map(([key, value]) => {
      const field = fields.find((f) => f.key === key);
      if (typeof value !== 'number' || !field) return [key, value];
      if (field.type === 'foam')
        return [key, value === 0 ? value : soldMm(context, foamOfField(field, params, ply.foamId), value)];
      if ((field.type !== 'length' && field.type !== 'count') || scale === 1) return [key, value];
      const next = field.type === 'count' ? Math.round(value * scale) : Math.round(value * scale * 10) / 10;
      return [key, Math.min(field.range[1], Math.max(field.range[0], next))];
    }),
  );
}

/** Spots well inside a piece, as shares of its panel, clear of its edges and of each other. */
function spotsOn({ piece, uvAt }: LaidPanel): Vec2[] {
  const b = boundsOf(piece.outline);
  const found: { uv: Vec2; at: Vec2; mm: number }[] = [];
  for (let i = 1; i < STEPS; i++)
    for (let k = 1; k < STEPS; k++) {
      const at = {
        x: b.minX + ((b.maxX - b.minX) * i) / STEPS,
        y: b.minY + ((b.maxY - b.minY) * k) / STEPS,
      };
      const uv = contains(piece.outline, at) ? uvAt(at) : undefined;
      if (uv) found.push({ uv, at, mm: distanceToEdge(piece.outline, at) });
    }
  const chosen: typeof found = [];
  for (const spot of found.sort((p, q) => q.mm - p.mm))
    if (chosen.length < SPOTS && chosen.every((c) => dist2(c.at, spot.at) > spot.mm / 2)) chosen.push(spot);
  const round = (v: number): number => Math.round(v * 1000) / 1000;
  return chosen.map(({ uv }) => ({ x: round(uv.x), y: round(uv.y) }));
}

/** What a feature that was laid raises that was not there before: a stop, or that it was left off. */
const objection = (made: MadePart, id: string, before: ReadonlySet<string>): string | undefined =>
  made.noticed.find(
    ({ check }) => !before.has(check.id) && (check.id === `feature-${id}` || check.severity === 'stop'),
  )?.check.title;

/** The same values with another of what they name in a catalogue. */
const variants = (kind: FeatureKind, params: Params): Params[] =>
  kind.fields.flatMap((field) =>
    field.type === 'choice' && field.open && !field.foams
      ? field.choices
          .filter((c) => c.value !== params[field.key])
          .slice(0, KINDS)
          .map((c) => ({ ...params, [field.key]: c.value }))
      : [],
  );

/** A path drawn smaller about a spot; every other place is where it is. */
function drawnIn(place: Place, at: Vec2, scale: number): Place {
  if (place.on !== 'path' || scale === 1) return place;
  const middle = (k: 0 | 1): number => place.points.reduce((sum, p) => sum + p[k], 0) / place.points.length;
  const [mx, my] = [middle(0), middle(1)];
  const to = (v: number): number => Math.round(Math.min(1, Math.max(0, v)) * 1000) / 1000;
  return {
    ...place,
    points: place.points.map(([x, y]) => [to(at.x + (x - mx) * scale), to(at.y + (y - my) * scale)]),
  };
}

export interface Asked {
  kind: FeatureKind;
  pointed: Pointed;
  id: string;
  /** Where it goes, when that is settled: then only its size is looked for. */
  place?: Place;
}

/**
 * A new feature that fits its part: as its kind begins where there is room for it, else another kind of the same thing,
 * smaller, at another spot, on another piece or in a room of the part.
 * @returns a sentence that says what stands in the way when nothing does.
 */
export function startFeature(
  part: Part,
  context: Context,
  { kind, pointed, id, place }: Asked,
): Result<Feature> {
  const bare = makePart(part, context, { coarse: true });
  const before = new Set(bare.noticed.map((n) => n.check.id));
  const begin = (to: Pointed, scale: number): Feature => {
    const started = kind.start(to);
    return {
      id,
      kind: kind.kind,
      place: place ?? drawnIn(started.place, to.at, scale),
      params: scaled(kind.fields, started.params, scale, context, firstOf(part.stack)),
    };
  };
  let said: string | undefined;
  const does = (feature: Feature): boolean => {
    const features = [...part.features, feature];
    const objects = objection(
      makePart({ ...part, features }, context, { coarse: true, before: bare }),
      id,
      before,
    );
    said ??= objects;
    return objects === undefined;
  };
  const first = begin(pointed, 1);
  // What goes into a room begins in one there is.
  const rooms = bare.model.rooms.map((r) => r.id);
  if (first.place.on === 'room' && rooms.length === 0)
    return fail(`${kind.label} goes into a room inside a part, and this one has none.`);
  const tries: (() => Feature[])[] = [
    () => [first],
    () => variants(kind, first.params).map((params) => ({ ...first, params })),
  ];
  if (first.place.on === 'room' && !place)
    tries.push(() =>
      rooms.flatMap((room) =>
        OTHER_SCALES.map((scale) => ({
          ...begin(pointed, scale),
          place: { on: 'room' as const, room, alongMm: 0, acrossMm: 0, turnDeg: 0 },
        })),
      ),
    );
  tries.push(() => SCALES.slice(1).map((scale) => begin(pointed, scale)));
  if (!place && first.place.on !== 'room') {
    const laid = bare.laid.filter((l) => !l.panel.loose);
    const own = laid.find((l) => l.panel.id === pointed.panel);
    const others = laid
      .filter((l) => l !== own)
      .sort((a, b) => b.piece.areaMm2 - a.piece.areaMm2)
      .slice(0, OTHERS);
    const there = (l: LaidPanel, at: Vec2): Pointed => ({
      panel: l.panel.id,
      edge: firstOf(l.piece.edges).id,
      at,
    });
    if (own)
      tries.push(() =>
        spotsOn(own).flatMap((at) => [1, 0.62, 0.36].map((s) => begin({ ...pointed, at }, s))),
      );
    for (const other of others)
      tries.push(() =>
        spotsOn(other)
          .slice(0, 2)
          .flatMap((at) => OTHER_SCALES.map((s) => begin(there(other, at), s))),
      );
  }
  for (const more of tries) {
    const found = more().find(does);
    if (found) return ok(found);
  }
  return fail(said ?? `${kind.label} finds no room on this part.`);
}

import { byId, itemAt, firstOf } from '../units';
import { zoneInfo } from '../body';
import type { Part, Place } from '../document';
import type { Item } from '../features';
import {
  boundsOf,
  common,
  contains,
  dist3,
  distanceToEdge,
  signedArea,
  type Vec2,
  type Vec3,
  meshWeight,
} from '../geometry';
import { depthUnder, footprintOutline, type Room, solidOf } from '../panel';
import type { Context } from './context';
import { makePart, type MadePart, zoneOf } from './made';

/** What is thought of most when places are ranked. */
export type Tilt = 'even' | 'wire' | 'room' | 'balance' | 'reach' | 'strength';

/** A place where something fits, and how good it is there. */
export interface Placement {
  place: Place;
  where: string;
  /** In the form's space. */
  at: Vec3;
  /** Depth left over, way of the wires, distance from where the part balances; mm. */
  spareMm: number;
  wireMm: number;
  leverMm: number;
  /** From the hand that switches it; 0 on a limb, where the other hand comes everywhere. */
  reachMm: number;
  /** Share of the width of the foam there that is cut away for it. */
  cutShare: number;
  score: number;
}

/** What must be given for a thing that fits nowhere: so much more depth at its best place. */
export interface NoPlace {
  shortMm: number;
  where: string;
}

const TURNS = [0, 45, 90, 135];
/** Spots tried along either side of a room. */
const STEPS = 14;
/** A little of the footprint may stand over the edge of the room. */
const INSIDE = 0.97;
/** Places nearer than this to a better one are the same, mm. */
const APART_MM = 28;
const BEST = 5;
/** Lamps are kept clear by this, mm: their rim and the wires. */
const LAMP_MM = 8;
/** No more places than this are tried out whole. */
const TRIED = 24;

const evenly = { wire: 1, room: 1, balance: 1, reach: 1, strength: 1 };
const barely = { wire: 0.5, room: 0.5, balance: 0.5, reach: 0.5, strength: 0.5 };
const weights: Record<Tilt, typeof evenly> = {
  even: evenly,
  wire: { ...barely, wire: 4 },
  room: { ...barely, room: 4 },
  balance: { ...barely, balance: 4 },
  reach: { ...barely, reach: 4 },
  strength: { ...barely, strength: 4 },
};

/** Where the hands meet before the breast: so far forward, as a share of stature over the ground; from memory. */
const HANDS = { forwardMm: 250, high: 0.7 };

/** Where the hand that switches is: the grip of what is carried, before the breast for what the trunk and head wear. */
function handAt(made: MadePart, part: Part, { body }: Context): Vec3 | undefined {
  if (made.model.heldAt) return made.model.heldAt;
  const zone = zoneOf(part);
  // A limb is handed to the other hand.
  if (zone === undefined || zoneInfo(zone).frame !== undefined) return undefined;
  return { x: 0, y: HANDS.forwardMm, z: body.stature.valueMm * HANDS.high };
}

/** How wide an outline is across a line that runs with the x axis through a point. */
function widthThrough(outline: readonly Vec2[], at: Vec2): number {
  const xs = outline.flatMap((a, i) => {
    const b = itemAt(outline, (i + 1) % outline.length);
    return a.y > at.y === b.y > at.y ? [] : [a.x + ((at.y - a.y) / (b.y - a.y)) * (b.x - a.x)];
  });
  return xs.length === 0 ? 0 : Math.max(...xs) - Math.min(...xs);
}

/** Where a thing of a room lies, as the document has it; nothing off the foam. */
function placeIn(room: Room, at: Vec2, turnDeg: number, made: MadePart): Place | undefined {
  const laid = made.laid.find((l) => room.panel === l.panel.id);
  if (!laid)
    return {
      on: 'room',
      room: room.id,
      acrossMm: Math.round(at.x - room.middle.x),
      alongMm: Math.round(at.y - room.middle.y),
      turnDeg,
    };
  const uv = laid.uvAt(at);
  const round = (t: number): number => Math.round(t * 1000) / 1000;
  return uv && { on: 'panel', panel: laid.panel.id, u: round(uv.x), v: round(uv.y), turnDeg };
}

type Found = Omit<Placement, 'score'>;

/**
 * The best places for something that is in a part already: every spot and turn of every room that takes its whole
 * footprint and depth, clear of everything else and of tender spots, ranked by spare depth, wire, balance, reach of the
 * hand that switches it, and what foam is left beside it.
 * @returns the best five, best first, or how much depth is missing where there is most.
 */
export function placements(
  part: Part,
  context: Context,
  featureId: string,
  tilt: Tilt,
): { found: Placement[] } | NoPlace {
  const made = makePart(part, context, { coarse: true });
  const item = made.featured.items.find((i) => i.featureId === featureId);
  if (!item?.fit) return { found: [] };
  const { needMm, widthMm, lengthMm, haveMm, roomId } = item.fit;
  const others = made.featured.items.filter((i) => i.featureId !== featureId);
  const zone = zoneOf(part);
  const tender = (zone && zoneInfo(zone).tender?.(context.body)) ?? [];
  const now = byId(made.rooms, roomId);
  const here = now && footAt(item, now);
  // What the foam itself gives, by a pocket or because the thing goes through it.
  const foamMm =
    now && here && made.rooms.some((r) => r.id === roomId && r.panel !== undefined && !r.solid)
      ? Math.max(0, haveMm - here)
      : 0;
  const middle = made.model.heldAt ?? meshWeight(solidOf(made.laid).mesh, 1).at;
  const hand = item.toggle ? handAt(made, part, context) : undefined;
  const lamps = others.filter((i) => i.lamp).map((i) => i.at);
  const found: Found[] = [];
  let best: NoPlace = { shortMm: Infinity, where: '' };
  for (const room of made.rooms) {
    const extra = room.panel !== undefined && !room.solid ? foamMm : 0;
    const b = boundsOf(room.outline);
    const lampsHere = others.flatMap((o) => (o.lamp && o.flat && room.panel === o.pieceId ? [o.flat] : []));
    const taken = others.flatMap((o) =>
      o.fit?.roomId === room.id && o.fit.outline.length > 2 ? [o.fit.outline] : [],
    );
    for (let i = 1; i < STEPS; i++)
      for (let j = 1; j < STEPS; j++)
        for (const turnDeg of widthMm === lengthMm ? TURNS.slice(0, 2) : TURNS) {
          const at = {
            x: b.minX + (i / STEPS) * (b.maxX - b.minX),
            y: b.minY + (j / STEPS) * (b.maxY - b.minY),
          };
          const print = { at, turnDeg, widthMm, lengthMm };
          const corners = footprintOutline(print);
          // Corners first: most places fall out there.
          if (corners.some((p) => room.depthAt(p) === undefined)) continue;
          const middleMm = room.depthAt(at);
          if (middleMm === undefined || middleMm + extra < needMm - best.shortMm) continue;
          const { depthMm, inside } = depthUnder(room, print);
          if (inside < INSIDE) continue;
          const spareMm = depthMm + extra - needMm;
          if (spareMm < 0) {
            if (-spareMm < best.shortMm) best = { shortMm: -spareMm, where: room.name };
            continue;
          }
          if (lampsHere.some((l) => contains(corners, l) || distanceToEdge(corners, l) < LAMP_MM)) continue;
          if (taken.some((t) => common([t], [corners]).some((r) => Math.abs(signedArea(r)) > 1))) continue;
          const spot = room.toSpace(at, 0);
          if (tender.some((s) => dist3(s.at, spot) < s.keepOffMm + Math.min(widthMm, lengthMm) / 2)) continue;
          const place = placeIn(room, at, turnDeg, made);
          if (!place) continue;
          found.push({
            place,
            where: room.name,
            spareMm,
            wireMm: lamps.length === 0 ? 0 : Math.min(...lamps.map((l) => dist3(l, spot))),
            leverMm: dist3(spot, middle),
            reachMm: hand ? dist3(spot, hand) : 0,
            // Only what is cut into foam weakens it.
            cutShare:
              room.solid || extra > 0 ? across(corners) / Math.max(1, widthThrough(room.outline, at)) : 0,
            at: spot,
          });
        }
  }
  if (found.length === 0) return best;
  const most = (of: (f: Found) => number): number => Math.max(1e-6, ...found.map(of));
  const [wire, lever, reach, cut] = [
    most((f) => f.wireMm),
    most((f) => f.leverMm),
    most((f) => f.reachMm),
    most((f) => f.cutShare),
  ];
  // More than a centimetre to spare is no better than a centimetre.
  const spare = Math.min(
    10,
    most((f) => f.spareMm),
  );
  const by = weights[tilt];
  const whole = Object.values(by).reduce((sum, w) => sum + w, 0);
  const ranked = found
    .map((f) => ({
      ...f,
      score:
        (by.wire * (1 - f.wireMm / wire) +
          by.room * (Math.min(spare, f.spareMm) / spare) +
          by.balance * (1 - f.leverMm / lever) +
          by.reach * (1 - f.reachMm / reach) +
          by.strength * (1 - f.cutShare / cut)) /
        whole,
    }))
    .sort((a, b) => b.score - a.score);
  const kept: (typeof ranked)[number][] = [];
  const tried: typeof ranked = [];
  for (const f of ranked) {
    if (kept.length === BEST || tried.length === TRIED) break;
    if (!tried.every((k) => dist3(k.at, f.at) >= APART_MM)) continue;
    tried.push(f);
    if (isSound(part, context, featureId, f.place)) kept.push(f);
  }
  return { found: kept };
}

/** How wide a footprint is. */
const across = (corners: readonly Vec2[]): number => {
  const b = boundsOf(corners);
  return b.maxX - b.minX;
};

/** Tried out whole: nothing is in its way there, and nothing is noticed of it. */
function isSound(part: Part, context: Context, featureId: string, place: Place): boolean {
  const moved: Part = {
    ...part,
    features: part.features.map((f) => (f.id === featureId ? { ...f, place } : f)),
  };
  const { noticed } = makePart(moved, context, { coarse: true });
  return !noticed.some(({ check }) => check.id.includes(featureId) && check.severity !== 'note');
}

/** Depth of a room under a thing as it lies now. */
function footAt({ fit, flat }: Item, room: Room): number | undefined {
  if (!fit || fit.outline.length < 3) return undefined;
  const at = flat ?? {
    x: fit.outline.reduce((s, p) => s + p.x, 0) / fit.outline.length,
    y: fit.outline.reduce((s, p) => s + p.y, 0) / fit.outline.length,
  };
  const [a, b] = [firstOf(fit.outline), itemAt(fit.outline, 1)];
  const turnDeg = (-Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  return depthUnder(room, fit.prints[0] ?? { at, turnDeg, widthMm: fit.widthMm, lengthMm: fit.lengthMm })
    .depthMm;
}

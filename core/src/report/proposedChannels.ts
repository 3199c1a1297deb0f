import { firstOf, lastOf } from '../units';
import type { WireRun } from '../circuit';
import { type BuildDoc, type Feature, featureIdsOf, type Part } from '../document';
import { dist2, type Vec2, type Vec3 } from '../geometry';
import { catalogue, gaugeMm } from '../materials';
import { nearestOn, type Surface } from '../panel';
import { makePart, standardKinds } from '../parts';
import { contextOfPart, surroundingsOf } from './surroundings';

/** A wire with its sleeve is about twice its copper across; from memory. */
const SLEEVED = 2;
/** Bends of a channel are no nearer to the straight than this, shares of a piece. */
const BEND = 0.02;
/** A channel begins and ends so far from an edge, shares of a piece. */
const EDGE = 0.03;
const SHORTEST = 0.12;
const SAME = 0.05;
/** No more points than a path may have. */
const MOST_POINTS = 12;

const clamp = (t: number): number => Math.round(Math.min(1 - EDGE, Math.max(EDGE, t)) * 1000) / 1000;

function offLine(p: Vec2, a: Vec2, b: Vec2): number {
  const size = dist2(a, b);
  return size < 1e-9 ? dist2(p, a) : Math.abs((b.x - a.x) * (a.y - p.y) - (a.x - p.x) * (b.y - a.y)) / size;
}

/** A line with the points left out that lie nearly straight between others (Douglas and Peucker, 1973). */
function straightened(points: readonly Vec2[], within: number): Vec2[] {
  const [a, b] = [firstOf(points), lastOf(points)];
  let worst = 0;
  let off = within;
  points.forEach((p, i) => {
    const away = i === 0 || i === points.length - 1 ? 0 : offLine(p, a, b);
    if (away > off) [worst, off] = [i, away];
  });
  if (worst === 0) return [a, b];
  return [
    ...straightened(points.slice(0, worst + 1), within).slice(0, -1),
    ...straightened(points.slice(worst), within),
  ];
}

/** Whether a channel has the ends of a line, whichever way round: wires there and back lie in one. */
function joinsAlike(channel: readonly (readonly [number, number])[], line: readonly Vec2[]): boolean {
  const [a, b] = [firstOf(channel), lastOf(channel)].map(([x, y]) => ({ x, y })) as [Vec2, Vec2];
  const [c, d] = [firstOf(line), lastOf(line)];
  const near = (p: Vec2, q: Vec2): boolean => dist2(p, q) < SAME;
  return (near(a, c) && near(b, d)) || (near(a, d) && near(b, c));
}

/** A way in space as lines on the pieces it runs over, shares of each. */
function linesOn(
  surfaces: readonly Surface[],
  points: readonly Vec3[],
): { pieceId: string; points: Vec2[] }[] {
  const lines: { pieceId: string; points: Vec2[] }[] = [];
  for (const p of points) {
    const picked = nearestOn(surfaces, p);
    if (!picked) continue;
    const at = { x: clamp(picked.at.x), y: clamp(picked.at.y) };
    const last = lines.at(-1);
    if (last?.pieceId === picked.pieceId) last.points.push(at);
    else lines.push({ pieceId: picked.pieceId, points: [at] });
  }
  return lines.filter((l) => dist2(firstOf(l.points), lastOf(l.points)) >= SHORTEST);
}

/**
 * Channels along the wires of a part as they are routed, one for each piece a wire runs over; only those that can be
 * cut: each was tried in the part. Nothing where no kind of feature cuts them.
 */
export function proposedChannels(
  doc: BuildDoc,
  part: Part,
  runs: readonly WireRun[],
  awg: number,
): Feature[] {
  const kind = [...standardKinds.features.values()].find((k) => k.forWires);
  if (!kind?.forWires) return [];
  const context = contextOfPart(doc, part, surroundingsOf(doc, catalogue, standardKinds));
  const params = kind.forWires({ acrossMm: SLEEVED * gaugeMm(awg) });
  const { surfaces } = makePart(part, context, { coarse: true });
  const taken = featureIdsOf(doc);
  const found: Feature[] = [];
  for (const line of runs.filter((r) => r.partId === part.id).flatMap((r) => linesOn(surfaces, r.points))) {
    if (
      found.some(
        ({ place }) =>
          place.on === 'path' && place.panel === line.pieceId && joinsAlike(place.points, line.points),
      )
    )
      continue;
    let points = straightened(line.points, BEND);
    for (let within = BEND; points.length > MOST_POINTS; points = straightened(line.points, (within *= 2)));
    let id = kind.kind;
    for (let i = 1; taken.includes(id); i++) id = `${kind.kind}-${i}`;
    const feature: Feature = {
      id,
      kind: kind.kind,
      place: {
        on: 'path',
        panel: line.pieceId,
        points: points.map(({ x, y }): [number, number] => [x, y]),
      },
      params,
    };
    const { noticed } = makePart({ ...part, features: [...part.features, ...found, feature] }, context, {
      coarse: true,
    });
    if (noticed.some(({ check }) => check.id.includes(id))) continue;
    taken.push(id);
    found.push(feature);
  }
  return found;
}

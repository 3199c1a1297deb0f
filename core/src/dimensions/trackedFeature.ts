import type { Vec2, Vec3 } from '../geometry';
import { onSurface, spotOfFlat, type Surface } from '../panel';
import type { MadePart } from '../parts';
import type { Tracked } from './tracked';

/** So many points of a drawn line or a solid are followed. */
const MOST = 48;

/** Points spread evenly over a run of them. */
function some<T>(points: readonly T[]): [index: number, point: T][] {
  const every = Math.ceil(points.length / MOST);
  return [...points.entries()].filter(([i]) => i % every === 0);
}

const level = ({ x, y }: Vec2): Vec3 => ({ x, y, z: 0 });

/** The points of a detail that may move when one of its values changes: in space, and on each flat piece it is drawn on. */
export interface TrackedFeature {
  solid: Map<string, Tracked>;
  flat: Map<string, Map<string, Tracked>>;
}

/** Where the points of a detail are on a part that was made. */
export function trackedFeature({ lays, surfaces, rooms }: MadePart, featureId: string): TrackedFeature {
  const solid = new Map<string, Tracked>();
  const flat = new Map<string, Map<string, Tracked>>();
  const laid = lays.get(featureId);
  if (!laid) return { solid, flat };
  const onPiece = (key: string, surface: Surface | undefined, at: Vec2): void => {
    if (!surface) return;
    const points = flat.get(surface.pieceId) ?? new Map<string, Tracked>();
    flat.set(surface.pieceId, points.set(key, { at: level(at) }));
    const { x: u, y: v } = spotOfFlat(surface, at);
    solid.set(key, { at: onSurface(surface, { x: u, y: v }), spot: { panel: surface.pieceId, u, v } });
  };
  const surfaceOf = (pieceId: string): Surface | undefined => surfaces.find((s) => s.pieceId === pieceId);
  for (const [i, { pieceId, hole }] of laid.holes.entries()) {
    const surface = surfaceOf(pieceId);
    const { x, y } = hole.centre;
    const r = hole.diameterMm / 2;
    const compass: [string, Vec2][] = [
      ['right', { x: x + r, y }],
      ['left', { x: x - r, y }],
      ['up', { x, y: y + r }],
      ['down', { x, y: y - r }],
    ];
    for (const [side, at] of compass) onPiece(`hole/${laid.holes.length}/${i}/${side}`, surface, at);
  }
  for (const [i, { pieceId, mark }] of laid.marks.entries())
    for (const [k, at] of some(mark.points))
      onPiece(`mark/${i}/${mark.points.length}/${k}`, surfaceOf(pieceId), at);
  for (const [i, { points }] of laid.drawn.entries())
    for (const [k, at] of some(points)) solid.set(`drawn/${i}/${points.length}/${k}`, { at });
  for (const [i, { points }] of laid.solids.entries())
    for (const [k, at] of some(points)) solid.set(`solid/${i}/${points.length}/${k}`, { at });
  for (const [i, { at }] of laid.items.entries()) solid.set(`item/${laid.items.length}/${i}`, { at });
  for (const { id, fit } of laid.items) {
    const room = fit && rooms.find((r) => r.id === fit.roomId);
    for (const depthMm of room ? [fit.fromMm, fit.fromMm + fit.needMm] : [])
      for (const [k, p] of some(fit!.outline))
        solid.set(`fit/${id}/${fit!.outline.length}/${k}/${depthMm === fit!.fromMm ? 'wall' : 'behind'}`, {
          at: room!.toSpace(p, depthMm),
        });
  }
  for (const { id, outline } of laid.pieces)
    flat.set(
      id,
      new Map(some(outline).map(([k, p]) => [`${outline.length}/${k}`, { at: level(p) }] as const)),
    );
  return { solid, flat };
}

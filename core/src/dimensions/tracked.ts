import type { Model } from '../forms';
import { add3, cross3, dist3, lerp3, scale3, sub3, type Vec2, type Vec3 } from '../geometry';
import { onPlane, type Panel } from '../panel';
import { firstOf, itemAt } from '../units';

/** A point of a model that can be found again once a value is another. */
export interface Tracked {
  at: Vec3;
  /** Where it lies on a panel, as shares of its width and height. */
  spot?: { panel: string; u: number; v: number };
  /** A spot of a ring with so many corners: it is followed only where these are another number then. */
  corners?: number;
}

/** Spots that are followed across and up every panel. */
const SPOTS = 8;
/** Points an outline is followed by whose corners come and go. */
const OUTLINE = 72;

const onGrid = (grid: readonly Vec3[][], u: number, v: number): Vec3 => {
  const y = v * (grid.length - 1);
  const x = u * (firstOf(grid).length - 1);
  const [r, c] = [
    Math.min(Math.floor(y), grid.length - 2),
    Math.min(Math.floor(x), firstOf(grid).length - 2),
  ];
  const low = itemAt(grid, Math.max(0, r));
  const high = itemAt(grid, Math.min(r + 1, grid.length - 1));
  const across = (row: readonly Vec3[]): Vec3 =>
    lerp3(itemAt(row, Math.max(0, c)), itemAt(row, Math.min(c + 1, row.length - 1)), x - c);
  return lerp3(across(low), across(high), y - r);
};

/** Points evenly round a closed run. */
function evenly(ring: readonly Vec3[], count: number): Vec3[] {
  const closed = [...ring, firstOf(ring)];
  const steps = closed.slice(1).map((p, i) => dist3(p, itemAt(closed, i)));
  const whole = steps.reduce((a, b) => a + b, 0);
  return Array.from({ length: count }, (_, i) => {
    let left = (i / count) * whole;
    for (const [k, step] of steps.entries()) {
      if (left <= step) return lerp3(itemAt(closed, k), itemAt(closed, k + 1), step === 0 ? 0 : left / step);
      left -= step;
    }
    return firstOf(ring);
  });
}

function ofPanel(panel: Panel, put: (key: string, tracked: Tracked) => void): void {
  const { id, grid, plate } = panel;
  const shares = Array.from({ length: SPOTS + 1 }, (_, i) => i / SPOTS);
  for (const v of shares)
    for (const u of shares) put(`${id}/${u}/${v}`, { at: onGrid(grid, u, v), spot: { panel: id, u, v } });
  for (const { name, outline } of panel.openings ?? [])
    outline.forEach(({ x, y }, i) =>
      put(`${id}/${name}/${i}`, { at: onGrid(grid, x, y), spot: { panel: id, u: x, v: y } }),
    );
  for (const [i, { from, to, heightMm }] of (panel.slots ?? []).entries()) {
    const up = sub3(onGrid(grid, from[0], 1), onGrid(grid, from[0], 0));
    const half = scale3(up, heightMm / 2 / Math.max(1e-6, Math.hypot(up.x, up.y, up.z)));
    for (const [k, [u, v]] of [from, to].entries()) {
      put(`${id}/slot/${i}/${k}/over`, { at: add3(onGrid(grid, u, v), half) });
      put(`${id}/slot/${i}/${k}/under`, { at: sub3(onGrid(grid, u, v), half) });
    }
  }
  if (!plate) return;
  const out = cross3(plate.across, plate.up);
  type Ring = [name: string, ring: readonly Vec2[], highMm: number];
  const rings: Ring[] = [
    ['outline', plate.outline, 0],
    ...plate.cuts.map((c): Ring => [`cut-${c.id}`, c.outline, 0]),
    ...(plate.sections ?? []).flatMap(({ region, atMm }, i) =>
      region.map((ring, k): Ring => [`at-${i}-${k}`, ring, atMm]),
    ),
  ];
  for (const [name, ring, highMm] of rings) {
    const points = ring.map((p) => add3(onPlane(plate, p), scale3(out, highMm)));
    // Corners are followed as such while there are as many of them; else spots evenly round it.
    points.forEach((at, i) => put(`${id}/${name}/${points.length}/${i}`, { at }));
    if (points.length > 2)
      evenly(points, OUTLINE).forEach((at, i) =>
        put(`${id}/${name}/even/${i}`, { at, corners: points.length }),
      );
  }
}

/** Everything of a model that may move when a value changes, by names that stay. */
export function trackedOf(model: Model): Map<string, Tracked> {
  const all = new Map<string, Tracked>();
  const put = (key: string, tracked: Tracked): void => void all.set(key, tracked);
  for (const panel of model.panels) ofPanel(panel, put);
  for (const { id, from, to } of model.sticks) {
    put(`stick/${id}/from`, { at: from });
    put(`stick/${id}/to`, { at: to });
  }
  if (model.heldAt) put('hand', { at: model.heldAt });
  for (const [i, mesh] of model.existing.entries())
    mesh.points.forEach((at, k) => put(`existing/${i}/${mesh.points.length}/${k}`, { at }));
  for (const { id, at } of model.anchors) put(`anchor/${id}`, { at });
  for (const { id, outline, toSpace, middle, depthAt } of model.rooms) {
    outline.forEach((p, i) => put(`room/${id}/${outline.length}/${i}`, { at: toSpace(p, 0) }));
    put(`room/${id}/behind`, { at: toSpace(middle, depthAt(middle) ?? 0) });
  }
  for (const [i, { at }] of model.ballast.entries()) put(`ballast/${i}`, { at });
  for (const { what, at } of model.clearances) put(`opening/${what}`, { at });
  for (const [i, line] of model.sight.entries()) line.forEach((at, k) => put(`sight/${i}/${k}`, { at }));
  return all;
}

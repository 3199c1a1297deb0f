import { getFrom } from '../units';
import { add3, contains, cross3, dot3, scale3, sub3, type Vec2 } from '../geometry';
import type { FoamSheet } from '../materials';
import type { LaidPanel } from './lay';
import { gridNormals, type Panel } from './panel';
import { onGrid } from './patch';
import type { Plate, PlateCut } from './plateShape';
import type { Room } from './room';

/** Left under a pocket that does not go right through, mm: less shows and tears. From memory. */
export const FLOOR_MM = 3;
/** Layers are glued to each other when no more than this lies between them, mm. */
const TOUCH_MM = 1;

const alike = (a: Plate, b: Plate): boolean => dot3(a.across, b.across) > 0.999 && dot3(a.up, b.up) > 0.999;

/**
 * A layer of a lamination and those glued under it, the way a pocket is cut into it from outside; the layer alone when
 * nothing is under it.
 */
export function layersUnder<P extends Pick<Panel, 'plate'>>(
  own: P,
  all: readonly P[],
  thicknessOf: (panel: P) => number,
): P[] {
  const lead = own.plate;
  if (!lead) return [];
  const out = cross3(lead.across, lead.up);
  const heightOf = (panel: P): number => dot3(sub3(panel.plate!.origin, lead.origin), out);
  const under = all
    .filter((p) => p !== own && p.plate && alike(lead, p.plate) && heightOf(p) < -0.1)
    .sort((a, b) => heightOf(b) - heightOf(a));
  const found = [own];
  let floor = 0;
  for (const panel of under) {
    const top = heightOf(panel) + thicknessOf(panel);
    if (floor - top > TOUCH_MM) break;
    if (top > floor + TOUCH_MM) continue;
    found.push(panel);
    floor = heightOf(panel);
  }
  return found;
}

/** How deep a pocket may be cut from the outer face of a layer: through all that lies under it, but for its floor. */
export const pocketableMm = (thicknesses: readonly number[]): number =>
  Math.max(0, thicknesses.reduce((sum, t) => sum + t, 0) - FLOOR_MM);

/** The room a lamination is for whatever is cut into it from the outer face of one of its layers. */
export function layersRoom(laid: LaidPanel, all: readonly LaidPanel[]): Room {
  const { panel, piece, foam } = laid;
  const foams = new Map(all.map((l) => [l.panel, l.foam.thicknessMm.value]));
  const layers = layersUnder(
    panel,
    all.map((l) => l.panel),
    (p) => getFrom(foams, p),
  );
  const deepMm = pocketableMm(layers.map((p) => getFrom(foams, p)));
  const xs = piece.outline.map((p) => p.x);
  const ys = piece.outline.map((p) => p.y);
  const normals = gridNormals(panel.grid);
  return {
    id: `layers:${panel.id}`,
    name: `cut into ${panel.name}${layers.length > 1 ? ` and ${layers.length - 1} under it` : ''}`,
    panel: panel.id,
    solid: true,
    outline: piece.outline,
    middle: { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 },
    depthAt: (p) => (contains(piece.outline, p) ? deepMm : undefined),
    toSpace: (p, depthMm) => {
      const at = laid.uvAt(p) ?? { x: 0.5, y: 0.5 };
      return add3(onGrid(panel.grid, at), scale3(onGrid(normals, at), foam.thicknessMm.value - depthMm));
    },
  };
}

/** A pocket as it is asked for: its outline about its spot in sheets of a kind, and how deep. */
export interface PocketAsked {
  id: string;
  /** The feature it is cut for. */
  of: string;
  name: string;
  /** About nought, as seen from outside; cut under size in foam and over it in rigid sheet. */
  outlineIn: (foam: FoamSheet) => Vec2[];
  deepMm: number;
}

/**
 * Panels with a pocket cut from the outer face of one of them into as many layers as it is deep: right through those
 * above its floor, to a depth in the last. The very same panels when the spot is not on a glued layer or the pocket
 * breaks an edge.
 */
export function pocketCut(
  panels: readonly Panel[],
  panelId: string,
  uv: Vec2,
  foamOf: (panel: Panel) => FoamSheet,
  { id, of, name, outlineIn, deepMm }: PocketAsked,
): readonly Panel[] {
  const at = (p: Panel): Vec2 | undefined => {
    if (!p.plate) return undefined;
    const d = sub3(onGrid(own!.grid, uv), p.plate.origin);
    return { x: dot3(d, p.plate.across), y: dot3(d, p.plate.up) };
  };
  const named = panels.filter((p) => p.id === panelId || p.dividedFrom === panelId);
  const own = named.find((p) => named.length === 1 || (p.plate && contains(p.plate.outline, spotOn(p, uv))));
  if (!own?.plate?.backed) return panels;
  const thick = (p: Panel): number => foamOf(p).thicknessMm.value;
  const layers = layersUnder(own, panels, thick);
  let left = Math.min(deepMm, pocketableMm(layers.map(thick)));
  const cuts = new Map<Panel, PlateCut>();
  for (const layer of layers) {
    if (left < 0.05) break;
    const foam = foamOf(layer);
    const spot = at(layer)!;
    const outline = outlineIn(foam).map((p) => ({ x: p.x + spot.x, y: p.y + spot.y }));
    if (!outline.every((p) => contains(layer.plate!.outline, p))) return panels;
    const t = foam.thicknessMm.value;
    cuts.set(layer, {
      id,
      of,
      name,
      outline,
      ...(left < t - 0.05 && { recess: { depthMm: left, face: 'outer' as const } }),
    });
    left -= t;
  }
  return panels.map((p) => {
    const cut = cuts.get(p);
    return cut ? { ...p, plate: { ...p.plate!, cuts: [...p.plate!.cuts, cut] } } : p;
  });
}

const spotOn = (panel: Panel, uv: Vec2): Vec2 => {
  const d = sub3(onGrid(panel.grid, uv), panel.plate!.origin);
  return { x: dot3(d, panel.plate!.across), y: dot3(d, panel.plate!.up) };
};

import type { PanelSpot } from '../../document';
import { contains, dot3, rotate2, sub3, type Vec2 } from '../../geometry';
import { onGrid, type Panel, type Plate } from '../../panel';

/** A slot or window: how wide and long, and whether its ends are round. */
export interface OpeningSize {
  widthMm: number;
  lengthMm: number;
  ends: 'round' | 'square';
}

const ARC_STEPS = 8;

/** An opening about nought, its length upright before it is turned, counter-clockwise. */
export function openingRing({ widthMm: w, lengthMm: l, ends }: OpeningSize, turnDeg: number): Vec2[] {
  const r = Math.min(w, l) / 2;
  const turned = (p: Vec2): Vec2 => rotate2(p, (-turnDeg * Math.PI) / 180);
  if (ends === 'square')
    return [
      { x: -w / 2, y: -l / 2 },
      { x: w / 2, y: -l / 2 },
      { x: w / 2, y: l / 2 },
      { x: -w / 2, y: l / 2 },
    ].map(turned);
  const end = (x: number, y: number, from: number): Vec2[] =>
    Array.from({ length: ARC_STEPS + 1 }, (_, i) => {
      const a = from + (i / ARC_STEPS) * (Math.PI / 2);
      return { x: x + r * Math.cos(a), y: y + r * Math.sin(a) };
    });
  const [x, y] = [w / 2 - r, l / 2 - r];
  return [
    ...end(x, -y, -Math.PI / 2),
    ...end(x, y, 0),
    ...end(-x, y, Math.PI / 2),
    ...end(-x, -y, Math.PI),
  ].map(turned);
}

const parallel = (a: Plate, b: Plate): boolean =>
  Math.abs(dot3(a.across, b.across)) > 0.999 && Math.abs(dot3(a.up, b.up)) > 0.999;

/** Flat panels with an opening cut in the one it lies on, or in every layer that lies there. */
export function cutThrough(
  panels: readonly Panel[],
  cut: {
    id: string;
    name: string;
    place: Pick<PanelSpot, 'panel' | 'u' | 'v' | 'turnDeg'>;
    params: OpeningSize;
    layers: 'all' | 'one';
    /** What is cut out is its lid. */
    lid?: true;
  },
): Panel[] {
  const { place, params } = cut;
  const named = (p: Panel): boolean => p.id === place.panel || p.dividedFrom === place.panel;
  const own = panels.find(named);
  if (!own?.plate) return [...panels];
  const at = onGrid(own.grid, { x: place.u, y: place.v });
  const lead = own.plate;
  return panels.map((panel) => {
    const { plate } = panel;
    if (!plate || (cut.layers === 'one' ? !named(panel) : !parallel(lead, plate))) return panel;
    const d = sub3(at, plate.origin);
    const spot = { x: dot3(d, plate.across), y: dot3(d, plate.up) };
    // Seen from the back, left is right.
    const hand = Math.sign(dot3(lead.across, plate.across)) * Math.sign(dot3(lead.up, plate.up));
    const ring = openingRing(params, hand * place.turnDeg).map((p) => ({
      x: spot.x + p.x,
      y: spot.y + p.y,
    }));
    if (!ring.every((p) => contains(plate.outline, p))) return panel;
    return {
      ...panel,
      plate: {
        ...plate,
        cuts: [
          ...plate.cuts,
          { id: cut.id, name: cut.name, outline: ring, ...(cut.lid && { lid: true as const }) },
        ],
      },
    };
  });
}

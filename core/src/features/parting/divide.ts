import { byId } from '../../units';
import { boundsOf, common, dot3, type Region, signedArea, sub3, type Vec2 } from '../../geometry';
import { onGrid, onPlane, type Panel, type Plate, platePanel } from '../../panel';

/** A straight line across flat pieces: through a spot of one of them, turned from straight across, radians. */
export interface Parting {
  panelId: string;
  spot: Vec2;
  turn: number;
  /** Layers are parted by half of this above and below the line in turn. */
  staggerMm: number;
}

/** Further than any prop reaches, mm. */
const FAR_MM = 1e5;
/** Slivers smaller than this are no pieces, mm². */
const SLIVER_MM2 = 40;

/** Everything on one side of a line: above it along its normal, or below. */
function half(p: Vec2, turn: number, above: boolean): Vec2[] {
  const [along, up] = [
    { x: Math.cos(turn), y: Math.sin(turn) },
    { x: -Math.sin(turn), y: Math.cos(turn) },
  ];
  const side = above ? 1 : -1;
  const corner = (a: number, b: number): Vec2 => ({
    x: p.x + FAR_MM * (a * along.x + b * side * up.x),
    y: p.y + FAR_MM * (a * along.y + b * side * up.y),
  });
  const ring = [corner(-1, 0), corner(1, 0), corner(1, 1), corner(-1, 1)];
  return above ? ring : ring.reverse();
}

/** Where a point of space lies in a plate's plane. */
const inPlane = ({ origin, across, up }: Plate, at: ReturnType<typeof onPlane>): Vec2 => {
  const d = sub3(at, origin);
  return { x: dot3(d, across), y: dot3(d, up) };
};

const isParallel = (a: Plate, b: Plate): boolean =>
  dot3(a.across, b.across) > 0.999 && dot3(a.up, b.up) > 0.999;

/** The parts of a plate within a region, largest first; each keeps the box its shares count over. */
function within(plate: Plate, region: Region): Plate[] {
  const b = boundsOf(plate.outline);
  const frame = plate.frame ?? b;
  const cut = (ring: Vec2[]): Region => common([ring], region);
  return cut(plate.outline)
    .filter((ring) => signedArea(ring) > SLIVER_MM2)
    .sort((p, q) => signedArea(q) - signedArea(p))
    .map((outline) => ({
      ...plate,
      outline,
      frame,
      cuts: plate.cuts.flatMap((c) => {
        const [left] = common([c.outline], [outline]);
        return left ? [{ ...c, outline: left }] : [];
      }),
      ...(plate.sections && {
        sections: plate.sections.map((s) => ({ ...s, region: common(s.region, region) })),
      }),
    }));
}

/** Which pieces a line parts: panels as they are, or two and more in the place of one. */
export function divided(panels: readonly Panel[], { panelId, spot, turn, staggerMm }: Parting): Panel[] {
  const on = byId(panels, panelId);
  if (!on?.plate) return [...panels];
  const at = onGrid(on.grid, spot);
  let layer = 0;
  return panels.flatMap((panel): Panel[] => {
    const { plate } = panel;
    if (!plate || !isParallel(plate, on.plate!)) return [panel];
    const p = inPlane(plate, at);
    const shift = (layer % 2 === 0 ? 0.5 : -0.5) * staggerMm;
    const moved = { x: p.x - shift * Math.sin(turn), y: p.y + shift * Math.cos(turn) };
    const [below, above] = [false, true].map((side) => within(plate, [half(moved, turn, side)]));
    const halves = [...below!, ...above!];
    if (below!.length === 0 || above!.length === 0) return [panel];
    layer += 1;
    return halves.map((one, i): Panel => {
      const letter = String.fromCharCode(65 + i);
      return {
        ...panel,
        ...platePanel({
          ...one,
          id: i === 0 ? panel.id : `${panel.id}-${letter.toLowerCase()}`,
          name: panel.dividedFrom ? `${panel.name}${i + 1}` : `${panel.name}, part ${letter}`,
        }),
        dividedFrom: panel.dividedFrom ?? panel.id,
      };
    });
  });
}

import type { Vec2 } from '../../geometry';

/** A hump cut across: a part of a circle that stands on its chord. Lengths in mm, angles in radians. */
export interface Arc {
  /** Of the outer face. */
  radiusMm: number;
  /** From the middle of the chord up to the centre; negative where less than half of the circle stands out. */
  centreMm: number;
  thicknessMm: number;
  /** Of the layer that keeps its length. */
  neutralMm: number;
}

/** The arc of a hump so wide at its foot and so high, outside, in foam of a thickness; r = (w²/4 + h²) / 2h. */
export function arcOf(widthMm: number, highMm: number, thicknessMm: number, neutralFraction: number): Arc {
  const radiusMm = (widthMm ** 2 / 4 + highMm ** 2) / (2 * highMm);
  return {
    radiusMm,
    centreMm: highMm - radiusMm,
    thicknessMm,
    neutralMm: radiusMm - (1 - neutralFraction) * thicknessMm,
  };
}

/** Half the angle that a layer of the hump takes up, from its foot to its crown; nothing where the layer is lower than that. */
const halfRad = ({ centreMm }: Arc, radiusMm: number): number =>
  radiusMm <= -centreMm ? 0 : Math.acos(Math.min(1, -centreMm / radiusMm));

/** How wide a face of the strip is while it lies flat: its own angle, by the layer that keeps its length. */
export const flatMm = (arc: Arc, face: 'outer' | 'inner'): number =>
  2 * arc.neutralMm * halfRad(arc, face === 'outer' ? arc.radiusMm : arc.radiusMm - arc.thicknessMm);

const STEPS = 24;

/** What a layer encloses over the chord, counter-clockwise, from the right foot over the crown to the left. */
export function section(arc: Arc, radiusMm: number): Vec2[] {
  const half = halfRad(arc, radiusMm);
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const at = half * (1 - (2 * i) / STEPS);
    const y = arc.centreMm + radiusMm * Math.cos(at);
    return { x: radiusMm * Math.sin(at), y: i === 0 || i === STEPS ? 0 : y };
  });
}

import type { PanelSpot } from '../../document';
import {
  add3,
  contains,
  cross3,
  distanceToEdge,
  rotate2,
  scale3,
  unit3,
  type Vec2,
  type Vec3,
} from '../../geometry';
import { gridNormals, type LaidPanel, onGrid } from '../../panel';

/** A spot of a panel in the flat and in space. */
export interface Spot {
  flat: Vec2;
  /** On the outer face, and which way is out. */
  at: Vec3;
  normal: Vec3;
  /** Distance from the nearest edge of its piece, negative when off the foam. */
  marginMm: number;
}

/** Outward normals of panels that have not changed. */
const known = new WeakMap<LaidPanel['panel'], Vec3[][]>();
const normalsOf = ({ panel }: LaidPanel): Vec3[][] => {
  let normals = known.get(panel);
  if (!normals) known.set(panel, (normals = gridNormals(panel.grid)));
  return normals;
};

/** The way a turned feature points on its flat piece: 0 up, 90 to the right. */
export const wayOf = (turnDeg: number): Vec2 => rotate2({ x: 0, y: 1 }, (-turnDeg * Math.PI) / 180);

/** The same in space on a face whose way out is given, and the way across it to the right; upright where the face lets it be. */
export function wayInSpace(out: Vec3, turnDeg: number): { along: Vec3; across: Vec3 } {
  const rise = Math.abs(out.z) > 0.9 ? { x: 0, y: 1, z: 0 } : { x: 0, y: 0, z: 1 };
  const level = unit3(cross3(rise, out));
  const upright = unit3(cross3(out, level));
  const way = wayOf(turnDeg);
  const along = add3(scale3(upright, way.y), scale3(level, way.x));
  return { along, across: unit3(cross3(along, out)) };
}

/** The spot `alongMm` from a place, the way it is turned, measured on the flat. */
export function spotFrom(laid: LaidPanel, place: PanelSpot, alongMm: number): Spot {
  const way = wayOf(place.turnDeg);
  return spotBy(laid, place, { x: way.x * alongMm, y: way.y * alongMm });
}

/** The spot so far from a place on the flat. */
export function spotBy(laid: LaidPanel, place: PanelSpot, by: Vec2): Spot {
  const from = laid.flatAt({ x: place.u, y: place.v });
  const flat = { x: from.x + by.x, y: from.y + by.y };
  const margin = distanceToEdge(laid.piece.outline, flat);
  const on = contains(laid.piece.outline, flat);
  // A spot off the foam is shown at the last of it on the way there.
  let uv = laid.uvAt(flat);
  for (let t = 0.95; !uv && t > 0; t -= 0.05) uv = laid.uvAt({ x: from.x + by.x * t, y: from.y + by.y * t });
  const spot = uv ?? { x: place.u, y: place.v };
  const normal = onGrid(normalsOf(laid), spot);
  const inner = onGrid(laid.panel.grid, spot);
  return {
    flat,
    at: add3(inner, scale3(normal, laid.foam.thicknessMm.value)),
    normal,
    marginMm: on ? margin : -margin,
  };
}

import type { Feature } from '../../document';
import { litFace } from '../../light';
import { lobes } from '../../materials';
import { wayOf } from '../laying/spot';
import type { LaidPart } from '../contract';
import { type Footing, footingOf } from '../laying/device';
import {
  BEFORE_MM,
  lampFlux,
  lampRgb,
  type LitPatch,
  type LitPoint,
  noShine,
  patchIn,
  shellsOf,
  type Shine,
} from '../laying/shine';
import { lampPitchMm } from '../laying/stripParts';
import type { WoundParams } from './fields';
import { glowOver, layersOut, type WallGlow } from './glow';
import { alongMm, lyingOf, windingOf } from './wound';

/** The lamps of a winding are drawn as so many along its middle. */
const SPOTS = 12;
/** The strip is driven at so much of its full light where it is addressable; as its load. */
export const BRIGHT = 0.3;
/** Cells along a wall that glows, at most. */
const CELLS = 96;

/** A wall as it glows along the strip: lamps as far apart as they are, the whole as bright as what comes out of it. */
function wallPatch(
  id: string,
  params: WoundParams,
  footing: Footing,
  { wall, worst, passed }: WallGlow,
  flux: number,
): LitPatch {
  const pitch = lampPitchMm(params.type);
  const count = Math.max(1, Math.floor(params.lengthMm / pitch));
  const size = { widthMm: params.lengthMm, heightMm: wall.acrossMm };
  const lit = litFace(
    {
      ...size,
      distanceMm: worst.standOffMm,
      sources: Array.from({ length: count }, (_, i) => ({
        xMm: (i + 0.5) * (params.lengthMm / count),
        yMm: wall.acrossMm / 2,
        flux: 1,
        lobe: lobes['flat-top'],
      })),
      layers: layersOut(params, worst),
      wallReflectance: wall.way === 'round' ? 0.98 : 0,
    },
    CELLS,
  );
  const sum =
    lit.values.reduce((a, b) => a + b, 0) * (size.widthMm / lit.columns) * (size.heightMm / lit.rows);
  // As much as comes out of it, as it was worked out.
  const mean = (passed[0] + passed[1]) / 2;
  const up = wayOf(footing.print.turnDeg).y;
  const outside = (x: number, y: number) => wall.outside(footing.flat.y + up * x, y);
  return patchIn(
    (x, y) => {
      const { at, normal } = outside(x, y);
      return {
        x: at.x + normal.x * BEFORE_MM,
        y: at.y + normal.y * BEFORE_MM,
        z: at.z + normal.z * BEFORE_MM,
      };
    },
    outside(0, 0).normal,
    size,
    { ...lit, values: lit.values.map((v) => (sum > 0 ? (v * mean) / sum : 0)) },
    { itemIds: [id], rgb: lampRgb[params.colour], off: wall.colour, flux },
  );
}

/** A strip on its core, and the walls, sleeve or pieces round it that its light goes through. */
export function woundShine(on: LaidPart, feature: Omit<Feature, 'params'> & { params: WoundParams }): Shine {
  const { id, params } = feature;
  const along = params.way === 'along';
  const lying = lyingOf(params);
  const footing = footingOf(on, feature, lying);
  if (!footing) return noShine();
  const lamps = Math.floor(
    (along ? alongMm(params, lampPitchMm(params.type)) : windingOf(params).stripMm) /
      lampPitchMm(params.type),
  );
  const flux = lamps * lampFlux(params.colour, params.type === '5v' ? BRIGHT : 1);
  const rgb = lampRgb[params.colour];
  const glows = glowOver(footing, params);
  if (glows.length > 0) {
    const lit = glows.filter((g) => g.passed[1] > 0);
    return {
      ...noShine(),
      patches: lit.map((g) => wallPatch(id, params, footing, g, flux / glows.length)),
    };
  }
  const way = wayOf(footing.print.turnDeg);
  const { room, flat } = footing;
  return {
    ...noShine(),
    points: Array.from({ length: SPOTS }, (_, i): LitPoint => {
      const mm = ((i + 0.5) / SPOTS - 0.5) * params.lengthMm;
      const spot = { x: flat.x + way.x * mm, y: flat.y + way.y * mm };
      return {
        itemId: id,
        rgb,
        at: room.toSpace(spot, (room.depthAt(spot) ?? footing.depthMm) / 2),
        normal: footing.normal,
        flux: flux / SPOTS,
        acrossMm: lying.widthMm,
        hidden: true,
      };
    }),
    shells: shellsOf(on, [id], rgb),
  };
}

import type { Feature } from '../../document';
import { wayOf } from '../laying/spot';
import type { LaidPart } from '../contract';
import { footingOf } from '../laying/device';
import { lampFlux, lampRgb, type LitPoint, noShine, shellsOf, type Shine } from '../laying/shine';
import { lampPitchMm, stripOf } from '../laying/stripParts';
import type { WoundParams } from './fields';
import { alongMm, windingOf } from './wound';

/** The lamps of a winding are drawn as so many along its middle. */
const SPOTS = 12;
/** The strip is driven at so much of its full light where it is addressable; as its load. */
const BRIGHT = 0.3;

/** A strip on its core, and the pieces round it that its light goes through. */
export function woundShine(on: LaidPart, feature: Omit<Feature, 'params'> & { params: WoundParams }): Shine {
  const { id, params } = feature;
  const along = params.way === 'along';
  const acrossMm = along ? params.wideMm : params.coreMm + 2 * stripOf(params.type).thickMm;
  const footing = footingOf(on, feature, { widthMm: acrossMm, lengthMm: params.lengthMm });
  if (!footing) return noShine();
  const lamps = Math.floor(
    (along ? alongMm(params, lampPitchMm(params.type)) : windingOf(params).stripMm) /
      lampPitchMm(params.type),
  );
  const flux = lamps * lampFlux(params.colour, params.type === '5v' ? BRIGHT : 1);
  const rgb = lampRgb[params.colour];
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
        acrossMm,
        hidden: true,
      };
    }),
    shells: shellsOf(on, [id], rgb),
  };
}

import type { Feature } from '../../document';
import { boundsOf } from '../../geometry';
import { litFace } from '../../light';
import { ledBodies } from '../../materials';
import { type LaidPart, panelOf } from '../contract';
import { lampFlux, lampRgb, noShine, patchOver, type Shine } from '../laying/shine';
import { spotBy } from '../laying/spot';
import type { LampParams } from './lamps';
import { layoutOf } from './layout';
import { CELLS, faceThrough } from './through';

/** Lamps in their holes, or the foam that they shine through. */
export function lampShine(on: LaidPart, feature: Omit<Feature, 'params'> & { params: LampParams }): Shine {
  const { id, place, params } = feature;
  const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
  if (!laid || place.on !== 'panel') return noShine();
  const { colour } = params;
  const spots = layoutOf(params, place.turnDeg).map((by) => spotBy(laid, place, by));
  const rgb = lampRgb[colour];
  const flux = lampFlux(colour);
  const itemIds = spots.map((_, i) => `${id}-${i + 1}`);
  if (params.shows === 'hole')
    return {
      ...noShine(),
      points: spots.map(({ at, normal }, i) => ({
        itemId: itemIds[i]!,
        rgb,
        at,
        normal,
        flux,
        acrossMm: ledBodies[params.body].bodyMm,
        hidden: false,
      })),
    };
  const face = faceThrough(laid.foam, params, spots);
  if (!face) return noShine();
  const b = boundsOf(spots.map((s) => s.flat));
  return {
    ...noShine(),
    patches: [
      patchOver(
        laid,
        place,
        {
          middle: { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 },
          across: { x: 1, y: 0 },
          widthMm: face.widthMm,
          heightMm: face.heightMm,
        },
        litFace(face, CELLS),
        { itemIds, rgb, off: laid.foam.colour, flux },
      ),
    ],
  };
}

import type { Feature } from '../../document';
import { rotate2 } from '../../geometry';
import { litFace } from '../../light';
import { type LaidPart, panelOf } from '../contract';
import { lampFlux, lampRgb, type LightRgb, noShine, patchOver, type Shine } from '../laying/shine';
import { diffuserOf, overMm, overOf } from './box';
import { boxFace } from './tile';
import { CELLS } from './evener';
import type { BoxParams } from './fields';

/** What is left of a colour behind a diffuser that takes some of it in every layer. */
export function tinted(
  rgb: LightRgb,
  { diffuser, layers }: Pick<BoxParams, 'diffuser' | 'layers'>,
): LightRgb {
  const { tint } = diffuserOf(diffuser);
  const [r, g, b] = tint ?? [1, 1, 1];
  return [rgb[0] * r ** layers, rgb[1] * g ** layers, rgb[2] * b ** layers];
}

/** The window of a light box as it glows. */
export function boxShine(on: LaidPart, feature: Omit<Feature, 'params'> & { params: BoxParams }): Shine {
  const { id, place, params } = feature;
  const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
  if (!laid || place.on !== 'panel') return noShine();
  const { widthMm, heightMm, colour } = params;
  const face = boxFace(params);
  const outside = params.side === 'outside';
  return {
    ...noShine(),
    patches: [
      patchOver(
        laid,
        place,
        {
          middle: laid.flatAt({ x: place.u, y: place.v }),
          across: rotate2({ x: 1, y: 0 }, (-place.turnDeg * Math.PI) / 180),
          widthMm,
          heightMm,
          ...(outside && { outMm: params.deepMm + overMm(params) }),
        },
        litFace(face, CELLS),
        {
          itemIds: params.lit === 'lamps' ? face.sources.map((_, i) => `${id}-${i + 1}`) : [id],
          rgb: tinted(lampRgb[colour], params),
          off: (overOf(params)[0] ?? diffuserOf(params.diffuser)).off.colour,
          flux: lampFlux(colour, params.lit === '5v' ? params.brightPct / 100 : 1),
        },
      ),
    ],
  };
}

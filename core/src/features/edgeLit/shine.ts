import type { Feature } from '../../document';
import { rotate2 } from '../../geometry';
import { edgeGlow } from '../../light';
import { type LaidPart, panelOf } from '../contract';
import { lampFlux, lampRgb, noShine, patchOver, type Shine } from '../laying/shine';
import { type EdgeParams, LIP_MM, sheetOf } from './fields';

/** The window before an engraved sheet, as bright as what leaves it there. */
export function edgeShine(
  on: LaidPart,
  { id, place, params }: Omit<Feature, 'params'> & { params: EdgeParams },
): Shine {
  const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
  if (!laid || place.on !== 'panel') return noShine();
  const { along, out } = edgeGlow(sheetOf(params));
  const lampsLit = params.lamps * (params.edges === 'lit' ? 2 : 1);
  // What leaves the sheet, over all of it; of that the window shows its own share.
  const whole = (params.widthMm + 2 * LIP_MM) * (params.heightMm + 2 * LIP_MM);
  const lip = Math.round((LIP_MM / (params.heightMm + 2 * LIP_MM)) * along.length);
  const values = Float64Array.from(
    along.slice(lip, along.length - lip),
    (v) => (v * out * params.lamps) / whole,
  );
  return {
    ...noShine(),
    patches: [
      patchOver(
        laid,
        place,
        {
          middle: laid.flatAt({ x: place.u, y: place.v }),
          across: rotate2({ x: 1, y: 0 }, (-place.turnDeg * Math.PI) / 180),
          widthMm: params.widthMm,
          heightMm: params.heightMm,
        },
        { columns: 1, rows: values.length, values },
        {
          itemIds: Array.from({ length: lampsLit }, (_, i) => `${id}-${i + 1}`),
          rgb: lampRgb[params.colour],
          off: on.sheet({ foamId: `acrylic-${params.look}`, nominalMm: params.sheetMm }).colour,
          flux: lampFlux(params.colour),
        },
      ),
    ],
  };
}

import type { Feature, PanelSpot } from '../../document';
import { add3, rotate2, scale3 } from '../../geometry';
import { edgeGlow } from '../../light';
import type { LaidPanel } from '../../panel';
import { type LaidPart, panelOf } from '../contract';
import { BEFORE_MM, lampFlux, lampRgb, noShine, patchIn, patchOver, type Shine } from '../laying/shine';
import { spotBy, wayInSpace } from '../laying/spot';
import { type EdgeParams, LIP_MM, sheetOf } from './fields';
import { hiddenFoot } from './free';

/** The window before an engraved sheet, as bright as what leaves it there. */
export function edgeShine(
  on: LaidPart,
  { id, place, params }: Omit<Feature, 'params'> & { params: EdgeParams },
): Shine {
  const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
  if (!laid || place.on !== 'panel') return noShine();
  if (params.stands === 'free') return freeShine(on, laid, place, id, params);
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

/** A sheet that stands free shines from both its faces alike. */
function freeShine(on: LaidPart, laid: LaidPanel, place: PanelSpot, id: string, params: EdgeParams): Shine {
  const { widthMm, heightMm, sheetMm, lamps, colour } = params;
  const foot = hiddenFoot(laid);
  const { along, out } = edgeGlow(sheetOf(params, foot));
  const whole = widthMm * (heightMm + foot);
  const hidden = Math.round((foot / (heightMm + foot)) * along.length);
  const values = Float64Array.from(along.slice(hidden), (v) => (v * out * lamps) / whole / 2);
  const { at, normal } = spotBy(laid, { ...place, turnDeg: 0 }, { x: 0, y: 0 });
  const way = wayInSpace(normal, place.turnDeg);
  const faces = [1, -1].map((side) => {
    const before = add3(at, scale3(way.along, side * (sheetMm / 2 + BEFORE_MM)));
    return patchIn(
      (x, y) => add3(add3(before, scale3(way.across, x)), scale3(normal, y + heightMm / 2)),
      scale3(way.along, side),
      { widthMm, heightMm },
      { columns: 1, rows: values.length, values },
      {
        itemIds: Array.from({ length: lamps }, (_, i) => `${id}-${i + 1}`),
        rgb: lampRgb[colour],
        off: on.sheet({ foamId: `acrylic-${params.look}`, nominalMm: sheetMm }).colour,
        flux: lampFlux(colour),
      },
    );
  });
  return { ...noShine(), patches: faces };
}

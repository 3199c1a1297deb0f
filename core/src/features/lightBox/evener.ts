import type { Proposal } from '../../document';
import { leastDistanceMm, litFace } from '../../light';
import { counted, trimNumber } from '../../units';
import { featurePath, type LaidPart } from '../contract';
import type { LightBox } from './box';
import { boxFace } from './tile';

/** Cells of the face that is worked out with every edit. */
export const CELLS = 48;

/** Ways to an even face: lamps further behind, a layer more, more lamps, or foil. */
export function evener(on: LaidPart, id: string, params: LightBox & { evenPct: number }): Proposal[] {
  const wanted = params.evenPct / 100;
  const set = (label: string, changes: Partial<LightBox>): Proposal[] =>
    litFace(boxFace({ ...params, ...changes }), CELLS).evenness >= wanted
      ? [
          {
            label,
            changes: Object.entries(changes).map(([key, value]) => ({
              path: featurePath(on, { id }, 'params', key),
              value,
            })),
          },
        ]
      : [];
  const least = leastDistanceMm(boxFace(params), wanted, 80);
  const deepMm = least === undefined ? undefined : Math.min(80, least + 0.5);
  return [
    ...(deepMm === undefined ? [] : set(`Lamps ${trimNumber(deepMm)} mm behind`, { deepMm })),
    ...(params.walls === 'foil' ? [] : set('Foil on the walls', { walls: 'foil' })),
    ...[1, 2, 3]
      .filter((more) => params.layers + more <= 4)
      .slice(0, 2)
      .flatMap((more) =>
        set(`${counted(params.layers + more, 'layer')} of diffuser`, { layers: params.layers + more }),
      ),
    ...(params.lit !== 'lamps'
      ? params.rows < 12
        ? set(`${counted(params.rows + 1, 'row')} of strip`, { rows: params.rows + 1 })
        : []
      : params.columns < 12 && params.rows < 12
        ? set(`${params.columns + 1} × ${params.rows + 1} lamps`, {
            columns: params.columns + 1,
            rows: params.rows + 1,
          })
        : []),
  ];
}

import type { Vec2 } from '../../geometry';
import { boxRoom, type Room } from '../../panel';
import type { Design } from '../contract';
import { type Hollow, hollowWalls } from './lightWalls';
import { bevelDeg, type Bevel, type Lamination, type Layer, layersOf, stackMm } from './laminate';

/** Layers with others before and behind them: where a hollow can be cut and stays closed. */
export const innerLayers = (stack: Lamination['stack']): Layer[] =>
  layersOf(stack).filter((l) => l.index > 0 && l.index < l.count - 1);

/** The hollow cut through all inner layers, as a room; none when there are no inner layers. */
export function hollowRoom(
  id: string,
  name: string,
  outline: Vec2[],
  { stack, within, bevel }: Pick<Hollow, 'stack' | 'within' | 'bevel'>,
): Room[] {
  const inner = innerLayers(stack);
  const deepMm = inner.reduce((sum, l) => sum + l.foam.thicknessMm.value, 0);
  if (deepMm === 0) return [];
  return [
    {
      ...boxRoom(id, name, outline, deepMm, (p, d) => ({ x: -p.x, y: deepMm / 2 - d, z: p.y })),
      walls: hollowWalls({ outline, within, stack, inner, deepMm, ...(bevel && { bevel }) }),
    },
  ];
}

/** What layers come to: their thickness, and the slope of their edges. */
export function layerFigures(stack: Lamination['stack'], bevel?: Bevel): NonNullable<Design['figures']> {
  const total = stackMm(stack);
  return [
    { key: 'thick', label: 'layers together', value: total, unit: 'mm', decimals: 1 },
    ...(bevel && (bevel.profile ?? 'slope') === 'slope'
      ? [
          {
            key: 'bevel',
            label: 'bevel off the face',
            value: bevelDeg(total, bevel),
            unit: 'deg' as const,
            decimals: 0,
          },
        ]
      : []),
  ];
}

import { gridOf, type Join, type Panel } from '../../panel';
import type { FoamSheet } from '../../materials';
import type { Ply } from '../../document';

/** A round shield drawn out to a bowl: as wide and high as typed at its back rim, and so deep inside. */
export interface Dish {
  widthMm: number;
  heightMm: number;
  deepMm: number;
  /** Pieces each layer is cut in, from the rim to the middle. */
  sectors: number;
  stack: readonly { ply: Ply; foam: FoamSheet }[];
}

/** A hole no larger than a coin is left where the points of the sectors meet. */
const TIP_MM = 4;

/** Radius of the ball a bowl is part of, from half its width and its depth (sagitta: (a² + d²) / 2d). */
export const ballRadiusMm = (halfMm: number, deepMm: number): number =>
  (halfMm * halfMm + deepMm * deepMm) / (2 * deepMm);

/**
 * Layers of a bowl, each in sectors, the seams of one over the middles of the next. It faces +y with the middle of its
 * back rim at y = 0; each layer's foam lies outside the one before.
 */
export function dishPanels({ widthMm, heightMm, deepMm, sectors, stack }: Dish): {
  panels: Panel[];
  joins: Join[];
} {
  const radius = ballRadiusMm(widthMm / 2, deepMm);
  // A bowl deeper than half its width goes on past the ball's widest.
  const rim = Math.acos((radius - deepMm) / radius);
  const step = (2 * Math.PI) / sectors;
  const idOf = (layer: number, i: number): string => `dish-${layer + 1}-${i + 1}`;
  let out = 0;
  const panels = stack.flatMap(({ ply, foam }, layer) => {
    const ball = radius + out;
    out += foam.thicknessMm.value;
    return Array.from({ length: sectors }, (_, i): Panel => {
      const from = (i - 0.5 + (layer % 2) * 0.5) * step;
      return {
        id: idOf(layer, i),
        name: `${stack.length > 1 ? `dish, layer ${layer + 1} of ${stack.length}` : 'dish'}, sector ${i + 1}`,
        grid: gridOf(8, 10, (u, v) => {
          const turn = from + u * step;
          const polar = rim + (TIP_MM / ball - rim) * v;
          const r = ball * Math.sin(polar);
          return {
            x: -r * Math.sin(turn),
            y: ball * Math.cos(polar) - (radius - deepMm),
            z: heightMm / 2 - (r * Math.cos(turn) * heightMm) / widthMm,
          };
        }),
        edges: { bottom: 'rim', right: 'sector seam', top: 'middle', left: 'sector seam' },
        ply,
        ...(layer > 0 && {
          attached: {
            bottom: {
              by: 'glue' as const,
              words: `glued all over on layer ${layer}, its seams over the middles of that one`,
              meets: {
                on: Array.from({ length: sectors }, (__, k) => idOf(layer - 1, k)),
                way: 'over' as const,
              },
            },
          },
        }),
      };
    });
  });
  const joins = stack.flatMap((_, layer) =>
    Array.from({ length: sectors }, (__, i): Join => ({
      a: [idOf(layer, i), 'right'],
      b: [idOf(layer, (i + 1) % sectors), 'left'],
      kind: 'seam',
    })),
  );
  return { panels, joins };
}

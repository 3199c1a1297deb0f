import type { LitFace } from '../../light';
import { diffusers, lobes, walls } from '../../materials';

/** What a light box is made of, as its fields say. */
export interface LightBox {
  widthMm: number;
  heightMm: number;
  deepMm: number;
  columns: number;
  rows: number;
  shine: keyof typeof lobes;
  walls: keyof typeof walls;
  diffuser: string;
  layers: number;
}

export const diffuserOf = (id: string) => diffusers.find((d) => d.id === id) ?? diffusers[0]!;

/** The face of a light box as light sees it: lamps in even rows, each of unit flux. */
export function boxFace(box: LightBox): LitFace {
  const { widthMm, heightMm, columns, rows } = box;
  const { transmission, spreadMm } = diffuserOf(box.diffuser);
  return {
    widthMm,
    heightMm,
    distanceMm: box.deepMm,
    sources: Array.from({ length: columns * rows }, (_, i) => ({
      xMm: ((i % columns) + 0.5) * (widthMm / columns),
      yMm: (Math.floor(i / columns) + 0.5) * (heightMm / rows),
      flux: 1,
      lobe: lobes[box.shine],
    })),
    layers: Array.from({ length: box.layers }, () => ({ transmission, spreadMm })),
    wallReflectance: walls[box.walls].reflectance,
  };
}

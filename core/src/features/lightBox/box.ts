import type { LitFace } from '../../light';
import { diffusers, LEAST_OVER_BORE_MM, ledBodies, lobes, walls } from '../../materials';

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
  /** Bored up into the diffuser from every lamp. */
  boredMm: number;
}

export const diffuserOf = (id: string) => diffusers.find((d) => d.id === id) ?? diffusers[0]!;

/** Share of its thickness that a diffuser still has over its bores. */
export function leftOverBore({
  diffuser,
  layers,
  boredMm,
}: Pick<LightBox, 'diffuser' | 'layers' | 'boredMm'>): number {
  const { thicknessMm, boreable } = diffuserOf(diffuser);
  const whole = thicknessMm * layers;
  return boreable ? Math.max(Math.min(1, LEAST_OVER_BORE_MM / whole), 1 - boredMm / whole) : 1;
}

/**
 * The face of a light box as light sees it: lamps in even rows, each of unit flux. A bore carries light up unspread: of
 * what is left over it a share s of the thickness passes τˢ, and spreads as the root of s.
 */
export function boxFace(box: LightBox): LitFace {
  const { widthMm, heightMm, columns, rows } = box;
  const { transmission, spreadMm } = diffuserOf(box.diffuser);
  const left = leftOverBore(box);
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
    layers: Array.from({ length: box.layers }, () => ({
      transmission: transmission ** left,
      spreadMm: spreadMm * Math.sqrt(left),
    })),
    wallReflectance: walls[box.walls].reflectance,
  };
}

/** What it takes of a lamination: the diffuser flush with the face, the lamps and their leads under it. */
export const pocketOf = ({ widthMm, heightMm, ...params }: LightBox) => ({
  widthMm,
  lengthMm: heightMm,
  deepMm: needOf(params),
  name: 'light box',
});

/** From the face of the diffuser to behind the leads of the lamps. */
export const needOf = ({
  layers,
  diffuser,
  deepMm,
}: Pick<LightBox, 'layers' | 'diffuser' | 'deepMm'>): number =>
  layers * diffuserOf(diffuser).thicknessMm + deepMm + ledBodies['5mm'].lengthMm;

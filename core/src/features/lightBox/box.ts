import { byId, firstOf, itemAt } from '../../units';
import type { LitFace } from '../../light';
import { diffusers, LEAST_OVER_BORE_MM, ledBodies, lobes, strip12V, walls } from '../../materials';
import { stripOf, stripStepMm, type StripType } from '../laying/stripParts';

/** What a light box is made of, as its fields say. */
export interface LightBox {
  widthMm: number;
  heightMm: number;
  deepMm: number;
  /** Single lamps in rows, or rows of strip. */
  lit: 'lamps' | StripType;
  columns: number;
  rows: number;
  shine: keyof typeof lobes;
  walls: keyof typeof walls;
  diffuser: string;
  layers: number;
  /** A second diffuser outside the first; none where it is called none. */
  over: string;
  /** Bored up into the diffuser from every lamp. */
  boredMm: number;
  /** Darkest spot of its test tile against the mean, as it was read, %; 0 where it was not. */
  tile?: 'none' | 'cut';
  tileReadPct?: number;
}

export const diffuserOf = (id: string) => byId(diffusers, id) ?? firstOf(diffusers);

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

/** The second diffuser, where there is one. */
export const overOf = ({ over }: Pick<LightBox, 'over'>) => diffusers.filter((d) => d.id === over);

/** Marks that a row of strip can be cut at, within the width of the box. */
export const segmentsAcross = ({ widthMm, lit }: Pick<LightBox, 'widthMm' | 'lit'>): number =>
  lit === 'lamps' ? 0 : Math.floor(widthMm / stripStepMm(lit) + 1e-6);

/** Where the lamps of a row stand across the box: evenly, or as they are on the strip, which lies in the middle. */
function lampsAcross(box: Pick<LightBox, 'widthMm' | 'columns' | 'lit'>): number[] {
  const { widthMm, columns, lit } = box;
  if (lit === 'lamps') return Array.from({ length: columns }, (_, i) => (i + 0.5) * (widthMm / columns));
  const step = stripStepMm(lit);
  const each = lit === '12v' ? strip12V.perSegment : 1;
  const segments = segmentsAcross(box);
  const from = (widthMm - segments * step) / 2;
  return Array.from({ length: segments * each }, (_, i) => from + (i + 0.5) * (step / each));
}

/** The lamps of strips shine like a matt face (Lambert), from memory. */
const STRIP_LOBE = 1;

/**
 * The face of a light box as light sees it: lamps in even rows, each of unit flux. A bore carries light up unspread: of
 * what is left over it a share s of the thickness passes τˢ, and spreads as the root of s.
 * @param spread by how much diffusers spread more than is stated.
 */
export function boxFaceBy(box: LightBox, spread: number): LitFace {
  const { widthMm, heightMm, rows } = box;
  const across = lampsAcross(box);
  const { transmission, spreadMm } = diffuserOf(box.diffuser);
  const left = leftOverBore(box);
  return {
    widthMm,
    heightMm,
    distanceMm: box.deepMm,
    sources: Array.from({ length: across.length * rows }, (_, i) => ({
      xMm: itemAt(across, i % across.length),
      yMm: (Math.floor(i / across.length) + 0.5) * (heightMm / rows),
      flux: 1,
      lobe: box.lit === 'lamps' ? lobes[box.shine] : STRIP_LOBE,
    })),
    layers: [
      ...Array.from({ length: box.layers }, () => ({
        transmission: transmission ** left,
        spreadMm: spread * spreadMm * Math.sqrt(left),
      })),
      ...overOf(box).map(({ transmission: t, spreadMm: s }) => ({
        transmission: t,
        spreadMm: spread * s,
      })),
    ],
    wallReflectance: walls[box.walls].reflectance,
    wallDiffuse: walls[box.walls].diffuse,
  };
}

/** What it takes of a lamination: the diffuser flush with the face, the lamps and their leads under it. */
export const pocketOf = ({ widthMm, heightMm, ...params }: LightBox) => ({
  widthMm,
  lengthMm: heightMm,
  deepMm: needOf(params),
  name: 'light box',
});

/** All diffusers over each other, mm. */
export const overMm = (box: Pick<LightBox, 'layers' | 'diffuser' | 'over'>): number =>
  box.layers * diffuserOf(box.diffuser).thicknessMm + overOf(box).reduce((sum, d) => sum + d.thicknessMm, 0);

/** From the face of the diffuser to behind the leads of the lamps, or the strip. */
export const needOf = (box: Pick<LightBox, 'layers' | 'diffuser' | 'over' | 'deepMm' | 'lit'>): number =>
  overMm(box) + box.deepMm + (box.lit === 'lamps' ? ledBodies['5mm'].lengthMm : stripOf(box.lit).thickMm);

import type { Vec2, Vec3 } from '../../geometry';
import type { Brightness } from '../../light';
import { type LampColour, leds, throughFoam } from '../../materials';
import type { LaidPanel } from '../../panel';
import { itemAt } from '../../units';
import type { LaidPart } from '../contract';
import { spotBy } from './spot';

/** A colour of light, 0 to 1. */
export type LightRgb = readonly [number, number, number];

/** What lamps look like at their brightest; as they look, no source. */
export const lampRgb: Readonly<Record<LampColour, LightRgb>> = {
  red: [1, 0.29, 0.24],
  amber: [1, 0.69, 0.18],
  green: [0.38, 0.92, 0.47],
  blue: [0.36, 0.57, 1],
  white: [1, 0.98, 0.93],
};

/** A face that is lit from behind, by a grid of points over it. */
export interface LitPatch {
  /** The lamps behind it. */
  itemIds: string[];
  rgb: LightRgb;
  /** Its colour while nothing is lit. */
  off: string;
  columns: number;
  rows: number;
  /** On its outer face in the part's space, (columns + 1) × (rows + 1), row by row. */
  points: Vec3[];
  /** Light that leaves it at each of them, per mm²; a white lamp gives 1 in all. */
  values: number[];
  /** All the light that leaves it, and where its middle looks. */
  flux: number;
  at: Vec3;
  normal: Vec3;
}

/** A lamp that is seen itself, or hidden behind what it shines on. */
export interface LitPoint {
  itemId: string;
  rgb: LightRgb;
  at: Vec3;
  normal: Vec3;
  flux: number;
  /** Across it, mm. */
  acrossMm: number;
  hidden: boolean;
}

/** A piece that light goes through as a whole. */
export interface LitShell {
  panelId: string;
  itemIds: string[];
  rgb: LightRgb;
  /** Of the light behind it, the share that comes through. */
  passed: number;
}

/** All the light that a detail gives. */
export interface Shine {
  patches: LitPatch[];
  points: LitPoint[];
  shells: LitShell[];
}

export const noShine = (): Shine => ({ patches: [], points: [], shells: [] });

/** The pieces of a part that light within it goes through; none of craft foam. */
export const shellsOf = (on: Pick<LaidPart, 'panels'>, itemIds: string[], rgb: LightRgb): LitShell[] =>
  on.panels.flatMap(({ panel, foam }) => {
    const through = throughFoam(foam.foamId, foam.thicknessMm.value);
    return through ? [{ panelId: panel.id, itemIds, rgb, passed: through.transmission }] : [];
  });

/** Light out of one lamp beside that of a white one, at a share of its full current. */
export const lampFlux = (colour: LampColour, share = 1): number => leds[colour].bright * share;

/** How far before its face a patch is drawn, so that it is not lost in it; mm. */
export const BEFORE_MM = 0.4;

/** Light out of each cell of a grid per mm², row by row. */
type Cells = Pick<Brightness, 'columns' | 'rows' | 'values'>;

/** From the values of cells to those of their corners: the mean of the cells that meet there. */
function cornersOf({ columns, rows, values }: Cells): number[] {
  const at = (c: number, r: number): number =>
    itemAt(values, Math.min(rows - 1, Math.max(0, r)) * columns + Math.min(columns - 1, Math.max(0, c)));
  return Array.from({ length: (columns + 1) * (rows + 1) }, (_, i) => {
    const [c, r] = [i % (columns + 1), Math.floor(i / (columns + 1))];
    return (at(c - 1, r - 1) + at(c, r - 1) + at(c - 1, r) + at(c, r)) / 4;
  });
}

/** Brightness over a rectangle in space: where each point of it lies, from its middle, and which way it looks. */
export function patchIn(
  at: (x: number, y: number) => Vec3,
  normal: Vec3,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  lit: Cells,
  of: Pick<LitPatch, 'itemIds' | 'rgb' | 'off'> & { flux: number },
): LitPatch {
  const { columns, rows } = lit;
  const cellMm2 = (widthMm / columns) * (heightMm / rows);
  const { flux, ...rest } = of;
  return {
    ...rest,
    columns,
    rows,
    points: Array.from({ length: (columns + 1) * (rows + 1) }, (_, i) =>
      at(
        ((i % (columns + 1)) / columns - 0.5) * widthMm,
        (Math.floor(i / (columns + 1)) / rows - 0.5) * heightMm,
      ),
    ),
    values: cornersOf(lit).map((v) => v * flux),
    flux: lit.values.reduce((sum, v) => sum + v, 0) * cellMm2 * flux,
    at: at(0, 0),
    normal,
  };
}

/** Brightness over a rectangle of a panel, in space. */
export function patchOver(
  laid: LaidPanel,
  from: { u: number; v: number },
  /** Where the middle of the rectangle lies on the flat, which way its width runs, and how large it is. */
  on: { middle: Vec2; across: Vec2; widthMm: number; heightMm: number; outMm?: number },
  lit: Cells,
  of: Pick<LitPatch, 'itemIds' | 'rgb' | 'off'> & { flux: number },
): LitPatch {
  const { middle, across, widthMm, heightMm, outMm = 0 } = on;
  const up = { x: -across.y, y: across.x };
  const start = laid.flatAt({ x: from.u, y: from.v });
  const spotAt = (x: number, y: number) =>
    spotBy(
      laid,
      { on: 'panel', panel: laid.panel.id, ...from, turnDeg: 0 },
      {
        x: middle.x - start.x + x * across.x + y * up.x,
        y: middle.y - start.y + x * across.y + y * up.y,
      },
    );
  const before = (x: number, y: number): Vec3 => {
    const { at, normal } = spotAt(x, y);
    const mm = outMm + BEFORE_MM;
    return { x: at.x + normal.x * mm, y: at.y + normal.y * mm, z: at.z + normal.z * mm };
  };
  return patchIn(before, spotAt(0, 0).normal, { widthMm, heightMm }, lit, of);
}

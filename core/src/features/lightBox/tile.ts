import { litFace, type LitFace } from '../../light';
import { boxFaceBy, type LightBox } from './box';

/** A test tile is so large, mm. */
export const TILE_MM = 60;
/** Cells it is worked out in, how far its spread may be from what is stated, and how often that is halved. */
const CELLS = 30;
const RANGE: [number, number] = [0.2, 5];
const HALVINGS = 16;

/** The same diffusers, walls and depth on a small box, lamps as far apart as in the large one. */
export function tileOf<B extends LightBox>(box: B): B {
  const per = (count: number, mm: number): number =>
    Math.max(1, Math.min(12, Math.round((TILE_MM * count) / mm)));
  return {
    ...box,
    widthMm: TILE_MM,
    heightMm: TILE_MM,
    columns: per(box.columns, box.widthMm),
    rows: per(box.rows, box.heightMm),
  };
}

/** Darkest spot of the tile against its mean, as the stated spread has it times a factor. */
export const tileEvenness = (box: LightBox, factor = 1): number =>
  litFace(boxFaceBy(tileOf(box), factor), CELLS).evenness;

const known = new Map<string, number>();
const MOST_KNOWN = 200;

/**
 * By how much the diffuser spreads light more than is stated, so that the tile is as even as it was read; within a fifth
 * and five times.
 * @param readPct darkest spot of the tile against its mean, as it was read; 0 where it was not.
 */
export function spreadRead(box: LightBox, readPct: number): number {
  if (readPct <= 0) return 1;
  const { widthMm, heightMm, deepMm, lit, columns, rows, shine, walls, diffuser, layers, over, boredMm } =
    box;
  const key = JSON.stringify([
    widthMm,
    heightMm,
    deepMm,
    lit,
    columns,
    rows,
    shine,
    walls,
    diffuser,
    layers,
    over,
    boredMm,
    readPct,
  ]);
  const found = known.get(key);
  if (found !== undefined) return found;
  let [low, high] = RANGE.map(Math.log) as [number, number];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (tileEvenness(box, Math.exp(middle)) < readPct / 100) low = middle;
    else high = middle;
  }
  const factor = Math.exp((low + high) / 2);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, factor);
  return factor;
}

/** How far a reading lies from anything the diffuser's spread can explain, in % of the mean; 0 where it is explained or not read. */
export function tileUnexplainedPct(box: LightBox): number {
  const readPct = box.tile === 'cut' ? (box.tileReadPct ?? 0) : 0;
  return readPct <= 0 ? 0 : Math.abs(100 * tileEvenness(box, spreadRead(box, readPct)) - readPct);
}

/** The face of a box as light sees it, its spread as the tile was read. */
export const boxFace = (box: LightBox): LitFace =>
  boxFaceBy(box, box.tile === 'cut' ? spreadRead(box, box.tileReadPct ?? 0) : 1);

import type { Scheme } from '@fomrik/core/document';
import type { Vec3 } from '@fomrik/core/geometry';
import type { PartReport } from '@fomrik/core/parts';
import { zipped } from '@fomrik/core/files/zipped';
import { type LengthUnit, printLength } from '@fomrik/core/units';
import { type BoxDimension, type PixelPicture, still, waysRound } from '@fomrik/core/view';

/** A picture of a part to be kept. */
export interface PictureAsked {
  /** The way towards the eye, in the scene. */
  out: Vec3;
  width: number;
  height: number;
  /** Behind it; none is seen through. */
  background: string | undefined;
  dimensions: boolean;
  unit: LengthUnit;
}

/** Dark lines on what is pale, pale ones on what is dark. */
function inkOn(background: string | undefined): string {
  const light = (at: number): number => parseInt((background ?? '#ffffff').slice(at, at + 2), 16);
  return light(1) * 0.3 + light(3) * 0.59 + light(5) * 0.11 > 110 ? '#1b2625' : '#eef2f0';
}

/** A size along its edge, a little way off, with its figure in the middle. */
function drawDimension(
  pen: OffscreenCanvasRenderingContext2D,
  { from, to, mm }: BoxDimension,
  middle: { x: number; y: number },
  unit: LengthUnit,
  px: number,
): void {
  const long = Math.hypot(to.x - from.x, to.y - from.y);
  let [nx, ny] = [-(to.y - from.y) / long, (to.x - from.x) / long];
  const centre = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  if ((centre.x - middle.x) * nx + (centre.y - middle.y) * ny < 0) [nx, ny] = [-nx, -ny];
  const off = 1.4 * px;
  pen.beginPath();
  for (const p of [from, to]) {
    pen.moveTo(p.x + nx * off * 0.3, p.y + ny * off * 0.3);
    pen.lineTo(p.x + nx * off * 1.3, p.y + ny * off * 1.3);
  }
  pen.moveTo(from.x + nx * off, from.y + ny * off);
  pen.lineTo(to.x + nx * off, to.y + ny * off);
  pen.stroke();
  const words = printLength(mm, unit);
  const wide = pen.measureText(words).width;
  const aside = off + 0.9 * px + 0.55 * Math.abs(nx) * wide;
  pen.fillText(words, centre.x + nx * aside, centre.y + ny * aside);
}

/** A picture on its background, with its sizes, as a PNG. */
async function drawn(
  { width, height, data }: PixelPicture,
  sizes: readonly BoxDimension[],
  { background, unit }: PictureAsked,
): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height);
  const pen = canvas.getContext('2d', { willReadFrequently: true })!;
  pen.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  if (background !== undefined) {
    pen.globalCompositeOperation = 'destination-over';
    pen.fillStyle = background;
    pen.fillRect(0, 0, width, height);
    pen.globalCompositeOperation = 'source-over';
  }
  const px = Math.max(11, Math.round(Math.min(width, height) / 36));
  pen.strokeStyle = inkOn(background);
  pen.fillStyle = inkOn(background);
  pen.lineWidth = Math.max(1, px / 12);
  pen.font = `${px}px "Barlow", sans-serif`;
  pen.textAlign = 'center';
  pen.textBaseline = 'middle';
  for (const size of sizes) drawDimension(pen, size, { x: width / 2, y: height / 2 }, unit, px);
  return new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
}

/** One picture of a part. */
export function stillPng(
  made: PartReport,
  scheme: Scheme | undefined,
  asked: PictureAsked,
): Promise<Uint8Array> {
  const { picture, dimensions } = still(made, scheme, asked);
  return drawn(picture, dimensions, asked);
}

/** Pictures of a part all round it, in one archive. */
export async function turntable(
  made: PartReport,
  scheme: Scheme | undefined,
  asked: PictureAsked,
  count: number,
  onDone: (share: number) => void,
): Promise<Uint8Array> {
  const files: Record<string, Uint8Array> = {};
  for (const [i, out] of waysRound(asked.out, count).entries()) {
    files[`${String(i + 1).padStart(2, '0')}.png`] = await stillPng(made, scheme, { ...asked, out });
    onDone((i + 1) / count);
  }
  return zipped(files);
}

import type { Vec2 } from '../geometry';

/** A spot of a picture: pixels from its left and its top. */
export type Spot = [x: number, y: number];

/** A flat sheet of known size seen in the picture, its corners marked from top left clockwise: it squares the picture up. */
export interface Squaring {
  corners: [Spot, Spot, Spot, Spot];
  widthMm: number;
  heightMm: number;
}

/** Two spots whose distance is known, typed or as a measure of the wearer. */
export interface KnownLength {
  from: Spot;
  to: Spot;
  /** How long it is, where it is typed. */
  lengthMm: number;
  /** A measure of the wearer; its value counts, whatever was typed. */
  measure?: string;
  /** Of someone standing: what else is seen of them, by name, so that all marks together say how large they are. */
  figure?: { name: string; at: Spot }[];
}

/** A line measured on a picture and given to a length of a part. */
export interface GivenLine {
  id: string;
  from: Spot;
  to: Spot;
  part: string;
  field: string;
}

/** From where a picture shows its thing. */
export const views = ['front', 'side', 'back', 'detail'] as const;
export type View = (typeof views)[number];

/** One photograph or drawing the build is made after; its bytes are kept by their content. */
export interface Picture {
  id: string;
  name: string;
  /** SHA-256 of the kept bytes. */
  content: string;
  widthPx: number;
  heightPx: number;
  sheet?: Squaring;
  known?: KnownLength;
  view?: View;
  lines?: GivenLine[];
}

/** Sheets people have about. Sources: ISO 216, ANSI/ASME Y14.1, ISO/IEC 7810. */
export const knownSheets: readonly { label: string; widthMm: number; heightMm: number }[] = [
  { label: 'A4', widthMm: 210, heightMm: 297 },
  { label: 'A3', widthMm: 297, heightMm: 420 },
  { label: 'Letter', widthMm: 215.9, heightMm: 279.4 },
  { label: 'plastic card (ID-1)', widthMm: 85.6, heightMm: 53.98 },
];

export const spotAt = ([x, y]: Spot): Vec2 => ({ x, y });

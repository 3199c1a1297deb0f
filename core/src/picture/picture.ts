import type { Vec2 } from '../geometry';
import {
  id,
  list,
  matching,
  name,
  object,
  oneOf,
  optional,
  tuple,
  type ValueOf,
  whole,
  within,
  words,
} from '../rule';

const pixel = within(-20_000, 20_000);

/** A spot of a picture: pixels from its left and its top. */
const spotRule = tuple(pixel, pixel);
export type Spot = ValueOf<typeof spotRule>;

/** A flat sheet of known size seen in the picture, its corners marked from top left clockwise: it squares the picture up. */
const squaringRule = object({
  corners: tuple(spotRule, spotRule, spotRule, spotRule),
  widthMm: within(10, 5000),
  heightMm: within(10, 5000),
});
export type Squaring = ValueOf<typeof squaringRule>;

/** Two spots whose distance is known, typed or as a measure of the wearer. */
const knownLengthRule = (measures: readonly string[], marks: readonly string[]) =>
  object({
    from: spotRule,
    to: spotRule,
    /** How long it is, where it is typed. */
    lengthMm: within(1, 10_000),
    /** A measure of the wearer; its value counts, whatever was typed. */
    measure: optional(oneOf(...measures)),
    /** Of someone standing: what else is seen of them, by name, so that all marks together say how large they are. */
    figure: optional(
      list(object({ name: oneOf(...marks), at: spotRule }), { most: marks.length, unique: 'name' }),
    ),
  });
export type KnownLength = ValueOf<ReturnType<typeof knownLengthRule>>;

/** A line measured on a picture and given to a length of a part. */
const givenLineRule = object({ id, from: spotRule, to: spotRule, part: id, field: words(64) });
export type GivenLine = ValueOf<typeof givenLineRule>;

/** From where a picture shows its thing. */
export const views = ['front', 'side', 'back', 'detail'] as const;
export type View = (typeof views)[number];

/** The SHA-256 of kept bytes. */
export const contentRule = matching(/^[0-9a-f]{64}$/, 'SHA-256 in hexadecimal');

/**
 * One photograph or drawing the build is made after; its bytes are kept by their content.
 * @param measures of the wearer that may give its scale; `marks` what else may be seen of someone standing.
 */
export const pictureRule = (measures: readonly string[], marks: readonly string[]) =>
  object({
    id,
    name,
    content: contentRule,
    widthPx: whole(1, 20_000),
    heightPx: whole(1, 20_000),
    sheet: optional(squaringRule),
    known: optional(knownLengthRule(measures, marks)),
    view: optional(oneOf(...views)),
    lines: optional(list(givenLineRule, { most: 60, unique: 'id' })),
  });
export type Picture = ValueOf<ReturnType<typeof pictureRule>>;

/** Sheets people have about. Sources: ISO 216, ANSI/ASME Y14.1, ISO/IEC 7810. */
export const knownSheets: readonly { label: string; widthMm: number; heightMm: number }[] = [
  { label: 'A4', widthMm: 210, heightMm: 297 },
  { label: 'A3', widthMm: 297, heightMm: 420 },
  { label: 'Letter', widthMm: 215.9, heightMm: 279.4 },
  { label: 'plastic card (ID-1)', widthMm: 85.6, heightMm: 53.98 },
];

export const spotAt = ([x, y]: Spot): Vec2 => ({ x, y });

/** What a stroke of a picture is made of: foam, a case or board, light, what is seen through, or a pen line. */
export type Ink = 'foam' | 'case' | 'light' | 'clear' | 'line';

/** One stroke of a small picture: a path in the millimetres of a box 72 wide and 48 high, y downwards. */
export interface Stroke {
  ink: Ink;
  d: string;
}

/** A picture of a kind of detail on a piece of foam, to scale where the thing has a usual size. */
export type Picture = readonly Stroke[];

export const PICTURE_MM = { width: 72, height: 48 } as const;

const stroke =
  (ink: Ink) =>
  (d: string): Stroke => ({ ink, d });

export const foam = stroke('foam');
export const casing = stroke('case');
export const light = stroke('light');
export const clear = stroke('clear');
export const line = stroke('line');

/** Discs of a diameter, as one path. */
export const discs = (acrossMm: number, ...at: readonly (readonly [number, number])[]): string =>
  at
    .map(
      ([x, y]) =>
        `M${x - acrossMm / 2} ${y}a${acrossMm / 2} ${acrossMm / 2} 0 1 0 ${acrossMm} 0a${acrossMm / 2} ${acrossMm / 2} 0 1 0 ${-acrossMm} 0Z`,
    )
    .join('');

/** A rectangle by its upper left corner and its size. */
export const box = (x: number, y: number, widthMm: number, heightMm: number): string =>
  `M${x} ${y}h${widthMm}v${heightMm}h${-widthMm}Z`;

/** The piece of foam a detail is shown on. */
export const plate = foam(box(2, 4, 68, 40));

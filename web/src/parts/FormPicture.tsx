import type { Body } from '@fomrik/core/body';
import { boundsOf, type Vec2 } from '@fomrik/core/geometry';
import type { FormKind } from '@fomrik/core/forms';

/** The outline of a form as a new part of it begins on a body. */
export const outlineOf = (form: FormKind, body: Body): Vec2[] => form.silhouette(form.defaults(body), body);

/** The longer side of an outline, mm. */
export function sizeMm(outline: readonly Vec2[]): number {
  const { minX, maxX, minY, maxY } = boundsOf(outline);
  return Math.max(maxX - minX, maxY - minY);
}

/** Things of one menu keep their sizes to each other, but none is drawn smaller than this share of the largest. */
const LEAST_SHARE = 0.35;

interface FormPictureProps {
  outline: readonly Vec2[];
  /** The longer side of the largest beside it, mm. */
  largestMm: number;
}

/** A form in foam, to scale with those beside it. */
export function FormPicture({ outline, largestMm }: FormPictureProps) {
  const { minX, maxX, minY, maxY } = boundsOf(outline);
  const box = Math.min(largestMm, sizeMm(outline) / LEAST_SHARE) * 1.08;
  const [x, y] = [(minX + maxX) / 2 - box / 2, -(minY + maxY) / 2 - box / 2];
  const lip = box / 30;
  const points = outline.map((p) => `${p.x},${-p.y}`).join(' ');
  return (
    <svg viewBox={`${x} ${y} ${box} ${box}`} className="size-11 shrink-0" aria-hidden>
      <polygon points={points} transform={`translate(${lip} ${lip})`} fill="#7d8889" />
      <polygon points={points} fill="var(--color-foam)" stroke="var(--color-pen)" strokeWidth={box / 80} />
    </svg>
  );
}

import { type Ink, type Picture, PICTURE_MM } from '@fomrik/core/thumbnail';
import type { SVGProps } from 'react';

const inks: Record<Ink, SVGProps<SVGPathElement>> = {
  foam: { fill: 'var(--color-foam)', stroke: 'var(--color-pen)', strokeWidth: 1 },
  case: { fill: '#8d989a', stroke: 'var(--color-ink)', strokeWidth: 1 },
  light: { fill: 'var(--color-marigold)' },
  clear: { fill: 'var(--color-leaf)', stroke: 'var(--color-soft)', strokeWidth: 1 },
  line: { fill: 'none', stroke: 'var(--color-pen)', strokeWidth: 1.4, strokeDasharray: '4 2' },
};

/** A small picture drawn from its strokes. */
export function PictureOf({ picture, className = 'h-8 w-12' }: { picture: Picture; className?: string }) {
  return (
    <svg viewBox={`0 0 ${PICTURE_MM.width} ${PICTURE_MM.height}`} className={className} aria-hidden>
      {picture.map(({ ink, d }, i) => (
        <path key={i} d={d} {...inks[ink]} />
      ))}
    </svg>
  );
}

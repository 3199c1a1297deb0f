import type { Check } from '../../document';
import { trimNumber } from '../../units';
import type { Design } from '../contract';

/** Less wall than this beside an opening breaks, as a share of the girth; from memory. */
const LEAST_WALL = 0.6;

interface StickOpening {
  atMm: number;
  lengthMm: number;
  acrossMm: number;
  roundDeg: number;
}

/** Openings as the maker marks and cuts them, and what is wrong with them. */
export function openingsIn(
  { openings, lengthMm }: { openings: readonly StickOpening[]; lengthMm: number },
  tube: { outsideMm: number },
): { checks: Check[]; work: NonNullable<Design['work']> } {
  if (openings.length === 0) return { checks: [], work: [] };
  const girthMm = Math.PI * tube.outsideMm;
  const checks = openings.flatMap((o, i): Check[] => {
    const name = `opening ${i + 1}`;
    const over = o.acrossMm - (1 - LEAST_WALL) * girthMm;
    const out = Math.max(o.lengthMm / 2 - o.atMm, o.atMm + o.lengthMm / 2 - lengthMm) + tube.outsideMm / 2;
    return [
      ...(over > 0
        ? [
            {
              id: `opening-wide-${i + 1}`,
              severity: 'mind' as const,
              station: 'shape' as const,
              title: `${name} takes ${trimNumber(o.acrossMm)} of ${trimNumber(girthMm, 0)} mm round the pipe; keep ${trimNumber(LEAST_WALL * 100, 0)} % of the wall.`,
              why: 'A pipe opened too far bends and breaks there.',
              provenance: 'memory' as const,
              excess: over,
              remedies: [],
            },
          ]
        : []),
      ...(out > 0
        ? [
            {
              id: `opening-end-${i + 1}`,
              severity: 'mind' as const,
              station: 'shape' as const,
              title: `${name} comes within half a width of an end of the pipe, or beyond it.`,
              why: 'The ring that is left at the end splits.',
              provenance: 'practice' as const,
              excess: out,
              remedies: [],
            },
          ]
        : []),
    ];
  });
  const words = openings.map(
    (o) =>
      `${o.lengthMm > o.acrossMm ? `slot ${trimNumber(o.lengthMm)} × ${trimNumber(o.acrossMm)}` : `hole ${trimNumber(o.acrossMm)}`} mm at ${trimNumber(o.atMm, 0)}, ${trimNumber((o.roundDeg / 360) * girthMm, 1)} round`,
  );
  return {
    checks,
    work: [
      {
        step: 'openings',
        when: 'flat',
        verb: 'cut',
        what: 'openings in the pipe',
        count: openings.length,
        eachMin: 10,
        detail: `Mark them on a strip of paper ${trimNumber(girthMm, 1)} mm long that goes once round, its ends at the front: ${words.join('; ')}. Clamp the pipe in a block; a pilot hole first, then the full size; a slot is a hole at either end, sawn between and filed. After the pipe is cut to length, before anything slides in.`,
        cautions: ['boardDust'],
        waitMin: 0,
      },
    ],
  };
}

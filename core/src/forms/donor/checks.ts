import { firstOf, itemAt } from '../../units';
import type { Vec2 } from '../../geometry';
import { type Check, setting } from '../../document';
import type { CaseParams, DonorParams } from './fields';
import type { Cell } from './hollow';
import { type Girth, LEAST_HIGH_MM } from '../held/walls';
import { type Outside, within } from './outside';

const differs = (a: Cell, b: Cell): boolean =>
  (Object.keys(a) as (keyof Cell)[]).some((key) => Math.abs(a[key] - b[key]) > 0.05);

/** What is wrong with opening or cutting it. */
export const openingChecks = (params: CaseParams): Check[] => [
  ...(params.power === 'mains'
    ? [
        {
          id: 'mains',
          severity: 'stop' as const,
          station: 'inside' as const,
          title: 'it ran on the mains: it is not opened or cut here.',
          why: 'Capacitors stay charged, and an altered mains device is for licensed practice. Take a thing that ran on cells.',
          provenance: 'practice' as const,
          excess: 1,
          remedies: [],
        },
      ]
    : []),
  ...(params.guards === 'yes'
    ? [
        {
          id: 'guards',
          severity: 'mind' as const,
          station: 'shape' as const,
          title: 'cut, drilled or painted it protects nobody any more.',
          why: 'Solvents and holes weaken a safety helmet unseen. Write “costume only” inside it.',
          provenance: 'practice' as const,
          excess: 1,
          remedies: [],
        },
      ]
    : []),
];

/** Girths that say nothing of how high it is. */
export const levelChecks = (girths: readonly Girth[]): Check[] =>
  girths.every((g) => Math.abs(g.zMm - firstOf(girths).zMm) <= 0.5)
    ? [
        {
          id: 'one-height',
          severity: 'mind',
          station: 'shape',
          title: `all its girths are at one height; it is taken to stand ${LEAST_HIGH_MM} mm high.`,
          why: 'Type how far above its foot each was taken.',
          provenance: 'standard',
          excess: 1,
          remedies: [],
        },
      ]
    : [];

/** An outline that turns further than this at a point runs back along itself, degrees. */
const FOLDS_DEG = 140;

/** Spikes of an outline, along which its side runs out and back. */
export function spikeChecks(outline: readonly Vec2[]): Check[] {
  const n = outline.length;
  const spikes = outline.filter((p, i) => {
    const [a, b] = [itemAt(outline, (i + n - 1) % n), itemAt(outline, (i + 1) % n)];
    const turn = Math.atan2(
      (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
      (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
    );
    return Math.abs(turn) > (FOLDS_DEG * Math.PI) / 180;
  }).length;
  return spikes === 0
    ? []
    : [
        {
          id: 'folds-side',
          severity: 'mind',
          station: 'shape',
          title: `its outline runs back along itself at ${spikes} ${spikes === 1 ? 'point' : 'points'}.`,
          why: 'No case is that sharp: move the point, or take it away.',
          provenance: 'standard',
          excess: spikes,
          remedies: [],
        },
      ];
}

/** The same, and rooms that cannot be. */
export function checksOf(params: DonorParams, out: Outside): Check[] {
  const rounded = (cell: Cell): Cell => ({
    acrossMm: Math.round(cell.acrossMm * 10) / 10,
    upMm: Math.round(cell.upMm * 10) / 10,
    wideMm: Math.floor(cell.wideMm * 10) / 10,
    highMm: Math.floor(cell.highMm * 10) / 10,
    deepMm: Math.floor(cell.deepMm * 10) / 10,
  });
  const clipped = params.rooms.map((cell) => within(cell, out, params.wallMm));
  const over = params.rooms.filter((cell, i) => differs(cell, itemAt(clipped, i)));
  return [
    ...openingChecks(params),
    ...(params.shape === 'round' ? levelChecks(params.girths) : []),
    ...(over.length > 0
      ? [
          {
            id: 'room-in',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `${over.length === 1 ? 'a room reaches' : `${over.length} rooms reach`} through its case; only what is within it counts.`,
            why: 'Measured inside, a room is no larger than the outside less two walls.',
            provenance: 'standard' as const,
            excess: over.length,
            remedies: [setting('Keep them within', { rooms: clipped.map((cell) => ({ ...rounded(cell) })) })],
          },
        ]
      : []),
  ];
}

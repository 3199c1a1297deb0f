import { type Check, count, setting } from '../../document';
import type { Field } from '../../document';
import { gridOf, type Panel } from '../../panel';
import { trimNumber } from '../../units';
import type { FormInput } from '../contract';
import type { Oval, Ring } from '../held/walls';

/** Standing off further than this all round, a hard shell turns and slips, mm; from memory. */
const LOOSE_MM = 8;
/** A band is so thick that this much is left for the body to breathe, mm; from memory. */
const LEFT_MM = 3;
/** Thicknesses that bands are built of, mm. */
const NOMINALS = [2, 3, 5, 6, 8, 10];
const MOST_LAYERS = 4;
const ROUND_CELLS = 48;

export const bandFields = [
  {
    type: 'foam',
    key: 'bandFoam',
    label: 'Band foam',
    help: 'Of a band of foam glued round inside it, so that it sits; 0 is the part’s own.',
    group: 'Worn',
    own: true,
  },
  count('bandLayers', 'Band layers', [0, MOST_LAYERS], 'Layers of foam in the band; 0 has no band.', 'Worn'),
] as const satisfies readonly Field[];

export interface BandParams {
  bandFoam: number;
  bandLayers: number;
}

export const bandDefaults: BandParams = { bandFoam: 5, bandLayers: 0 };

/** How far a band comes in, mm. */
export const bandMm = ({ params: { bandFoam, bandLayers }, own }: FormInput<BandParams>): number =>
  bandLayers * own(bandFoam).foam.thicknessMm.value;

/** A band of foam round the inside of a wall from one height to another, layer in layer; its seam behind. */
export function innerBand(
  { params: { bandFoam, bandLayers }, own }: FormInput<BandParams>,
  id: string,
  name: string,
  [low, high]: readonly [Ring, Ring],
  wallMm: number,
  oval: Oval = { x: 1, y: 1 },
): Panel[] {
  const { ply, foam } = own(bandFoam);
  const t = foam.thicknessMm.value;
  const glued = { by: 'glue' as const, words: `${name}, glued round inside` };
  return Array.from({ length: bandLayers }, (_, i): Panel => ({
    id: `${id}-${i + 1}`,
    name: bandLayers === 1 ? name : `${name}, layer ${i + 1}`,
    ply,
    grid: gridOf(ROUND_CELLS, 2, (u, v) => {
      const acrossMm = low.acrossMm + (high.acrossMm - low.acrossMm) * v;
      const radius = Math.max(0.4, acrossMm / 2 - wallMm - (i + 1) * t);
      const turn = -Math.PI / 2 + 2 * Math.PI * u;
      return {
        x: radius * oval.x * Math.cos(turn),
        y: radius * oval.y * Math.sin(turn),
        z: low.zMm + (high.zMm - low.zMm) * v,
      };
    }),
    edges: { bottom: 'lower edge', right: 'ends', top: 'upper edge', left: 'ends' },
    attached: { bottom: glued, top: glued },
  }));
}

/** A band that is as thick as the gap, less what is left to breathe: the fewest layers of the thickest foam under it. */
function bandFor(gapMm: number): BandParams | undefined {
  const room = gapMm - LEFT_MM;
  const all = NOMINALS.flatMap((bandFoam) =>
    Array.from({ length: MOST_LAYERS }, (_, i) => ({ bandFoam, bandLayers: i + 1 })),
  ).filter((b) => b.bandFoam * b.bandLayers <= room);
  return all.sort(
    (a, b) => b.bandFoam * b.bandLayers - a.bandFoam * a.bandLayers || a.bandLayers - b.bandLayers,
  )[0];
}

/**
 * A shell that stands off all round: it says how far, and offers the band that fills it.
 * @param gapMm from the clothed body to the inside of the case, as the mean all round.
 */
export function loosenessChecks(input: FormInput<BandParams>, gapMm: number, what: string): Check[] {
  const left = gapMm - bandMm(input);
  if (left <= LOOSE_MM) return [];
  const band = bandFor(gapMm);
  return [
    {
      id: 'loose-fit',
      severity: 'mind',
      station: 'shape',
      title: `it stands ${trimNumber(left, 0)} mm off ${what} all round: it turns and slips.`,
      why: 'A band of foam inside, or pads, fill what is left over; some 3 mm stay for clothes and air.',
      provenance: 'memory',
      excess: left - LOOSE_MM,
      remedies: band
        ? [
            setting(
              band.bandLayers === 1
                ? `A band of ${band.bandFoam} mm foam inside`
                : `A band of ${band.bandLayers} × ${band.bandFoam} mm foam inside`,
              { ...band },
            ),
          ]
        : [],
    },
  ];
}

import {
  type Item,
  lampFlux,
  lampRgb,
  type LightRgb,
  type LitPoint,
  noShine,
  shellsOf,
  type Shine,
} from '../features';
import type { Kinds, MadePart } from '../parts';

/** A bought light without a size of its own is so wide, mm; from memory. */
const BOUGHT_MM = 12;
/** A bought board or chain of lamps beside one white lamp; from memory. */
const BOUGHT_FLUX = 3;

const colourOf = ({ lamp, steady }: Item): LightRgb =>
  lampRgb[lamp?.colour ?? (steady?.kind === 'segments' ? steady.colour : 'white')];

/** Something that gives light, as a lamp where it is. */
function pointOf(item: Item): LitPoint[] {
  const { id, at, normal, lamp, steady, fit } = item;
  if (!lamp && (!steady || (steady.kind === 'board' && !steady.lit))) return [];
  return [
    {
      itemId: id,
      rgb: colourOf(item),
      at,
      normal,
      flux: lamp ? lampFlux(lamp.colour) : BOUGHT_FLUX,
      acrossMm: lamp?.led.bodyMm ?? Math.min(fit?.widthMm ?? BOUGHT_MM, 4 * BOUGHT_MM),
      hidden: !lamp,
    },
  ];
}

const joined = (all: Shine, one: Shine): Shine => ({
  patches: [...all.patches, ...one.patches],
  points: [...all.points, ...one.points],
  shells: [...all.shells, ...one.shells],
});

/** All the light that a part gives; a detail that says nothing of its own is a lamp at each of its items. */
export function shineOf(made: Pick<MadePart, 'on' | 'features' | 'lays'>, kinds: Kinds): Shine {
  return made.features
    .map((feature): Shine => {
      const kind = kinds.features.get(feature.kind);
      const items = made.lays.get(feature.id)?.items ?? [];
      // What could not be laid gives no light.
      if (items.length === 0) return noShine();
      if (kind?.shine) return kind.shine(made.on, feature);
      const points = items.flatMap(pointOf);
      const within = points.filter((p) => p.hidden);
      return {
        ...noShine(),
        points,
        shells: within.flatMap(({ itemId, rgb }) => shellsOf(made.on, [itemId], rgb)),
      };
    })
    .reduce(joined, noShine());
}

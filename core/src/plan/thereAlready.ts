import type { Bought, Work } from '../features';
import { closures, type ClosureKind } from '../materials';
import { gluedOf, type PartReport } from '../parts';
import { trimNumber } from '../units';

/** A closure is renewed after so many years of drawers and wear; elastic perishes first. From memory. */
const LASTS_YEARS: Partial<Record<ClosureKind, number>> = {
  elastic: 3,
  'hook-and-loop': 5,
  lacing: 8,
  buckle: 10,
};
/** Seams with contact cement are pulled at, and coats looked over, after so many years; from memory. */
const SEAMS_YEARS = 2;
const COATS_YEARS = 3;

/** Minutes to look a part over, and for a metre of seam that is glued anew where it has let go; from memory. */
const LOOK_MIN = 10;
const SEAM_MIN_PER_M = 8;

/** Whether a strap that old is bought and sewn anew. */
export const isRenewed = (closure: ClosureKind, years: number): boolean =>
  years >= (LASTS_YEARS[closure] ?? Infinity);

const work = (step: string, verb: string, what: string, eachMin: number, detail: string): Work => ({
  step,
  when: 'flat',
  verb,
  what,
  count: 1,
  eachMin,
  detail,
  cautions: [],
  waitMin: 0,
});

/** What is done to a part that was made years ago before it is worn again. */
function renewals({ pieces, items, fastenings }: PartReport, years: number): Work[] {
  const seamM = gluedOf(pieces).seamsMm / 1000;
  const straps = [
    ...new Set(fastenings.filter((f) => isRenewed(f.closure, years)).map((f) => closures[f.closure].name)),
  ];
  const old = `${trimNumber(years)} ${years === 1 ? 'year' : 'years'} old`;
  return [
    work(
      'look',
      'look over',
      'the whole of it',
      LOOK_MIN,
      `It is ${old}: wash it, bend every piece, put it on. What creaks, cracks or pinches is mended first.`,
    ),
    ...(pieces.length > 0 && years >= SEAMS_YEARS
      ? [
          {
            ...work(
              'seams',
              'pull at',
              'the seams',
              5 + seamM * SEAM_MIN_PER_M,
              'Contact cement lets go with age: pull at every seam with two fingers; clean, coat and press together what opens.',
            ),
            cautions: ['solvent'] as const,
          },
        ]
      : []),
    ...(pieces.length > 0 && years >= COATS_YEARS
      ? [
          {
            ...work(
              'coats',
              'touch up',
              'the coats',
              20,
              'Rubber and paint crack where the foam bends: sand the edges of a crack, coat and paint over it.',
            ),
            cautions: ['dust', 'paint'] as const,
          },
        ]
      : []),
    ...(straps.length > 0
      ? [
          work(
            'straps',
            'renew',
            'the straps',
            15,
            `${straps.join(', ')}: perished or clogged at ${old}. Their lengths are as for a new part.`,
          ),
        ]
      : []),
    ...(items.some((i) => i.source)
      ? [
          {
            ...work(
              'cells',
              'renew',
              'the cells',
              10,
              'Old cells out, in no case together with new ones; contacts scraped bright, green ones replaced. Then every lamp lit, wires bent at each joint.',
            ),
            cautions: ['cells'] as const,
          },
        ]
      : []),
  ];
}

const known = new WeakMap<PartReport, PartReport>();

/** One that is there already, as it is planned, cut and bought: cut from nothing, and only what has aged is renewed. */
export const asThere = (part: PartReport, years: number): PartReport => {
  let thin = known.get(part);
  if (!thin) known.set(part, (thin = there(part, years)));
  return thin;
};

function there(part: PartReport, years: number): PartReport {
  const { lining: _, zone: __, ...rest } = part;
  const renewed: Bought[] = part.items.flatMap(({ source }) =>
    source
      ? [
          {
            what: `${source.name} with cells`,
            unit: 'packs',
            count: 1,
            each: source.price,
            massG: 0,
            provenance: source.holderSure,
          },
        ]
      : [],
  );
  return {
    ...rest,
    pieces: [],
    templates: [],
    painted: [],
    items: [],
    sticks: [],
    sealedIn: [],
    areaMm2: 0,
    bought: renewed,
    work: renewals(part, years),
    fastenings: part.fastenings.filter((f) => isRenewed(f.closure, years)),
  };
}

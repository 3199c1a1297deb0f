import type { BuildDoc, Finish, Part, PartOtherwise, Version } from '../document';
import { coatings, type Habits } from '../materials';
import { recipeOf, standardKinds } from '../parts';

/** The sealer that costs least for a square metre, all its coats counted. */
const cheapestSeal = (Object.keys(coatings) as Habits['seal'][]).reduce((best, key) =>
  coatings[key].pricePerM2 < coatings[best].pricePerM2 ? key : best,
);

/** As little as stands up: sealed, one colour, one clear coat; never more than it has already. */
function leastFinish(part: Part, habits: Pick<Habits, 'seal'>): Finish {
  const own = recipeOf(part, habits);
  const dear = coatings[own.seal].pricePerM2 > coatings[cheapestSeal].pricePerM2;
  const seal = dear ? cheapestSeal : own.seal;
  return {
    seal,
    sealCoats: Math.min(own.sealCoats, coatings[seal].coats),
    colours: Math.min(own.colours, 1),
    weathering: 'none',
    clearCoats: Math.min(own.clearCoats, 1),
  };
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * A cheap version by rule: every part sealed with what costs least and clear-coated once, one colour and no wear, and
 * nothing on it that is only for looks. Sheets, fit and lights stay, so that it stands up as the other does.
 */
export function cheapVersion(doc: BuildDoc, id: string): Version {
  const others = doc.parts.flatMap((part): [string, PartOtherwise][] => {
    const finish = leastFinish(part, doc.make.habits);
    const features = part.features.filter((f) => !standardKinds.features.get(f.kind)?.ornamental);
    const other: PartOtherwise = {
      ...(!same(finish, recipeOf(part, doc.make.habits)) && { finish }),
      ...(part.scheme && {
        scheme: { base: part.scheme.base, areas: [], wear: { creases: 0, edges: 0, dust: 0, scratches: 0 } },
      }),
      ...(features.length < part.features.length && { features }),
    };
    return Object.keys(other).length > 0 ? [[part.id, other]] : [];
  });
  return { id, name: 'Cheap', parts: Object.fromEntries(others) };
}

import {
  byKey,
  day,
  flag,
  id,
  list,
  matching,
  name,
  object,
  oneOf,
  optional,
  text,
  truth,
  type ValueOf,
  within,
  words,
} from '../rule';

const pageSizeRule = oneOf('A4', 'A3', 'Letter', 'Legal');
export type PageSize = ValueOf<typeof pageSizeRule>;

/** Where a piece lies on a sheet: flip first, then turn, then shift. */
const nestedPieceRule = object({
  partId: id,
  pieceId: words(200),
  flipped: truth,
  turnRad: within(-10, 10),
  x: within(-20_000, 20_000),
  y: within(-20_000, 20_000),
  /** Cut from the other face, and turned over. */
  over: flag,
  /** Stays when the others are laid anew. */
  locked: flag,
});

/** A layout that was searched for, of one foam: what it was made for, and what lies on each sheet. */
const nestRule = object({
  key: words(64),
  sheets: list(list(nestedPieceRule, { most: 500 }), { most: 200 }),
  /** Which offcut each sheet is, by its id; empty for a whole one. */
  offcuts: optional(list(text(64), { most: 200 })),
});
export type Nest = ValueOf<typeof nestRule>;

/** What a bar of 100 mm may measure on paper, mm. */
const barMm = within(80, 120);

/** A printer of the shop, and what its bars of 100 mm measured across and along the page. */
export const printerRule = object({ id, name, acrossMm: barMm, alongMm: barMm });
export type Printer = ValueOf<typeof printerRule>;

/** How it is printed and cut. */
export const cutPlanRule = object({
  page: pageSizeRule,
  /** What the printed 100 mm bar really measured; the next print is corrected by it. */
  barMeasuredMm: barMm,
  /** The bar along the page, where the printer scales otherwise than across; as the other when left out. */
  barAlongMeasuredMm: optional(barMm),
  /** Pieces sharing pages, as few as can be, or each on pages of its own; together when left out. */
  pagePlan: optional(oneOf('together', 'apart')),
  overlapMm: within(0, 40),
  /** Room between pieces on a sheet. */
  spacingMm: within(0, 50),
  /** ISO date on which what was left of the sheets went on the shelf. */
  shelvedOn: optional(day),
  /** What the cutter takes away across its way; 0 when left out, as for a knife. */
  kerfMm: optional(within(0, 5)),
  /** Left standing in outlines so that pieces stay in the sheet; none when left out. */
  tabMm: optional(within(0, 20)),
  /** Letters of parts by their ids, given once; those of parts that are gone are not given again. */
  letters: optional(byKey(id, matching(/^[A-Z]{1,3}$/), 2000)),
  /** Layouts of true shapes; one whose pieces have changed since is not used. */
  nests: optional(list(nestRule, { most: 60, unique: 'key' })),
});
export type CutPlan = ValueOf<typeof cutPlanRule>;

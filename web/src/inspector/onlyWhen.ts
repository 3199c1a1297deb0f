import type { Part } from '@fomrik/core/document';

/**
 * For a group that is about some fields of a part: drawn anew when one of them is another, or anything else it is given,
 * not whenever the part is. What it may read of the part is named in its own type.
 */
export const onlyWhen =
  <K extends keyof Part>(...keys: readonly K[]) =>
  <P extends { part: Pick<Part, K> }>(before: P, now: P): boolean =>
    (Object.keys(now) as (keyof P)[]).every((prop) =>
      prop === 'part' ? keys.every((key) => before.part[key] === now.part[key]) : before[prop] === now[prop],
    );

import {
  type InFront,
  inFrontOf,
  type PutInClash,
  putInClashes,
  type Standing,
  standingsOf,
} from '../assembly';
import type { Body } from '../body';
import { gettingAbout, type GettingAbout } from '../fit';
import { type PartReport, rootOf } from '../parts';

/** What is worked out once every part is whole again; until then it stays as it was. */
export interface Settled {
  standings: Standing[];
  about: GettingAbout | undefined;
  clashes: PutInClash[];
  inFront: InFront[];
}

export function settledOf(parts: readonly PartReport[], body: Body): Settled {
  const root = (p: PartReport): PartReport => rootOf(p, parts);
  return {
    standings: standingsOf(parts),
    about: gettingAbout(body, parts),
    clashes: putInClashes(parts, root),
    inFront: inFrontOf(parts, root),
  };
}

import type { Feature, Params } from '../../../document';

/** A detail in the middle of a wall, a little below it. */
export const feature = (kind: string, panel: string, params: Params): Feature => ({
  id: kind,
  kind,
  place: { on: 'panel', panel, u: 0.5, v: 0.4, turnDeg: 0 },
  params,
});

import { either, id, list, object, type Rule, tuple, type ValueOf, within } from '../../rule';

const share = within(0, 1);
const turnDeg = within(-360, 360);

/** An edge of a panel. */
const edgeSpanRule = object({ panel: id, edge: id });
export type EdgeSpan = ValueOf<typeof edgeSpanRule>;

const placeShapes = {
  /** A spot on a panel: shares of its width and height, seen from outside; turned from upright, degrees. */
  panel: { panel: id, u: share, v: share, turnDeg },
  /** A line over a panel, as shares of its width and height. */
  path: { panel: id, points: list(tuple(share, share), { least: 2, most: 40 }) },
  /** Edges one after another, run counter-clockwise as seen from outside. */
  edges: { runs: list(edgeSpanRule, { least: 1, most: 40 }) },
  /** A spot in a room, from its middle. */
  room: { room: id, alongMm: within(-2000, 2000), acrossMm: within(-2000, 2000), turnDeg },
};

/** Where a detail lies, of any kind of place. */
export type Place = ValueOf<ReturnType<typeof either<'on', typeof placeShapes>>>;
export type PlaceKind = Place['on'];
export type PanelSpot = Extract<Place, { on: 'panel' }>;

/** Places of these kinds alone. */
export const placeOf = (kinds: readonly PlaceKind[]): Rule<Place> =>
  either('on', Object.fromEntries(kinds.map((on) => [on, placeShapes[on]]))) as Rule<Place>;

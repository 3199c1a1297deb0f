import { wornSides, zones } from '../../body';
import { either, flag, id, oneOf, optional, type ValueOf, whole, within } from '../../rule';

const mm = within(-2000, 2000);
const count = whole(2, 60);

/** One part several times: cut, made and put on alike. */
const copiesRule = either('way', {
  row: { count, alongMm: mm, acrossMm: mm },
  round: { count, sweepDeg: within(-360, 360), radiusMm: within(0, 2000) },
  mirrored: {},
});
export type Copies = ValueOf<typeof copiesRule>;

const sideRule = oneOf(...wornSides);
export type Side = ValueOf<typeof sideRule>;

/** What a part hangs from; on another part, where it lies there and how it is held. */
export const mountRule = either('to', {
  wearer: { zone: oneOf(...zones.map((z) => z.zone)), side: sideRule },
  part: {
    part: id,
    anchor: id,
    /** Along the place, and across it. */
    alongMm: optional(mm),
    acrossMm: optional(mm),
    /** Off the face it lies on; negative is let into it. */
    offMm: optional(mm),
    /** Turned in the face, about the way out of it. */
    turnDeg: optional(within(-360, 360)),
    /** Leaned over from the way out: to the side, and along. */
    leanDeg: optional(within(-180, 180)),
    nodDeg: optional(within(-180, 180)),
    /** It comes off again; glued for good when left out. */
    apart: flag,
    /** What it lies in is cut away for it on purpose; or half of the layers of both, so that they lie in one plane. */
    letIn: optional(oneOf(true, 'half')),
    /** More of the same: so many in a row or round, as far apart. */
    copies: optional(copiesRule),
  },
  stand: {},
});
export type Mount = ValueOf<typeof mountRule>;

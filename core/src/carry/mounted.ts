import { placedWeight, togetherWeight, type Weight } from '../geometry';
import { allOntoRoot, membersOf, mountedOn, type PartReport } from '../parts';

/** A part with all that hangs on it, in the space of one it is mounted on: one weight for every copy of it there. */
export const weightsOn = (parts: readonly PartReport[], id: string, hostId: string): Weight[] =>
  allOntoRoot(parts, id, hostId).map((toHost) =>
    togetherWeight(
      membersOf(parts, id).flatMap((other) =>
        allOntoRoot(parts, other.id, id).map((toFirst) =>
          placedWeight(other.weight, (p) => toHost(toFirst(p))),
        ),
      ),
    ),
  );

/** What is mounted at an anchor of a part. */
export const mountedAt = (parts: readonly PartReport[], hostId: string, anchorId: string): PartReport[] =>
  mountedOn(parts, hostId).filter(({ mount }) => mount.to === 'part' && mount.anchor === anchorId);

import type { Bears } from '../features';
import { dot3, sub3, togetherWeight } from '../geometry';
import type { PartReport } from '../parts';
import { byId } from '../units';
import { mountedAt, weightsOn } from './mounted';

/** What hangs on a detail of a part: everything that is mounted on its piece, with all that hangs on that. */
export interface Hung {
  partId: string;
  bears: Bears;
  names: string[];
  massG: number;
  /** Its middle before the face it hangs on, mm; behind it counts as at it. */
  armMm: number;
}

/** What each detail that bears something bears, by what is mounted where; those that nothing is mounted on are left out. */
export const hungOn = (parts: readonly PartReport[]): Hung[] =>
  parts.flatMap((host) =>
    host.bears.flatMap((bears): Hung[] => {
      const anchorId = `panel:${bears.pieceId}`;
      const anchor = byId(host.anchors, anchorId);
      const first = mountedAt(parts, host.id, anchorId);
      if (!anchor || first.length === 0) return [];
      const { massG, at } = togetherWeight(first.flatMap((part) => weightsOn(parts, part.id, host.id)));
      return [
        {
          partId: host.id,
          bears,
          names: first.map((p) => p.name),
          massG,
          armMm: Math.max(0, dot3(sub3(at, anchor.at), anchor.out)),
        },
      ];
    }),
  );

import type { SheetGroup } from '@fomrik/core/cut';

/** Only outlines and names go over: a worker that lays pieces wants no more of them. */
export const leanGroup = ({ size, items }: SheetGroup): SheetGroup =>
  ({
    size,
    items: items.map(({ partId, flipped, piece: { id, name, outline } }) => ({
      partId,
      flipped,
      piece: { id, name, outline },
    })),
  }) as unknown as SheetGroup;

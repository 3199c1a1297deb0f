import type { SheetGroup } from '@fomrik/core/cut';

/** Only shapes and names go over: a worker that lays pieces wants no more of them. */
export const leanGroup = ({ size, items }: SheetGroup): SheetGroup =>
  ({
    size,
    items: items.map(({ piece: { id, name, outline, holes }, ...item }) => ({
      ...item,
      piece: { id, name, outline, holes },
    })),
  }) as unknown as SheetGroup;

import type { Item } from '../features';
import type { Room } from '../panel';
import { type Convex, solidIn, standIn } from '../space';

/** Something that takes room in a part: what it is of, and the solids it is made of, in the part's space. */
export interface Body {
  id: string;
  featureId: string;
  name: string;
  item: Item;
  solids: Convex[];
}

/** Legs of a lamp, bent over behind it, and terminals of a switch with their wires, mm; common practice, no source. */
const LEGS_MM = 4;

/** What was put in, as it really stands: pushed in as far as its wall makes it, or let into its pocket. */
export const bodiesOf = (rooms: readonly Room[], items: readonly Item[]): Body[] =>
  items.flatMap((item): Body[] => {
    const { fit } = item;
    const room = fit && rooms.find((r) => r.id === fit.roomId);
    if (!fit || !room) return [];
    const solids = fit.prints.flatMap((print): Convex[] => {
      const stand = standIn(room, print.at);
      if (!stand) return [];
      // What is small or bends lies on the wall as it is.
      const rigid = !item.lamp && fit.prints.length === 1;
      const fromMm = ((rigid && room.free?.(print)?.fromMm) || 0) - fit.pocketMm;
      const deepMm = fit.needMm + (item.lamp || item.toggle ? LEGS_MM : 0);
      return deepMm > 0 ? [solidIn(stand, print, fromMm, deepMm)] : [];
    });
    return solids.length === 0
      ? []
      : [{ id: item.id, featureId: item.featureId, name: item.name, item, solids }];
  });

import { byId } from '../units';
import type { Item } from '../features';
import type { Room } from '../panel';
import { type Convex, solidIn, standIn } from '../space';

/** Something that takes room in a part: what it is of, and the solids it is made of, in the part's space. */
export interface Body {
  id: string;
  featureId: string;
  name: string;
  item: Item;
  /** Let into layers, where its own lid or the layers over it say whether it comes out. */
  inLayers: boolean;
  solids: Convex[];
  /** The same lifted out of its pocket, as it is when it begins to come out. */
  lifted: Convex[];
}

/** Legs of a lamp, bent over behind it, and terminals of a switch with their wires, mm; common practice, no source. */
const LEGS_MM = 4;

/** What was put in, as it really stands: pushed in as far as its wall makes it, or let into its pocket. */
export const bodiesOf = (rooms: readonly Room[], items: readonly Item[]): Body[] =>
  items.flatMap((item): Body[] => {
    const { fit } = item;
    const room = fit && byId(rooms, fit.roomId);
    if (!fit || !room) return [];
    // What is small or bends lies on the wall as it is.
    const rigid = !item.lamp && fit.prints.length === 1;
    const deepMm = fit.needMm + (item.lamp || item.toggle ? LEGS_MM : 0);
    if (deepMm <= 0) return [];
    const stands = fit.prints.flatMap((print) => {
      const stand = standIn(room, print.at);
      if (!stand) return [];
      const free = rigid ? room.free?.(print) : undefined;
      // What does not go in stands where it was put.
      const fits = free && (free.roomMm ?? Infinity) + fit.pocketMm >= fit.needMm;
      return [{ print, stand, fromMm: fits ? free.fromMm : 0 }];
    });
    const letIn = (byMm: number): Convex[] =>
      stands.map(({ print, stand, fromMm }) => solidIn(stand, print, fromMm - byMm, deepMm));
    const solids = letIn(fit.pocketMm);
    return solids.length === 0
      ? []
      : [
          {
            id: item.id,
            featureId: item.featureId,
            name: item.name,
            item,
            inLayers: room.solid === true,
            solids,
            lifted: fit.pocketMm > 0 ? letIn(0) : solids,
          },
        ];
  });

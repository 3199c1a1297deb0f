import type { Check } from '../document';
import type { Item, Work } from '../features';
import { boundsOf, centroid, common, largestRing, signedArea } from '../geometry';
import type { Room } from '../panel';
import { trimNumber } from '../units';

/** What must go of something that stands in a room, for what is put there. */
export interface CutAway {
  room: string;
  rib: string;
  item: string;
  widthMm: number;
  lengthMm: number;
  deepMm: number;
}

/** Overlaps smaller than this are none, mm²; and less depth than this is filed off in passing, mm. */
const LEAST_MM2 = 1;
const LEAST_MM = 0.2;
const EACH_MIN = 8;

/** Where things in rooms stand on what may be cut away, and how much of it is in their way. */
export const cutAways = (rooms: readonly Room[], items: readonly Item[]): CutAway[] =>
  rooms.flatMap((room) =>
    (room.ribs ?? [])
      .filter((rib) => !rib.stays)
      .flatMap((rib) =>
        items.flatMap((item): CutAway[] => {
          if (item.fit?.roomId !== room.id || item.fit.outline.length < 3) return [];
          const over = largestRing(common([item.fit.outline], [rib.outline]));
          if (over.length < 3 || signedArea(over) < LEAST_MM2) return [];
          const deep = room.depthAt(centroid(over));
          if (deep === undefined) return [];
          const tooTall = Math.min(rib.tallMm, item.fit.needMm - (deep - rib.tallMm));
          if (tooTall < LEAST_MM) return [];
          const b = boundsOf(over);
          return [
            {
              room: room.name,
              rib: rib.name,
              item: item.name,
              widthMm: b.maxX - b.minX,
              lengthMm: b.maxY - b.minY,
              deepMm: tooTall,
            },
          ];
        }),
      ),
  );

const sizeOf = ({ widthMm, lengthMm, deepMm }: CutAway): string =>
  `${trimNumber(Math.ceil(widthMm))} × ${trimNumber(Math.ceil(lengthMm))} mm, ${trimNumber(Math.ceil(deepMm * 10) / 10)} mm deep`;

export const cutAwayChecks = (cuts: readonly CutAway[]): Check[] =>
  cuts.map((cut, i) => ({
    id: `cut-away-${i + 1}`,
    severity: 'note',
    station: 'inside',
    title: `${cut.item} stands on ${cut.rib} in ${cut.room}: cut ${sizeOf(cut)} of it away.`,
    why: 'It was said that it may go. Moved beside it, nothing need be cut.',
    provenance: 'standard',
    excess: cut.deepMm,
    remedies: [],
  }));

export const cutAwayWork = (cuts: readonly CutAway[]): Work[] =>
  cuts.length === 0
    ? []
    : [
        {
          step: 'cut-away',
          when: 'flat',
          verb: 'cut away',
          what: 'ribs in the case',
          count: cuts.length,
          eachMin: EACH_MIN,
          detail: `${cuts.map((cut) => `${cut.rib} in ${cut.room} for ${cut.item}: ${sizeOf(cut)}`).join('; ')}. Side cutters first, then a rotary tool, slow: old plastic splinters and melts. Try often.`,
          cautions: ['boardDust', 'blade'],
          waitMin: 0,
        },
      ];

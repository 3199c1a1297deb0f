import { byId } from '@fomrik/core/units';
import type { PanelSpot, Part } from '@fomrik/core/document';
import type { Item } from '@fomrik/core/features';
import { drawnPieces, type PartReport } from '@fomrik/core/parts';
import { nearestOn } from '@fomrik/core/panel';
import type { Draft } from 'immer';
import type { Handle } from '../../parts/SolidGrip';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

const looks = (item: Item): Handle['look'] => (item.lamp ? 'lamp' : item.source ? 'pack' : 'switch');

const clamp = (t: number): number => Math.min(1, Math.max(0, Math.round(t * 1e4) / 1e4));

/** Grips on everything electric that sits at a spot of the shell: a row is held by its first lamp. */
export function insideHandles(
  part: Part,
  made: PartReport,
  drag: Changer,
  change: Changer,
  end: () => void,
): Handle[] {
  return part.features.flatMap((feature): Handle[] => {
    const item = made.items.find((i) => i.featureId === feature.id);
    const { place } = feature;
    if (!item || place.on !== 'panel') return [];
    const put = (p: Draft<Part>, spot: Partial<PanelSpot>): void => {
      const found = byId(p.features, feature.id);
      if (found?.place.on === 'panel') Object.assign(found.place, spot);
    };
    const piece = byId(drawnPieces(made), place.panel);
    // One step is about a millimetre on the piece.
    const box = piece?.outline ?? [];
    const size = (k: 'x' | 'y'): number =>
      Math.max(1, Math.max(...box.map((p) => p[k])) - Math.min(...box.map((p) => p[k])));
    return [
      {
        id: feature.id,
        label: `${item.lamp ? `${item.lamp.colour} lamps` : item.name}: drag over the shell`,
        at: item.at,
        look: looks(item),
        onPlace: (point) => {
          const spot = nearestOn(made.surfaces, point);
          if (spot) drag((p) => put(p, { panel: spot.pieceId, u: clamp(spot.at.x), v: clamp(spot.at.y) }));
        },
        onNudge: (up, right) =>
          change((p) =>
            put(p, { u: clamp(place.u + right / size('x')), v: clamp(place.v + up / size('y')) }),
          ),
        onEnd: end,
      },
    ];
  });
}

import type { Part, Place } from '@fomrik/core/document';
import type { FeatureKind, Item } from '@fomrik/core/features';
import { boundsOf } from '@fomrik/core/geometry';
import { nearestOn, onSurface } from '@fomrik/core/panel';
import { featureName, drawnPieces, type PartReport, standardKinds } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { selectFeature } from '../store/selection';
import { type HeldSpot, heldSpots, surfaceOf } from './heldSpots';
import type { Handle } from './SolidGrip';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

const looks = (item: Item | undefined): Handle['look'] =>
  !item ? 'detail' : item.lamp ? 'lamp' : item.source ? 'pack' : 'switch';

export interface FeatureGrips {
  part: Part;
  made: PartReport;
  station: FeatureKind['station'];
  drag: Changer;
  change: Changer;
  end: () => void;
  /** Whether what is moved snaps to the middle of its piece and to its neighbours. */
  snaps: boolean;
}

/** Gives a detail another place. */
export function putAt(part: Draft<Part>, featureId: string, place: Place | undefined): void {
  const found = byId(part.features, featureId);
  if (found && place) found.place = place as Draft<Place>;
}

/** What a grip is called: the detail, and which end or edge of it. */
export function heldWords(part: Part, { feature, index }: HeldSpot): string {
  const name = featureName(feature, part.features);
  if (index === undefined) return name;
  return `${name}, ${feature.place.on === 'edges' ? 'edge' : 'point'} ${index + 1}`;
}

/** Grips on every detail of a station that lies on the shell: at its spot, along its line, on its edges. A row of lamps is held by its first. */
export function featureHandles({ part, made, station, drag, change, end, snaps }: FeatureGrips): Handle[] {
  const own = part.features.filter((f) => standardKinds.features.get(f.kind)?.station === station);
  return own.flatMap((feature) =>
    heldSpots(part, made, feature).flatMap((held): Handle[] => {
      const item = held.index === undefined ? made.items.find((i) => i.featureId === feature.id) : undefined;
      const surface = surfaceOf(made, held.panel);
      if (!item && !surface) return [];
      const piece = byId(drawnPieces(made), held.panel);
      // One step is about a millimetre on the piece.
      const box = piece && boundsOf(piece.outline);
      const across = Math.max(1, box ? box.maxX - box.minX : 1);
      const up = Math.max(1, box ? box.maxY - box.minY : 1);
      const name = item?.lamp ? `${item.lamp.colour} lamps` : (item?.name ?? heldWords(part, held));
      return [
        {
          id: held.index === undefined ? feature.id : `${feature.id}.${held.index}`,
          label: `${name}: drag over the shell`,
          at: item?.at ?? onSurface(surface!, held.at),
          look: looks(item),
          onSelect: () => selectFeature(part.id, feature.id),
          onPlace: (point) => {
            const spot = nearestOn(made.surfaces, point);
            if (spot) drag((p) => putAt(p, feature.id, held.put(spot.pieceId, spot.at, snaps)));
          },
          onNudge: (upBy, rightBy) =>
            change((p) =>
              putAt(
                p,
                feature.id,
                held.put(held.panel, { x: held.at.x + rightBy / across, y: held.at.y + upBy / up }, false),
              ),
            ),
          onEnd: end,
        },
      ];
    }),
  );
}

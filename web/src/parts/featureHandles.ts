import type { PanelSpot, Part } from '@fomrik/core/document';
import type { FeatureKind, Item } from '@fomrik/core/features';
import { nearestOn, onSurface } from '@fomrik/core/panel';
import { drawnPieces, type PartReport, standardKinds } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { selectFeature } from '../store/selection';
import { featureName } from './featureName';
import { clampShare, snapOf } from './snapped';
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

/** Puts a detail at a spot of a piece. */
export function putAt(part: Draft<Part>, featureId: string, spot: Partial<PanelSpot>): void {
  const found = byId(part.features, featureId);
  if (found?.place.on === 'panel') Object.assign(found.place, spot);
}

/** A spot drawn to the middle of its piece and to what else is on it, where that is asked. */
export function spotSnapped(
  part: Part,
  featureId: string,
  panel: string,
  spot: { u: number; v: number },
  snaps: boolean,
): { u: number; v: number } {
  const others = part.features.flatMap((f) =>
    f.id !== featureId && f.place.on === 'panel' && f.place.panel === panel ? [f.place] : [],
  );
  const to = (key: 'u' | 'v'): number =>
    clampShare(
      (snaps
        ? snapOf(
            spot[key],
            others.map((o) => o[key]),
          )
        : undefined) ?? spot[key],
    );
  return { u: to('u'), v: to('v') };
}

/** Grips on every detail of a station that sits at a spot of the shell: a row of lamps is held by its first. */
export function featureHandles({ part, made, station, drag, change, end, snaps }: FeatureGrips): Handle[] {
  return part.features.flatMap((feature): Handle[] => {
    const kind = standardKinds.features.get(feature.kind);
    const { place } = feature;
    if (kind?.station !== station || kind.spotless || place.on !== 'panel') return [];
    const item = made.items.find((i) => i.featureId === feature.id);
    const surface = made.surfaces.find((s) => s.pieceId === place.panel);
    if (!item && !surface) return [];
    const piece = byId(drawnPieces(made), place.panel);
    // One step is about a millimetre on the piece.
    const box = piece?.outline ?? [];
    const size = (k: 'x' | 'y'): number =>
      Math.max(1, Math.max(...box.map((p) => p[k])) - Math.min(...box.map((p) => p[k])));
    const name = item?.lamp
      ? `${item.lamp.colour} lamps`
      : (item?.name ?? featureName(feature, part.features));
    return [
      {
        id: feature.id,
        label: `${name}: drag over the shell`,
        at: item?.at ?? onSurface(surface!, { x: place.u, y: place.v }),
        look: looks(item),
        onSelect: () => selectFeature(part.id, feature.id),
        onPlace: (point) => {
          const spot = nearestOn(made.surfaces, point);
          if (!spot) return;
          const to = spotSnapped(part, feature.id, spot.pieceId, { u: spot.at.x, v: spot.at.y }, snaps);
          drag((p) => putAt(p, feature.id, { panel: spot.pieceId, ...to }));
        },
        onNudge: (up, right) =>
          change((p) =>
            putAt(p, feature.id, {
              u: clampShare(place.u + right / size('x')),
              v: clampShare(place.v + up / size('y')),
            }),
          ),
        onEnd: end,
      },
    ];
  });
}

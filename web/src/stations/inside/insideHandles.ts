import { byId } from '@fomrik/core/units';
import type { PanelSpot, Part } from '@fomrik/core/document';
import type { Item } from '@fomrik/core/features';
import { drawnPieces, type PartReport } from '@fomrik/core/parts';
import { nearestOn } from '@fomrik/core/panel';
import type { Draft } from 'immer';
import type { Handle } from '../../parts/SolidGrip';
import { selectFeature } from '../../store/selection';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

const looks = (item: Item): Handle['look'] => (item.lamp ? 'lamp' : item.source ? 'pack' : 'switch');

const clamp = (t: number): number => Math.min(1, Math.max(0, Math.round(t * 1e4) / 1e4));

interface InsideGrips {
  part: Part;
  made: PartReport;
  drag: Changer;
  change: Changer;
  end: () => void;
  /** Whether what is moved snaps to the middle of its piece and to its neighbours. */
  snaps: boolean;
}

/** Nearer than this to a middle or a neighbour it snaps, as a share of the piece. */
const NEAR = 0.02;

/** Drawn to the middle of the piece, or to where another thing on it stands. */
const snapped = (t: number, to: readonly number[]): number =>
  [0.5, ...to].find((s) => Math.abs(s - t) < NEAR) ?? t;

/** Grips on everything electric that sits at a spot of the shell: a row is held by its first lamp. */
export function insideHandles({ part, made, drag, change, end, snaps }: InsideGrips): Handle[] {
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
        onSelect: () => selectFeature(part.id, feature.id),
        onPlace: (point) => {
          const spot = nearestOn(made.surfaces, point);
          if (!spot) return;
          const others = part.features.flatMap((f) =>
            f.id !== feature.id && f.place.on === 'panel' && f.place.panel === spot.pieceId ? [f.place] : [],
          );
          const to = (key: 'u' | 'v', t: number): number =>
            clamp(
              snaps
                ? snapped(
                    t,
                    others.map((o) => o[key]),
                  )
                : t,
            );
          drag((p) => put(p, { panel: spot.pieceId, u: to('u', spot.at.x), v: to('v', spot.at.y) }));
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

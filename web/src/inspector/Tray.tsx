import type { FeatureKind } from '@fomrik/core/features';
import { standardKinds } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { memo } from 'react';
import { PictureOf } from '../parts/PictureOf';
import { useReport } from '../store/report';
import { useView } from '../store/view';
import { addFeature, hasPlace } from './featureActions';

interface TrayProps {
  partId: string;
  station: FeatureKind['station'];
}

/** Kinds of details as pictures: pressed, one goes where the selection is; dragged, where it is let go on the solid. */
export const Tray = memo(function Tray({ partId, station }: TrayProps) {
  const kinds = [...standardKinds.features.values()].filter((k) => k.station === station);
  // By their names in one string: the tray is drawn anew when a kind finds a place or loses it, and not before.
  const taken = useReport((s) => {
    const made = byId(s.report?.parts ?? [], partId);
    return kinds.flatMap((k) => (made && hasPlace(k, made) ? [k.kind] : [])).join(' ');
  }).split(' ');
  return (
    <div
      role="group"
      aria-label={station === 'shape' ? 'Add a detail' : 'Put in'}
      className="grid grid-cols-[repeat(auto-fill,minmax(64px,1fr))] gap-1 pb-1"
    >
      {kinds.map((kind) => {
        const can = taken.includes(kind.kind);
        return (
          <button
            key={kind.kind}
            type="button"
            className="grid min-h-14 touch-none content-start justify-items-center gap-0.5 px-0.5 py-1 text-center text-[11.5px] leading-[1.1] text-teal hover:bg-wash disabled:text-soft disabled:opacity-50"
            title={can ? kind.summary : `${kind.verb}: nothing of this part takes one.`}
            disabled={!can}
            onPointerDown={() => {
              useView.setState({ inHand: kind.kind });
              // Let go anywhere else, it stays in the tray; the solid hears of it first.
              const end = (): void => void setTimeout(() => useView.setState({ inHand: undefined }));
              window.addEventListener('pointerup', end, { once: true });
            }}
            onClick={() => void addFeature(partId, kind)}
          >
            <PictureOf picture={kind.picture} className="h-7 w-[42px]" />
            {kind.verb}
          </button>
        );
      })}
    </div>
  );
});

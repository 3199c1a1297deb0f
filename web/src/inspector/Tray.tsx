import type { FeatureKind } from '@fomrik/core/features';
import { PictureOf } from '../parts/PictureOf';
import { useView } from '../store/view';

interface TrayProps {
  label: string;
  kinds: readonly FeatureKind[];
  /** Why one cannot be added here; nothing when it can. */
  without: (kind: FeatureKind) => string | undefined;
  onAdd: (kind: FeatureKind) => void;
}

/** Kinds of details as pictures: pressed, one goes where the selection is; dragged, where it is let go on the solid. */
export function Tray({ label, kinds, without, onAdd }: TrayProps) {
  return (
    <div
      role="group"
      aria-label={label}
      className="grid grid-cols-[repeat(auto-fill,minmax(64px,1fr))] gap-1 pb-1"
    >
      {kinds.map((kind) => {
        const why = without(kind);
        return (
          <button
            key={kind.kind}
            type="button"
            className="grid min-h-14 touch-none content-start justify-items-center gap-0.5 px-0.5 py-1 text-center text-[11.5px] leading-[1.1] text-teal hover:bg-wash disabled:text-soft disabled:opacity-50"
            title={why ?? kind.summary}
            disabled={why !== undefined}
            onPointerDown={() => {
              useView.setState({ inHand: kind.kind });
              // Let go anywhere else, it stays in the tray; the solid hears of it first.
              const end = (): void => void setTimeout(() => useView.setState({ inHand: undefined }));
              window.addEventListener('pointerup', end, { once: true });
            }}
            onClick={() => onAdd(kind)}
          >
            <PictureOf picture={kind.picture} className="h-7 w-[42px]" />
            {kind.verb}
          </button>
        );
      })}
    </div>
  );
}

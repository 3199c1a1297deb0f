import type { Part } from '@fomrik/core/document';
import { counted } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { Copy, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { NumberField } from '../parts/Field';
import { copySelected } from './clipboard';
import { removeFeatures } from './featureActions';

interface SeveralFeaturesProps {
  part: Pick<Part, 'id' | 'features'>;
  ids: readonly string[];
  change: (recipe: (part: Draft<Part>) => void) => void;
}

/** Several details at once: copied, removed, or moved together by a share of their piece. */
export function SeveralFeatures({ part, ids, change }: SeveralFeaturesProps) {
  const [by, setBy] = useState(0.05);
  const placed = part.features.filter((f) => ids.includes(f.id) && f.place.on === 'panel');
  const move = (u: number, v: number): void =>
    change((p) => {
      for (const f of p.features)
        if (ids.includes(f.id) && f.place.on === 'panel') {
          f.place.u = Math.min(1, Math.max(0, f.place.u + u));
          f.place.v = Math.min(1, Math.max(0, f.place.v + v));
        }
    });
  return (
    <section aria-label="Several selected" className="border-t border-ink pt-1">
      <h4 className="head">{counted(ids.length, 'detail')} selected</h4>
      <div className="flex flex-wrap items-center gap-1 py-1">
        <button type="button" className="btn min-h-7 px-2" onClick={copySelected} title="Copy (Ctrl+C)">
          <Copy size={13} aria-hidden /> Copy
        </button>
        <button
          type="button"
          className="btn min-h-7 px-2"
          onClick={() => removeFeatures(part.id, ids)}
          title="Remove (Delete)"
        >
          <Trash2 size={13} aria-hidden /> Remove {ids.length}
        </button>
      </div>
      {placed.length > 0 && (
        <>
          <NumberField
            label="Move by, of the piece"
            value={by * 100}
            range={[0.1, 100]}
            suffix="%"
            onChange={(percent) => setBy(percent / 100)}
          />
          <div className="flex gap-1 pt-1">
            {(
              [
                ['Left', -by, 0],
                ['Right', by, 0],
                ['Up', 0, by],
                ['Down', 0, -by],
              ] as const
            ).map(([label, u, v]) => (
              <button key={label} type="button" className="btn min-h-7 px-2" onClick={() => move(u, v)}>
                {label}
              </button>
            ))}
          </div>
        </>
      )}
    </section>
  );
}

import { counted } from '@fomrik/core/units';
import { Copy, Trash2 } from 'lucide-react';
import { removeParts } from '../app/partActions';
import { thicknessesOf } from '@fomrik/core/materials';
import { ChoiceField } from '../parts/ChoiceField';
import { useCatalogue } from '../store/catalogue';
import { useBuild } from '../store/build';
import { useSelected } from '../store/selection';
import { copySelected } from './clipboard';

/** Several parts at once: their foam, copied, or removed. */
export function SeveralParts() {
  return useSelected((s) => s.alsoPartIds.length > 0) ? <Together /> : null;
}

function Together() {
  const { partId, alsoPartIds } = useSelected();
  const doc = useBuild((s) => s.doc);
  const update = useBuild((s) => s.update);
  const catalogue = useCatalogue();
  const ids = [partId, ...alsoPartIds];
  const parts = doc.parts.filter((p) => ids.includes(p.id));
  const foams = new Set(parts.map((p) => p.stack[0]!.foamId));
  const [foamId] = foams;
  const shared = foams.size === 1 && foamId ? thicknessesOf(catalogue.foams, doc.stock, foamId) : [];
  const sizes = new Set(parts.map((p) => p.stack[0]!.nominalMm));
  return (
    <section aria-label="Several parts selected" className="rows border-t border-ink py-1">
      <h3 className="head">{counted(parts.length, 'part')} selected: changed together</h3>
      {shared.length > 0 && (
        <ChoiceField
          label="Thickness of all"
          value={sizes.size === 1 ? [...sizes][0]! : 0}
          choices={[
            ...(sizes.size === 1 ? [] : [{ value: 0, label: 'different' }]),
            ...shared.map((mm) => ({ value: mm, label: `${mm} mm` })),
          ]}
          onChange={(mm) =>
            mm > 0 &&
            update((d) => {
              for (const p of d.parts)
                if (ids.includes(p.id) && p.stack.length === 1) p.stack[0]!.nominalMm = mm;
            })
          }
        />
      )}
      <div className="flex gap-1 pt-1">
        <button type="button" className="btn min-h-7 px-2" onClick={copySelected} title="Copy (Ctrl+C)">
          <Copy size={13} aria-hidden /> Copy
        </button>
        <button
          type="button"
          className="btn min-h-7 px-2"
          title="Remove them; undo brings them back"
          onClick={() => removeParts(ids)}
        >
          <Trash2 size={13} aria-hidden /> Remove {parts.length}
        </button>
      </div>
    </section>
  );
}

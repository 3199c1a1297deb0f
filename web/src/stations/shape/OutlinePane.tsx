import { byId } from '@fomrik/core/units';
import { featureIdsOf, type Part, type Row, type RowsField } from '@fomrik/core/document';
import type { FormKind } from '@fomrik/core/forms';
import type { Draft } from 'immer';
import { addTakenLines } from '../../app/takenLines';
import { OutlineEditor } from '../../parts/OutlineEditor';
import { PiecesEditor } from '../../parts/PiecesEditor';
import { useBeneath } from '../../pictures/beneath';
import { dragEnd, useBuild } from '../../store/build';

interface OutlinePaneProps {
  part: Part;
  form: FormKind;
  field: RowsField;
  /** The detail whose outline it is; the form’s own when there is none. */
  featureId?: string;
  change: (recipe: (part: Draft<Part>) => void) => void;
  drag: (recipe: (part: Draft<Part>) => void) => void;
}

/** The outline, profile or flat pieces of a form, or the outline of a detail, drawn by hand. */
export function OutlinePane({ part, form, field, featureId, change, drag }: OutlinePaneProps) {
  const beneath = useBeneath(part, change);
  const feature = byId(part.features, featureId);
  const rows = (feature ?? part).params[field.key] as Row[];
  const put =
    (value: Row[]) =>
    (p: Draft<Part>): void =>
      void Object.assign((byId(p.features, featureId) ?? p).params, { [field.key]: value });
  const set = (value: Row[]): void => change(put(value));
  const dragged = (value: Row[]): void => drag(put(value));
  return (
    <div className="h-full overflow-auto bg-bench p-2">
      {field.draws === 'pieces' ? (
        <PiecesEditor
          field={field}
          rows={rows}
          pieces={(part.params['pieces'] as Row[]).length}
          onChange={set}
          onDrag={dragged}
          onDragEnd={dragEnd}
          onPieces={({ rows: taken, pieces, lines }) =>
            change((p) => {
              const known = p.params['pieces'] as Row[];
              addTakenLines(p, featureIdsOf(useBuild.getState().doc), lines);
              Object.assign(p.params, {
                [field.key]: taken,
                pieces: Array.from({ length: pieces }, (_, i) => known[i] ?? { bendsDeg: 0, bendsUpDeg: 0 }),
                seams: [],
              });
            })
          }
          beneath={beneath}
        />
      ) : (
        <OutlineEditor
          field={field}
          rows={rows}
          onChange={set}
          onDrag={dragged}
          onDragEnd={dragEnd}
          {...(!feature &&
            form.fields.some((f) => f.key === 'rings') && {
              onRings: (outline: Row[], rings: Row[]) =>
                change((p) => void Object.assign(p.params, { [field.key]: outline, rings })),
            })}
          beneath={beneath}
        />
      )}
    </div>
  );
}

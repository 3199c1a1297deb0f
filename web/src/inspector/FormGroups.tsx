import type { Field, Part, Row, RowsField, ScalarField } from '@fomrik/core/document';
import type { FormKind } from '@fomrik/core/forms';
import type { PartReport } from '@fomrik/core/parts';
import { counted, firstOf } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { FieldInput } from '../parts/FieldInput';
import { isWide, RowsTable } from '../parts/RowsTable';
import { SurfacePanel } from '../stations/shape/SurfacePanel';
import { useView, setDrawer } from '../store/view';
import { FieldSpot } from './FieldSpot';
import { byGroup, groupWords } from './fieldWords';
import { Group } from './Group';

interface FormGroupsProps {
  part: Part;
  made: PartReport;
  form: FormKind;
  change: (recipe: (part: Draft<Part>) => void) => void;
  open: boolean;
}

/** Fields that bear on a part as it stands: a hand, a balance and a ballast are asked of what is carried alone. */
export const fieldsThatCount = (form: FormKind, part: Part): Field[] =>
  form.fields.filter(
    (f) => (!f.when || f.when(part.params)) && (f.only !== 'carried' || part.mount.to !== 'part'),
  );

/** Groups that are seldom opened begin folded. */
const seldom: readonly string[] = ['Flattening', 'Comes apart', 'Drawn seams', 'Safety'];

/** The values of a form by their groups. */
export function FormGroups({ part, made, form, change, open }: FormGroupsProps) {
  const unit = useView((v) => v.unit);
  const fields = fieldsThatCount(form, part);
  const set = (key: string, value: number | string | Row[]): void =>
    change((p) => void Object.assign(p.params, { [key]: value }));
  const groups = byGroup(fields);
  return (
    <>
      {groups.map(([title, own], i) => (
        <Group
          key={title}
          title={title}
          open={open && !seldom.includes(title)}
          holds={groupWords(own, part.params, unit)}
        >
          {form.surface && i === 0 && <SurfacePanel part={part} made={made} form={form} change={change} />}
          {own.map((field) =>
            field.type === 'rows' ? (
              <RowsHere key={field.key} field={field} part={part} onChange={(rows) => set(field.key, rows)} />
            ) : (
              <ScalarHere
                key={field.key}
                field={field}
                part={part}
                onChange={(value) => set(field.key, value)}
              />
            ),
          )}
        </Group>
      ))}
    </>
  );
}

function ScalarHere({
  field,
  part,
  onChange,
}: {
  field: ScalarField;
  part: Part;
  onChange: (value: number | string) => void;
}) {
  return (
    <FieldSpot at={{ partId: part.id, path: [field.key] }}>
      <FieldInput
        field={field}
        value={part.params[field.key] as number | string}
        ply={firstOf(part.stack)}
        onChange={onChange}
      />
    </FieldSpot>
  );
}

/** A narrow list stands in the inspector; a wide one in the drawer, where it has the room. */
function RowsHere({
  field,
  part,
  onChange,
}: {
  field: RowsField;
  part: Part;
  onChange: (rows: Row[]) => void;
}) {
  const rows = part.params[field.key] as Row[];
  if (isWide(field))
    return (
      <button
        type="button"
        className="btn my-1"
        title={field.help}
        onClick={() => setDrawer('shape', tableKey(field))}
      >
        {counted(rows.length, field.line)}: open the table
      </button>
    );
  return <RowsTable field={field} rows={rows} part={part} onChange={onChange} />;
}

/** What the drawer calls the table of a list. */
export const tableKey = (field: RowsField): string => `rows-${field.key}`;

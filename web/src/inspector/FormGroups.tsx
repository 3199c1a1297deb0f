import type { Field, Part, Ply, Row, RowsField, ScalarField } from '@fomrik/core/document';
import type { FormKind } from '@fomrik/core/forms';
import { counted, firstOf } from '@fomrik/core/units';
import { memo } from 'react';
import { FieldInput } from '../parts/FieldInput';
import { isWide, RowsTable } from '../parts/RowsTable';
import { SurfacePanel } from '../stations/shape/SurfacePanel';
import { useMade } from '../parts/useMade';
import type { Changer } from '../store/version';
import { useView, setDrawer } from '../store/view';
import { FieldSpot } from './FieldSpot';
import { byGroup, groupWords } from './fieldWords';
import { DrawOnWearer } from './DrawOnWearer';
import { Group } from './Group';

interface FormGroupsProps {
  part: Part;
  form: FormKind;
  change: Changer;
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
export function FormGroups({ part, form, change, open }: FormGroupsProps) {
  const unit = useView((v) => v.unit);
  const fields = fieldsThatCount(form, part);
  const ply = firstOf(part.stack);
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
          {form.surface && i === 0 && <SurfaceHere part={part} form={form} change={change} />}
          {form.drawnOn && i === 0 && <DrawOnWearer part={part} drawnOn={form.drawnOn} change={change} />}
          {own.map((field) =>
            field.type === 'rows' ? (
              <RowsHere
                key={field.key}
                field={field}
                part={part}
                onChange={(rows) => change((p) => void Object.assign(p.params, { [field.key]: rows }))}
              />
            ) : (
              <ScalarHere
                key={field.key}
                field={field}
                partId={part.id}
                value={part.params[field.key] as number | string}
                ply={ply}
                change={change}
              />
            ),
          )}
        </Group>
      ))}
    </>
  );
}

function SurfaceHere({ part, form, change }: Omit<FormGroupsProps, 'open'>) {
  const made = useMade(part.id);
  return made && <SurfacePanel part={part} made={made} form={form} change={change} />;
}

interface ScalarHereProps {
  field: ScalarField;
  partId: string;
  value: number | string;
  ply: Ply;
  change: Changer;
}

/** One value; drawn anew when it is another, not whenever another value of its part is. */
const ScalarHere = memo(function ScalarHere({ field, partId, value, ply, change }: ScalarHereProps) {
  return (
    <FieldSpot at={{ partId, path: [field.key] }}>
      <FieldInput
        field={field}
        value={value}
        ply={ply}
        onChange={(next) => change((p) => void Object.assign(p.params, { [field.key]: next }))}
      />
    </FieldSpot>
  );
});

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

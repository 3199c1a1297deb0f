import type { KeptMesh, Ply, ScalarField } from '@fomrik/core/document';
import { type OwnFoam, thicknessesOf } from '@fomrik/core/materials';
import { useCatalogue } from '../store/catalogue';
import { useBuild } from '../store/build';
import { ChoiceField } from './ChoiceField';
import { LengthField, NumberField } from './Field';

interface FieldInputProps {
  field: ScalarField;
  value: number | string;
  onChange: (value: number | string) => void;
  /** The part's own foam, for fields that name a thickness of it. */
  ply?: Ply;
  label?: string;
  /** Without its label: in a table the column says it. */
  bare?: boolean;
}

const none: readonly KeptMesh[] = [];
const noFoams: readonly OwnFoam[] = [];

/** One field of a form or a feature, drawn after its kind; its range is the one that is checked. */
export function FieldInput({ field, value, onChange, ply, label: named, bare = false }: FieldInputProps) {
  const label = named ?? field.label;
  const stock = useBuild((s) => s.doc.stock);
  const catalogue = useCatalogue();
  const meshes = useBuild((s) => s.doc.meshes ?? none);
  const own = useBuild((s) => s.doc.foams ?? noFoams);
  switch (field.type) {
    case 'choice': {
      const choices = [
        ...field.choices,
        ...(field.surfaces ? meshes.map((m) => ({ value: m.id, label: m.name })) : []),
        ...(field.foams ? own.map((f) => ({ value: f.id, label: f.name })) : []),
      ];
      const known = choices.some((c) => c.value === value);
      return (
        <ChoiceField
          label={label}
          bare={bare}
          help={field.help}
          value={value}
          choices={known ? choices : [{ value, label: `${value} (not known)` }, ...choices]}
          onChange={onChange}
        />
      );
    }
    case 'foam': {
      const can = thicknessesOf(catalogue.foams, stock, ply?.foamId ?? '');
      const unsold = typeof value === 'number' && value !== 0 && !can.includes(value) ? [value] : [];
      return (
        <ChoiceField
          label={label}
          bare={bare}
          help={field.help}
          value={value}
          choices={[
            ...(field.own ? [{ value: 0, label: 'as the part' }] : []),
            ...can.map((mm) => ({ value: mm, label: `${mm} mm` })),
            ...unsold.map((mm) => ({ value: mm, label: `${mm} mm, not sold` })),
          ]}
          onChange={onChange}
        />
      );
    }
    case 'length':
      return (
        <LengthField
          label={label}
          bare={bare}
          help={field.help}
          valueMm={Number(value)}
          range={field.range}
          onChange={onChange}
        />
      );
    default:
      return (
        <NumberField
          label={label}
          bare={bare}
          help={field.help}
          value={Number(value)}
          range={field.range}
          whole={field.type === 'count'}
          suffix={field.type === 'angle' ? '°' : (field.unit ?? '')}
          onChange={onChange}
        />
      );
  }
}

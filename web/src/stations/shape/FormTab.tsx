import type { Part } from '@fomrik/core/build/document';
import type { PartReport } from '@fomrik/core/build/report';
import type { Field } from '@fomrik/core/forms/contract';
import { formKinds } from '@fomrik/core/forms/kinds';
import { isPaired } from '@fomrik/core/forms/partForm';
import { catalogue } from '@fomrik/core/materials/catalogue';
import type { Draft } from 'immer';
import { mirrorPart } from '../../app/partActions';
import { ChoiceField, LengthField, NumberField, WordsField } from '../../parts/Field';
import { useView } from '../../store/view';
import { ThicknessTrial } from './ThicknessTrial';
import { WholeBuild } from './WholeBuild';

/** One field of the form, drawn after its kind. */
function FormField({
  field,
  params,
  onChange,
}: {
  field: Field<never>;
  params: Readonly<Record<string, string | number>>;
  onChange: (value: string | number) => void;
}) {
  const value = params[field.key as string] ?? field.absent!;
  if (field.type === 'choice')
    return (
      <ChoiceField
        label={field.label}
        help={field.help}
        value={value}
        choices={field.choices}
        onChange={onChange}
      />
    );
  if (field.type === 'length')
    return (
      <LengthField
        label={field.label}
        help={field.help}
        valueMm={value as number}
        range={field.range}
        onChange={onChange}
      />
    );
  return (
    <NumberField
      label={field.label}
      help={field.help}
      value={value as number}
      range={field.range}
      suffix={field.type === 'angle' ? '°' : ''}
      onChange={onChange}
    />
  );
}

/** Whether a field has any bearing as things stand. */
const matters = (key: string, p: Readonly<Record<string, string | number>>): boolean => {
  if (key === 'pointWidthDeg' || (key === 'pointMm' && 'wristEnd' in p)) return p['wristEnd'] === 'point';
  if (key === 'gapMm' && 'closure' in p) return p['closure'] !== 'none';
  if (key === 'gapMm' && 'back' in p) return p['back'] === 'open';
  if (key === 'gores') return p['scheme'] === 'gores';
  if (key === 'stripMm') return p['scheme'] === 'strip';
  if (key === 'seamDeg') return p['panels'] === 2 || p['halves'] === 4;
  if (key === 'bandMm' || key === 'bandFoam') return p['scheme'] === 'cap';
  if (key === 'slitMm' || key === 'slitDropMm') return p['visor'] === 'slit';
  if (key.startsWith('lame') || key === 'overlapMm') return p['lames'] !== 0 || key === 'lames';
  return true;
};

/** The form's own values, its foam, and what every thickness would do. */
export function FormTab({
  part,
  made,
  change,
}: {
  part: Part;
  made: PartReport;
  change: (recipe: (part: Draft<Part>) => void) => void;
}) {
  const trialOpen = useView((v) => v.trialOpen);
  const fields = formKinds[part.form].fields as readonly Field<never>[];
  const params: Readonly<Record<string, string | number>> = { ...part.params };
  const foam = catalogue.foams.find((f) => f.id === part.foam.foamId);
  const thicknesses = (foamId: string): number[] =>
    catalogue.foams.find((f) => f.id === foamId)?.sheets.map((s) => s.nominalMm) ?? [];
  const nearest = (foamId: string, mm: number): number =>
    thicknesses(foamId).reduce((a, b) => (Math.abs(b - mm) < Math.abs(a - mm) ? b : a));
  return (
    <>
      <div className="grid grid-cols-7 gap-x-2.5 gap-y-0.5">
        <WordsField label="Part" value={part.name} onChange={(name) => change((p) => void (p.name = name))} />
        <ChoiceField
          label="Foam"
          value={part.foam.foamId}
          choices={catalogue.foams.map((f) => ({ value: f.id, label: f.name }))}
          onChange={(foamId) =>
            change((p) => void (p.foam = { foamId, nominalMm: nearest(foamId, p.foam.nominalMm) }))
          }
        />
        <ChoiceField
          label="Thickness"
          value={part.foam.nominalMm}
          choices={(foam?.sheets ?? []).map((s) => ({ value: s.nominalMm, label: `${s.nominalMm} mm` }))}
          onChange={(mm) => change((p) => void (p.foam.nominalMm = mm))}
        />
        <ChoiceField
          label="Lining"
          value={part.lining ? part.lining.nominalMm : 0}
          choices={[
            { value: 0, label: 'none' },
            ...thicknesses('dense-eva')
              .filter((t) => t <= 5)
              .map((t) => ({ value: t, label: `${t} mm dense EVA` })),
          ]}
          onChange={(mm) =>
            change((p) => void (p.lining = mm === 0 ? null : { foamId: 'dense-eva', nominalMm: mm }))
          }
        />
        {isPaired(part) && (
          <div className="flex items-center">
            <button type="button" className="btn" onClick={() => mirrorPart(part.id)} title="Mirror (M)">
              {part.sides === 'pair' ? 'Make it one' : 'Mirror'}
            </button>
          </div>
        )}
        {fields
          .filter((f) => matters(f.key, params))
          .map((field) => (
            <FormField
              key={field.key as string}
              field={field}
              params={params}
              onChange={(value) => change((p) => void Object.assign(p.params, { [field.key]: value }))}
            />
          ))}
      </div>
      {trialOpen && (
        <ThicknessTrial made={made} onChoose={(mm) => change((p) => void (p.foam.nominalMm = mm))} />
      )}
      {trialOpen && <WholeBuild />}
    </>
  );
}

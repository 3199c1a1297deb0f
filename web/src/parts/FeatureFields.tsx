import { type Feature, type Field, foamOfField, type Part, type ScalarField } from '@fomrik/core/document';
import type { FeatureKind } from '@fomrik/core/features';
import type { PartReport } from '@fomrik/core/parts';
import { DetailNote } from '../inspector/DetailNote';
import { FieldSpot } from '../inspector/FieldSpot';
import { byGroup } from '../inspector/fieldWords';
import { FieldInput } from './FieldInput';
import { PlaceInput } from './PlaceInput';

interface FeatureFieldsProps {
  name: string;
  kind: FeatureKind;
  feature: Feature;
  part: Pick<Part, 'id' | 'stack'>;
  made: PartReport;
  onChange: (feature: Feature) => void;
}

const isScalar = (field: Field): field is ScalarField => field.type !== 'rows';

/** One detail: where it is, then its values by group, all of them from its kind. */
export function FeatureFields({ name, kind, feature, part, made, onChange }: FeatureFieldsProps) {
  const { place } = feature;
  const layered = place.on === 'panel' && made.rooms.some((r) => r.solid && r.panel === place.panel);
  const ply = { foamId: made.foam.foamId, nominalMm: made.foam.nominalMm };
  const fields = kind.fields
    .filter(isScalar)
    .filter((f) => (!f.when || f.when(feature.params)) && (!f.only || (f.only === 'layers') === layered));
  return (
    <div className="pb-2 pl-4">
      <h4 className="head">Where</h4>
      <PlaceInput
        place={feature.place}
        made={made}
        rooms={kind.places.includes('room')}
        spot={kind.spotless !== true}
        onChange={(next) => onChange({ ...feature, place: next })}
      />
      {kind.recipes && (
        <>
          <h4 className="head mt-1">Recipes</h4>
          <div className="flex flex-wrap gap-1 py-1">
            {kind.recipes.map(({ label, summary, of }) => (
              <button
                key={label}
                type="button"
                className="btn min-h-7 px-2 text-[12px]"
                title={summary}
                onClick={() => onChange({ ...feature, params: of(feature.params) })}
              >
                {label}
              </button>
            ))}
          </div>
        </>
      )}
      {byGroup(fields).map(([title, own]) => (
        <div key={title}>
          <h4 className="head mt-1">{title === 'Size' ? kind.label : title}</h4>
          {own.map((field) => (
            <FieldSpot key={field.key} at={{ partId: part.id, featureId: feature.id, path: [field.key] }}>
              <FieldInput
                field={field}
                value={feature.params[field.key] as number | string}
                ply={
                  field.type === 'foam'
                    ? { ...ply, foamId: foamOfField(field, feature.params, ply.foamId) }
                    : ply
                }
                onChange={(value) =>
                  onChange({ ...feature, params: { ...feature.params, [field.key]: value } })
                }
              />
            </FieldSpot>
          ))}
        </div>
      ))}
      <DetailNote partId={part.id} feature={feature} name={name} onChange={onChange} />
    </div>
  );
}

import type { Feature, Field } from '@fomrik/core/document';
import type { FeatureKind } from '@fomrik/core/features';
import type { PartReport } from '@fomrik/core/parts';
import { X } from 'lucide-react';
import { FieldInput } from './FieldInput';
import { PlaceInput } from './PlaceInput';

interface FeatureLineProps {
  kind: FeatureKind;
  feature: Feature;
  /** What it is called among the details of its part. */
  name: string;
  made: PartReport;
  onChange: (feature: Feature) => void;
  onRemove: () => void;
  columns: string;
}

/** Choices of many letters are given the room of two. */
const wordy = (field: Field): boolean =>
  field.type === 'choice' && field.choices.some(({ label }) => label.length > 9);

/** One feature with its place and its fields, all of them from its kind. */
export function FeatureLine({ kind, feature, name, made, onChange, onRemove, columns }: FeatureLineProps) {
  const { place } = feature;
  const layered = place.on === 'panel' && made.rooms.some((r) => r.solid && r.panel === place.panel);
  const ply = { foamId: made.foam.foamId, nominalMm: made.foam.nominalMm };
  return (
    <li
      data-feature={feature.id}
      data-kind={feature.kind}
      className={`grid ${columns} items-start gap-x-2 border-t border-hair py-0.5`}
    >
      <strong className="self-center">{name}</strong>
      <PlaceInput
        place={feature.place}
        made={made}
        rooms={kind.places.includes('room')}
        spot={kind.spotless !== true}
        onChange={(place) => onChange({ ...feature, place })}
      />
      {kind.fields.map(
        (field) =>
          field.type !== 'rows' &&
          (!field.when || field.when(feature.params)) &&
          (!field.only || (field.only === 'layers') === layered) && (
            <div key={field.key} className={wordy(field) ? 'col-span-2' : ''}>
              <FieldInput
                field={field}
                value={feature.params[field.key] as number | string}
                ply={ply}
                onChange={(value) =>
                  onChange({ ...feature, params: { ...feature.params, [field.key]: value } })
                }
              />
            </div>
          ),
      )}
      <button
        type="button"
        className="btn btn-icon self-center justify-self-end"
        aria-label={`Remove ${name.toLowerCase()}`}
        onClick={onRemove}
      >
        <X size={16} aria-hidden />
      </button>
    </li>
  );
}

import type { Field } from '@fomrik/core/forms/contract';
import { formKinds } from '@fomrik/core/forms/kinds';
import { isPaired } from '@fomrik/core/forms/partForm';
import { catalogue } from '@fomrik/core/materials/catalogue';
import { mirrorPart } from '../../app/partActions';
import { Empty } from '../../parts/Empty';
import { ChoiceField, LengthField, NumberField, WordsField } from '../../parts/Field';
import { FlatPieces } from '../../parts/FlatPieces';
import { LazySolid } from '../../parts/LazySolid';
import { Legend } from '../../parts/Legend';
import { usePart } from '../../parts/usePart';
import { dragEnd } from '../../store/build';
import { useReport } from '../../store/report';
import { toggle, useView } from '../../store/view';
import { bracerHandles } from './bracerHandles';
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
  const value = params[field.key as string]!;
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
  if (key === 'slitMm' || key === 'slitDropMm') return p['visor'] === 'slit';
  if (key.startsWith('lame') || key === 'overlapMm') return p['lames'] !== 0 || key === 'lames';
  return true;
};

/** Solid and flat side by side, the form's values below, and the thickness trial. */
export function Shape() {
  const { part, made, change, drag } = usePart();
  const body = useReport((s) => s.report!.body);
  const trialOpen = useView((v) => v.trialOpen);
  const stretchOpen = useView((v) => v.stretchOpen);
  if (!part) return <Empty what="shape" />;
  if (!made) return <p className="p-4 text-soft">Working it out…</p>;
  const fields = formKinds[part.form].fields as readonly Field<never>[];
  const params: Readonly<Record<string, string | number>> = { ...part.params };
  const foam = catalogue.foams.find((f) => f.id === part.foam.foamId);
  const thicknesses = (foamId: string): number[] =>
    catalogue.foams.find((f) => f.id === foamId)?.sheets.map((s) => s.nominalMm) ?? [];
  const nearest = (foamId: string, mm: number): number =>
    thicknesses(foamId).reduce((a, b) => (Math.abs(b - mm) < Math.abs(a - mm) ? b : a));
  return (
    <div className="flex h-full min-h-[620px] flex-col">
      <div className="relative grid min-h-0 flex-1 grid-cols-[5fr_6fr] border-b border-hair">
        <div className="relative min-h-0 border-r border-hair bg-paper">
          <LazySolid
            made={made}
            body={body}
            handles={part.form === 'bracer' ? bracerHandles(part, made, drag, change, dragEnd) : []}
          />
          <p className="pointer-events-none absolute bottom-1 left-2 text-[12px] text-soft">
            Drag to turn.{part.form === 'bracer' && ' Diamonds slide the edges and the point.'}
          </p>
        </div>
        <FlatPieces made={made} onEdge={(edge) => useView.setState({ edge })} />
        {made.pieces.some((p) => p.stretch) && (
          <button
            type="button"
            className="btn absolute right-24 top-1"
            aria-pressed={stretchOpen}
            onClick={() => toggle('stretchOpen')}
            title="Stretch map (S)"
          >
            Stretch
          </button>
        )}
        <button
          type="button"
          className="btn absolute right-2 top-1"
          onClick={() => toggle('legendOpen')}
          title="Legend of lines (L)"
        >
          Legend
        </button>
        <Legend />
      </div>
      <div className="max-h-[56%] overflow-auto px-3 pb-1 pt-2">
        <div className="grid grid-cols-7 gap-x-2.5 gap-y-0.5">
          <WordsField
            label="Part"
            value={part.name}
            onChange={(name) => change((p) => void (p.name = name))}
          />
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
      </div>
    </div>
  );
}

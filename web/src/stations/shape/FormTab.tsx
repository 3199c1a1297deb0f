import { firstOf } from '@fomrik/core/units';
import { featureIdsOf, type Part, type Row } from '@fomrik/core/document';
import { catalogue, thicknessesOf } from '@fomrik/core/materials';
import { formOf, type PartReport, standardKinds } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { Fragment, type ReactNode } from 'react';
import { isPaired, mirrorPart } from '../../app/partActions';
import { addTakenLines } from '../../app/takenLines';
import { ChoiceField, WordsField } from '../../parts/Field';
import { FieldInput } from '../../parts/FieldInput';
import { OutlineEditor } from '../../parts/OutlineEditor';
import { PiecesEditor } from '../../parts/PiecesEditor';
import { RowsInput } from '../../parts/RowsInput';
import { useBeneath } from '../../pictures/beneath';
import { dragEnd, useBuild } from '../../store/build';
import { useView } from '../../store/view';
import { LayerList } from './LayerList';
import { SurfacePanel } from './SurfacePanel';
import { MountFields } from './MountFields';
import { ThicknessTrial } from './ThicknessTrial';
import { WholeBuild } from './WholeBuild';

/** The form's own values, its foam, and what every thickness would do. */
export function FormTab({
  part,
  made,
  change,
  drag,
}: {
  part: Part;
  made: PartReport;
  change: (recipe: (part: Draft<Part>) => void) => void;
  drag: (recipe: (part: Draft<Part>) => void) => void;
}) {
  const trialOpen = useView((v) => v.trialOpen);
  const stock = useBuild((s) => s.doc.stock);
  const form = formOf(standardKinds, part.form);
  const ply = firstOf(part.stack);
  const can = (foamId: string): number[] => thicknessesOf(catalogue.foams, stock, foamId);
  const nearest = (foamId: string, mm: number): number =>
    can(foamId).reduce((a, b) => (Math.abs(b - mm) < Math.abs(a - mm) ? b : a));
  const beneath = useBeneath(part, change);
  const unknown = catalogue.foams.every((f) => f.id !== ply.foamId);
  const lined = part.lining?.nominalMm ?? 0;
  const linings = [...new Set([...can('dense-eva').filter((t) => t <= 5), ...(lined > 0 ? [lined] : [])])];
  return (
    <>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(124px,1fr))] gap-x-2.5 gap-y-0.5">
        <WordsField label="Part" value={part.name} onChange={(name) => change((p) => void (p.name = name))} />
        {(form.sheets === 'one' || form.sheets === 'existing') && (
          <>
            <ChoiceField
              label={form.sheets === 'existing' ? 'Foam laid on it' : 'Foam'}
              value={ply.foamId}
              choices={[
                ...(unknown ? [{ value: ply.foamId, label: `${ply.foamId} (not known)` }] : []),
                ...catalogue.foams
                  .filter((f) => f.kind === 'foam' || form.zones.length === 0 || f.id === ply.foamId)
                  .map((f) => ({ value: f.id, label: f.name })),
              ]}
              onChange={(foamId) =>
                change((p) => void (p.stack = [{ foamId, nominalMm: nearest(foamId, ply.nominalMm) }]))
              }
            />
            <ChoiceField
              label="Thickness"
              value={ply.nominalMm}
              choices={[
                ...can(ply.foamId).map((mm) => ({ value: mm, label: `${mm} mm` })),
                ...(made.foam.sold ? [] : [{ value: ply.nominalMm, label: `${ply.nominalMm} mm, not sold` }]),
              ]}
              onChange={(mm) => change((p) => void (firstOf(p.stack).nominalMm = mm))}
            />
          </>
        )}
        {form.sheets === 'one' && form.zones.length > 0 && (
          <ChoiceField
            label="Lining"
            value={lined}
            choices={[
              { value: 0, label: 'none' },
              ...linings.map((t) => ({ value: t, label: `${t} mm dense EVA` })),
            ]}
            onChange={(mm) =>
              change((p) => void (p.lining = mm === 0 ? null : { foamId: 'dense-eva', nominalMm: mm }))
            }
          />
        )}
        {isPaired(part) && (
          <div className="flex items-center">
            <button type="button" className="btn" onClick={() => mirrorPart(part.id)} title="Mirror (M)">
              {part.mount.to === 'wearer' && part.mount.side === 'pair' ? 'Make it one' : 'Mirror'}
            </button>
          </div>
        )}
        <MountFields part={part} form={form} change={change} />
        {form.fields
          .filter((f) => f.type !== 'rows' && (!f.when || f.when(part.params)))
          // A hand, a balance and a ballast are asked of what is carried alone.
          .filter((f) => f.only !== 'carried' || part.mount.to !== 'part')
          .map(
            (field) =>
              field.type !== 'rows' && (
                <FieldInput
                  key={field.key}
                  field={field}
                  value={part.params[field.key] as number | string}
                  ply={ply}
                  onChange={(value) => change((p) => void Object.assign(p.params, { [field.key]: value }))}
                />
              ),
          )}
        {form.surface && <SurfacePanel part={part} made={made} form={form} change={change} />}
        {form.sheets === 'layers' && <LayerList part={part} change={change} />}
        {form.fields.map(
          (field) =>
            field.type === 'rows' &&
            (!field.when || field.when(part.params)) && (
              <Fragment key={field.key}>
                {field.draws === 'pieces' && (
                  <PiecesEditor
                    field={field}
                    rows={part.params[field.key] as Row[]}
                    pieces={(part.params['pieces'] as Row[]).length}
                    onChange={(value) => change((p) => void Object.assign(p.params, { [field.key]: value }))}
                    onDrag={(value) => drag((p) => void Object.assign(p.params, { [field.key]: value }))}
                    onDragEnd={dragEnd}
                    onPieces={({ rows, pieces, lines }) =>
                      change((p) => {
                        const known = p.params['pieces'] as Row[];
                        addTakenLines(p, featureIdsOf(useBuild.getState().doc), lines);
                        Object.assign(p.params, {
                          [field.key]: rows,
                          pieces: Array.from(
                            { length: pieces },
                            (_, i) => known[i] ?? { bendsDeg: 0, bendsUpDeg: 0 },
                          ),
                          seams: [],
                        });
                      })
                    }
                    beneath={beneath}
                  />
                )}
                {field.draws && field.draws !== 'pieces' && (
                  <OutlineEditor
                    field={field}
                    rows={part.params[field.key] as Row[]}
                    onChange={(value) => change((p) => void Object.assign(p.params, { [field.key]: value }))}
                    onDrag={(value) => drag((p) => void Object.assign(p.params, { [field.key]: value }))}
                    onDragEnd={dragEnd}
                    {...(form.fields.some((f) => f.key === 'rings') && {
                      onRings: (outline: Row[], rings: Row[]) =>
                        change((p) => void Object.assign(p.params, { [field.key]: outline, rings })),
                    })}
                    beneath={beneath}
                  />
                )}
                <Folded when={field.draws === 'pieces'} words="Points as numbers">
                  <RowsInput
                    field={field}
                    rows={part.params[field.key] as Row[]}
                    ply={ply}
                    onChange={(value) => change((p) => void Object.assign(p.params, { [field.key]: value }))}
                  />
                </Folded>
              </Fragment>
            ),
        )}
      </div>
      {trialOpen && form.sheets === 'one' && (
        <ThicknessTrial
          made={made}
          onChoose={(mm) => change((p) => void (firstOf(p.stack).nominalMm = mm))}
        />
      )}
      {trialOpen && <WholeBuild />}
    </>
  );
}

/** A long list that is opened when it is wanted. */
function Folded({ when, words, children }: { when: boolean; words: string; children: ReactNode }) {
  if (!when) return children;
  return (
    <details className="col-span-full">
      <summary className="head cursor-pointer">{words}</summary>
      <div className="grid">{children}</div>
    </details>
  );
}

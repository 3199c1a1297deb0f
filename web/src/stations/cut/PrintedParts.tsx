import type { PrintedPart } from '@fomrik/core/document';
import { printedKinds, printingOfAll } from '@fomrik/core/printed';
import { firstOf, findIn } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { FieldInput } from '../../parts/FieldInput';
import { useBuild } from '../../store/build';
import { printingWords } from './printingWords';
import { SolidFiles } from './SolidFiles';
import { newId } from '../../store/newId';

/** The same one each time. */
const none: PrintedPart[] = [];
const MOST = 60;

/** Sockets, bezels, covers and cases for makers with a printer, each with a way without one. */
export function PrintedParts() {
  const printed = useBuild((s) => s.doc.printed) ?? none;
  const update = useBuild((s) => s.update);
  const [kind, setKind] = useState(firstOf(printedKinds).kind);
  const add = (): void =>
    update((d) => {
      const { defaults } = findIn(printedKinds, (k) => k.kind === kind);
      (d.printed ??= []).push({
        id: newId('printed'),
        kind,
        params: { ...defaults },
      } as Draft<PrintedPart>);
    });
  const remove = (id: string): void =>
    update((d) => {
      d.printed = d.printed?.filter((p) => p.id !== id);
      if (d.printed?.length === 0) delete d.printed;
    });
  return (
    <section aria-label="Small printed parts" className="leaf p-3">
      <h2 className="head">Small printed parts</h2>
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <label>
          <span className="label">Kind of part</span>
          <select className="box" value={kind} onChange={(e) => setKind(e.target.value)}>
            {printedKinds.map((k) => (
              <option key={k.kind} value={k.kind}>
                {k.label}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn" disabled={printed.length >= MOST} onClick={add}>
          <Plus size={15} aria-hidden /> Add
        </button>
        {printed.length === 0 && (
          <p className="pb-1.5 text-soft">{findIn(printedKinds, (k) => k.kind === kind).summary}</p>
        )}
      </div>
      <ul className="mt-2 grid gap-3">
        {printed.map((part, i) => {
          const own = findIn(printedKinds, (k) => k.kind === part.kind);
          const solids = own.solids(part.params);
          return (
            <li key={part.id} className="border-t border-hair pt-1" aria-label={`${i + 1} ${own.label}`}>
              <div className="flex items-center gap-3">
                <h3 className="font-medium">
                  {i + 1} {own.label}
                </h3>
                <span className="text-soft">{printingWords(printingOfAll(solids.map((s) => s.mesh)))}</span>
                <SolidFiles name={`${own.kind}-${i + 1}`} solidsOf={() => solids} />
                <button
                  type="button"
                  className="btn btn-icon ml-auto"
                  aria-label={`Take ${own.label} ${i + 1} off`}
                  onClick={() => remove(part.id)}
                >
                  <Trash2 size={15} aria-hidden />
                </button>
              </div>
              <div className="mt-1 grid grid-cols-6 gap-2 max-[1100px]:grid-cols-4">
                {own.fields.map(
                  (field) =>
                    field.type !== 'rows' && (
                      <FieldInput
                        key={field.key}
                        field={field}
                        value={part.params[field.key] as number | string}
                        onChange={(value) =>
                          update((d) => {
                            const at = d.printed?.find((p) => p.id === part.id);
                            if (at) Object.assign(at.params, { [field.key]: value });
                          })
                        }
                      />
                    ),
                )}
              </div>
              <p className="mt-1 text-[13px]">
                {own.fit(part.params)} <span className="text-soft">{own.instead}</span>
              </p>
            </li>
          );
        })}
      </ul>
      {printed.length > 0 && (
        <p className="mt-2 text-[12.5px] text-soft">
          Printers melt plastic: air the room, keep hands off the hot end, wear a dust mask when sanding
          prints.
        </p>
      )}
    </section>
  );
}

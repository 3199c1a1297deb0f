import { differences, type BuildDoc, type Version } from '@fomrik/core/document';
import { standardKinds, freeName } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { Plus, X } from 'lucide-react';
import { ledgerFigures, showFigure } from '../../app/totals';
import { LengthField, WordsField } from '../../parts/Field';
import { cheapVersion, stuntVersion } from '@fomrik/core/report';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { useView } from '../../store/view';
import { useVersionTotals } from './useVersionReports';

/** What a form calls one of its fields. */
const labelOf = (form: string, key: string): string =>
  standardKinds.forms
    .get(form)
    ?.fields.find((f) => f.key === key)
    ?.label.toLowerCase() ?? key;

const kinds: { name: string; start: Partial<Version> }[] = [
  { name: 'Stunt, unlit', start: { unlit: true } },
  { name: 'Child’s size', start: { statureMm: 1250 } },
  { name: 'Another', start: {} },
];

/** The same build otherwise: what each version leaves out or has of its own, and what it comes to. */
export function Versions() {
  const doc = useBuild((s) => s.doc);
  const update = useBuild((s) => s.update);
  const report = useReport((s) => s.report);
  const totals = useVersionTotals(doc);
  const versions = doc.versions ?? [];
  const figures = ledgerFigures(doc.brief.currency).filter((f) => f.key !== 'sheets');
  const set = (id: string, recipe: (v: Draft<Version>) => void): void =>
    update((d) => {
      const version = d.versions?.find((v) => v.id === id);
      if (version) recipe(version);
    });
  const add = ({ name, start }: (typeof kinds)[number]): void =>
    update((d) => {
      const id = freeName(
        (d.versions ?? []).map((v) => v.id),
        'version',
      );
      d.versions = [...(d.versions ?? []), { id, name, parts: {}, ...start }];
    });
  const addMade = (make: (id: string) => Version): void => {
    const id = freeName(
      versions.map((v) => v.id),
      'version',
    );
    const made = make(id);
    update((d) => void (d.versions = [...(d.versions ?? []), made as Draft<Version>]));
  };
  const remove = (id: string): void => {
    if (useView.getState().versionId === id) useView.setState({ versionId: '' });
    update((d) => void (d.versions = (d.versions ?? []).filter((v) => v.id !== id)));
  };
  const row = (id: string, name: string) => {
    const own = totals.get(id);
    return (
      <tr key={id} className="border-t border-hair">
        <th scope="row" className="text-left font-medium">
          {name}
        </th>
        {figures.map((f) => (
          <td key={f.key} className="text-right">
            {own ? `${showFigure(own[f.key], f)} ${f.unit}` : '…'}
          </td>
        ))}
        <td className="text-right">{own ? (own.stops === 0 ? 'none' : own.stops) : '…'}</td>
      </tr>
    );
  };
  return (
    <section aria-label="Versions" className="leaf p-3">
      <h2 className="head flex flex-wrap items-center gap-2">
        Versions{' '}
        <span className="font-normal text-soft">
          hero and stunt, lit and unlit, another size: one build, with what differs in each
        </span>
        <button
          type="button"
          className="btn min-h-7 px-2"
          disabled={!report}
          title="Nothing lit; of what is held no point, no hard core, no rigid layer. Event rules decide."
          onClick={() => report && addMade((id) => stuntVersion(doc, report, id))}
        >
          <Plus size={14} aria-hidden /> Stunt, by rule
        </button>
        <button
          type="button"
          className="btn min-h-7 px-2"
          title="Sealed with what costs least, one colour, one clear coat, nothing that is only for looks."
          onClick={() => addMade((id) => cheapVersion(doc, id))}
        >
          <Plus size={14} aria-hidden /> Cheap, by rule
        </button>
        {kinds.map((kind) => (
          <button key={kind.name} type="button" className="btn min-h-7 px-2" onClick={() => add(kind)}>
            <Plus size={14} aria-hidden /> {kind.name}
          </button>
        ))}
      </h2>
      {versions.length > 0 && (
        <table className="mt-1 w-full text-[13px]">
          <thead>
            <tr className="text-soft">
              <th scope="col" className="text-left">
                Version
              </th>
              {figures.map((f) => (
                <th key={f.key} scope="col" className="text-right">
                  {f.label}
                </th>
              ))}
              <th scope="col" className="text-right">
                stops
              </th>
            </tr>
          </thead>
          <tbody>
            {row('', 'as designed')}
            {versions.map((v) => row(v.id, v.name))}
          </tbody>
        </table>
      )}
      {versions.map((version) => (
        <VersionCard key={version.id} doc={doc} version={version} set={set} remove={remove} />
      ))}
    </section>
  );
}

function VersionCard({
  doc,
  version,
  set,
  remove,
}: {
  doc: BuildDoc;
  version: Version;
  set: (id: string, recipe: (v: Draft<Version>) => void) => void;
  remove: (id: string) => void;
}) {
  const { id, name } = version;
  const lines = differences(doc, version, labelOf);
  return (
    <fieldset className="mt-2 border-t border-ink pt-1" data-version={id}>
      <legend className="sr-only">{name}</legend>
      <div className="grid grid-cols-[1fr_auto_1fr_auto] items-end gap-3">
        <WordsField
          label="Name of the version"
          value={name}
          onChange={(to) => set(id, (v) => void (v.name = to))}
        />
        <label className="flex items-center gap-2 pb-2">
          <input
            type="checkbox"
            checked={version.unlit === true}
            onChange={(e) =>
              set(id, (v) => {
                if (e.target.checked) v.unlit = true;
                else delete v.unlit;
              })
            }
          />
          Unlit
        </label>
        <LengthField
          label="For a wearer of"
          valueMm={version.statureMm ?? 0}
          range={[0, 2300]}
          note={version.statureMm === undefined ? 'the wearer as measured' : 'every other measure estimated'}
          onChange={(mm) =>
            set(id, (v) => {
              if (mm === 0) delete v.statureMm;
              else v.statureMm = Math.max(700, mm);
            })
          }
          help="Stature; 0 is the wearer of the build."
        />
        <button
          type="button"
          className="btn btn-icon"
          aria-label={`Remove ${name}`}
          onClick={() => remove(id)}
        >
          <X size={16} aria-hidden />
        </button>
      </div>
      <div className="flex flex-wrap gap-x-4 text-[13px]">
        {doc.parts.map((part) => (
          <label key={part.id} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={!version.parts[part.id]?.leftOut}
              onChange={(e) =>
                set(id, (v) => {
                  const own = v.parts[part.id] ?? {};
                  if (e.target.checked) delete own.leftOut;
                  else own.leftOut = true;
                  if (Object.keys(own).length > 0) v.parts[part.id] = own;
                  else delete v.parts[part.id];
                })
              }
            />
            {part.name}
          </label>
        ))}
      </div>
      <p className="text-[13px]">
        {lines.length === 0
          ? 'No differences yet. Choose it in the rack and set “Edits go to” to “this one”.'
          : `Differences: ${lines.join('; ')}.`}
      </p>
    </fieldset>
  );
}

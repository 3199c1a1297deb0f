import type { OwnFoam } from '@fomrik/core/materials';
import { counted } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { Plus, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField, NumberField, WordsField } from '../../parts/Field';
import { api, type SavedFoam } from '../../store/api';
import { useBuild } from '../../store/build';
import { newId } from '../../store/newId';
import { fromVersion, undoing } from '../../store/shop';

const MOST = 40;
const none: readonly OwnFoam[] = [];

const kinds: { value: OwnFoam['kind']; label: string }[] = [
  { value: 'foam', label: 'foam' },
  { value: 'block', label: 'soft foam' },
  { value: 'board', label: 'board' },
  { value: 'acrylic', label: 'acrylic' },
  { value: 'thermoplastic', label: 'thermoplastic' },
];
const textures: { value: OwnFoam['texture']; label: string }[] = [
  { value: 'none', label: 'both faces smooth' },
  { value: 'one', label: 'a pattern on one face' },
  { value: 'both', label: 'a pattern on both faces' },
];

/** What a new one begins as: a floor mat, as it is usually found. */
const begun = (): OwnFoam => ({
  id: newId('foam'),
  name: 'Floor mat of my own',
  kind: 'foam',
  colour: '#3c4042',
  densityKgM3: 75,
  modulusMPa: 2.2,
  texture: 'one',
  sizes: [{ nominalMm: 12, widthMm: 600, heightMm: 600, price: 7 }],
});

/** Sheets that no catalogue has: named, measured and priced here, and offered wherever a foam is chosen. */
export function OwnFoams() {
  const foams = useBuild((s) => s.doc.foams ?? none);
  const update = useBuild((s) => s.update);
  const [shop, setShop] = useState<SavedFoam[]>([]);
  const load = (): void =>
    void api.ownFoams().then(setShop, () => {
      // Without the server there is nothing to offer, and the top bar says so.
    });
  useEffect(load, []);
  const change = (id: string, recipe: (foam: Draft<OwnFoam>) => void): void =>
    update((d) => {
      const foam = d.foams?.find((f) => f.id === id);
      if (foam) recipe(foam);
    });
  const keep = async (foam: OwnFoam): Promise<void> => {
    const before = shop.find((s) => s.id === foam.id);
    const made = await fromVersion(foam.name, before?.version ?? 0, (base) => api.putOwnFoam(base, foam));
    if (!made) return;
    load();
    toast(`${foam.name} is kept for every build.`, {
      action: undoing(
        foam.name,
        () => (before ? api.putOwnFoam(made.version, before) : api.removeOwnFoam(foam.id, made.version)),
        load,
      ),
    });
  };
  const others = shop.filter((s) => !foams.some((f) => f.id === s.id));
  return (
    <section aria-label="Foams of your own" className="leaf mt-3 p-3">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="head">Foams of your own</h2>
        <div className="flex flex-wrap items-end gap-2">
          {others.length > 0 && (
            <ChoiceField
              label="From the shop"
              value=""
              choices={[
                { value: '', label: 'choose…' },
                ...others.map((o) => ({ value: o.id, label: o.name })),
              ]}
              onChange={(id) => {
                const found = others.find((o) => o.id === id);
                if (!found) return;
                const { version, ...foam } = found;
                update((d) => void (d.foams ??= []).push(foam));
              }}
            />
          )}
          <button
            type="button"
            className="btn"
            disabled={foams.length >= MOST}
            onClick={() => update((d) => void (d.foams ??= []).push(begun()))}
          >
            <Plus size={14} aria-hidden /> Foam
          </button>
        </div>
      </div>
      {foams.length === 0 && (
        <p className="text-soft">
          A mat, roll or board that is not on the list: name it, weigh it, and it is offered wherever a foam
          is chosen.
        </p>
      )}
      {foams.map((foam) => (
        <OneFoam
          key={foam.id}
          foam={foam}
          change={(recipe) => change(foam.id, recipe)}
          onKeep={() => void keep(foam)}
          onRemove={() => update((d) => void (d.foams = d.foams?.filter((f) => f.id !== foam.id)))}
        />
      ))}
    </section>
  );
}

function OneFoam({
  foam,
  change,
  onKeep,
  onRemove,
}: {
  foam: OwnFoam;
  change: (recipe: (foam: Draft<OwnFoam>) => void) => void;
  onKeep: () => void;
  onRemove: () => void;
}) {
  return (
    <fieldset className="mt-2 border-t border-hair pt-2" aria-label={foam.name}>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] items-end gap-2">
        <WordsField label="Name" value={foam.name} onChange={(name) => change((f) => void (f.name = name))} />
        <ChoiceField
          label="Kind"
          value={foam.kind}
          choices={kinds}
          onChange={(kind) => change((f) => void (f.kind = kind))}
        />
        <ChoiceField
          label="Faces"
          value={foam.texture}
          choices={textures}
          onChange={(texture) => change((f) => void (f.texture = texture))}
        />
        <label>
          <span className="label block">Colour</span>
          <input
            type="color"
            value={foam.colour}
            className="h-8 w-14 border border-hair bg-leaf p-0.5"
            onChange={(e) => change((f) => void (f.colour = e.target.value.toLowerCase()))}
          />
        </label>
        <NumberField
          label="Density"
          suffix="kg/m³"
          value={foam.densityKgM3}
          range={[5, 3000]}
          help="Mass of a sheet over its volume."
          onChange={(v) => change((f) => void (f.densityKgM3 = v))}
        />
        <NumberField
          label="Modulus"
          suffix="MPa"
          value={foam.modulusMPa}
          range={[0.01, 20_000]}
          help="How stiff: EVA 1.5 to 4.5, PVC foam board about 1,000."
          onChange={(v) => change((f) => void (f.modulusMPa = v))}
        />
      </div>
      <table className="mt-1">
        <thead className="text-left text-[12px] text-soft">
          <tr>
            {['Thickness', 'Width', 'Height or roll', 'Price', ''].map((h) => (
              <th key={h} className="pr-2 font-medium">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {foam.sizes.map((size, i) => (
            <tr key={i}>
              {(
                [
                  ['nominalMm', 'Thickness', [0.5, 200]],
                  ['widthMm', 'Width', [50, 3000]],
                  ['heightMm', 'Height or roll', [50, 50_000]],
                ] as const
              ).map(([key, label, range]) => (
                <td key={key} className="w-32 pr-2">
                  <LengthField
                    bare
                    label={`Size ${i + 1}: ${label}`}
                    valueMm={size[key]}
                    range={range}
                    onChange={(mm) => change((f) => void (f.sizes[i]![key] = mm))}
                  />
                </td>
              ))}
              <td className="w-28 pr-2">
                <NumberField
                  bare
                  label={`Size ${i + 1}: Price`}
                  value={size.price}
                  range={[0, 10_000]}
                  onChange={(price) => change((f) => void (f.sizes[i]!.price = price))}
                />
              </td>
              <td>
                {foam.sizes.length > 1 && (
                  <button
                    type="button"
                    className="tiny"
                    aria-label={`Remove size ${i + 1} of ${foam.name}`}
                    onClick={() => change((f) => void f.sizes.splice(i, 1))}
                  >
                    <X size={15} aria-hidden />
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-1 flex flex-wrap gap-1">
        <button
          type="button"
          className="btn"
          disabled={foam.sizes.length >= 24}
          onClick={() => change((f) => void f.sizes.push({ ...f.sizes[f.sizes.length - 1]! }))}
        >
          Another thickness
        </button>
        <button
          type="button"
          className="btn"
          title={`${counted(foam.sizes.length, 'thickness', 'thicknesses')}`}
          onClick={onKeep}
        >
          Keep for every build
        </button>
        <button type="button" className="btn" onClick={onRemove}>
          Remove
        </button>
      </div>
    </fieldset>
  );
}

import { byId, findIn } from '@fomrik/core/units';
import type { Finish } from '@fomrik/core/document';
import { coatings } from '@fomrik/core/materials';
import { recipeOf } from '@fomrik/core/parts';
import { ChoiceField } from '../../parts/ChoiceField';
import { NumberField } from '../../parts/Field';
import { useBuild } from '../../store/build';

const seals = Object.keys(coatings) as (keyof typeof coatings)[];

const weatherings: { value: Finish['weathering']; label: string }[] = [
  { value: 'none', label: 'none' },
  { value: 'wash', label: 'dark wash' },
  { value: 'dry-brush', label: 'dry-brushed edges' },
];

/** The coats of a part, from sealer to clear; steps, amounts, money and time follow. */
export function FinishFields({ partId }: { partId: string }) {
  const part = useBuild((s) => byId(s.doc.parts, partId));
  const habits = useBuild((s) => s.doc.make.habits);
  const update = useBuild((s) => s.update);
  if (!part) return null;
  const recipe = recipeOf(part, habits);
  const set = (change: Partial<Finish>, everywhere = false): void =>
    update((d) => {
      for (const p of d.parts)
        if (everywhere || p.id === partId) {
          const { seal: _shop, ...rest } = recipe;
          p.finish = { ...rest, ...(part.finish?.seal && { seal: part.finish.seal }), ...change };
        }
    });
  return (
    <fieldset className="mt-5 grid max-w-2xl grid-cols-4 gap-3 border-t border-hair pt-2">
      <legend className="head">Finish of {part.name}</legend>
      <ChoiceField
        label="Sealer"
        value={part.finish?.seal ?? 'shop'}
        choices={[
          { value: 'shop', label: `as the shop: ${coatings[habits.seal].name}` },
          ...seals.map((s) => ({ value: s as string, label: coatings[s].name })),
        ]}
        onChange={(value) => {
          const seal = seals.find((s) => s === value);
          update((d) => {
            const own = findIn(d.parts, (p) => p.id === partId);
            const { seal: _before, sealCoats: _coats, ...rest } = recipe;
            own.finish = seal ? { ...rest, seal } : rest;
          });
        }}
        help="On foam. Board and pipe are primed, upholstery foam gets latex."
      />
      <NumberField
        label="Coats of sealer"
        value={recipe.sealCoats}
        range={[0, 12]}
        whole
        onChange={(sealCoats) => set({ sealCoats })}
      />
      {part.scheme === undefined && (
        <NumberField
          label="Colours"
          value={recipe.colours}
          range={[0, 12]}
          whole
          onChange={(colours) => set({ colours })}
          help="The base one among them."
        />
      )}
      {part.scheme === undefined && (
        <ChoiceField
          label="Weathering"
          value={recipe.weathering}
          choices={weatherings}
          onChange={(weathering) => set({ weathering })}
        />
      )}
      <NumberField
        label="Coats of clear"
        value={recipe.clearCoats}
        range={[0, 6]}
        whole
        onChange={(clearCoats) => set({ clearCoats })}
      />
      <button type="button" className="btn col-span-2 justify-self-start" onClick={() => set({}, true)}>
        Apply to every part
      </button>
    </fieldset>
  );
}

import type { BracerPart, LampRow, Lights, Part } from '@fomrik/core/build/document';
import { catalogue } from '@fomrik/core/materials/catalogue';
import { leds, type LampColour } from '@fomrik/core/materials/lamps';
import type { Draft } from 'immer';
import { Plus, Trash2 } from 'lucide-react';
import { ChoiceField, LengthField, NumberField } from '../../parts/Field';

interface LightFieldsProps {
  part: BracerPart;
  lights: Lights;
  change: (recipe: (part: Draft<Part>) => void) => void;
}

const colours = (Object.keys(leds) as LampColour[]).map((c) => ({ value: c, label: c }));

export function LightFields({ part, lights, change }: LightFieldsProps) {
  const set = (recipe: (l: Draft<Lights>) => void): void =>
    change((p) => {
      if (p.lights) recipe(p.lights);
    });
  const setRow = (i: number, row: Partial<LampRow>): void => set((l) => void Object.assign(l.rows[i]!, row));
  const addRow = (): void =>
    set((l) => {
      let n = l.rows.length + 1;
      while (l.rows.some((r) => r.id === `row-${n}`)) n += 1;
      l.rows.push({
        id: `row-${n}`,
        colour: 'amber',
        body: '5mm',
        count: 3,
        pitchMm: 25,
        aroundDeg: 30,
        alongMm: part.params.startMm + 50,
      });
    });
  return (
    <div className="space-y-2">
      {lights.rows.map((row, i) => (
        <fieldset key={row.id} className="grid grid-cols-3 gap-x-2 border-b border-hair pb-1">
          <legend className="head flex items-center gap-1">
            Lamp row {i + 1}
            <button
              type="button"
              className="btn btn-icon"
              aria-label={`Remove lamp row ${i + 1}`}
              onClick={() => set((l) => void l.rows.splice(i, 1))}
            >
              <Trash2 size={14} aria-hidden />
            </button>
          </legend>
          <NumberField
            label="Lamps"
            whole
            value={row.count}
            range={[1, 60]}
            onChange={(count) => setRow(i, { count })}
          />
          <ChoiceField
            label="Colour"
            value={row.colour}
            choices={colours}
            onChange={(colour) => setRow(i, { colour })}
          />
          <ChoiceField
            label="Body"
            value={row.body}
            choices={(['3mm', '5mm'] as const).map((b) => ({ value: b, label: b.replace('mm', ' mm') }))}
            onChange={(body) => setRow(i, { body })}
          />
          <LengthField
            label="Apart"
            valueMm={row.pitchMm}
            range={[6, 500]}
            onChange={(pitchMm) => setRow(i, { pitchMm })}
          />
          <LengthField
            label="First lamp along"
            valueMm={row.alongMm}
            range={[-200, 2000]}
            onChange={(alongMm) => setRow(i, { alongMm })}
            help="From the wrist fold."
          />
          <NumberField
            label="Round"
            value={row.aroundDeg}
            range={[-360, 720]}
            suffix="°"
            onChange={(aroundDeg) => setRow(i, { aroundDeg })}
            help="0° back of the arm, 180° inside."
          />
        </fieldset>
      ))}
      <div className="flex gap-2">
        <button type="button" className="btn" onClick={addRow}>
          <Plus size={14} aria-hidden /> Lamp row
        </button>
        <button type="button" className="btn" onClick={() => change((p) => void (p.lights = null))}>
          Take the light out
        </button>
      </div>
      <div className="grid grid-cols-4 gap-x-2">
        <div className="col-span-2">
          <ChoiceField
            label="Pack"
            value={lights.packId}
            choices={catalogue.packs.map((p) => ({ value: p.id, label: p.name }))}
            onChange={(id) => set((l) => void (l.packId = id))}
          />
        </div>
        <div className="col-span-2">
          <ChoiceField
            label="Switch"
            value={lights.switchId}
            choices={catalogue.switches.map((s) => ({ value: s.id, label: `${s.name} (${s.kind})` }))}
            onChange={(id) => set((l) => void (l.switchId = id))}
          />
        </div>
        <NumberField
          label="Current a lamp"
          value={lights.currentMa}
          range={[0.5, 60]}
          suffix="mA"
          onChange={(ma) => set((l) => void (l.currentMa = ma))}
        />
        <LengthField
          label="Pack along"
          valueMm={lights.packAt.alongMm}
          range={[-200, 2000]}
          onChange={(mm) => set((l) => void (l.packAt.alongMm = mm))}
        />
        <NumberField
          label="Pack round"
          value={lights.packAt.aroundDeg}
          range={[-360, 720]}
          suffix="°"
          onChange={(deg) => set((l) => void (l.packAt.aroundDeg = deg))}
        />
        <ChoiceField
          label="Pocket in the foam"
          value={lights.pocket ? 'yes' : 'no'}
          choices={[
            { value: 'yes', label: 'cut, 2 mm skin left' },
            { value: 'no', label: 'none' },
          ]}
          onChange={(v) => set((l) => void (l.pocket = v === 'yes'))}
        />
        <LengthField
          label="Switch along"
          valueMm={lights.switchAt.alongMm}
          range={[-200, 2000]}
          onChange={(mm) => set((l) => void (l.switchAt.alongMm = mm))}
        />
        <NumberField
          label="Switch round"
          value={lights.switchAt.aroundDeg}
          range={[-360, 720]}
          suffix="°"
          onChange={(deg) => set((l) => void (l.switchAt.aroundDeg = deg))}
        />
      </div>
    </div>
  );
}

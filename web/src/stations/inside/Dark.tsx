import type { Circuit, Feature, Part } from '@fomrik/core/document';
import { firstLights, type PartReport, standardKinds } from '@fomrik/core/parts';
import { findIn } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useState } from 'react';
import { toast } from 'sonner';
import { hasPlace } from '../../inspector/featureActions';
import { NumberField } from '../../parts/Field';
import { PictureChoice } from '../../parts/PictureChoice';
import { PictureOf } from '../../parts/PictureOf';
import { useBuild } from '../../store/build';
import { askLights } from '../../store/report';

const HOURS: readonly [number, number] = [0.5, 200];

/** A part with nothing in it yet: what should shine, and for how long; a set that fits is found for that. */
export function Dark({ part, made }: { part: Part; made: PartReport }) {
  const update = useBuild((s) => s.update);
  const wanted = useBuild((s) => s.doc.brief.lightHours);
  const kinds = firstLights(standardKinds).filter((k) => hasPlace(k, made));
  const onPieces = made.panels.length > 0;
  const [light, setLight] = useState(() => kinds[0]?.kind ?? '');
  const [hours, setHours] = useState(Math.max(HOURS[0], wanted));
  const [busy, setBusy] = useState(false);
  const begin = async (): Promise<void> => {
    setBusy(true);
    const found = await askLights(part.id, { hours, ...(light && { light }) });
    setBusy(false);
    if (!found.ok) {
      toast.error(`Not lit: ${found.message}`);
      return;
    }
    const lights = found.value;
    update((d) => {
      const target = findIn(d.parts, (p) => p.id === part.id);
      target.features.push(...(lights.features as Draft<Feature>[]));
      for (const { partId, features } of lights.elsewhere)
        findIn(d.parts, (p) => p.id === partId).features.push(...(features as Draft<Feature>[]));
      target.params = lights.params as Draft<Part>['params'];
      d.circuits.push(lights.circuit as Draft<Circuit>);
      d.brief.lightHours = hours;
    });
    if (lights.changed.length > 0)
      toast(`${part.name} was changed to make room: ${lights.changed.join(', ')}.`);
  };
  return (
    <section aria-label="First light" className="m-6 max-w-2xl">
      <h2 className="text-xl">{part.name} is dark</h2>
      <p className="my-2 text-soft">
        {made.templates.length > 0 && made.pieces.length === 0
          ? 'Holes are planned before anything is drilled. The light goes in its largest wall, the pack in its room.'
          : onPieces
            ? 'Light, switch and pack are planned now, before foam is cut: the light on its largest piece or in its hollow, the pack in its handle or where there is most room.'
            : 'Light, switch and pack begin in the room it has; each can be moved or changed.'}
      </p>
      {kinds.length > 1 && (
        <PictureChoice
          label="What should shine"
          value={light}
          onChange={setLight}
          choices={kinds.map((k) => ({
            value: k.kind,
            label: k.label,
            summary: k.summary,
            picture: <PictureOf picture={k.picture} className="h-10 w-[60px]" />,
          }))}
        />
      )}
      <div className="rows my-3 w-72">
        <NumberField
          label="Hours of light a day"
          value={hours}
          range={HOURS}
          suffix="h"
          decimals={1}
          onChange={setHours}
          help="The pack is chosen for it."
        />
      </div>
      <button type="button" className="btn btn-main" disabled={busy} onClick={() => void begin()}>
        {busy ? 'Finding room…' : 'Light it'}
      </button>
    </section>
  );
}

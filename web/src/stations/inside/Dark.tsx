import type { Circuit, Feature, Part } from '@fomrik/core/document';
import type { PartReport } from '@fomrik/core/parts';
import { findIn } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useState } from 'react';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { askLights } from '../../store/report';

/** A part with nothing in it yet. */
export function Dark({ part, made }: { part: Part; made: PartReport }) {
  const update = useBuild((s) => s.update);
  const [busy, setBusy] = useState(false);
  const light = async (): Promise<void> => {
    setBusy(true);
    const found = await askLights(part.id);
    setBusy(false);
    if (!found.ok) {
      toast.error(`Not lit: ${found.message}`);
      return;
    }
    const lights = found.value;
    update((d) => {
      const target = findIn(d.parts, (p) => p.id === part.id);
      target.features.push(...(lights.features as Draft<Feature>[]));
      target.params = lights.params as Draft<Part>['params'];
      d.circuits.push(lights.circuit as Draft<Circuit>);
    });
    if (lights.changed.length > 0)
      toast(`${part.name} was changed to make room: ${lights.changed.join(', ')}.`);
  };
  return (
    <div className="m-8 max-w-md">
      <h2 className="text-xl">{part.name} is dark</h2>
      <p className="my-2 text-soft">
        {made.templates.length > 0 && made.pieces.length === 0
          ? 'Holes are planned before anything is drilled. It begins with three amber lamps and a switch in its largest wall, the pack in its room.'
          : made.pieces.length > 0
            ? 'Lamps, switch and pack are planned now, before foam is cut. They begin as three amber lamps on its largest piece, the pack where there is most room.'
            : 'Light, switch and pack begin in the room it has; each can be moved or changed.'}
      </p>
      <button type="button" className="btn btn-main" disabled={busy} onClick={() => void light()}>
        {busy ? 'Finding room…' : 'Light it'}
      </button>
    </div>
  );
}

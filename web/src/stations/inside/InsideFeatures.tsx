import { findIn, getFrom } from '@fomrik/core/units';
import type { Feature, Part } from '@fomrik/core/document';
import { type PartReport, standardKinds } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { Plus, Trash2 } from 'lucide-react';
import { FeatureLine } from '../../parts/FeatureLine';
import { featureName } from '../../parts/featureName';
import { useBuild } from '../../store/build';
import { useView } from '../../store/view';
import { putIn } from './putIn';

interface InsideFeaturesProps {
  part: Part;
  made: PartReport;
  change: (recipe: (part: Draft<Part>) => void) => void;
}

const kinds = [...standardKinds.features.values()].filter((k) => k.station === 'inside');

/** Everything put in the part, each with its place and numbers; new ones begin in the middle of the first piece. */
export function InsideFeatures({ part, made, change }: InsideFeaturesProps) {
  const update = useBuild((s) => s.update);
  const features = part.features.filter((f) => kinds.some((k) => k.kind === f.kind));
  const first = made.panels[0];
  const room = made.rooms.find((r) => r.panel === undefined);
  // What lies in a room wants one; a part that is all stick has rooms and no pieces.
  const fits = (kind: (typeof kinds)[number]): boolean =>
    (first !== undefined && kind.places.some((p) => p !== 'room')) ||
    (room !== undefined && kind.places.includes('room'));
  const set = (feature: Feature): void =>
    change((p) => {
      p.features = p.features.map((f) => (f.id === feature.id ? (feature as Draft<Feature>) : f));
    });
  const remove = (ids: readonly string[]): void =>
    update((d) => {
      const target = findIn(d.parts, (p) => p.id === part.id);
      target.features = target.features.filter((f) => !ids.includes(f.id));
      d.circuits = d.circuits.filter((c) => !ids.includes(c.source));
      for (const c of d.circuits) {
        c.loads = c.loads.filter((l) => !ids.includes(l.feature));
        if (c.switch && ids.includes(c.switch)) c.switch = null;
      }
    });
  return (
    <section aria-label="What is inside">
      <div role="group" aria-label="Put in" className="flex flex-wrap items-center gap-1.5">
        {kinds.map((kind) => (
          <button
            key={kind.kind}
            type="button"
            className="btn"
            title={kind.summary}
            disabled={!fits(kind)}
            onPointerDown={() => {
              useView.setState({ inHand: kind.kind });
              // Let go anywhere else, it stays in the tray; the solid hears of it first.
              window.addEventListener(
                'pointerup',
                () => setTimeout(() => useView.setState({ inHand: undefined })),
                {
                  once: true,
                },
              );
            }}
            onClick={() => void putIn(part, made, kind)}
          >
            <Plus size={14} aria-hidden /> {kind.verb}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-icon ml-auto"
          title="Remove everything, with its circuit"
          aria-label="Remove all"
          onClick={() => remove(features.map((f) => f.id))}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
      <ul>
        {features.map((feature) => (
          <FeatureLine
            key={feature.id}
            kind={getFrom(standardKinds.features, feature.kind)}
            feature={feature}
            name={featureName(feature, features)}
            made={made}
            columns="grid-cols-[52px_repeat(4,minmax(0,1fr))_32px] [&>*:first-child]:row-span-4 [&>button]:row-span-2 [&>button]:row-start-1 [&>button]:col-start-6"
            onChange={set}
            onRemove={() => remove([feature.id])}
          />
        ))}
      </ul>
    </section>
  );
}

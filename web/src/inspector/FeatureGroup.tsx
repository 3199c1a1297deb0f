import type { Feature, Part } from '@fomrik/core/document';
import { featureName, standardKinds } from '@fomrik/core/parts';
import { getFrom } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { ChevronDown, ChevronRight, Trash2, X } from 'lucide-react';
import { type ComponentProps, memo, type ReactNode, useEffect, useRef } from 'react';
import { FeatureFields } from '../parts/FeatureFields';
import { PictureOf } from '../parts/PictureOf';
import { useMade } from '../parts/useMade';
import { selectFeature, selectFeatureToo, useSelected } from '../store/selection';
import type { Changer } from '../store/version';
import { useView } from '../store/view';
import { removeFeatures } from './featureActions';
import { byGroup, groupWords } from './fieldWords';
import { Group } from './Group';
import { onlyWhen } from './onlyWhen';
import { SeveralFeatures } from './SeveralFeatures';
import { Tray } from './Tray';

/** What details are about. */
const detailed = ['id', 'stack', 'features'] as const satisfies readonly (keyof Part)[];
type Detailed = Pick<Part, (typeof detailed)[number]>;

interface FeatureGroupProps {
  title: string;
  station: 'shape' | 'inside';
  part: Detailed;
  change: Changer;
  open: boolean;
  /** Beneath the tray: other ways to add. */
  more?: ReactNode;
  /** When there is none yet. */
  empty: string;
}

/** The details of a part that are planned at a station: chosen from the tray, each a line that opens into its fields. */
export const FeatureGroup = memo(
  function FeatureGroup({ title, station, part, change, open, more, empty }: FeatureGroupProps) {
    const features = part.features.filter((f) => standardKinds.features.get(f.kind)?.station === station);
    const selected = useSelected((s) => s.featureIds);
    const forced = features.some((f) => selected.includes(f.id));
    const own = selected.filter((id) => features.some((f) => f.id === id));
    return (
      <Group
        title={title}
        open={open}
        forced={forced}
        {...(station === 'inside' &&
          features.length > 0 && {
            tools: (
              <button
                type="button"
                className="tiny"
                aria-label="Remove all"
                title="Remove everything put in, with its circuits"
                onClick={() =>
                  removeFeatures(
                    part.id,
                    features.map((f) => f.id),
                  )
                }
              >
                <Trash2 size={15} aria-hidden />
              </button>
            ),
          })}
        holds={features.length === 0 ? 'none' : features.map((f) => featureName(f, features)).join(', ')}
      >
        <Tray partId={part.id} station={station} />
        {more}
        {features.length === 0 && <p className="text-[13px] text-soft">{empty}</p>}
        <ul>
          {features.map((feature) => (
            <FeatureLine
              key={feature.id}
              feature={feature}
              part={part}
              name={featureName(feature, features)}
              open={own.length === 1 && own[0] === feature.id}
              chosen={own.includes(feature.id)}
              change={change}
            />
          ))}
        </ul>
        {own.length > 1 && <SeveralFeatures part={part} ids={own} change={change} />}
      </Group>
    );
  },
  onlyWhen(...detailed),
);

function FeatureLine({
  feature,
  part,
  name,
  open,
  chosen,
  change,
}: {
  feature: Feature;
  part: Detailed;
  name: string;
  open: boolean;
  chosen: boolean;
  change: Changer;
}) {
  const unit = useView((v) => v.unit);
  const kind = getFrom(standardKinds.features, feature.kind);
  const line = useRef<HTMLLIElement>(null);
  // Chosen on the picture: its values come into view. Chosen here, nothing moves under the pointer.
  useEffect(() => {
    if (open && !line.current?.contains(document.activeElement))
      line.current?.scrollIntoView({ block: 'start' });
  }, [open]);
  const Icon = open ? ChevronDown : ChevronRight;
  const first = byGroup(kind.fields.filter((f) => !f.when || f.when(feature.params)))[0]?.[1] ?? [];
  return (
    <li ref={line} data-feature={feature.id} data-kind={feature.kind} className="border-t border-hair">
      <div className={`flex items-center ${chosen ? 'bg-wash' : ''}`}>
        <button
          type="button"
          aria-expanded={open}
          aria-pressed={chosen}
          title="Press to open; with Ctrl or Shift, several are selected"
          className="flex min-h-8 min-w-0 flex-1 items-center gap-1.5 text-left"
          onClick={(e) => {
            if (e.ctrlKey || e.metaKey || e.shiftKey) selectFeatureToo(feature.id);
            else if (open) useSelected.setState({ featureIds: [] });
            else selectFeature(part.id, feature.id);
          }}
        >
          <Icon size={13} aria-hidden className="shrink-0" />
          <PictureOf picture={kind.picture} className="h-5 w-[30px] shrink-0" />
          <span className="shrink-0 font-medium">{name}</span>
          {!open && (
            <span className="ml-auto min-w-0 truncate pl-1 text-[12px] text-soft">
              {groupWords(first, feature.params, unit)}
            </span>
          )}
        </button>
        <button
          type="button"
          className="tiny"
          aria-label={`Remove ${name.toLowerCase()}`}
          title={`Remove ${name.toLowerCase()} (Delete)`}
          onClick={() => removeFeatures(part.id, [feature.id])}
        >
          <X size={15} aria-hidden />
        </button>
      </div>
      {open && (
        <Fields
          name={name}
          kind={kind}
          feature={feature}
          part={part}
          onChange={(next) =>
            change((p) => {
              p.features = p.features.map((f) => (f.id === next.id ? (next as Draft<Feature>) : f));
            })
          }
        />
      )}
    </li>
  );
}

/** The values of a detail, once its part is worked out. */
function Fields(props: Omit<ComponentProps<typeof FeatureFields>, 'made'>) {
  const made = useMade(props.part.id);
  return made && <FeatureFields {...props} made={made} />;
}

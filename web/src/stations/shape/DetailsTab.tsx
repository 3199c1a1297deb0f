import { byId, firstOf, getFrom } from '@fomrik/core/units';
import { featureIdsOf, type Feature, type Part } from '@fomrik/core/document';
import { drawnPieces, type PartReport, standardKinds, freeName } from '@fomrik/core/parts';
import type { FeatureKind } from '@fomrik/core/features';
import type { Draft } from 'immer';
import { toast } from 'sonner';
import { FeatureLine } from '../../parts/FeatureLine';
import { featureName } from '../../parts/featureName';
import { useBuild } from '../../store/build';
import { askStart } from '../../store/report';
import { useView } from '../../store/view';
import { DartList } from './DartList';

interface DetailsTabProps {
  part: Part;
  made: PartReport;
  change: (recipe: (part: Draft<Part>) => void) => void;
}

const kinds = [...standardKinds.features.values()].filter((k) => k.station === 'shape');

/** What is drawn by pressing on the solid: every way of every kind that lies along a path. */
const drawn = kinds
  .filter((k) => k.places.includes('path'))
  .flatMap((k) =>
    k.fields.flatMap((f) =>
      f.type === 'choice'
        ? f.choices.map((c) => ({ kind: k.kind, label: c.label, params: { [f.key]: c.value } }))
        : [],
    ),
  );

/** Everything laid on and cut in, each with its place and numbers; darts by hand. */
export function DetailsTab({ part, made, change }: DetailsTabProps) {
  const drawing = useView((v) => v.drawing);
  const last = useView((v) => v.lastEdge);
  const shell = drawnPieces(made).filter((p) => p.role === 'shell');
  const edge = byId(shell, last?.pieceId)?.edges.find((e) => e.id === last?.edgeId);
  const first = made.panels[0];
  if (!first)
    return (
      <p className="text-soft">
        Nothing of this part is cut from sheet, so no detail can be added. Mount parts on it instead.
      </p>
    );
  const pointed = {
    ...(last && edge
      ? (edge.of ?? { panel: last.pieceId, edge: last.edgeId })
      : { panel: first.id, edge: firstOf(first.edges).id }),
    at: { x: 0.5, y: 0.5 },
  };
  const features = part.features.filter((f) => kinds.some((k) => k.kind === f.kind));
  const add = (kind: string, place: Feature['place'], params: Feature['params']): void => {
    const taken = featureIdsOf(useBuild.getState().doc);
    const feature = { id: freeName(taken, `${part.id}.${kind}`), kind, place, params };
    change((p) => void p.features.push(feature as Draft<Feature>));
  };
  /** As its kind begins, or as it fits here; why not, when it does not. */
  const begin = async (kind: FeatureKind): Promise<void> => {
    const id = freeName(featureIdsOf(useBuild.getState().doc), `${part.id}.${kind.kind}`);
    const started = await askStart({ partId: part.id, kind: kind.kind, id, pointed });
    if (started.ok) add(kind.kind, started.value.place, started.value.params);
    else toast.error(`${kind.verb} was not added: ${started.message}`);
  };
  const set = (feature: Feature): void =>
    change((p) => {
      p.features = p.features.map((f) => (f.id === feature.id ? (feature as Draft<Feature>) : f));
    });
  const remove = (id: string): void =>
    change((p) => void (p.features = p.features.filter((f) => f.id !== id)));
  const finish = (): void => {
    if (drawing?.pieceId && drawing.points.length >= 2)
      add(
        drawing.kind,
        { on: 'path', panel: drawing.pieceId, points: drawing.points.map(({ x, y }) => [x, y]) },
        drawing.params,
      );
    useView.setState({ drawing: undefined });
  };
  return (
    <div>
      <div role="group" aria-label="Add a detail" className="flex flex-wrap items-center gap-1.5">
        {kinds.map((kind) => (
          <button
            key={kind.kind}
            type="button"
            className="btn"
            title={kind.summary}
            onClick={() => void begin(kind)}
          >
            {kind.verb}
          </button>
        ))}
        {drawing ? (
          <>
            <button
              type="button"
              className="btn btn-main"
              disabled={drawing.points.length < 2}
              onClick={finish}
            >
              Keep the line ({drawing.points.length} points)
            </button>
            <button type="button" className="btn" onClick={() => useView.setState({ drawing: undefined })}>
              Cancel
            </button>
          </>
        ) : (
          drawn.map(({ kind, label, params }) => (
            <button
              key={label}
              type="button"
              className="btn"
              onClick={() => useView.setState({ drawing: { kind, params, points: [] }, figureOpen: false })}
            >
              Draw a {label}
            </button>
          ))
        )}
        <span className="text-[12px] text-soft">New ones go on the edge pointed at last.</span>
      </div>
      {features.length === 0 && (
        <p className="mt-1 text-soft">
          Plain foam so far. Trim hides cut edges, a layer stiffens and raises, a strip inside keeps a slack
          edge.
        </p>
      )}
      <ul>
        {features.map((feature) => (
          <FeatureLine
            key={feature.id}
            kind={getFrom(standardKinds.features, feature.kind)}
            feature={feature}
            name={featureName(feature, features)}
            made={made}
            columns="grid-cols-[70px_repeat(6,minmax(0,1fr))_32px] [&>button]:row-start-1 [&>button]:col-start-8"
            onChange={set}
            onRemove={() => remove(feature.id)}
          />
        ))}
      </ul>
      <DartList part={part} made={made} change={change} />
    </div>
  );
}

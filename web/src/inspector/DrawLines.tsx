import { featureIdsOf, type Feature } from '@fomrik/core/document';
import { freeName, standardKinds } from '@fomrik/core/parts';
import { counted } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useBuild } from '../store/build';
import { selectFeature } from '../store/selection';
import type { Changer } from '../store/version';
import { useView } from '../store/view';

/** What is drawn by pressing on the solid: every kind that lies along a path, a line in each of its looks. */
const drawn = [...standardKinds.features.values()]
  .filter((k) => k.station === 'shape' && k.places.includes('path'))
  .flatMap(({ kind, label, fields, asDrawn, start }) => {
    const { params } = start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });
    const look = fields.find((f) => f.type === 'choice' && asDrawn !== undefined && f.key in asDrawn);
    return look?.type === 'choice'
      ? look.choices.map((c) => ({ kind, label: c.label, params: { ...params, [look.key]: c.value } }))
      : [{ kind, label: label.toLowerCase(), params }];
  });

/** Lines drawn point by point on the solid, then kept as a detail. */
export function DrawLines({ partId, change }: { partId: string; change: Changer }) {
  const drawing = useView((v) => v.drawing);
  const finish = (): void => {
    if (drawing?.pieceId && drawing.points.length >= 2) {
      const id = freeName(featureIdsOf(useBuild.getState().doc), `${partId}.${drawing.kind}`);
      const place: Feature['place'] = {
        on: 'path',
        panel: drawing.pieceId,
        points: drawing.points.map(({ x, y }) => [x, y]),
      };
      const feature = { id, kind: drawing.kind, place, params: drawing.params };
      change((p) => void p.features.push(feature as Draft<Feature>));
      selectFeature(partId, id);
    }
    useView.setState({ drawing: undefined });
  };
  if (drawing)
    return (
      <div className="flex flex-wrap gap-1 pb-1">
        <button type="button" className="btn btn-main" disabled={drawing.points.length < 2} onClick={finish}>
          Keep the line ({counted(drawing.points.length, 'point')})
        </button>
        <button type="button" className="btn" onClick={() => useView.setState({ drawing: undefined })}>
          Cancel
        </button>
      </div>
    );
  return (
    <div role="group" aria-label="Draw on the solid" className="flex flex-wrap items-center gap-1 pb-1">
      {drawn.map(({ kind, label, params }) => (
        <button
          key={label}
          type="button"
          className="btn min-h-7 px-2 text-[13px]"
          onClick={() => useView.setState({ drawing: { kind, params, points: [] }, figureOpen: false })}
        >
          Draw {/^[aeiou]/.test(label) ? 'an' : 'a'} {label}
        </button>
      ))}
    </div>
  );
}

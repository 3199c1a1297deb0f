import type { Part } from '@fomrik/core/build/document';
import type { PartReport } from '@fomrik/core/build/report';
import type { Detail } from '@fomrik/core/forms/details/detail';
import type { Piece, PieceEdge } from '@fomrik/core/forms/piece';
import { catalogue } from '@fomrik/core/materials/catalogue';
import type { Draft } from 'immer';
import { X } from 'lucide-react';
import { ChoiceField, LengthField } from '../../parts/Field';
import { useView } from '../../store/view';
import { DartList } from './DartList';
import { LinePoint } from './LinePoint';

interface DetailsTabProps {
  part: Part;
  made: PartReport;
  change: (recipe: (part: Draft<Part>) => void) => void;
}

const title: Record<Detail['kind'], string> = {
  trim: 'Trim',
  layer: 'Layer',
  rivets: 'Rivets',
  line: 'Line',
};

const freeId = (details: readonly Detail[], kind: string): string => {
  let n = 1;
  while (details.some((d) => d.id === `${kind}-${n}`)) n += 1;
  return `${kind}-${n}`;
};

/** An edge by its name; two of the same name are told apart by their side. */
const edgeWords = (piece: Piece, edge: PieceEdge): string =>
  piece.edges.filter((e) => e.name === edge.name).length > 1 ? `${edge.name}, ${edge.id}` : edge.name;

/** Trim, layers, rivets and drawn lines, each with its numbers; darts by hand. */
export function DetailsTab({ part, made, change }: DetailsTabProps) {
  const details = part.details ?? [];
  const drawing = useView((v) => v.drawing);
  const last = useView((v) => v.lastEdge);
  const shell = made.pieces.filter((p) => p.role === 'shell');
  const thicknesses =
    catalogue.foams.find((f) => f.id === part.foam.foamId)?.sheets.map((s) => s.nominalMm) ?? [];
  const thin = thicknesses[0] ?? 2;
  const edge = last && shell.some((p) => p.id === last.pieceId) ? last : undefined;
  const on = { pieceId: edge?.pieceId ?? shell[0]!.id, edgeId: edge?.edgeId ?? shell[0]!.edges[0]!.id };
  const add = (detail: Detail): void => change((p) => void (p.details = [...(p.details ?? []), detail]));
  const set = (id: string, value: Record<string, unknown>): void =>
    change((p) => {
      const found = p.details?.find((d) => d.id === id);
      if (found) Object.assign(found, value);
    });
  const remove = (id: string): void =>
    change((p) => void (p.details = (p.details ?? []).filter((d) => d.id !== id)));
  const finish = (): void => {
    if (drawing?.pieceId && drawing.points.length >= 2)
      add({
        id: freeId(details, 'line'),
        kind: 'line',
        pieceId: drawing.pieceId,
        look: drawing.look,
        points: drawing.points,
      });
    useView.setState({ drawing: undefined });
  };
  return (
    <div>
      <div role="group" aria-label="Add a detail" className="flex flex-wrap items-center gap-1.5">
        <button
          type="button"
          className="btn"
          onClick={() =>
            add({
              ...on,
              id: freeId(details, 'trim'),
              kind: 'trim',
              face: 'outer',
              widthMm: 18,
              nominalMm: thin,
              look: 'rounded',
            })
          }
        >
          Trim an edge
        </button>
        <button
          type="button"
          className="btn"
          onClick={() =>
            add({
              ...on,
              id: freeId(details, 'trim'),
              kind: 'trim',
              face: 'inner',
              widthMm: 30,
              nominalMm: 6,
              look: 'square',
            })
          }
        >
          Stiffening strip
        </button>
        <button
          type="button"
          className="btn"
          onClick={() =>
            add({
              id: freeId(details, 'layer'),
              kind: 'layer',
              pieceId: on.pieceId,
              insetMm: 15,
              nominalMm: thin,
            })
          }
        >
          Raised layer
        </button>
        <button
          type="button"
          className="btn"
          onClick={() =>
            add({
              ...on,
              id: freeId(details, 'rivets'),
              kind: 'rivets',
              insetMm: 12,
              spacingMm: 45,
              diameterMm: 9,
            })
          }
        >
          Rivets
        </button>
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
            {drawing.points.length === 0 && (
              <button
                type="button"
                className="btn"
                onClick={() =>
                  useView.setState({
                    drawing: {
                      ...drawing,
                      pieceId: on.pieceId,
                      points: [
                        { x: 0.15, y: 0.5 },
                        { x: 0.85, y: 0.5 },
                      ],
                    },
                  })
                }
              >
                Straight across
              </button>
            )}
            <button type="button" className="btn" onClick={() => useView.setState({ drawing: undefined })}>
              Leave it
            </button>
          </>
        ) : (
          (['score', 'groove'] as const).map((look) => (
            <button
              key={look}
              type="button"
              className="btn"
              onClick={() => useView.setState({ drawing: { look, points: [] }, figureOpen: false })}
            >
              Draw a {look}
            </button>
          ))
        )}
        <span className="text-[12px] text-soft">New ones go on the edge pointed at last.</span>
      </div>
      {details.length === 0 && (
        <p className="mt-1 text-soft">
          Plain foam so far. Trim hides cut edges, a layer stiffens and raises, a strip inside keeps a slack
          edge.
        </p>
      )}
      <ul>
        {details.map((d) => {
          const piece = shell.find((p) => p.id === d.pieceId);
          return (
            <li
              key={d.id}
              data-detail={d.id}
              className="grid grid-cols-[70px_repeat(6,1fr)_32px] items-end gap-x-2 border-t border-hair py-0.5"
            >
              <strong className="self-center">
                {d.kind === 'trim' && d.face === 'inner' ? 'Strip' : title[d.kind]}
              </strong>
              <ChoiceField
                label="Piece"
                value={d.pieceId}
                choices={[
                  ...(piece ? [] : [{ value: d.pieceId, label: `${d.pieceId} (gone)` }]),
                  ...shell.map((p) => ({ value: p.id, label: p.name })),
                ]}
                onChange={(pieceId) => set(d.id, { pieceId })}
              />
              {'edgeId' in d && (
                <ChoiceField
                  label="Edge"
                  value={d.edgeId}
                  choices={(piece?.edges ?? []).map((e) => ({ value: e.id, label: edgeWords(piece!, e) }))}
                  onChange={(edgeId) => set(d.id, { edgeId })}
                />
              )}
              {d.kind === 'trim' && (
                <>
                  <LengthField
                    label="Width"
                    valueMm={d.widthMm}
                    range={[4, 120]}
                    onChange={(widthMm) => set(d.id, { widthMm })}
                  />
                  <ChoiceField
                    label="Edge form"
                    value={d.look}
                    choices={[
                      { value: 'square', label: 'square' },
                      { value: 'rounded', label: 'rounded' },
                    ]}
                    onChange={(look) => set(d.id, { look })}
                  />
                </>
              )}
              {d.kind === 'layer' && (
                <LengthField
                  label="Set in"
                  valueMm={d.insetMm}
                  range={[2, 150]}
                  onChange={(insetMm) => set(d.id, { insetMm })}
                />
              )}
              {(d.kind === 'trim' || d.kind === 'layer') && (
                <ChoiceField
                  label="Foam"
                  value={d.nominalMm}
                  choices={[...new Set([...thicknesses, d.nominalMm])].map((mm) => ({
                    value: mm,
                    label: `${mm} mm`,
                  }))}
                  onChange={(nominalMm) => set(d.id, { nominalMm })}
                />
              )}
              {d.kind === 'rivets' && (
                <>
                  <LengthField
                    label="In from the edge"
                    valueMm={d.insetMm}
                    range={[3, 100]}
                    onChange={(insetMm) => set(d.id, { insetMm })}
                  />
                  <LengthField
                    label="Apart"
                    valueMm={d.spacingMm}
                    range={[8, 400]}
                    onChange={(spacingMm) => set(d.id, { spacingMm })}
                  />
                  <LengthField
                    label="Across"
                    valueMm={d.diameterMm}
                    range={[3, 40]}
                    onChange={(diameterMm) => set(d.id, { diameterMm })}
                  />
                </>
              )}
              {d.kind === 'line' && (
                <>
                  <ChoiceField
                    label="Cut as"
                    value={d.look}
                    choices={[
                      { value: 'score', label: 'score' },
                      { value: 'groove', label: 'groove' },
                    ]}
                    onChange={(look) => set(d.id, { look })}
                  />
                  {([0, d.points.length - 1] as const).map((at) => (
                    <LinePoint
                      key={at}
                      label={at === 0 ? 'From' : 'To'}
                      point={d.points[at]!}
                      onChange={(point) =>
                        set(d.id, { points: d.points.map((p, i) => (i === at ? point : p)) })
                      }
                    />
                  ))}
                </>
              )}
              <button
                type="button"
                className="btn btn-icon col-start-8 self-center"
                aria-label={`Take away ${title[d.kind].toLowerCase()} ${d.id}`}
                onClick={() => remove(d.id)}
              >
                <X size={16} aria-hidden />
              </button>
            </li>
          );
        })}
      </ul>
      {part.form !== 'bracer' && <DartList part={part} made={made} change={change} />}
    </div>
  );
}

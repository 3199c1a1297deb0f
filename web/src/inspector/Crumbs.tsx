import type { Part } from '@fomrik/core/document';
import { featureName, type PartReport } from '@fomrik/core/parts';
import { drawnPieces, standardKinds } from '@fomrik/core/parts';
import { byId, counted } from '@fomrik/core/units';
import { useShallow } from 'zustand/react/shallow';
import { useBuild } from '../store/build';
import { useSelected } from '../store/selection';

/** What a line of one of the part's lists is called. */
function lineOf(part: Part | undefined, key: string): string {
  const field = part && standardKinds.forms.get(part.form)?.fields.find((f) => f.key === key);
  return field?.type === 'rows' ? field.line : 'line';
}

/** What is selected, from the build down; each step up is pressed to select it. */
export function Crumbs({ part, made }: { part: Part | undefined; made: PartReport | undefined }) {
  const build = useBuild((s) => s.doc.name);
  const { featureIds, edge, row, alsoPartIds } = useSelected(
    useShallow((s) => ({
      featureIds: s.featureIds,
      edge: s.edge,
      row: s.row,
      alsoPartIds: s.alsoPartIds,
    })),
  );
  const piece = edge && made ? byId(drawnPieces(made), edge.pieceId) : undefined;
  const ofPiece = piece?.edges.find((e) => e.id === edge?.edgeId);
  const [only, more] = featureIds;
  const feature = only && !more ? byId(part?.features ?? [], only) : undefined;
  const last = feature
    ? featureName(feature, part!.features)
    : more
      ? counted(featureIds.length, 'detail')
      : row
        ? `${lineOf(part, row.field)} ${row.index + 1}`
        : piece && ofPiece
          ? `${piece.name}, ${ofPiece.name}`
          : '';
  const up = (): void =>
    useSelected.setState({ featureIds: [], row: undefined, edge: undefined, alsoPartIds: [] });
  return (
    <p className="flex flex-wrap items-baseline gap-x-1 pb-1 text-[13px] leading-snug">
      <span className="text-soft">{build}</span>
      {part && (
        <>
          <span aria-hidden>›</span>
          <button type="button" className="min-h-6 text-teal underline" onClick={up}>
            {alsoPartIds.length > 0 ? counted(alsoPartIds.length + 1, 'part') : part.name}
          </button>
        </>
      )}
      {last && (
        <>
          <span aria-hidden>›</span>
          <strong className="font-semibold">{last}</strong>
        </>
      )}
    </p>
  );
}

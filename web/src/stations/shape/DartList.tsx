import { itemAt } from '@fomrik/core/units';
import type { HandDart, Part } from '@fomrik/core/document';
import { dartsOn, type Piece } from '@fomrik/core/panel';
import { useMade } from '../../parts/useMade';
import { useSelected } from '../../store/selection';
import type { Changer } from '../../store/version';

/** Middle of the widest run of an edge between its corners and the darts it has. */
function freeSpot(darts: readonly HandDart[], edgeId: string): number {
  const stops = [0, ...darts.filter((d) => d.edgeId === edgeId).map((d) => d.at), 1].sort((a, b) => a - b);
  const runs = stops.slice(1).map((stop, i) => ({ from: itemAt(stops, i), width: stop - itemAt(stops, i) }));
  const widest = runs.reduce((a, b) => (b.width > a.width + 1e-9 ? b : a));
  return widest.from + widest.width / 2;
}

/** The darts of every piece that needs or has them: placed by the stretch, or by hand. */
export function DartList({ part, change }: { part: Part; change: Changer }) {
  const edge = useSelected((s) => s.edge);
  const made = useMade(part.id);
  const pieces = made?.pieces.filter((p) => p.role === 'shell' && p.stretch && !p.mirrors) ?? [];
  const byHand = (piece: Piece): boolean => part.darts.some((d) => d.pieceId === piece.id);
  const set = (pieceId: string, darts: HandDart[] | undefined): void =>
    change((p) => {
      const others = p.darts.filter((d) => d.pieceId !== pieceId);
      p.darts = darts ? [...others, { pieceId, darts }] : others;
    });
  if (pieces.length === 0)
    return (
      <p className="mt-1 border-t border-hair pt-1 text-soft">
        Every piece unrolls flat; no darts are needed.
      </p>
    );
  return (
    <section aria-label="Darts" className="mt-1 border-t border-ink pt-1">
      <h2 className="head">Darts: drag mouth and tip on the piece</h2>
      <ul className="text-[13px]">
        {pieces.map((piece) => {
          const darts = dartsOn(piece);
          const free = piece.edges.filter((e) => e.joint === 'free');
          const at = free.find((e) => e.id === edge?.edgeId && edge.pieceId === piece.id) ?? free[0];
          return (
            <li
              key={piece.id}
              data-darts={piece.id}
              className="flex flex-wrap items-center gap-x-3 border-t border-hair py-0.5"
            >
              <strong>{piece.name}</strong>
              <span>
                {darts.length === 0 ? 'no darts' : darts.length === 1 ? '1 dart' : `${darts.length} darts`},{' '}
                {byHand(piece) ? 'placed by hand' : 'placed automatically'}
              </span>
              <span className="text-soft">
                worst {(piece.stretch!.worst * 100).toFixed(0)} % {piece.stretch!.worstWhere}, refolds within{' '}
                {piece.stretch!.refoldMm.toFixed(1)} mm
              </span>
              {piece.note && <span>{piece.note}</span>}
              <button
                type="button"
                className="btn min-h-7 px-2"
                disabled={!at || darts.length >= 12}
                onClick={() =>
                  set(piece.id, [...darts, { edgeId: at!.id, at: freeSpot(darts, at!.id), reach: 0.6 }])
                }
              >
                Add a dart{at && `, ${at.name}`}
              </button>
              {darts.length > 0 && (
                <button
                  type="button"
                  className="btn min-h-7 px-2"
                  onClick={() => set(piece.id, darts.slice(0, -1))}
                >
                  Remove the last one
                </button>
              )}
              {byHand(piece) && (
                <button type="button" className="btn min-h-7 px-2" onClick={() => set(piece.id, undefined)}>
                  Place them automatically
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

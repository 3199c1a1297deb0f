import { dist2, type Vec2 } from '@fomrik/core/geometry';
import { byId, lastOf, itemAt } from '@fomrik/core/units';
import type { Place } from '@fomrik/core/document';
import type { PanelReport, PartReport } from '@fomrik/core/parts';
import { Plus, X } from 'lucide-react';
import { ChoiceField } from './ChoiceField';
import { LengthField, NumberField } from './Field';
import { ShareField } from './ShareField';

interface PlaceInputProps {
  place: Place;
  made: PartReport;
  /** Whether it may also be put into a room. */
  rooms?: boolean;
  /** Where on a panel is asked only of what sits at a spot. */
  spot?: boolean;
  onChange: (place: Place) => void;
}

/** An edge by its name; two of the same name are told apart by their side. */
const edgeWords = (panel: PanelReport, edge: PanelReport['edges'][number]): string =>
  panel.edges.filter((e) => e.name === edge.name).length > 1 ? `${edge.name}, ${edge.id}` : edge.name;

const runMm = (points: readonly Vec2[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + dist2(p, itemAt(points, i)), 0);

/** How far a piece runs across and up through a spot of it, mm, as a ruler measures it on the flat foam. */
function runsAt(made: PartReport, pieceId: string, u: number, v: number): { acrossMm: number; upMm: number } {
  const grid = made.surfaces.find((s) => s.pieceId === pieceId)?.flat;
  if (!grid) return { acrossMm: 100, upMm: 100 };
  const row = itemAt(grid, Math.round(v * (grid.length - 1)));
  const column = Math.round(u * (row.length - 1));
  return {
    acrossMm: Math.max(1, runMm(row)),
    upMm: Math.max(1, runMm(grid.map((r) => itemAt(r, column)))),
  };
}

/** Where a feature is: on a piece, along edges, over a piece, or in a room. */
export function PlaceInput({ place, made, rooms = false, spot = true, onChange }: PlaceInputProps) {
  const shell = made.panels;
  const pieces = (now: string): { value: string; label: string }[] => [
    ...(shell.some((p) => p.id === now) ? [] : [{ value: now, label: `${now} (gone)` }]),
    ...shell.map((p) => ({ value: p.id, label: p.name })),
  ];
  const own = made.rooms.filter((r) => r.panel === undefined);
  switch (place.on) {
    case 'panel':
    case 'room': {
      const where = place.on === 'panel' ? place.panel : `room:${place.room}`;
      const known = place.on === 'panel' || own.some((r) => r.id === place.room);
      return (
        <>
          <ChoiceField
            label={rooms ? 'Where' : 'Piece'}
            value={where}
            choices={[
              ...(known ? [] : [{ value: where, label: `${where.slice(5)} (gone)` }]),
              ...(place.on === 'panel'
                ? pieces(place.panel)
                : shell.map((p) => ({ value: p.id, label: p.name }))),
              ...(rooms ? own.map((r) => ({ value: `room:${r.id}`, label: r.name })) : []),
            ]}
            onChange={(to) =>
              onChange(
                to.startsWith('room:')
                  ? { on: 'room', room: to.slice(5), alongMm: 0, acrossMm: 0, turnDeg: place.turnDeg }
                  : {
                      on: 'panel',
                      panel: to,
                      u: place.on === 'panel' ? place.u : 0.5,
                      v: place.on === 'panel' ? place.v : 0.5,
                      turnDeg: place.turnDeg,
                    },
              )
            }
          />
          {spot && place.on === 'panel' && (
            <>
              <ShareField
                label="From its left edge"
                share={place.u}
                ofMm={runsAt(made, place.panel, place.u, place.v).acrossMm}
                help="To the middle of it, over the piece as it is seen from outside; 50 % is the middle."
                onChange={(u) => onChange({ ...place, u })}
              />
              <ShareField
                label="From its lower edge"
                share={place.v}
                ofMm={runsAt(made, place.panel, place.u, place.v).upMm}
                help="To the middle of it, over the piece; 50 % is the middle."
                onChange={(v) => onChange({ ...place, v })}
              />
            </>
          )}
          {place.on === 'room' && (
            <>
              <LengthField
                label="To the right of the middle"
                valueMm={place.acrossMm}
                range={[-2000, 2000]}
                help="From the middle of the room."
                onChange={(acrossMm) => onChange({ ...place, acrossMm })}
              />
              <LengthField
                label="Above the middle"
                valueMm={place.alongMm}
                range={[-2000, 2000]}
                help="From the middle of the room."
                onChange={(alongMm) => onChange({ ...place, alongMm })}
              />
            </>
          )}
          {spot && (
            <NumberField
              label="Turned clockwise"
              value={place.turnDeg}
              range={[-360, 360]}
              suffix="°"
              help="From upright, clockwise."
              onChange={(turnDeg) => onChange({ ...place, turnDeg })}
            />
          )}
        </>
      );
    }
    case 'edges':
      return (
        <div>
          {place.runs.map((run, i) => {
            const piece = byId(shell, run.panel);
            const set = (change: Partial<typeof run>): void =>
              onChange({ ...place, runs: place.runs.map((r, k) => (k === i ? { ...r, ...change } : r)) });
            return (
              <div key={i} className="above flex items-end gap-1">
                <div className="min-w-0 flex-1">
                  <ChoiceField
                    label={i === 0 ? 'Piece' : `Piece ${i + 1}`}
                    value={run.panel}
                    choices={pieces(run.panel)}
                    onChange={(panel) => set({ panel })}
                  />
                </div>
                <div className="min-w-0 flex-1">
                  <ChoiceField
                    label={i === 0 ? 'Edge' : `Edge ${i + 1}`}
                    value={run.edge}
                    choices={(piece?.edges ?? []).map((e) => ({ value: e.id, label: edgeWords(piece!, e) }))}
                    onChange={(edge) => set({ edge })}
                  />
                </div>
                {i > 0 ? (
                  <button
                    type="button"
                    className="btn btn-icon"
                    aria-label={`Leave out edge ${i + 1}`}
                    onClick={() => onChange({ ...place, runs: place.runs.filter((_, k) => k !== i) })}
                  >
                    <X size={14} aria-hidden />
                  </button>
                ) : (
                  <button
                    type="button"
                    className="btn btn-icon"
                    aria-label="On over the next edge"
                    title="On over the next edge"
                    onClick={() =>
                      onChange({ ...place, runs: [...place.runs, nextRun(shell, lastOf(place.runs))] })
                    }
                  >
                    <Plus size={14} aria-hidden />
                  </button>
                )}
              </div>
            );
          })}
        </div>
      );
    case 'path':
      return (
        <>
          <ChoiceField
            label="Piece"
            value={place.panel}
            choices={pieces(place.panel)}
            onChange={(panel) => onChange({ ...place, panel })}
          />
          {([0, place.points.length - 1] as const).map((at) => {
            const [x, y] = itemAt(place.points, at);
            const set = (point: [number, number]): void =>
              onChange({ ...place, points: place.points.map((p, i) => (i === at ? point : p)) });
            return (
              <div key={at}>
                <ShareField
                  label={`${at === 0 ? 'Begins' : 'Ends'}, from the left edge`}
                  share={x}
                  ofMm={runsAt(made, place.panel, x, y).acrossMm}
                  onChange={(next) => set([next, y])}
                />
                <ShareField
                  label={`${at === 0 ? 'Begins' : 'Ends'}, from the lower edge`}
                  share={y}
                  ofMm={runsAt(made, place.panel, x, y).upMm}
                  onChange={(next) => set([x, next])}
                />
              </div>
            );
          })}
        </>
      );
  }
}

/** The edge a strip goes on over: the same side of the piece beyond the seam, or of the piece after this one. */
function nextRun(
  shell: readonly PanelReport[],
  last: { panel: string; edge: string },
): { panel: string; edge: string } {
  const piece = byId(shell, last.panel);
  const order = piece?.edges.map((e) => e.id) ?? [];
  const onward = piece?.edges[(order.indexOf(last.edge) + 1) % Math.max(1, order.length)];
  return { panel: onward?.mate?.pieceId ?? last.panel, edge: last.edge };
}

import { byId, lastOf, itemAt } from '@fomrik/core/units';
import type { Place } from '@fomrik/core/document';
import type { PanelReport, PartReport } from '@fomrik/core/parts';
import { Plus, X } from 'lucide-react';
import { ChoiceField, LengthField, NumberField } from './Field';

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

const percent = (share: number): number => Math.round(share * 1000) / 10;

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
              <NumberField
                label="Across"
                value={percent(place.u)}
                range={[0, 100]}
                suffix="%"
                help="From the left of the piece, seen from outside."
                onChange={(u) => onChange({ ...place, u: u / 100 })}
              />
              <NumberField
                label="Up"
                value={percent(place.v)}
                range={[0, 100]}
                suffix="%"
                help="From the lower edge of the piece."
                onChange={(v) => onChange({ ...place, v: v / 100 })}
              />
            </>
          )}
          {place.on === 'room' && (
            <>
              <LengthField
                label="Across"
                valueMm={place.acrossMm}
                range={[-2000, 2000]}
                help="From the middle of the room."
                onChange={(acrossMm) => onChange({ ...place, acrossMm })}
              />
              <LengthField
                label="Up"
                valueMm={place.alongMm}
                range={[-2000, 2000]}
                help="From the middle of the room."
                onChange={(alongMm) => onChange({ ...place, alongMm })}
              />
            </>
          )}
          {spot && (
            <NumberField
              label="Turned"
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
        <div className="col-span-2 space-y-0.5">
          {place.runs.map((run, i) => {
            const piece = byId(shell, run.panel);
            const set = (change: Partial<typeof run>): void =>
              onChange({ ...place, runs: place.runs.map((r, k) => (k === i ? { ...r, ...change } : r)) });
            return (
              <div key={i} className="flex items-end gap-1">
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
              <div key={at} className="grid grid-cols-2 gap-x-1">
                <NumberField
                  label={`${at === 0 ? 'From' : 'To'}, across`}
                  value={percent(x)}
                  range={[0, 100]}
                  suffix="%"
                  onChange={(v) => set([v / 100, y])}
                />
                <NumberField
                  label="up"
                  value={percent(y)}
                  range={[0, 100]}
                  suffix="%"
                  onChange={(v) => set([x, v / 100])}
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

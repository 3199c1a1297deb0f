import type { Row, RowsField } from '@fomrik/core/document';
import { type DrawnNode, drawnLine, drawnSides } from '@fomrik/core/forms';
import { boundsOf, type Vec2 } from '@fomrik/core/geometry';
import { counted, trimNumber, itemAt } from '@fomrik/core/units';
import { rangedIn, twinOf } from './outlineRows';
import { OutlineTools, type OutlineToolsProps } from './OutlineTools';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';

interface OutlineEditorProps {
  field: RowsField;
  rows: readonly Row[];
  onChange: (rows: Row[]) => void;
  /** Takes an outline with the rings inside it, where the form has them. */
  onRings?: ((outline: Row[], rings: Row[]) => void) | undefined;
  onDrag: (rows: Row[]) => void;
  onDragEnd: () => void;
  /** Numbers of edges, each between a spot of it and where it begins. */
  numbers?: readonly { number: number; at: Vec2; from: Vec2 }[];
  /** All outlines that were traced, as pieces of their own. */
  onTakeAll?: OutlineToolsProps['onTakeAll'];
  /** What lies beneath the lines, in mm with y downwards. */
  beneath: OutlineToolsProps['beneath'] & { image: ReactNode };
}

type Axis = readonly [across: string, up: string];
const axes: Record<'outline' | 'profile' | 'pieces', Axis> = {
  pieces: ['xMm', 'yMm'],
  outline: ['xMm', 'yMm'],
  profile: ['acrossMm', 'zMm'],
};

const nodeWords: Record<string, string> = {
  corner: 'turns: a corner',
  smooth: 'runs through: smooth',
  arc: 'goes round: an arc',
};

const SNAPS = [0, 1, 5, 10] as const;
/** Points and the middle line draw a dragged point from this far, mm at the drawing's scale. */
const NEAR = 0.012;

/** The points of a rows field drawn and dragged: an outline seen from the front, or half of a profile about its axis. */
export function OutlineEditor({
  field,
  rows,
  onChange,
  onRings,
  onDrag,
  onDragEnd,
  beneath,
  numbers = [],
  onTakeAll,
}: OutlineEditorProps) {
  const kind = field.draws ?? 'outline';
  const [ax, up] = axes[kind];
  const half = kind === 'profile';
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<number | undefined>(undefined);
  const [chosen, setChosen] = useState(0);
  const [snap, setSnap] = useState<number>(1);
  const [symmetric, setSymmetric] = useState(false);
  const at = (row: Row) => ({ x: Number(row[ax]) / (half ? 2 : 1), y: Number(row[up]) });
  const points = rows.map(at);
  const line = half ? [...points].sort((a, b) => a.y - b.y) : drawnLine(rows as unknown as DrawnNode[]);
  const b = boundsOf([...line, ...points, ...(half ? [{ x: 0, y: 0 }] : [])]);
  // While a point is dragged the paper stays where it is.
  const [paper, setPaper] = useState<typeof b | undefined>();
  const view = paper ?? b;
  const pad = Math.max(12, (view.maxX - view.minX) * 0.08, (view.maxY - view.minY) * 0.08);
  const [w, h] = [view.maxX - view.minX + 2 * pad, view.maxY - view.minY + 2 * pad];
  const size = Math.max(w, h);
  const ranged = rangedIn(field);
  const put = (i: number, x: number, y: number): Row[] => {
    const moved = (row: Row, px: number): Row => ({
      ...row,
      [ax]: ranged(ax, half ? Math.max(0, px) * 2 : px),
      [up]: ranged(up, y),
    });
    const twin = symmetric && !half ? twinOf(points, i) : undefined;
    return rows.map((row, k) => (k === i ? moved(row, x) : k === twin ? moved(row, -x) : row));
  };
  const snapped = (x: number, y: number, i: number): [number, number] => {
    const reach = size * NEAR;
    const lines = (key: 'x' | 'y'): number[] => [0, ...points.flatMap((p, k) => (k === i ? [] : [p[key]]))];
    const to = (value: number, of: number[]): number | undefined =>
      of
        .filter((v) => Math.abs(v - value) < reach)
        .sort((p, q) => Math.abs(p - value) - Math.abs(q - value))[0];
    const grid = (value: number): number => (snap === 0 ? value : Math.round(value / snap) * snap);
    return snap === 0 ? [x, y] : [to(x, lines('x')) ?? grid(x), to(y, lines('y')) ?? grid(y)];
  };
  const under = (e: PointerEvent): [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    const scale = Math.max(w / box.width, h / box.height);
    const [left, top] = [box.left + (box.width - w / scale) / 2, box.top + (box.height - h / scale) / 2];
    return [view.minX - pad + (e.clientX - left) * scale, view.maxY + pad - (e.clientY - top) * scale];
  };
  const onMove = (e: PointerEvent): void => {
    if (held.current === undefined) return;
    const [x, y] = under(e);
    onDrag(put(held.current, ...snapped(x, y, held.current)));
  };
  const drop = (): void => {
    if (held.current === undefined) return;
    held.current = undefined;
    setPaper(undefined);
    onDragEnd();
  };
  const add = (after: number): void => {
    const next = itemAt(rows, (after + 1) % rows.length);
    const row = itemAt(rows, after);
    const middle: Row = {
      ...row,
      [ax]: ranged(ax, (Number(row[ax]) + Number(next[ax])) / 2),
      [up]: ranged(up, (Number(row[up]) + Number(next[up])) / 2),
    };
    onChange([...rows.slice(0, after + 1), middle, ...rows.slice(after + 1)]);
    setChosen(after + 1);
  };
  const take = (i: number): void => {
    if (rows.length <= field.range[0]) return;
    onChange(rows.filter((_, k) => k !== i));
    setChosen(Math.max(0, i - 1));
  };
  const onKey = (e: KeyboardEvent, i: number): void => {
    const by = e.altKey ? 0.1 : e.shiftKey ? 10 : 1;
    const step: Record<string, [number, number]> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    };
    const move = step[e.key];
    if (move) {
      e.preventDefault();
      onChange(put(i, itemAt(points, i).x + move[0], itemAt(points, i).y + move[1]));
    }
    if (e.key === 'Delete' || e.key === 'Backspace') {
      e.preventDefault();
      take(i);
    }
  };
  const current = Math.min(chosen, rows.length - 1);
  const nodeField = field.of.find((f) => f.key === 'node');
  const sideField = field.of.find((f) => f.key === 'side');
  const sides = sideField ? drawnSides(rows as unknown as DrawnNode[]) : [];
  return (
    <div className="@container min-h-full">
      <div className="grid min-h-full grid-rows-[minmax(18rem,1fr)_auto] gap-2 @[600px]:grid-cols-[minmax(0,1fr)_13rem] @[600px]:grid-rows-1">
        <svg
          ref={svg}
          viewBox={`${view.minX - pad} ${-view.maxY - pad} ${w} ${h}`}
          className="h-full max-h-[70vh] min-h-72 w-full touch-none bg-leaf"
          role="group"
          aria-label={`${field.label}, drawn: ${counted(rows.length, 'point')}`}
          onPointerMove={onMove}
          onPointerUp={drop}
          onPointerCancel={drop}
        >
          {beneath.image}
          <line
            x1={0}
            x2={0}
            y1={-view.maxY - pad}
            y2={-view.minY + pad}
            stroke="var(--color-soft)"
            strokeWidth={size / 600}
            strokeDasharray={`${size / 60} ${size / 150} ${size / 300} ${size / 150}`}
          />
          {half && (
            <polyline
              points={line.map((p) => `${-p.x},${-p.y}`).join(' ')}
              fill="none"
              stroke="var(--color-soft)"
              strokeWidth={size / 500}
            />
          )}
          {half ? (
            <polyline
              points={line.map((p) => `${p.x},${-p.y}`).join(' ')}
              fill="none"
              stroke="var(--color-ink)"
              strokeWidth={size / 300}
            />
          ) : (
            <polygon
              points={line.map((p) => `${p.x},${-p.y}`).join(' ')}
              fill="var(--color-foam)"
              fillOpacity={0.18}
              stroke="var(--color-ink)"
              strokeWidth={size / 300}
            />
          )}
          {sides.map(
            (side, i) =>
              rows[i]?.['side'] === 'square' && (
                <polyline
                  key={i}
                  data-square={i + 1}
                  points={[itemAt(points, i), ...side].map((p) => `${p.x},${-p.y}`).join(' ')}
                  fill="none"
                  stroke="var(--color-ink)"
                  strokeWidth={size / 90}
                />
              ),
          )}
          {numbers.map(({ number, at: spot, from }) => (
            <text
              key={number}
              x={(spot.x + from.x) / 2}
              y={-(spot.y + from.y) / 2}
              fontSize={size / 16}
              textAnchor="middle"
              dominantBaseline="middle"
              fill="var(--color-ink)"
              stroke="white"
              strokeWidth={size / 120}
              paintOrder="stroke"
            >
              {number}
            </text>
          ))}
          {points.map((p, i) => (
            <g
              key={i}
              role="button"
              tabIndex={0}
              aria-label={`Point ${i + 1}: ${trimNumber(p.x, 1)} across, ${trimNumber(p.y, 1)} up`}
              aria-pressed={i === current}
              className="cursor-move outline-none focus-visible:[&>rect]:stroke-[var(--color-marigold)]"
              onFocus={() => setChosen(i)}
              onKeyDown={(e) => onKey(e, i)}
              onPointerDown={(e) => {
                (e.target as Element).setPointerCapture(e.pointerId);
                held.current = i;
                setPaper(b);
                setChosen(i);
              }}
            >
              <circle cx={p.x} cy={-p.y} r={size / 40} fill="transparent" />
              {rows[i]?.['node'] === 'arc' ? (
                <polygon
                  points={[
                    [p.x, -p.y - size / 85],
                    [p.x + size / 85, -p.y],
                    [p.x, -p.y + size / 85],
                    [p.x - size / 85, -p.y],
                  ]
                    .map((q) => q.join(','))
                    .join(' ')}
                  fill={i === current ? 'var(--color-teal)' : 'white'}
                  stroke="var(--color-teal)"
                  strokeWidth={size / 350}
                />
              ) : rows[i]?.['node'] === 'smooth' ? (
                <circle
                  cx={p.x}
                  cy={-p.y}
                  r={size / 110}
                  fill={i === current ? 'var(--color-teal)' : 'white'}
                  stroke="var(--color-teal)"
                  strokeWidth={size / 350}
                />
              ) : (
                <rect
                  x={p.x - size / 120}
                  y={-p.y - size / 120}
                  width={size / 60}
                  height={size / 60}
                  fill={i === current ? 'var(--color-teal)' : 'white'}
                  stroke="var(--color-teal)"
                  strokeWidth={size / 350}
                />
              )}
            </g>
          ))}
        </svg>
        <div className="grid content-start items-end gap-x-2 gap-y-1 text-[13px] grid-cols-2 @[600px]:grid-cols-1">
          <p>
            Point {current + 1}: {trimNumber(points[current]?.x ?? 0, 1)} across,{' '}
            {trimNumber(points[current]?.y ?? 0, 1)} up
          </p>
          <div className="flex flex-wrap gap-1">
            <button
              type="button"
              className="btn min-h-7 px-2"
              disabled={rows.length >= field.range[1]}
              onClick={() => add(current)}
            >
              Add after it
            </button>
            <button
              type="button"
              className="btn min-h-7 px-2"
              disabled={rows.length <= field.range[0]}
              onClick={() => take(current)}
            >
              Remove the point
            </button>
          </div>
          {nodeField?.type === 'choice' && (
            <label className="label">
              The line here
              <select
                className="box"
                value={String(rows[current]?.['node'])}
                onChange={(e) =>
                  onChange(rows.map((r, k) => (k === current ? { ...r, node: e.target.value } : r)))
                }
              >
                {nodeField.choices.map((c) => (
                  <option key={c.value} value={c.value}>
                    {nodeWords[c.value] ?? c.label}
                  </option>
                ))}
              </select>
            </label>
          )}
          {sideField?.type === 'choice' && (
            <label className="label">
              The side from here
              <select
                className="box"
                title={sideField.help}
                value={String(rows[current]?.['side'])}
                onChange={(e) =>
                  onChange(rows.map((r, k) => (k === current ? { ...r, side: e.target.value } : r)))
                }
              >
                {sideField.choices.map((c) => (
                  <option key={c.value} value={c.value}>
                    {c.value === 'square' ? 'stays square (drawn thick)' : c.label}
                  </option>
                ))}
              </select>
            </label>
          )}
          <label className="label">
            Snap to
            <select className="box" value={snap} onChange={(e) => setSnap(Number(e.target.value))}>
              {SNAPS.map((mm) => (
                <option key={mm} value={mm}>
                  {mm === 0 ? 'nothing' : `${mm} mm, points, middle line`}
                </option>
              ))}
            </select>
          </label>
          <OutlineTools
            field={field}
            rows={rows}
            onChange={onChange}
            half={half}
            symmetric={symmetric}
            setSymmetric={setSymmetric}
            beneath={beneath}
            onRings={onRings}
            {...(onTakeAll && { onTakeAll })}
          />
        </div>
      </div>
    </div>
  );
}

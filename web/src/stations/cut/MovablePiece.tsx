import type { HandMove } from '@fomrik/core/cut';
import type { Vec2 } from '@fomrik/core/geometry';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';

const steps: Record<string, Vec2> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: 1 },
  ArrowDown: { x: 0, y: -1 },
};
const STEP_MM = 5;
const FAR_MM = 25;

/** A piece on its sheet: dragged by hand, or with the arrow keys; R turns it. */
export function MovablePiece({
  points,
  name,
  chosen,
  locked,
  onChoose,
  onMove,
}: {
  /** In the drawing's millimetres, y down. */
  points: readonly Vec2[];
  name: string;
  chosen: boolean;
  locked: boolean;
  onChoose: () => void;
  onMove: (how: Partial<HandMove>) => void;
}) {
  const [by, setBy] = useState<Vec2>();
  const from = useRef<Vec2>(undefined);
  const spot = (e: PointerEvent<SVGPolygonElement>): Vec2 => {
    const matrix = e.currentTarget.ownerSVGElement!.getScreenCTM()!.inverse();
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix);
    return { x: p.x, y: p.y };
  };
  const press = (e: KeyboardEvent): void => {
    const step = steps[e.key];
    const turn = e.key === 'r' ? Math.PI / 12 : e.key === 'R' ? Math.PI / 2 : 0;
    if (!step && turn === 0) return;
    e.preventDefault();
    e.stopPropagation();
    const far = e.shiftKey ? FAR_MM : STEP_MM;
    onMove(step ? { byMm: { x: step.x * far, y: step.y * far } } : { turnRad: turn });
  };
  return (
    <polygon
      points={points.map((p) => `${p.x},${p.y}`).join(' ')}
      transform={by && `translate(${by.x} ${by.y})`}
      fill={by || chosen ? '#5b6a6e' : '#454e51'}
      stroke="var(--color-pen)"
      strokeWidth={locked ? 6 : 2}
      strokeDasharray={locked ? '18 8' : undefined}
      className="cursor-grab touch-none"
      role="button"
      tabIndex={0}
      aria-label={`${name}${locked ? ', locked' : ''}: arrow keys move it, R turns it`}
      onFocus={onChoose}
      onKeyDown={press}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        from.current = spot(e);
      }}
      onPointerMove={(e) => {
        if (!from.current) return;
        const p = spot(e);
        setBy({ x: p.x - from.current.x, y: p.y - from.current.y });
      }}
      onPointerUp={() => {
        from.current = undefined;
        setBy(undefined);
        if (by && Math.hypot(by.x, by.y) > 2) onMove({ byMm: { x: by.x, y: -by.y } });
      }}
      onPointerCancel={() => {
        from.current = undefined;
        setBy(undefined);
      }}
    />
  );
}

import type { Place } from '@fomrik/core/document';
import type { Vec2 } from '@fomrik/core/geometry';
import { onFlat, spotOfFlat } from '@fomrik/core/panel';
import type { PartReport } from '@fomrik/core/parts';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, memo, useRef, useState } from 'react';
import { selectFeature, useSelected } from '../store/selection';
import { useView } from '../store/view';
import { type FeatureGrips, heldWords, putAt } from './featureHandles';
import { type HeldSpot, heldSpots, surfaceOf } from './heldSpots';
import { clampShare } from './snapped';

type FlatGripsProps = Omit<FeatureGrips, 'station' | 'snaps'> & {
  /** The piece they are on, and where its upper left corner lies in the drawing. */
  pieceId: string;
  x: number;
  y: number;
  heightMm: number;
  pxMm: number;
};

/** Grips on every detail that lies on a flat piece: at its spot, along its line, on its edges. */
export const FlatGrips = memo(function FlatGrips(props: FlatGripsProps) {
  const surface = surfaceOf(props.made, props.pieceId);
  if (!surface) return null;
  return props.part.features
    .flatMap((feature) => heldSpots(props.part, props.made, feature))
    .filter((held) => held.panel === props.pieceId)
    .map((held) => (
      <FlatGrip key={`${held.feature.id}.${held.index ?? ''}`} held={held} surface={surface} {...props} />
    ));
});

/** Where a place was snapped: along which of its shares it is not where the pointer is. */
function guideOf(to: Place, { index }: HeldSpot, uv: Vec2): { u: number; v: number } | undefined {
  const [u, v] =
    to.on === 'panel' ? [to.u, to.v] : (to.on === 'path' && to.points[index ?? 0]) || [undefined, undefined];
  if (u === undefined || v === undefined) return undefined;
  return { u: u === clampShare(uv.x) ? NaN : u, v: v === clampShare(uv.y) ? NaN : v };
}

function FlatGrip({
  held,
  surface,
  part,
  drag,
  change,
  end,
  x,
  y,
  heightMm,
  pxMm,
}: FlatGripsProps & { held: HeldSpot; surface: PartReport['surfaces'][number] }) {
  const { feature } = held;
  const snaps = useView((v) => v.snaps);
  const selected = useSelected((s) => s.featureIds.includes(feature.id));
  const grip = useRef<SVGCircleElement>(null);
  const [guide, setGuide] = useState<{ u: number; v: number }>();
  const draw = (p: Vec2): Vec2 => ({ x: p.x + x, y: heightMm - p.y + y });
  const at = draw(onFlat(surface, held.at));
  const bind = useDrag(
    ({ xy: [px, py], first, last, event }) => {
      event.stopPropagation();
      if (first) selectFeature(part.id, feature.id);
      const matrix = grip.current?.ownerSVGElement?.getScreenCTM()?.inverse();
      if (!matrix) return;
      const p = new DOMPoint(px, py).matrixTransform(matrix);
      const uv = spotOfFlat(surface, { x: p.x - x, y: heightMm - (p.y - y) });
      const to = held.put(held.panel, uv, snaps);
      drag((draft) => putAt(draft, feature.id, to));
      setGuide(last || !to ? undefined : guideOf(to, held, uv));
      if (last) end();
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  const onKey = (event: KeyboardEvent): void => {
    const by = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    const flat = onFlat(surface, held.at);
    const uv = spotOfFlat(surface, { x: flat.x + move[0], y: flat.y + move[1] });
    change((draft) => putAt(draft, feature.id, held.put(held.panel, uv, false)));
  };
  const line = (fixed: 'u' | 'v', value: number): string =>
    [0, 0.25, 0.5, 0.75, 1]
      .map((t) => draw(onFlat(surface, fixed === 'u' ? { x: value, y: t } : { x: t, y: value })))
      .map((p) => `${p.x},${p.y}`)
      .join(' ');
  return (
    <g>
      {guide &&
        (['u', 'v'] as const).map(
          (key) =>
            !Number.isNaN(guide[key]) && (
              <polyline
                key={key}
                points={line(key, guide[key])}
                fill="none"
                stroke="var(--color-marigold)"
                strokeWidth={1.2 * pxMm}
                strokeDasharray={`${5 * pxMm} ${3 * pxMm}`}
              />
            ),
        )}
      <circle
        ref={grip}
        {...bind()}
        tabIndex={0}
        role="button"
        aria-pressed={selected}
        aria-label={`${heldWords(part, held)} on the piece: drag, or arrow keys`}
        data-flat-feature={feature.id}
        {...(held.index !== undefined && { 'data-flat-point': held.index })}
        cx={at.x}
        cy={at.y}
        r={(selected ? 7 : 5) * pxMm}
        fill={selected ? 'var(--color-teal)' : 'transparent'}
        fillOpacity={selected ? 0.55 : 1}
        stroke="white"
        strokeWidth={(selected ? 2 : 1.2) * pxMm}
        className="cursor-move touch-none"
        onFocus={() => selectFeature(part.id, feature.id)}
        onKeyDown={onKey}
      />
    </g>
  );
}

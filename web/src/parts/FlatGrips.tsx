import type { Feature } from '@fomrik/core/document';
import type { Vec2 } from '@fomrik/core/geometry';
import { onFlat, spotOfFlat } from '@fomrik/core/panel';
import { type PartReport, standardKinds } from '@fomrik/core/parts';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useRef, useState } from 'react';
import { selectFeature, useSelected } from '../store/selection';
import { useView } from '../store/view';
import { type FeatureGrips, putAt, spotSnapped } from './featureHandles';
import { featureName } from './featureName';
import { clampShare } from './snapped';

type FlatGripsProps = Omit<FeatureGrips, 'station' | 'snaps'> & {
  /** The piece they are on, and where its upper left corner lies in the drawing. */
  pieceId: string;
  x: number;
  y: number;
  heightMm: number;
  pxMm: number;
};

/** Grips on every detail that sits at a spot of a flat piece. */
export function FlatGrips(props: FlatGripsProps) {
  const here = props.part.features.filter(
    ({ kind, place }) =>
      place.on === 'panel' &&
      place.panel === props.pieceId &&
      standardKinds.features.get(kind)?.spotless !== true,
  );
  const surface = props.made.surfaces.find((s) => s.pieceId === props.pieceId);
  if (!surface) return null;
  return here.map((feature) => <FlatGrip key={feature.id} feature={feature} surface={surface} {...props} />);
}

function FlatGrip({
  feature,
  surface,
  part,
  drag,
  change,
  end,
  x,
  y,
  heightMm,
  pxMm,
}: FlatGripsProps & { feature: Feature; surface: PartReport['surfaces'][number] }) {
  const snaps = useView((v) => v.snaps);
  const selected = useSelected((s) => s.featureIds.includes(feature.id));
  const grip = useRef<SVGCircleElement>(null);
  const [guide, setGuide] = useState<{ u: number; v: number }>();
  const { place } = feature;
  const spot = place.on === 'panel' ? place : { u: 0.5, v: 0.5, panel: '' };
  const draw = (p: Vec2): Vec2 => ({ x: p.x + x, y: heightMm - p.y + y });
  const at = draw(onFlat(surface, { x: spot.u, y: spot.v }));
  const bind = useDrag(
    ({ xy: [px, py], first, last, event }) => {
      event.stopPropagation();
      if (first) selectFeature(part.id, feature.id);
      const matrix = grip.current?.ownerSVGElement?.getScreenCTM()?.inverse();
      if (!matrix) return;
      const p = new DOMPoint(px, py).matrixTransform(matrix);
      const uv = spotOfFlat(surface, { x: p.x - x, y: heightMm - (p.y - y) });
      const to = spotSnapped(part, feature.id, spot.panel, { u: uv.x, v: uv.y }, snaps);
      drag((draft) => putAt(draft, feature.id, to));
      setGuide(
        last
          ? undefined
          : { u: to.u === clampShare(uv.x) ? NaN : to.u, v: to.v === clampShare(uv.y) ? NaN : to.v },
      );
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
    const flat = onFlat(surface, { x: spot.u, y: spot.v });
    const uv = spotOfFlat(surface, { x: flat.x + move[0], y: flat.y + move[1] });
    change((draft) => putAt(draft, feature.id, { u: clampShare(uv.x), v: clampShare(uv.y) }));
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
        aria-label={`${featureName(feature, part.features)} on the piece: drag, or arrow keys`}
        data-flat-feature={feature.id}
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

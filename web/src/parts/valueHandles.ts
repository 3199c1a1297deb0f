import type { Dimension } from '@fomrik/core/dimensions';
import type { Part } from '@fomrik/core/document';
import { length3 } from '@fomrik/core/geometry';
import { byId, lastOf } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { type FieldRef, sameField, useView } from '../store/view';
import type { Handle } from './SolidGrip';
import { snapValue } from './snapped';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** Where a value is kept: among those of the part, or of one of its details. */
type At = Pick<Dimension, 'path' | 'featureId'>;

const holderOf = <P extends Part | Draft<Part>>(part: P, { featureId }: At): P['params'] | undefined =>
  featureId === undefined ? part.params : byId(part.features, featureId)?.params;

const stepInto = (at: unknown, step: string | number): unknown =>
  (at as Record<string | number, unknown> | undefined)?.[step];

/** The value a dimension is of, as it is now. */
export const valueAt = (part: Part, at: At): unknown => at.path.reduce(stepInto, holderOf(part, at));

/** Sets a number at a place among the values of a part or a detail, from what it is now. */
export function setAt(part: Draft<Part>, at: At, next: (now: number) => number): void {
  const last = lastOf(at.path);
  const holder = at.path.slice(0, -1).reduce<unknown>(stepInto, holderOf(part, at));
  if (typeof holder !== 'object' || holder === null) return;
  const values = holder as Record<string | number, unknown>;
  values[last] = next(Number(values[last]));
}

/** Values of a smaller range than this are dragged by half a unit. */
const FINE = 20;

/** Slower than this, mm a unit, a grip would run away from the pointer. */
const LIVELY = 0.15;

/** A dragged value as its field takes it: within its range, in whole units or in halves. */
export function keptIn([low, high]: readonly [number, number], value: number): number {
  const grain = high - low <= FINE ? 0.5 : 1;
  return Math.min(high, Math.max(low, Math.round(value / grain) * grain));
}

/** The field a dimension is of. */
export const fieldOf = (partId: string, { path, featureId }: At): FieldRef => ({
  partId,
  path,
  ...(featureId !== undefined && { featureId }),
});

/** A dragged value snapped to another of the same unit, which is then named beside the dimension; or as it is. */
export function slid(dimension: Dimension, all: readonly Dimension[], value: number): number {
  const near = useView.getState().snaps
    ? snapValue(
        value,
        dimension.unit,
        all.filter((d) => d !== dimension && d.unit === dimension.unit),
      )
    : undefined;
  useView.setState({ snappedTo: near?.words });
  return keptIn(dimension.range, near?.value ?? value);
}

/** Grips for the dimensions of a part and of its details: dragged the way they go, nudged by one unit, kept in range. */
export function valueHandles(
  partId: string,
  dimensions: readonly Dimension[],
  { drag, change, end }: { drag: Changer; change: Changer; end: () => void },
): Handle[] {
  return dimensions.flatMap((dimension) => {
    const { path, label, to, step, value, range, still, featureId } = dimension;
    if (still) return [];
    const speed = length3(step);
    const scale = Math.max(speed, LIVELY) / Math.max(speed, 1e-6);
    const ref = fieldOf(partId, dimension);
    return [
      {
        id: `${path.join('.')}${featureId === undefined ? '' : `@${featureId}`}`,
        label: `${label}: drag, or arrow keys`,
        at: to,
        look: 'edge' as const,
        step: { x: step.x * scale, y: step.y * scale, z: step.z * scale },
        onSlide: (by: number) =>
          drag((p) => setAt(p, dimension, () => slid(dimension, dimensions, value + by))),
        onNudge: (up: number, right: number) =>
          change((p) => setAt(p, dimension, (now) => keptIn(range, now + up + right))),
        onEnd: end,
        onHint: (over: boolean) => {
          if (over) useView.setState({ hinted: ref });
          else if (sameField(useView.getState().hinted, ref)) useView.setState({ hinted: undefined });
        },
      },
    ];
  });
}

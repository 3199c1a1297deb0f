import { applyChanges, type Field, type NumberField, type Part, type Row, type Value } from '../document';
import { dist3, type Vec3 } from '../geometry';
import { layPanels } from '../panel';
import type { Model } from '../forms';
import { type Context, foamFor, formOf, modelOf } from '../parts';
import { firstOf } from '../units';
import type { Dimension } from './dimension';
import { dimensionOf } from './dimensionOf';
import { type Tracked, trackedOf } from './tracked';

/** How far a value is changed to see what moves: mm or degrees, and less where its range is small. */
const STEP = 2;
const OF_RANGE = 0.1;
/** Grips stand apart by this share of the thing. */
export const ROOM = 0.07;

/** A length, an angle or a size of a part, and what it is called. */
interface Sized {
  path: readonly (string | number)[];
  label: string;
  field: NumberField;
}

export const isSized = (field: Field): field is NumberField =>
  field.type === 'length' || field.type === 'angle' || field.type === 'number';

export const unitOf = ({ type, unit }: NumberField): string =>
  type === 'length' ? 'mm' : type === 'angle' ? 'deg' : (unit ?? '');

/** Every length, angle and plain number a part has as it stands, its lists line by line. */
export function sizedOf(part: Part, fields: readonly Field[]): Sized[] {
  return fields
    .filter((f) => (!f.when || f.when(part.params)) && (f.only !== 'carried' || part.mount.to !== 'part'))
    .flatMap((field): Sized[] => {
      if (isSized(field)) return [{ path: [field.key], label: field.label, field }];
      if (field.type !== 'rows') return [];
      const rows = (part.params[field.key] ?? []) as readonly Row[];
      return rows.flatMap((_, i) =>
        field.of.filter(isSized).map((sub) => ({
          path: [field.key, i, sub.key],
          label: `${sub.label}, ${field.line} ${i + 1}`,
          field: sub,
        })),
      );
    });
}

/** How far a value is changed to see what moves. */
export const byHowMuch = ({ range: [low, high] }: NumberField): number =>
  Math.min(STEP, OF_RANGE * (high - low));

/** How far points reach, along the axis they reach furthest. */
export const reachOf = (points: readonly Vec3[]): number =>
  Math.max(
    ...(['x', 'y', 'z'] as const).map((k) => {
      const all = points.map((p) => p[k]);
      return all.length === 0
        ? 0
        : all.reduce((a, b) => Math.max(a, b)) - all.reduce((a, b) => Math.min(a, b));
    }),
  );

const valueAt = (part: Part, path: readonly (string | number)[]): Value | undefined =>
  path.reduce<unknown>(
    (at, key) => (at as Record<string | number, unknown> | undefined)?.[key],
    part.params,
  ) as Value | undefined;

/** The part with one of its values another, or nothing where the form makes nothing of that. */
function tracedAt(
  part: Part,
  context: Context,
  path: Sized['path'],
  value: number,
): Map<string, Tracked> | undefined {
  const changed = applyChanges(part, [{ path: ['params', ...path], value }]);
  return trackedOf(modelOf(changed, context));
}

/**
 * Dimensions of a part: every length and angle, or those at some paths alone.
 * @param wanted paths joined by dots; all when absent.
 * @param until the moment at which no more are begun, by the clock of `performance`: a heavy form has some of them then.
 */
export function dimensionsOf(
  part: Part,
  context: Context,
  wanted?: readonly string[],
  until = Infinity,
): Dimension[] {
  const model = modelOf(part, context);
  const now = trackedOf(model);
  const roomMm = ROOM * reachOf([...now.values()].map((t) => t.at));
  const measured: Measured[] = sizedOf(part, formOf(context.kinds, part.form).fields)
    .filter(({ path }) => !wanted || wanted.includes(path.join('.')))
    .flatMap(({ path, label, field }): Measured[] => {
      const value = valueAt(part, path);
      if (typeof value !== 'number' || performance.now() > until) return [];
      const [low, high] = field.range;
      const by = byHowMuch(field);
      const [up, down] = [value + by <= high, value - by >= low];
      const more = up ? tracedAt(part, context, path, value + by) : undefined;
      // An angle wants both for its middle; a length the other way only at the end of its range.
      const less =
        down && (!up || field.type === 'angle') ? tracedAt(part, context, path, value - by) : undefined;
      const again = (taken: readonly Vec3[]): Dimension =>
        dimensionOf(
          { path, label, unit: unitOf(field), value, range: field.range },
          { now, by, ...(more && { more }), ...(less && { less }) },
          taken,
          roomMm,
        );
      const dimension = again([]);
      // A plain number is on the picture only where the thing answers to it: a size does, a mass does not.
      return field.type === 'number' && dimension.still ? [] : [{ dimension, again }];
    });
  return onFlat(apart(measured, roomMm), model, part, context);
}

/** A dimension, and the same with some spots taken by others. */
interface Measured {
  dimension: Dimension;
  again: (taken: readonly Vec3[]) => Dimension;
}

/** Dimensions whose grips stand clear of each other, where they have another spot that shows them: one that has none keeps its own. */
function apart(measured: readonly Measured[], roomMm: number): Dimension[] {
  const found = measured.map((m) => m.dimension);
  for (const [i, { again }] of measured.entries()) {
    const others = found.filter((_, k) => k !== i).map((d) => d.to);
    if (others.some((to) => dist3(to, found[i]!.to) < roomMm)) found[i] = again(others);
  }
  return found;
}

/** Dimensions with their ends on the flat pieces as well, where they lie on one. */
function onFlat(found: readonly Dimension[], model: Model, part: Part, context: Context): Dimension[] {
  if (found.every((d) => !d.on)) return [...found];
  const laid = layPanels(model.panels, model.joins, foamFor(context, firstOf(part.stack)), {
    limit: 1,
    darts: 0,
    coarse: true,
  });
  return found.map((d): Dimension => {
    const to = d.on?.to ?? d.on?.from;
    const piece = to && laid.find((l) => l.panel.id === to.panel);
    if (!to || !piece) return d;
    const other = d.on?.from;
    return {
      ...d,
      flat: {
        pieceId: piece.piece.id,
        to: piece.flatAt({ x: to.u, y: to.v }),
        ...(other &&
          other.panel === to.panel &&
          other !== to && { from: piece.flatAt({ x: other.u, y: other.v }) }),
      },
    };
  });
}

import { applyChanges, type Feature, type Part } from '../document';
import type { Vec2, Vec3 } from '../geometry';
import { onFlat } from '../panel';
import { type Context, makePart, type MadePart } from '../parts';
import { byId } from '../units';
import type { Dimension } from './dimension';
import { dimensionOf, type Varied } from './dimensionOf';
import { byHowMuch, isSized, ROOM, reachOf, unitOf } from './dimensionsOf';
import { trackedFeature, type TrackedFeature } from './trackedFeature';

/** The part with one value of a detail another. */
const changed = (part: Part, { id }: Feature, key: string, value: number): Part =>
  applyChanges(part, [
    { path: ['features', part.features.findIndex((f) => f.id === id), 'params', key], value },
  ]);

/** On one of the flat pieces a detail is drawn on: the first that shows it from end to end. */
function onPiece(
  about: Parameters<typeof dimensionOf>[0],
  now: TrackedFeature,
  more: TrackedFeature | undefined,
  less: TrackedFeature | undefined,
  by: number,
): Dimension['flat'] {
  for (const [pieceId, points] of now.flat) {
    const [up, down] = [more?.flat.get(pieceId), less?.flat.get(pieceId)];
    if (!up && !down) continue;
    const varied: Varied = { now: points, by, ...(up && { more: up }), ...(down && { less: down }) };
    const found = dimensionOf(about, varied, [], 0);
    const flat = ({ x, y }: Vec3): Vec2 => ({ x, y });
    if (found.way === 'between') return { pieceId, from: flat(found.from), to: flat(found.to) };
  }
  return undefined;
}

/** A dimension with its ends on the flat piece of the shell that they lie on. */
function onShell(d: Dimension, { surfaces }: MadePart): Dimension['flat'] {
  const surface = d.on?.to && surfaces.find((s) => s.pieceId === d.on?.to?.panel);
  if (!surface || !d.on?.to) return undefined;
  const from = d.on.from?.panel === surface.pieceId ? d.on.from : undefined;
  return {
    pieceId: surface.pieceId,
    to: onFlat(surface, { x: d.on.to.u, y: d.on.to.v }),
    ...(from && { from: onFlat(surface, { x: from.u, y: from.v }) }),
  };
}

/**
 * The dimensions of a detail of a part: its lengths, angles and sizes, measured on what it lays. Those nothing answers
 * to are left out.
 */
export function featureDimensions(part: Part, context: Context, featureId: string): Dimension[] {
  const feature = byId(part.features, featureId);
  const kind = feature && context.kinds.features.get(feature.kind);
  if (!feature || !kind) return [];
  const made = makePart(part, context, { coarse: true });
  const now = trackedFeature(made, featureId);
  const roomMm = ROOM * reachOf([...now.solid.values()].map((t) => t.at));
  const found: Dimension[] = [];
  for (const field of kind.fields.filter(isSized)) {
    const value = feature.params[field.key];
    if (typeof value !== 'number' || (field.when && !field.when(feature.params))) continue;
    const [low, high] = field.range;
    const by = byHowMuch(field);
    const at = (next: number): TrackedFeature | undefined =>
      next < low || next > high
        ? undefined
        : trackedFeature(
            makePart(changed(part, feature, field.key, next), context, { coarse: true, before: made }),
            featureId,
          );
    const more = at(value + by);
    const less = more && field.type !== 'angle' ? undefined : at(value - by);
    const about = {
      path: [field.key],
      label: field.label,
      unit: unitOf(field),
      value,
      range: field.range,
    };
    const varied: Varied = {
      now: now.solid,
      by,
      ...(more && { more: more.solid }),
      ...(less && { less: less.solid }),
    };
    const d = dimensionOf(
      about,
      varied,
      found.map((f) => f.to),
      roomMm,
    );
    const flat = onPiece(about, now, more, less, by) ?? onShell(d, made);
    if (d.still && !flat) continue;
    found.push({ ...d, featureId, ...(flat && { flat }) });
  }
  return found;
}

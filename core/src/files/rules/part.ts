import Joi from 'joi';
import { zoneInfo, zones } from '../../body';
import type { Field, Part, PlaceKind } from '../../document';
import type { Kinds } from '../../parts';
import { id, name, turnDeg, within } from './common';
import { beneath } from './picture';
import { finish } from './work';

/** The rule of one field, from its range or choices: the same description the interface is drawn from. */
function fieldRule(field: Field): Joi.Schema {
  switch (field.type) {
    case 'choice':
      return field.open ? id : Joi.valid(...field.choices.map((c) => c.value));
    case 'foam':
      return field.own ? Joi.alternatives(Joi.valid(0), within(1, 50)) : within(1, 50);
    case 'rows':
      return Joi.array().min(field.range[0]).max(field.range[1]).items(paramsOf(field.of));
    case 'count':
      return within(...field.range).integer();
    default:
      return within(...field.range);
  }
}

export const paramsOf = (fields: readonly Field[]): Joi.ObjectSchema =>
  Joi.object(Object.fromEntries(fields.map((f) => [f.key, fieldRule(f).required()])));

/** A lamination of more layers is several parts. */
export const MOST_LAYERS = 24;

export const ply = Joi.object({ foamId: id.required(), nominalMm: within(0.5, 200).required() });

const share = within(0, 1).required();

const places: Record<PlaceKind, Joi.ObjectSchema> = {
  panel: Joi.object({ on: Joi.string(), panel: id.required(), u: share, v: share, turnDeg }),
  path: Joi.object({
    on: Joi.string(),
    panel: id.required(),
    points: Joi.array().min(2).max(40).items(Joi.array().ordered(share, share)).required(),
  }),
  edges: Joi.object({
    on: Joi.string(),
    runs: Joi.array()
      .min(1)
      .max(40)
      .items(Joi.object({ panel: id.required(), edge: id.required() }))
      .required(),
  }),
  room: Joi.object({
    on: Joi.string(),
    room: id.required(),
    alongMm: within(-2000, 2000).required(),
    acrossMm: within(-2000, 2000).required(),
    turnDeg,
  }),
};

const placeOf = (kinds: readonly PlaceKind[]): Joi.Schema =>
  Joi.alternatives().conditional('.on', {
    switch: kinds.map((on) => ({ is: on, then: places[on] })),
    otherwise: Joi.object({ on: Joi.valid(...kinds).required() }).unknown(),
  });

export const featureOf = ({ features }: Kinds): Joi.Schema =>
  Joi.alternatives().conditional('.kind', {
    switch: [...features.values()].map((kind) => ({
      is: kind.kind,
      then: Joi.object({
        id: id.required(),
        kind: Joi.string(),
        place: placeOf(kind.places).required(),
        params: paramsOf(kind.fields).required(),
      }),
    })),
    otherwise: Joi.object({ kind: Joi.valid(...features.keys()).required() }).unknown(),
  });

const count = Joi.number().integer().min(2).max(60).required();

const copies = Joi.alternatives().conditional('.way', {
  switch: [
    {
      is: 'row',
      then: Joi.object({
        way: Joi.string(),
        count,
        alongMm: within(-2000, 2000).required(),
        acrossMm: within(-2000, 2000).required(),
      }),
    },
    {
      is: 'round',
      then: Joi.object({
        way: Joi.string(),
        count,
        sweepDeg: within(-360, 360).required(),
        radiusMm: within(0, 2000).required(),
      }),
    },
    { is: 'mirrored', then: Joi.object({ way: Joi.string() }) },
  ],
  otherwise: Joi.object({ way: Joi.valid('row', 'round', 'mirrored').required() }).unknown(),
});

const mount = Joi.alternatives().conditional('.to', {
  switch: [
    {
      is: 'wearer',
      then: Joi.object({
        to: Joi.string(),
        zone: Joi.valid(...zones.map((z) => z.zone)).required(),
        side: Joi.valid('left', 'right', 'pair', 'middle').required(),
      }),
    },
    {
      is: 'part',
      then: Joi.object({
        to: Joi.string(),
        part: id.required(),
        anchor: id.required(),
        alongMm: within(-2000, 2000),
        acrossMm: within(-2000, 2000),
        offMm: within(-2000, 2000),
        turnDeg: within(-360, 360),
        leanDeg: within(-180, 180),
        nodDeg: within(-180, 180),
        apart: Joi.valid(true),
        letIn: Joi.valid(true, 'half'),
        copies,
      }),
    },
    { is: 'stand', then: Joi.object({ to: Joi.string() }) },
  ],
  otherwise: Joi.object({ to: Joi.valid('wearer', 'part', 'stand').required() }).unknown(),
});

export const pieceDarts = Joi.object({
  pieceId: id.required(),
  darts: Joi.array()
    .max(12)
    .items(
      Joi.object({
        edgeId: id.required(),
        at: share,
        reach: within(0.1, 1).required(),
      }),
    )
    .required(),
});

/** A mount must be one its form can hang from, with a side that place has. */
function mountFits({ forms }: Kinds, value: Part, helpers: Joi.CustomHelpers): Part | Joi.ErrorReport {
  const form = forms.get(value.form)!;
  const { mount: on } = value;
  if (on.to !== 'wearer') return value;
  if (!form.zones.includes(on.zone))
    return helpers.message({
      custom: `“mount.zone”: a ${form.label.toLowerCase()} hangs from ${form.zones.join(', ') || 'a stand or another part'}, not from ${on.zone}`,
    });
  const { sides } = zoneInfo(on.zone);
  return sides.includes(on.side)
    ? value
    : helpers.message({
        custom: `“mount.side” at the ${zoneInfo(on.zone).label} must be ${sides.join(', ')}`,
      });
}

export const partOf = (kinds: Kinds): Joi.Schema =>
  Joi.object({
    id: id.required(),
    name: name.required(),
    form: Joi.valid(...kinds.forms.keys()).required(),
    params: Joi.when('form', {
      switch: [...kinds.forms.values()].map((form) => ({
        is: form.kind,
        then: paramsOf(form.fields).required(),
      })),
    }),
    stack: Joi.when('form', {
      switch: [...kinds.forms.values()].map((form) => ({
        is: form.kind,
        then: Joi.array()
          .min(1)
          .max(form.sheets === 'layers' ? MOST_LAYERS : 1)
          .items(ply)
          .required(),
      })),
    }),
    lining: ply.allow(null).required(),
    mount: mount.required(),
    features: Joi.array().max(200).items(featureOf(kinds)).required(),
    darts: Joi.array().max(100).unique('pieceId').items(pieceDarts).required(),
    beneath,
    finish,
  }).custom((value: Part, helpers) => mountFits(kinds, value, helpers));

/** Feature ids are unique in the build, and mounts form no ring. */
export function partsHang(value: Part[], helpers: Joi.CustomHelpers): Part[] | Joi.ErrorReport {
  const seen = new Set<string>();
  for (const f of value.flatMap((p) => p.features)) {
    if (seen.has(f.id)) return helpers.message({ custom: `“parts”: two features are called “${f.id}”` });
    seen.add(f.id);
  }
  for (const part of value) {
    const way = new Set([part.id]);
    for (let at: Part | undefined = part; at?.mount.to === 'part';) {
      const host: string = at.mount.part;
      if (way.has(host))
        return helpers.message({ custom: `“parts”: ${part.name} is mounted on itself by way of “${host}”` });
      way.add(host);
      at = value.find((p) => p.id === host);
    }
  }
  return value;
}

import Joi from 'joi';
import { measures } from '../body/measures';
import { formKinds } from '../forms/kinds';
import type { Field } from '../forms/contract';
import { fail, ok, type Result } from '../units/result';
import { type BuildDoc, type BuildFile, schemaVersion } from './document';

const id = Joi.string().pattern(/^[A-Za-z0-9_.:-]{1,64}$/);
const name = Joi.string().trim().min(1).max(120);
const iso = Joi.string().isoDate();
const day = Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/, 'date as YYYY-MM-DD');
const within = (low: number, high: number): Joi.NumberSchema => Joi.number().min(low).max(high);

/** The rule of one field of a form, from its range or choices. */
function fieldRule(field: Field<never>): Joi.Schema {
  if (field.type === 'choice') return Joi.valid(...field.choices.map((c) => c.value));
  const rule = within(...field.range);
  return field.type === 'count' ? rule.integer() : rule;
}

const paramsOf = (fields: readonly Field<never>[]): Joi.ObjectSchema =>
  Joi.object(
    Object.fromEntries(
      fields.map((f) => [f.key, f.absent === undefined ? fieldRule(f).required() : fieldRule(f)]),
    ),
  );

const foamChoice = Joi.object({ foamId: id.required(), nominalMm: within(1, 50).required() });
const spot = { aroundDeg: within(-360, 720).required(), alongMm: within(-200, 2000).required() };

const lights = Joi.object({
  rows: Joi.array()
    .max(20)
    .items(
      Joi.object({
        id: id.required(),
        colour: Joi.valid('red', 'amber', 'green', 'blue', 'white').required(),
        body: Joi.valid('3mm', '5mm').required(),
        count: within(1, 60).integer().required(),
        pitchMm: within(6, 500).required(),
        ...spot,
      }),
    )
    .required(),
  currentMa: within(0.5, 60).required(),
  packId: id.required(),
  packAt: Joi.object(spot).required(),
  pocket: Joi.boolean().required(),
  switchId: id.required(),
  switchAt: Joi.object(spot).required(),
});

const share = within(0, 1).required();
const onPiece = { id: id.required(), pieceId: id.required() };
const onEdge = { ...onPiece, edgeId: id.required() };

const detail = Joi.alternatives().conditional('.kind', {
  switch: [
    {
      is: 'trim',
      then: Joi.object({
        kind: Joi.string(),
        ...onEdge,
        face: Joi.valid('outer', 'inner').required(),
        widthMm: within(4, 120).required(),
        nominalMm: within(1, 50).required(),
        look: Joi.valid('square', 'rounded').required(),
      }),
    },
    {
      is: 'layer',
      then: Joi.object({
        kind: Joi.string(),
        ...onPiece,
        insetMm: within(2, 150).required(),
        nominalMm: within(1, 50).required(),
      }),
    },
    {
      is: 'rivets',
      then: Joi.object({
        kind: Joi.string(),
        ...onEdge,
        insetMm: within(3, 100).required(),
        spacingMm: within(8, 400).required(),
        diameterMm: within(3, 40).required(),
      }),
    },
    {
      is: 'line',
      then: Joi.object({
        kind: Joi.string(),
        ...onPiece,
        look: Joi.valid('groove', 'score').required(),
        points: Joi.array()
          .min(2)
          .max(40)
          .items(Joi.object({ x: share, y: share }))
          .required(),
      }),
    },
  ],
  otherwise: Joi.object({ kind: Joi.valid('trim', 'layer', 'rivets', 'line').required() }).unknown(),
});

const pieceDarts = Joi.object({
  pieceId: id.required(),
  darts: Joi.array()
    .max(12)
    .items(
      Joi.object({
        edgeId: Joi.valid('bottom', 'right', 'top', 'left').required(),
        at: share,
        reach: within(0.1, 1).required(),
      }),
    )
    .required(),
});

const part = Joi.object({
  id: id.required(),
  name: name.required(),
  form: Joi.valid(...Object.keys(formKinds)).required(),
  sides: Joi.valid('left', 'right', 'pair').required(),
  params: Joi.when('form', {
    switch: Object.values(formKinds).map((form) => ({
      is: form.kind,
      then: paramsOf(form.fields as unknown as Field<never>[]).required(),
    })),
  }),
  foam: foamChoice.required(),
  lining: foamChoice.allow(null).required(),
  lights: lights.allow(null).required(),
  details: Joi.array().max(200).unique('id').items(detail),
  dartsByHand: Joi.array().max(100).unique('pieceId').items(pieceDarts),
});

export const wearerSchema = Joi.object({
  name: name.required(),
  underLayerMm: within(0, 40).required(),
  measures: Joi.array()
    .max(2000)
    .items(
      Joi.object({
        key: Joi.valid(...measures.map((m) => m.key)).required(),
        side: Joi.valid('left', 'right'),
        valueMm: within(0.1, 10000).required(),
        source: Joi.valid('tape', 'scan', 'csv').required(),
        takenOn: day.required(),
      }),
    )
    .required(),
});

export const stockSchema = Joi.array()
  .max(200)
  .items(
    Joi.object({
      foamId: id.required(),
      nominalMm: within(1, 50).required(),
      sheets: within(0, 1000).integer().required(),
      measuredMm: within(0.5, 60),
      neutralFraction: within(0, 1),
      rightAngleMm: within(0.5, 60),
      pricePerSheet: within(0, 10000),
    }),
  );

export const docSchema = Joi.object({
  schema: Joi.valid(schemaVersion).required(),
  name: name.required(),
  brief: Joi.object({
    version: Joi.valid('hero', 'stunt').required(),
    startDate: day.required(),
    eventDate: day.required(),
    hoursPerDay: within(0.25, 16).required(),
    budget: within(0, 1_000_000).required(),
    currency: Joi.valid('EUR', 'USD', 'GBP').required(),
    lightHours: within(0, 200).required(),
    luggageMm: within(100, 5000).required(),
    eventMaxMm: within(100, 10000).required(),
    notes: Joi.string().allow('').max(20000).required(),
  }).required(),
  wearer: wearerSchema.required(),
  stock: stockSchema.required(),
  parts: Joi.array().max(200).unique('id').items(part).required(),
  cut: Joi.object({
    page: Joi.valid('A4', 'A3', 'Letter', 'Legal').required(),
    barMeasuredMm: within(80, 120).required(),
    overlapMm: within(0, 40).required(),
    spacingMm: within(0, 50).required(),
  }).required(),
  make: Joi.object({
    habits: Joi.object({
      glue: Joi.valid('contact', 'instant', 'hot').required(),
      fold: Joi.valid('v-groove', 'slanted-pair', 'heat-and-fold', 'partial-cut').required(),
      seal: Joi.valid('spray-rubber', 'brush-on', 'acrylic', 'latex', 'thermoplastic').required(),
      cutter: Joi.valid('knife', 'band-saw', 'laser').required(),
    }).required(),
    done: Joi.object().pattern(id, iso).required(),
  }).required(),
});

export const logEntrySchema = Joi.object({
  id: id.required(),
  at: iso.required(),
  subject: name.required(),
  note: Joi.string().allow('').max(5000).required(),
  planned: Joi.number().allow(null).required(),
  actual: Joi.number().allow(null).required(),
  unit: Joi.string().allow('').max(20).required(),
});

export const pinSchema = Joi.object({
  id: id.required(),
  name: name.required(),
  pinnedAt: iso.required(),
  doc: docSchema.required(),
});

const fileSchema = Joi.object({
  fomrik: Joi.valid(schemaVersion).required(),
  build: docSchema.required(),
  pins: Joi.array().max(100).items(pinSchema).required(),
  log: Joi.array().max(10000).items(logEntrySchema).required(),
});

/** Checks a value; on failure the sentence names the field's path and the allowed range. */
export function check<T>(schema: Joi.Schema, value: unknown): Result<T> & { field?: string } {
  const checked = schema.validate(value, { convert: false, errors: { wrap: { label: '“' } } });
  if (!checked.error) return ok(checked.value as T);
  const detail = checked.error.details[0]!;
  const field = detail.path.join('.');
  return { ...fail(`${checked.error.message}.`.replace(/“\[ref:.*?\]“/, 'the other value')), field };
}

export const checkDoc = (value: unknown): Result<BuildDoc> & { field?: string } =>
  check<BuildDoc>(docSchema, value);

/** Reads the text of a build file. */
export function readBuildFile(text: string): Result<BuildFile> & { field?: string } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return fail(`This is not a build file: ${(error as Error).message}.`);
  }
  if (
    typeof value === 'object' &&
    value !== null &&
    'fomrik' in value &&
    Number(value.fomrik) > schemaVersion
  ) {
    return fail(
      `This build file is of version ${String(value.fomrik)}; this Fomrik reads up to ${schemaVersion}.`,
    );
  }
  return check<BuildFile>(fileSchema, value);
}

export const writeBuildFile = (file: BuildFile): string => `${JSON.stringify(file, null, 2)}\n`;

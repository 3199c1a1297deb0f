import { quantityKeys } from '../learn';
import Joi from 'joi';
import { measures } from '../body';
import { type BuildDoc, type BuildFile, type LogEntry, type Pin, schemaVersion } from '../document';
import { type Kinds, standardKinds } from '../parts';
import { printedKinds } from '../printed';
import { fail, ok, type Result } from '../units';
import { hostileName, hostileSays } from './hostileName';
import { circuit } from './rules/circuit';
import { day, id, iso, name, within } from './rules/common';
import { mesh } from './rules/mesh';
import { nests } from './rules/nests';
import { featureOf, MOST_LAYERS, paramsOf, partOf, partsHang, pieceDarts, ply } from './rules/part';
import { content, picture } from './rules/picture';
import { foamItemSchema, stockSchema } from './rules/stock';
import { calendar, cases } from './rules/work';
import { versionsFit } from './versionsFit';

export { foamItemSchema };

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

/** Each kind's own fields. */
const printedPart = Joi.object({
  id: id.required(),
  kind: Joi.valid(...printedKinds.map((k) => k.kind)).required(),
  params: Joi.when('kind', {
    switch: printedKinds.map((k) => ({ is: k.kind, then: paramsOf(k.fields).required() })),
  }),
});

const versionOf = (kinds: Kinds): Joi.Schema =>
  Joi.object({
    id: id.required(),
    name: name.required(),
    unlit: Joi.valid(true),
    statureMm: within(700, 2300),
    parts: Joi.object()
      .pattern(
        id,
        Joi.object({
          leftOut: Joi.valid(true),
          params: Joi.object(),
          stack: Joi.array().min(1).max(MOST_LAYERS).items(ply),
          lining: ply.allow(null),
          features: Joi.array().max(200).items(featureOf(kinds)),
          darts: Joi.array().max(100).unique('pieceId').items(pieceDarts),
        }),
      )
      .required(),
  });

const docSchemaOf = (kinds: Kinds): Joi.ObjectSchema =>
  Joi.object({
    schema: Joi.valid(schemaVersion).required(),
    name: name.required(),
    brief: Joi.object({
      // Files from before versions carry a word that nothing reads.
      version: Joi.any().strip(),
      startDate: day.required(),
      eventDate: day.required(),
      hoursPerDay: within(0.25, 16).required(),
      boxes: cases,
      hourlyRate: within(0, 1000),
      budget: within(0, 1_000_000).required(),
      currency: Joi.valid('EUR', 'USD', 'GBP').required(),
      lightHours: within(0, 200).required(),
      coldC: within(-30, 45),
      luggageMm: within(100, 5000).required(),
      eventMaxMm: within(100, 10000).required(),
      maxCarriedG: within(1, 50000),
      maxRigidMm: within(1, 10000),
      softEdges: Joi.valid(true),
      noBarrel: Joi.valid(true),
      notes: Joi.string().allow('').max(20000).required(),
    }).required(),
    wearer: wearerSchema.required(),
    stock: stockSchema.required(),
    parts: Joi.array().max(200).unique('id').items(partOf(kinds)).custom(partsHang).required(),
    circuits: Joi.array().max(100).unique('id').items(circuit).required(),
    pictures: Joi.array().max(40).unique('id').items(picture),
    meshes: Joi.array().max(12).unique('id').items(mesh),
    printed: Joi.array().max(60).unique('id').items(printedPart),
    versions: Joi.array().max(20).unique('id').items(versionOf(kinds)),
    setAside: Joi.object().pattern(
      Joi.string().max(200),
      Joi.object({
        title: Joi.string().max(500).required(),
        reason: Joi.string().max(500).allow('').required(),
      }),
    ),
    cut: Joi.object({
      page: Joi.valid('A4', 'A3', 'Letter', 'Legal').required(),
      barMeasuredMm: within(80, 120).required(),
      barAlongMeasuredMm: within(80, 120),
      pagePlan: Joi.valid('together', 'apart'),
      overlapMm: within(0, 40).required(),
      spacingMm: within(0, 50).required(),
      kerfMm: within(0, 5),
      tabMm: within(0, 20),
      shelvedOn: day,
      letters: Joi.object()
        .pattern(id, Joi.string().pattern(/^[A-Z]{1,3}$/))
        .max(2000),
      nests,
    }).required(),
    make: Joi.object({
      habits: Joi.object({
        glue: Joi.valid('contact', 'instant', 'hot').required(),
        fold: Joi.valid('v-groove', 'slanted-pair', 'heat-and-fold', 'partial-cut').required(),
        seal: Joi.valid('spray-rubber', 'brush-on', 'acrylic', 'latex', 'thermoplastic').required(),
        cutter: Joi.valid('knife', 'band-saw', 'laser').required(),
        // From an application older than these; the door fills them in.
        bevel: Joi.valid('two-lines', 'tilted'),
        sawKerfMm: within(0.5, 6),
      }).required(),
      calendar,
      done: Joi.object().pattern(id, iso).required(),
      readings: Joi.array()
        .items(
          Joi.object({
            id,
            quantity: Joi.valid(...quantityKeys).required(),
            planned: Joi.number().greater(0).max(1e6).required(),
            actual: Joi.number().greater(0).max(1e6).required(),
            takenOn: day.required(),
            of: Joi.string().allow('').max(120).required(),
          }),
        )
        .unique('id')
        .max(500),
    }).required(),
  }).custom((value: BuildDoc, helpers) => versionsFit(kinds, value, helpers));

export const docSchema = docSchemaOf(standardKinds);

export const printerSchema = Joi.object({
  id: id.required(),
  name: name.required(),
  acrossMm: within(80, 120).required(),
  alongMm: within(80, 120).required(),
});

export const logEntrySchema = Joi.object({
  id: id.required(),
  at: iso.required(),
  subject: name.required(),
  note: Joi.string().allow('').max(5000).required(),
  planned: Joi.number().allow(null).required(),
  actual: Joi.number().allow(null).required(),
  unit: Joi.string().allow('').max(20).required(),
  sort: Joi.valid('note', 'broke', 'next', 'bought'),
  part: id,
  photos: Joi.array().max(20).unique().items(content),
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
  pins: Joi.array().max(10000).unique('id').items(pinSchema).required(),
  log: Joi.array().max(10000).unique('id').items(logEntrySchema).required(),
  pictures: Joi.array()
    .unique('content')
    .items(
      Joi.object({
        content: content.required(),
        base64: Joi.string().max(8_000_000).base64().required(),
      }),
    ),
});

/** Checks a value; on failure the sentence names the field's path and the allowed range. */
export function check<T>(schema: Joi.Schema, value: unknown): Result<T> & { field?: string } {
  const hostile = hostileName(value);
  if (hostile !== undefined) return { ...fail(hostileSays(hostile)), field: hostile };
  const checked = schema.validate(value, { convert: false, errors: { wrap: { label: '“' } } });
  if (!checked.error) return ok(checked.value as T);
  const detail = checked.error.details[0]!;
  const field = detail.path.join('.');
  return { ...fail(`${checked.error.message}.`.replace(/“\[ref:.*?\]“/, 'the other value')), field };
}

/** A value that was checked, or a sentence and the field it is about. */
export type Checked<T> = Result<T> & { field?: string };

/** A document of the present schema; `kinds` are what it may be made of. */
export const checkDoc = (value: unknown, kinds: Kinds = standardKinds): Checked<BuildDoc> =>
  check<BuildDoc>(kinds === standardKinds ? docSchema : docSchemaOf(kinds), value);

/** A file of the present schema. */
export const checkFile = (value: unknown): Checked<BuildFile> => check<BuildFile>(fileSchema, value);

export const checkPin = (value: unknown): Checked<Pin> => check<Pin>(pinSchema, value);

/** A run of log entries. */
export const checkLog = (value: unknown): Checked<LogEntry[]> =>
  check<LogEntry[]>(Joi.array().max(10000).unique('id').items(logEntrySchema), value);

import Joi from 'joi';
import { contentRule } from '../picture';
import {
  anyNumber,
  id,
  list,
  moment,
  name,
  nullable,
  object,
  oneOf,
  optional,
  rule,
  text,
  type ValueOf,
} from '../rule';
import { buildRule, schemaVersion } from './document';
import type { Known } from './known';

/** What really happened. */
export const logEntryRule = object({
  id,
  at: moment,
  subject: name,
  note: text(5000),
  planned: nullable(anyNumber),
  actual: nullable(anyNumber),
  unit: text(20),
  /** A note, something that broke, what to do otherwise next time, or something bought, with its receipt; a note when left out. */
  sort: optional(oneOf('note', 'broke', 'next', 'bought')),
  /** The part it is about. */
  part: optional(id),
  /** Pictures of it, by what they hash to. */
  photos: optional(list(contentRule, { most: 20, unique: true })),
});
export type LogEntry = ValueOf<typeof logEntryRule>;
export type LogSort = NonNullable<LogEntry['sort']>;

export const logRule = list(logEntryRule, { most: 10_000, unique: 'id' });

/** A remembered state to compare with. */
export const pinRule = (known: Known) => object({ id, name, pinnedAt: moment, doc: buildRule(known) });
export type Pin = ValueOf<ReturnType<typeof pinRule>>;

/** The bytes of a picture, under what they hash to. */
const keptPictureRule = object({
  content: contentRule,
  base64: rule<string>(Joi.string().max(8_000_000).base64()),
});
export type KeptPicture = ValueOf<typeof keptPictureRule>;

/** A build as saved to disk and shared. */
export const fileRule = (known: Known) =>
  object({
    fomrik: oneOf(schemaVersion),
    build: buildRule(known),
    pins: list(pinRule(known), { most: 10_000, unique: 'id' }),
    log: logRule,
    /** Of the pictures it is made after, those whose bytes are at hand. */
    pictures: optional(list(keptPictureRule, { unique: 'content' })),
  });
export type BuildFile = ValueOf<ReturnType<typeof fileRule>>;

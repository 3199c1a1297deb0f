import { byId } from '../units';
import {
  byKey,
  flag,
  id,
  list,
  name,
  nullable,
  object,
  oneOf,
  optional,
  type Rule,
  type ValueOf,
  within,
  rule,
} from '../rule';
import Joi from 'joi';
import { holds } from './field';
import type { Known } from './known';
import type { Params } from './parts/value';
import { schemeRule } from './parts/scheme';
import { featureRule, finishRule, MOST_LAYERS, type Part, pieceDartsRule, plyRule } from './parts/part';

/** What a form holds is checked once its part is known, in `versionsFit`. */
const anyParams: Rule<Params> = rule(Joi.object());

/** What differs in one part of a version; everything that is not named stays as in the document. */
const partOtherwiseRule = (known: Known) =>
  object({
    leftOut: flag,
    params: optional(anyParams),
    stack: optional(list(plyRule, { least: 1, most: MOST_LAYERS })),
    lining: optional(nullable(plyRule)),
    features: optional(list(featureRule(known), { most: 200 })),
    darts: optional(list(pieceDartsRule, { most: 100, unique: 'pieceId' })),
    /** Null is the shop’s own way, and no colours. */
    finish: optional(nullable(finishRule)),
    scheme: optional(nullable(schemeRule)),
    /** Null is cut from sheet. */
    printed: optional(nullable(oneOf(true))),
  });
export type PartOtherwise = ValueOf<ReturnType<typeof partOtherwiseRule>>;

/** The build otherwise: a named list of changes to the document. */
export const versionRule = (known: Known) =>
  object({
    id,
    name,
    /** By part. */
    parts: byKey(id, partOtherwiseRule(known)),
    /** Nothing of any circuit is put in. */
    unlit: flag,
    /** For another wearer of this height, every other measure estimated. */
    statureMm: optional(within(700, 2300)),
  });
export type Version = ValueOf<ReturnType<typeof versionRule>>;

/** Values that differ in a version must be valid for the form of their part; parts that were removed are skipped. */
export const versionsFit =
  ({ forms }: Known) =>
  (doc: { parts: readonly Part[]; versions?: readonly Version[] }): string | undefined => {
    for (const version of doc.versions ?? [])
      for (const [partId, other] of Object.entries(version.parts)) {
        const part = byId(doc.parts, partId);
        const form = part && forms.get(part.form);
        if (!form) continue;
        const where = `“versions”, ${version.name}, ${part.name}`;
        for (const [key, value] of Object.entries(other.params ?? {})) {
          const field = form.fields.find((f) => f.key === key);
          if (!field) return `${where}: there is no value “${key}”`;
          if (!holds(field, value))
            return `${where}: “${field.label}” cannot be ${JSON.stringify(value)}${'range' in field ? `, only ${field.range.join(' to ')}` : ''}`;
        }
        if (other.stack && other.stack.length > 1 && form.sheets !== 'layers')
          return `${where}: a ${form.label.toLowerCase()} has one sheet`;
      }
    return undefined;
  };

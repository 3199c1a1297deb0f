import type Joi from 'joi';
import { type BuildDoc, holds } from '../document';
import type { Kinds } from '../parts';

/** What a version has otherwise must be what its part's form can have; parts that are gone are passed over. */
export function versionsFit(
  { forms }: Kinds,
  doc: BuildDoc,
  helpers: Joi.CustomHelpers,
): BuildDoc | Joi.ErrorReport {
  for (const version of doc.versions ?? [])
    for (const [partId, other] of Object.entries(version.parts)) {
      const part = doc.parts.find((p) => p.id === partId);
      const form = part && forms.get(part.form);
      if (!form) continue;
      const where = `“versions”, ${version.name}, ${part.name}`;
      for (const [key, value] of Object.entries(other.params ?? {})) {
        const field = form.fields.find((f) => f.key === key);
        if (!field || !holds(field, value))
          return helpers.message({
            custom: field
              ? `${where}: “${field.label}” cannot be ${JSON.stringify(value)}${'range' in field ? `, only ${field.range.join(' to ')}` : ''}`
              : `${where}: there is no value “${key}”`,
          });
      }
      if (other.stack && other.stack.length > 1 && form.sheets !== 'layers')
        return helpers.message({ custom: `${where}: a ${form.label.toLowerCase()} has one sheet` });
    }
  return doc;
}

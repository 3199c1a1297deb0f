import type { Field, Params, Value } from '@fomrik/core/document';
import { catalogueNow } from '../store/catalogue';
import { type LengthUnit, byId, counted, printLength, trimNumber } from '@fomrik/core/units';

/** A value as its field shows it. */
export function valueWords(field: Field, value: Value | undefined, unit: LengthUnit): string {
  if (field.type === 'rows') return counted(Array.isArray(value) ? value.length : 0, field.line);
  if (field.type === 'choice') {
    const known = field.choices.find((c) => c.value === value)?.label;
    const own = field.foams ? byId(catalogueNow().foams, String(value))?.name : undefined;
    return known ?? own ?? String(value);
  }
  const number = Number(value);
  if (field.type === 'foam') return number === 0 ? 'as the part' : `${trimNumber(number)} mm`;
  if (field.type === 'length') return printLength(number, unit);
  return `${trimNumber(number)}${field.type === 'angle' ? '°' : field.unit ? ` ${field.unit}` : ''}`;
}

/** What a folded group holds, its first values. */
export const groupWords = (fields: readonly Field[], params: Params, unit: LengthUnit): string =>
  fields
    .slice(0, 3)
    .map((f) => valueWords(f, params[f.key], unit))
    .join(' · ');

/** Fields by the group they are in, in the order groups are first met. */
export function byGroup<F extends Pick<Field, 'group'>>(fields: readonly F[]): [string, F[]][] {
  const groups = new Map<string, F[]>();
  for (const field of fields) groups.set(field.group, [...(groups.get(field.group) ?? []), field]);
  return [...groups];
}

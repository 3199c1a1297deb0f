import fc from 'fast-check';
import type { Field, Params, Part, Row, ScalarField, Value } from '../../document';
import { catalogue, thicknessesOf } from '../../materials';
import { standardKinds } from '../kinds';
import { newPart } from '../newPart';
import type { Wearer } from '../../body';

/** Values a field may hold: its ends and its choices as often as anything between. */
function anyScalar(field: ScalarField): fc.Arbitrary<string | number> {
  if (field.type === 'choice') return fc.constantFrom(...field.choices.map((c) => c.value));
  if (field.type === 'foam') return fc.constantFrom(...(field.own ? [0] : []), 2, 4, 6, 10);
  const [low, high] = field.range;
  if (field.type === 'count')
    return fc.oneof(fc.constantFrom(low, high), fc.integer({ min: Math.ceil(low), max: Math.floor(high) }));
  return fc.oneof(fc.constantFrom(low, high), fc.double({ min: low, max: high, noNaN: true }));
}

export function anyField(field: Field): fc.Arbitrary<Value | Row[]> {
  if (field.type !== 'rows') return anyScalar(field);
  const row = fc.record<Row>(Object.fromEntries(field.of.map((f) => [f.key, anyScalar(f)])));
  return fc.array(row, { minLength: field.range[0], maxLength: Math.min(field.range[1], 6) });
}

/** Random parts of a form out of so many of all; a given surface takes as long as several other parts. */
export const runsOf = (form: string, count: number): number =>
  Math.ceil(count / standardKinds.forms.size / (standardKinds.forms.get(form)!.surface ? 5 : 1));

/** Any valid part of a form for a wearer: some of its fields as they begin, the others as chance has them, in any foam. */
export function anyPart(form: string, wearer: Wearer): fc.Arbitrary<Part> {
  const kind = standardKinds.forms.get(form)!;
  const plain = newPart('one', wearer, form);
  const params: fc.Arbitrary<Params> = fc
    .tuple(
      ...kind.fields.map((field) =>
        fc.tuple(fc.constant(field.key), fc.option(anyField(field), { freq: 2 })),
      ),
    )
    .map((all) => {
      const changed = all.flatMap(([key, value]) => (value === null ? [] : [[key, value] as const]));
      return { ...plain.params, ...Object.fromEntries(changed) };
    });
  const ply = fc
    .constantFrom(
      ...catalogue.foams.filter((f) => kind.zones.length === 0 || f.kind === 'foam').map((f) => f.id),
    )
    .chain((foamId) =>
      fc.record({
        foamId: fc.constant(foamId),
        nominalMm: fc.constantFrom(...thicknessesOf(catalogue.foams, [], foamId)),
      }),
    );
  return fc.record({ params, ply, lined: fc.boolean() }).map(({ params: values, ply: own, lined }) => ({
    ...plain,
    params: values,
    stack: [own],
    lining: lined ? { foamId: 'light-eva', nominalMm: 2 } : null,
  }));
}

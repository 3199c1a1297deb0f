import { expect } from 'chai';
import { applyChanges, type BuildDoc, type Change, type Field } from '../document';
import { standardKinds } from '../parts';
import { inRows, printedPieces } from '../pattern';
import { createDeriver } from '../report';
import { sampled } from '../units/testing/sampled';
import { upgradeDoc } from './buildFile';
import { drawingSvg } from './svg';
import { demo, demoNames } from './testing/demo';
import { nans } from './testing/nans';

/** So many of the ends and choices of all demo builds are tried in the usual run. */
const USUAL = 20;

/** The values at a field's ends, or its choices; lists are of other tests. */
function endsOf(field: Field): (string | number)[] {
  if (field.type === 'rows') return [];
  if (field.type === 'choice') return field.choices.map((c) => c.value);
  if (field.type === 'foam') return field.own ? [0, 2, 10] : [2, 10];
  return [...field.range];
}

interface Trial {
  name: string;
  what: string;
  part: number;
  change: Change;
}

/** Every end of every field of every part and detail of a build. */
const trialsOf = (name: string, { parts }: BuildDoc): Trial[] =>
  parts.flatMap((part, i) => {
    const of = (fields: readonly Field[], path: (string | number)[], where: string): Trial[] =>
      fields.flatMap((field) =>
        endsOf(field).map((value) => ({
          name,
          what: `${name}: ${part.name}${where}, ${field.label} ${value}`,
          part: i,
          change: { path: [...path, field.key], value },
        })),
      );
    return [
      ...of(standardKinds.forms.get(part.form)!.fields, ['parts', i, 'params'], ''),
      ...part.features.flatMap((f, k) =>
        of(
          standardKinds.features.get(f.kind)!.fields,
          ['parts', i, 'features', k, 'params'],
          `, ${f.kind} ${f.id}`,
        ),
      ),
    ];
  });

describe('every field of the demo builds at its ends', function () {
  this.timeout(3_600_000);

  it('can be saved, is worked out, and is drawn in numbers', () => {
    const docs = new Map(demoNames().map((name) => [name, demo(name)]));
    const all = [...docs].flatMap(([name, doc]) => trialsOf(name, doc));
    const tried = sampled(all, USUAL);
    const derivers = new Map([...docs.keys()].map((name) => [name, createDeriver()]));
    for (const { name, what, part, change } of tried) {
      const read = upgradeDoc(applyChanges(docs.get(name)!, [change]));
      if (!read.ok) throw new Error(`${what}: ${read.message}`);
      // Worked out coarsely but for what was asked: the whole of a harness takes its time.
      const report = derivers.get(name)!(read.value, { coarse: true });
      expect(nans(report.parts[part]), what).to.deep.equal([]);
      const { shapes, widthMm, heightMm } = inRows(printedPieces(report));
      expect(drawingSvg(shapes, widthMm, heightMm, name), what).to.not.match(/NaN|Infinity/);
    }
  });
});

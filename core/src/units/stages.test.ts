import { expect } from 'chai';
import { createStages } from './stages';

interface Doc {
  name: string;
  list: readonly number[];
  brief: { budget: number; cold: number };
}

describe('stages that remember', () => {
  const doc: Doc = { name: 'a', list: [1, 2], brief: { budget: 5, cold: 20 } };
  const made: string[] = [];
  const fresh = () => {
    made.length = 0;
    return createStages<Doc>(['brief'], (name) => made.push(name));
  };

  it('are made anew when something they were made of, or read of the document, is another', () => {
    const stage = fresh();
    const sum = (d: Doc, by: number): number =>
      stage('sum', d, [by], ({ list, brief }) => by * list.reduce((a, b) => a + b, 0) + brief.cold);
    expect([
      sum(doc, 2),
      sum({ ...doc, name: 'b' }, 2),
      sum({ ...doc, brief: { budget: 9, cold: 20 } }, 2),
    ]).to.deep.equal([26, 26, 26]);
    expect(made).to.have.length(1);
    expect(sum({ ...doc, brief: { budget: 5, cold: 0 } }, 2)).to.equal(6);
    expect(sum({ ...doc, brief: { budget: 5, cold: 0 } }, 3)).to.equal(9);
    expect(sum({ ...doc, list: [1, 2] }, 3)).to.equal(29);
    expect(made).to.have.length(4);
  });

  it('take what is copied or listed for read as a whole', () => {
    const stage = fresh();
    Object.freeze(doc.brief);
    const budget = (d: Doc): number => stage('copy', d, [], ({ brief }) => ({ ...brief }).budget);
    expect([budget(doc), budget({ ...doc, name: 'b' })]).to.deep.equal([5, 5]);
    expect(made).to.have.length(1);
    expect(budget({ ...doc, brief: { budget: 5, cold: 1 } })).to.equal(5);
    expect(made).to.have.length(2);
    const whole = (d: Doc): string => stage('whole', d, [], (read) => ({ ...read }).name);
    expect([whole(doc), whole({ ...doc, list: [] }), whole({ ...doc, name: 'c' })]).to.deep.equal([
      'a',
      'a',
      'c',
    ]);
  });

  it('within stages count what the inner one read, also when it remembers', () => {
    const stage = fresh();
    const outer = (d: Doc, by: object): number =>
      stage('outer', d, [by], (read) => stage('inner', read, [], ({ brief }) => brief.cold) + 1);
    const [first, second] = [{}, {}];
    expect(outer(doc, first)).to.equal(21);
    // The inner one is remembered here; the outer one must still know that it hangs on the cold.
    expect(outer(doc, second)).to.equal(21);
    expect(made).to.deep.equal(['outer', 'inner', 'outer']);
    expect(outer({ ...doc, brief: { budget: 5, cold: 7 } }, second)).to.equal(8);
  });

  it('give the list they gave before where its members are the same', () => {
    const stage = fresh();
    const [a, b] = [{}, {}];
    const list = (d: Doc): object[] =>
      stage('list', d, [], ({ list }) => (list.length > 0 ? [a, b] : [b, a]));
    const before = list(doc);
    expect(list({ ...doc, list: [3] })).to.equal(before);
    expect(list({ ...doc, list: [] })).not.to.equal(before);
  });
});

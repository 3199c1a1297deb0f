import { createDeriver } from '@fomrik/core/report';
import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import { createReceiver, createSender } from './partial';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
const doc = {
  ...newBuild('Two', '2026-03-01', wearer),
  parts: [newPart('a', wearer, 'greave'), newPart('b', wearer, 'bracer')],
};

describe('a report on its way from the worker', () => {
  it('carries only what changed, and arrives whole with the same parts as before', () => {
    const [derive, send, receive] = [createDeriver(), createSender(), createReceiver()];
    const over = <T>(value: T): T => structuredClone(value);
    const first = receive(over(send(derive(doc))));
    expect(first).to.deep.equal(derive(doc));
    const edited = {
      ...doc,
      parts: [{ ...doc.parts[0]!, params: { ...doc.parts[0]!.params, easeMm: 30 } } as never, doc.parts[1]!],
    };
    const partial = send(derive(edited));
    expect(partial.parts[1]).to.equal('b');
    const second = receive(over(partial));
    expect(second).to.deep.equal(derive(edited));
    expect(second.parts[1]).to.equal(first.parts[1]);
    expect(second.parts[0]).to.not.equal(first.parts[0]);
    const fewer = receive(over(send(derive({ ...edited, parts: [edited.parts[1]!] }))));
    expect(fewer.parts.map((p) => p.id)).to.deep.equal(['b']);
  });

  it('says so when a part was never sent', () => {
    const report = createDeriver()(doc);
    expect(() => createReceiver()({ ...report, parts: ['a'] })).to.throw('never sent');
  });
});

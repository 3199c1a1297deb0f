import { createDeriver } from '@fomrik/core/report';
import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import fc from 'fast-check';
import { createReceiver, createSender, type Sent } from './difference';
import { createPacker, createUnpacker } from './packed';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
const doc = {
  ...newBuild('Two', '2026-03-01', wearer),
  parts: [newPart('a', wearer, 'greave'), newPart('b', wearer, 'bracer')],
};

/** Over to another thread: what is handed over is gone here. */
const over = <T>({ sent, buffers }: { sent: Sent<T>; buffers: ArrayBuffer[] }): Sent<T> =>
  structuredClone(sent, { transfer: buffers });

/** Small trees of what reports are made of. */
const value: fc.Arbitrary<unknown> = fc.letrec((tie) => ({
  number: fc.double({ noNaN: true }).map((n) => n + 0),
  point: fc.record({
    x: tie('number'),
    y: tie('number'),
    z: tie('number'),
  }),
  leaf: fc.oneof(fc.integer(), fc.string(), fc.boolean(), fc.constant(null), fc.constant(undefined)),
  points: fc.array(tie('point'), { maxLength: 14 }),
  rows: fc.array(fc.tuple(fc.integer(), fc.integer(), fc.integer()), { maxLength: 14 }),
  members: fc.uniqueArray(
    fc.record(
      { id: fc.constantFrom('a', 'b', 'c', 'd'), of: tie('tree') },
      { requiredKeys: ['id'], noNullPrototype: true },
    ),
    { selector: (one) => one.id },
  ),
  tree: fc.oneof(
    { maxDepth: 4 },
    tie('leaf'),
    tie('points'),
    tie('rows'),
    tie('members'),
    fc.dictionary(fc.constantFrom('p', 'q', 'r', 's'), tie('tree'), { noNullPrototype: true }),
    fc.array(tie('leaf'), { maxLength: 10 }),
  ),
})).tree;

describe('a report on its way from the worker', () => {
  it('carries only what changed, and arrives whole with the same objects as before', () => {
    const [derive, send, receive] = [createDeriver(), createSender<unknown>(), createReceiver<unknown>()];
    type Report = ReturnType<typeof derive>;
    const first = receive(over(send(derive(doc)))) as Report;
    expect(first).to.deep.equal(derive(doc));
    const edited = {
      ...doc,
      parts: [{ ...doc.parts[0]!, params: { ...doc.parts[0]!.params, easeMm: 30 } } as never, doc.parts[1]!],
    };
    const sent = send(derive(edited));
    const second = receive(over(sent)) as Report;
    expect(second).to.deep.equal(derive(edited));
    expect(second.parts[1]).to.equal(first.parts[1]);
    expect(second.body).to.equal(first.body);
    expect(second.parts[0]).to.not.equal(first.parts[0]);
    expect(second.parts[0]!.foam).to.equal(first.parts[0]!.foam);
    const nothing = send(derive(edited));
    expect(nothing.sent.difference).to.equal('same');
    expect(receive(over(nothing))).to.equal(second);
    const fewer = receive(over(send(derive({ ...edited, parts: [edited.parts[1]!] })))) as Report;
    expect(fewer.parts.map((p) => p.id)).to.deep.equal(['b']);
  });

  it('arrives as it was, whatever changes into whatever', () => {
    fc.assert(
      fc.property(fc.array(value, { minLength: 1, maxLength: 4 }), (values) => {
        const [send, receive] = [createSender<unknown>(), createReceiver<unknown>()];
        for (const one of values) expect(receive(over(send(one)))).to.deep.equal(one);
      }),
      { numRuns: 400 },
    );
  });

  it('hands points and rows of numbers over as one array, and shared objects arrive shared', () => {
    const points = Array.from({ length: 100 }, (_, i) => ({ x: i, y: -i / 3, z: 1e-12 * i }));
    const triangles = Array.from({ length: 50 }, (_, i) => [i, i + 1, i + 2]);
    const { pack, buffers } = createPacker();
    const packed = pack({ one: { points, triangles }, other: { points } });
    expect(buffers.map((b) => b.byteLength)).to.deep.equal([100 * 3 * 8, 50 * 3 * 8]);
    const back = createUnpacker()(structuredClone(packed, { transfer: buffers })) as {
      one: { points: unknown; triangles: unknown };
      other: { points: unknown };
    };
    expect(back.one).to.deep.equal({ points, triangles });
    expect(back.other.points).to.equal(back.one.points);
  });

  it('says so when something sent before never came', () => {
    const send = createSender<number>();
    send(1);
    expect(() => createReceiver<number>()(send(2).sent)).to.throw('never came');
  });
});

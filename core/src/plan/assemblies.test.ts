import { expect } from 'chai';
import { demo } from '../files/testing/demo';
import { sourcedPieces, sourcedTemplates } from '../pattern';
import { reportOf } from '../report/testing/reportOf';
import { assembliesOf, partLetters, withLetters } from './assemblies';

type Mounted = Parameters<typeof partLetters>[0][number];
const on = (id: string, part?: string): Mounted =>
  ({
    id,
    mount: part ? { to: 'part', part, anchor: 'tip' } : { to: 'wearer', zone: 'hand', side: 'middle' },
  }) as Mounted;

describe('putting together', () => {
  it('goes assembly by assembly, what carries the rest first, however the parts were added', () => {
    const parts = [on('lamp', 'head'), on('knife'), on('head', 'stick'), on('grip', 'knife'), on('stick')];
    expect(assembliesOf(parts).map((g) => g.map((p) => p.id))).to.deep.equal([
      ['stick', 'head', 'lamp'],
      ['knife', 'grip'],
    ]);
    expect(partLetters(parts)).to.deep.equal({ stick: 'A', head: 'B', lamp: 'C', knife: 'D', grip: 'E' });
  });

  it('keeps letters that were given, whatever comes or goes', () => {
    const kept = { stick: 'A', gone: 'B', knife: 'C' };
    expect(partLetters([on('new'), on('stick'), on('knife')], kept)).to.deep.equal({
      new: 'D',
      stick: 'A',
      knife: 'C',
    });
    const doc = demo('lampwarden-arms');
    const lettered = withLetters(doc);
    expect(lettered.cut.letters).to.deep.equal(reportOf(doc).letters);
    expect(withLetters(lettered)).to.equal(lettered);
  });

  it('takes a ring of mounts for what it is worth and loses no part', () => {
    const ring = [on('a', 'b'), on('b', 'a'), on('c')];
    expect(assembliesOf(ring).flat()).to.have.length(3);
  });

  it('letters the pieces of a build in the order its steps come', () => {
    const report = reportOf(demo('lampwarden-arms'));
    const order = Object.entries(report.letters)
      .sort(([, a], [, b]) => a.length - b.length || a.localeCompare(b))
      .map(([id]) => id);
    const first = order.map((id) => report.steps.findIndex((s) => s.partId === id));
    expect(first).to.deep.equal([...first].sort((a, b) => a - b));
    const codes = sourcedTemplates(report).map((p) => p.source.code);
    expect(new Set(sourcedPieces(report).map((p) => p.source.code)).size).to.equal(codes.length);
    expect(new Set(codes).size).to.equal(codes.length);
    // Each is put on what carries it before the next assembly begins.
    const mounts = report.steps.map((s, i) => ({ s, i })).filter(({ s }) => s.title.startsWith('Put '));
    for (const { s, i } of mounts)
      for (const need of s.after) expect(report.steps.findIndex((o) => o.id === need)).to.be.lessThan(i);
  });
});

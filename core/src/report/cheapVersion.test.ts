import { expect } from 'chai';
import { inVersion } from '../document';
import { readBuildFile, writeBuildFile } from '../files/buildFile';
import { demo, demoNames } from '../files/testing/demo';
import { cheapVersion, derive } from '.';

const total = (report: ReturnType<typeof derive>): number => report.cost.reduce((sum, l) => sum + l.total, 0);

describe('a cheap version by rule', () => {
  for (const name of demoNames())
    it(`${name}: costs no more, is still sealed and clear-coated, and stops nowhere it did not`, () => {
      const doc = demo(name);
      const shown = inVersion(doc, cheapVersion(doc, 'cheap'));
      const [before, after] = [derive(doc, { untried: true }), derive(shown, { untried: true })];
      expect(total(after)).to.be.at.most(total(before));
      // Added up apart: no colour but one a part, nothing to weather with.
      for (const part of shown.parts) {
        const { finish } = part;
        if (finish) {
          expect(finish.colours, part.name).to.be.at.most(1);
          expect(finish.weathering, part.name).to.equal('none');
          const own = doc.parts.find((p) => p.id === part.id)!;
          if ((own.finish?.clearCoats ?? 1) > 0) expect(finish.clearCoats, part.name).to.equal(1);
          if ((own.finish?.sealCoats ?? 1) > 0) expect(finish.sealCoats, part.name).to.be.greaterThan(0);
        }
        expect(new Set(part.scheme?.areas ?? []).size).to.equal(0);
      }
      expect(after.cost.some((l) => /wash|dry brush/i.test(l.what))).to.equal(false);
      const stops = (r: typeof before) => r.findings.filter((f) => f.severity === 'stop').map((f) => f.id);
      expect(stops(before)).to.include.members(stops(after));
      expect(after.circuits.length).to.equal(before.circuits.length);
    });

  it('comes back from a file as it was, finish and colours too', () => {
    const doc = demo('lampwarden-harness');
    const version = cheapVersion(doc, 'cheap');
    expect(Object.values(version.parts).some((p) => p.scheme)).to.equal(true);
    const file = { fomrik: 2, build: { ...doc, versions: [version] }, pins: [], log: [] };
    const read = readBuildFile(writeBuildFile(file as never));
    if (!read.ok) throw new Error(read.message);
    expect(read.value.build.versions).to.deep.equal([version]);
  });
});

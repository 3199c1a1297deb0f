import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { applyChanges, type BuildDoc } from '../document';
import { readBuildFile } from '../files/buildFile';
import { checkDoc } from '../files/schema';
import { reportOf } from './testing/reportOf';
import { lightMethods } from './lightMethods';

const demo = (name: string): BuildDoc => {
  const read = readBuildFile(
    readFileSync(new URL(`../../../demo/${name}.fomrik.json`, import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(read.message);
  return read.value.build;
};

describe('methods of light', function () {
  this.timeout(120_000);
  const doc = demo('lampwarden-bracers');
  const circuit = doc.circuits[0]!;
  const rows = lightMethods(doc, circuit.id, { power: 'day', switching: 'latching' });

  it('are five, the one of the build among them, each told as the build then is', () => {
    expect(rows.map((r) => r.method).sort()).to.deep.equal([
      'addressable',
      'bare',
      'edge-lit',
      'salvaged',
      'segments',
    ]);
    expect(rows.filter((r) => r.now).map((r) => r.method)).to.deep.equal(['bare']);
    for (const row of rows) {
      const changed = applyChanges(doc, row.changes);
      const checked = checkDoc(changed);
      expect(checked.ok, row.method).to.equal(true);
      const report = reportOf(changed);
      const made = report.circuits.find((c) => c.id === circuit.id)!;
      expect(made.run!.hours, row.method).to.be.closeTo(row.hours, 1e-9);
      expect(report.totals.massG).to.be.closeTo(row.massG, 1e-9);
      expect(report.totals.cost).to.be.closeTo(row.cost, 1e-9);
      expect(made.missing).to.deep.equal([]);
      // Every light stays where it was: nothing but its method has changed.
      expect(changed.parts[0]!.features.map((f) => f.id)).to.deep.equal(
        doc.parts[0]!.features.map((f) => f.id),
      );
    }
  });

  it('bring a pack of the right volts that lasts the day, the least that does', () => {
    for (const row of rows) {
      expect(row.hours, row.method).to.be.at.least(doc.brief.lightHours);
      const { findings } = reportOf(applyChanges(doc, row.changes));
      expect(
        findings.some((f) => f.id.startsWith('steady-volts') || f.id.startsWith('cell-current')),
        row.method,
      ).to.equal(false);
    }
    const never = lightMethods(doc, circuit.id, { power: 'never-out', switching: 'latching' });
    for (const row of never) {
      const day = rows.find((r) => r.method === row.method)!;
      expect(row.hours, row.method).to.be.at.least(day.hours);
    }
    expect(never.some((r) => r.hours >= 3 * doc.brief.lightHours)).to.equal(true);
  });

  it('switch as they are asked to', () => {
    for (const switching of ['momentary', 'remote'] as const)
      for (const row of lightMethods(doc, circuit.id, { power: 'day', switching })) {
        const made = reportOf(applyChanges(doc, row.changes)).circuits.find((c) => c.id === circuit.id)!;
        expect(made.switch!.kind).to.equal(switching);
      }
  });

  it('lead there and back: bare lamps made a strip and a strip made lamps run over the same foam', () => {
    const strip = rows.find((r) => r.method === 'segments')!;
    const there = applyChanges(doc, strip.changes);
    const back = lightMethods(there, circuit.id, { power: 'day', switching: 'latching' }).find(
      (r) => r.method === 'bare',
    )!;
    const lamps = reportOf(applyChanges(there, back.changes)).parts[0]!.items.filter((i) => i.lamp);
    const before = reportOf(doc).parts[0]!.items.filter((i) => i.lamp);
    const ends = (of: typeof lamps) => [of[0]!.flat!, of.at(-1)!.flat!];
    ends(lamps).forEach((p, i) => {
      expect(p.x).to.be.closeTo(ends(before)[i]!.x, 1.5);
      expect(p.y).to.be.closeTo(ends(before)[i]!.y, 1.5);
    });
  });
});

import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { applyChanges } from '../findings/finding';
import { buildTrial } from './buildTrial';
import { createDeriver } from './derive';
import type { Part } from './document';
import { newPart } from './newBuild';
import { readBuildFile } from './schema';

const read = readBuildFile(
  readFileSync(new URL('../../../demo/lampwarden-harness.fomrik.json', import.meta.url), 'utf8'),
);
if (!read.ok) throw new Error(read.message);
const harness = read.value.build;

describe('the harness, a build of many forms', function () {
  this.timeout(30_000);
  const deriver = createDeriver();
  const report = deriver(harness);

  it('has every part in pieces, on sheets, and weighed', () => {
    expect(report.parts).to.have.length(harness.parts.length);
    for (const part of report.parts) {
      expect(part.pieces.length, part.name).to.be.greaterThan(0);
      expect(part.totalG, part.name).to.be.within(5, 600);
    }
    const copies = report.parts.reduce((sum, p) => sum + p.pieces.reduce((s, q) => s + q.quantity, 0), 0);
    expect(report.packed.sheets.flatMap((s) => s.laid)).to.have.length(copies);
    expect(report.packed.tooBig).to.deep.equal([]);
  });

  it('keeps its two findings, told with numbers', () => {
    const told = report.findings.filter((f) => f.severity !== 'note').map((f) => f.id);
    expect(told).to.have.members(['head:gorget-1', 'sight:helmet-1']);
    expect(report.findings.find((f) => f.id === 'head:gorget-1')!.title).to.match(
      /leaves a \d+ mm opening; this head needs 582 mm/,
    );
  });

  it('closes darts before it bends and joins (common practice, no source)', () => {
    const plain = newPart('cop', harness.wearer, 'knee-cop');
    const cop = { ...plain, params: { ...plain.params, domeMm: 70 } } as Part;
    const { steps } = deriver({ ...harness, parts: [cop] });
    const at = (step: string): number => steps.findIndex((s) => s.id === `cop:${step}`);
    expect(at('darts')).to.be.greaterThan(at('cut'));
    expect(at('form')).to.be.greaterThan(at('darts'));
  });

  it('is cured by the first remedy of each', () => {
    let doc = harness;
    for (const id of ['head:gorget-1', 'sight:helmet-1']) {
      const finding = deriver(doc).findings.find((f) => f.id === id)!;
      doc = applyChanges(doc, finding.remedies[0]!.changes);
      expect(
        deriver(doc).findings.some((f) => f.id === id),
        id,
      ).to.equal(false);
    }
  });

  it('works out only the part that changed', () => {
    const at = harness.parts.findIndex((p) => p.id === 'greave-1');
    const edited = deriver(applyChanges(harness, [{ path: ['parts', at, 'params', 'easeMm'], value: 24 }]));
    edited.parts.forEach((part, i) => expect(part === report.parts[i], part.name).to.equal(i !== at));
  });

  it('advises a thickness for the whole build that every trial then agrees with', () => {
    const advice = buildTrial(report.parts);
    expect(advice.length).to.be.greaterThan(0);
    const after = deriver(
      applyChanges(
        harness,
        advice.map((a) => a.change),
      ),
    );
    expect(buildTrial(after.parts)).to.deep.equal([]);
    const change = advice.reduce((sum, a) => sum + a.massG, 0);
    expect(after.totals.massG - report.totals.massG).to.be.closeTo(change, Math.abs(change) * 0.08 + 2);
  });
});

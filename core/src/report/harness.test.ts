import { expect } from 'chai';
import { applyChanges, type BuildDoc, firstParts } from '../document';
import { createDeriver } from './derive';
import { demo } from '../files/testing/demo';
import { newPart } from '../parts';

const harness = demo('lampwarden-harness');

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
    const reported = report.findings.filter((f) => f.severity !== 'note').map((f) => f.id);
    expect(reported).to.have.members(['head:gorget-1', 'sight:helmet-1']);
    expect(report.findings.find((f) => f.id === 'head:gorget-1')!.title).to.match(
      /leaves a \d+ mm opening at tier 3; this head needs 582 mm/,
    );
  });

  it('closes darts before it bends and joins (common practice, no source)', () => {
    const plain = newPart('cop', harness.wearer, 'knee-cop');
    const cop = { ...plain, params: { ...plain.params, domeMm: 70 } };
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

  it('answers coarsely first when asked, and the full answer afterwards is the same as without', () => {
    const at = harness.parts.findIndex((p) => p.id === 'pauldron-1');
    const doc = applyChanges(harness, [{ path: ['parts', at, 'params', 'capMm'], value: 96 }]);
    const coarse = deriver(doc, { coarse: true, goOn: () => false });
    const full = deriver(doc);
    const [cap, fullCap, known] = [coarse, full, report].map((r) => r.parts[at]!.pieces[0]!);
    const darts = (p: typeof cap): number => p!.marks.filter((m) => m.kind === 'dart').length;
    expect(darts(cap), 'darts stay where they were').to.equal(darts(known));
    expect(cap!.areaMm2).to.be.closeTo(fullCap!.areaMm2, fullCap!.areaMm2 * 0.03);
    expect(coarse.parts[at]!.trial).to.equal(report.parts[at]!.trial);
    expect(full.parts[at]).to.deep.equal(createDeriver()(doc).parts[at]);
  });

  it('gives figures of its first parts that are those of the whole', () => {
    const few = deriver(firstParts(harness, 3), { coarse: true, goOn: () => false });
    expect(few.parts).to.have.length(3);
    few.parts.forEach((part, i) => expect(part).to.equal(report.parts[i]));
    expect(few.circuits, 'the helmet’s own light is among them').to.have.length(1);
    expect(firstParts(harness, 0).circuits).to.deep.equal([]);
    expect(firstParts(harness, 99)).to.equal(harness);
  });

  it('has steps for bevels, plates glued on plates, trim, rivets and hung lames, in the order of work', () => {
    const at = (step: string): number => report.steps.findIndex((s) => s.id === step);
    const detail = (step: string): string => report.steps[at(step)]!.detail;
    expect(at('breastplate-1:bevel')).to.be.within(at('breastplate-1:cut'), at('breastplate-1:form'));
    expect(detail('breastplate-1:bevel')).to.match(
      /\d+°, from the outer face to the line on the back: [^;]*right half, centre/,
    );
    expect(detail('helmet-1:join')).to.match(/crest, crown edge \([A-Z]+\): glued along the crown/);
    expect(at('pauldron-1:laid')).to.be.lessThan(at('pauldron-1:round'));
    expect(at('pauldron-1:rivets')).to.be.within(at('pauldron-1:paint'), at('pauldron-1:clear'));
    expect(detail('pauldron-1:strap')).to.match(/lame 2, upper edge \([A-Z]+\): hung on straps under lame 1/);
    expect(detail('wear')).to.match(/Put on in this order: Greaves.*Beacon helm/);
    for (const step of report.steps)
      for (const before of step.after) expect(at(before), `${step.id} after ${before}`).to.be.at.least(0);
  });

  it('tells how everything goes on, moves and is strapped', () => {
    const { fitting } = report;
    expect(fitting.dressing.map((d) => d.partId)).to.have.members(harness.parts.map((p) => p.id));
    expect(fitting.dressing.find((d) => d.partId === 'gorget-1')!.passes).to.equal(false);
    const waist = fitting.movements.find((m) => m.joint === 'waist')!;
    expect(waist.stoppedBy!.map((s) => s.partId)).to.deep.equal(['breastplate-1', 'belt-1']);
    expect(waist.angleDeg).to.be.at.least(waist.wantedDeg);
    expect(fitting.straps.every((s) => s.lengthMm > 60 && s.lengthMm < 1500)).to.equal(true);
    const strap = report.cost.find((c) => c.what.startsWith('strap'))!;
    const metres = fitting.straps.reduce((sum, s) => sum + (s.lengthMm * s.count) / 1000, 0);
    expect(strap.need).to.be.within(metres, metres + 0.1);
  });

  it('cures what presses, what gapes and what will not bend by its own remedies', () => {
    const with_ = (form: 'breastplate' | 'belt' | 'pauldron', change: Record<string, number>): BuildDoc => {
      const part = newPart(form, harness.wearer, form);
      return { ...harness, parts: [{ ...part, params: { ...part.params, ...change } }] };
    };
    const plates = [with_('breastplate', { belowWaistMm: 20 }), with_('belt', { atMm: 0 })].flatMap(
      (d) => d.parts,
    );
    const stiff = { ...harness, parts: plates };
    const moves = deriver(stiff).findings.find((f) => f.id === 'moves-waist')!;
    expect(moves.title).to.match(/^Bends forward \d+°, then Breastplate meets Belt/);
    const eased = applyChanges(
      stiff,
      moves.remedies.flatMap((r) => r.changes),
    );
    const angle = (doc: BuildDoc): number =>
      deriver(doc).fitting.movements.find((m) => m.joint === 'waist')!.angleDeg;
    expect(angle(eased)).to.be.greaterThan(angle(stiff));

    const floppy = with_('belt', { tassetMm: 330, flareMm: 80, atMm: 0 });
    floppy.parts[0]!.stack = [{ foamId: 'light-eva', nominalMm: 2 }];
    const slack = deriver(floppy).findings.find((f) => f.id.startsWith('slack:'))!;
    expect(slack.title).to.match(/gives \d+ mm under its own weight/);
    const strip = applyChanges(floppy, slack.remedies[0]!.changes);
    expect(deriver(strip).parts[0]!.wear!.sags[0]!.sagMm).to.be.lessThan(
      deriver(floppy).parts[0]!.wear!.sags[0]!.sagMm,
    );
    expect(deriver(strip).parts[0]!.pieces.some((p) => p.role === 'laid')).to.equal(true);
  });

  it('advises a thickness for the whole build that every trial then agrees with', () => {
    const { advice } = report;
    expect(advice.length).to.be.greaterThan(0);
    const after = deriver(
      applyChanges(
        harness,
        advice.map((a) => a.change),
      ),
    );
    expect(after.advice).to.deep.equal([]);
    const change = advice.reduce((sum, a) => sum + a.massG, 0);
    expect(after.totals.massG - report.totals.massG).to.be.closeTo(change, Math.abs(change) * 0.08 + 2);
  });
});

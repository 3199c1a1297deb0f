import { expect } from 'chai';
import { limbGirthMm } from '../../body';
import { applyChanges, type Part } from '../../document';
import { partReport } from '../../parts';
import { adult, contextOf, partOf } from '../../parts/testing/worn.test';

const context = contextOf();
const sleeve = (change = {}): Part => partOf('donor-limb', change);
const loose = (part: Part) => partReport(part, context).checks.find((c) => c.id === 'loose-fit');

describe('a bought sleeve on a limb', () => {
  it('stands off as the tape says: half the difference of the girths over π, less its wall and the clothes', () => {
    const part = sleeve({ girths: [0, 100].map((zMm) => ({ zMm, girthMm: 420 })), startMm: 60, wallMm: 3 });
    const report = partReport(part, context);
    const girth = Math.max(...[0, 100].map((z) => limbGirthMm(adult, 'forearm', 60 + z)));
    const gap = 420 / (2 * Math.PI) - 3 - girth / (2 * Math.PI) - 3;
    expect(report.figures.find((f) => f.key === 'gap')!.value).to.be.closeTo(gap, 0.01);
    // The same by the body’s own slices, over the whole of it.
    const mean = [0, 25, 50, 75, 100].reduce((sum, z) => sum + limbGirthMm(adult, 'forearm', 60 + z) / 5, 0);
    expect(report.wear!.meanGapMm).to.be.closeTo((420 - mean) / (2 * Math.PI) - 6, 1.5);
    expect(loose(part)!.title).to.include(`${Math.round(gap)} mm off the limb`);
  });

  it('is filled by the band that is offered: cut as strips as long as their round, and then not loose any more', () => {
    const part = sleeve({ girths: [0, 100].map((zMm) => ({ zMm, girthMm: 420 })), startMm: 60, wallMm: 3 });
    const { remedies } = loose(part)!;
    expect(remedies).to.have.length(1);
    const banded = applyChanges(part, remedies[0]!.changes);
    const report = partReport(banded, context);
    expect(loose(banded)).to.equal(undefined);
    const bands = report.pieces.filter((p) => p.id.startsWith('band-'));
    const layers = Number(banded.params['bandLayers']);
    expect(bands).to.have.length(2 * layers);
    // The outermost layer lies against the inside of 420 mm of tape and 3 mm of wall, at half its own thickness.
    const outer = bands.find((p) => p.id === 'band-low-1')!;
    const t = outer.thicknessMm;
    const long = Math.max(...outer.outline.map((p) => p.x)) - Math.min(...outer.outline.map((p) => p.x));
    expect(long / (420 - 2 * Math.PI * (3 + t / 2))).to.be.closeTo(1, 0.01);
    // Glue, and a step that glues it.
    expect(report.wear!.leastGapMm).to.be.greaterThan(0);
  });

  it('says what must pass through it, and that it does not where it is too narrow', () => {
    const tight = partReport(sleeve({ girths: [0, 100].map((zMm) => ({ zMm, girthMm: 190 })) }), context);
    const [way] = tight.clearances;
    expect(way!.what).to.equal('the hand');
    expect(way!.openingMm).to.be.closeTo(190 - 2 * Math.PI * 2, 0.01);
    expect(way!.openingMm).to.be.lessThan(way!.needMm);
  });
});

describe('a bought helmet that is too large', () => {
  it('says how far it stands off the head and is filled by the band that is offered', () => {
    const part = partOf('donor-helmet');
    const girths = (part.params['girths'] as { zMm: number; girthMm: number }[]).map((g) => ({
      ...g,
      girthMm: g.girthMm + 120,
    }));
    const large: Part = { ...part, params: { ...part.params, girths } };
    const reported = loose(large)!;
    expect(reported.excess).to.be.greaterThan(15);
    const banded = applyChanges(large, reported.remedies[0]!.changes);
    expect(loose(banded)).to.equal(undefined);
    const before = partReport(large, context).wear!;
    const after = partReport(banded, context).wear!;
    expect(after.leastGapMm).to.be.lessThan(before.leastGapMm);
    expect(after.leastGapMm).to.be.greaterThan(-3.5);
  });
});

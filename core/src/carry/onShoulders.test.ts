import { expect } from 'chai';
import { resolveBody } from '../body';
import type { BuildDoc, Part } from '../document';
import { applyChanges } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';
import { strapKPa } from '.';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
const build = (...parts: Part[]): BuildDoc => ({ ...newBuild('T', '2026-03-01', wearer), parts });
const part = (form: string, params: Part['params'] = {}): Part => {
  const made = newPart(form, wearer, form);
  return { ...made, params: { ...made.params, ...params } };
};
const G = 9.80665;

describe('what the shoulders carry in all', () => {
  it('is the weight of everything that hangs on them, both sides together, and nothing of the rest', () => {
    const report = derive(build(part('breastplate'), part('backplate'), part('pauldron'), part('greave')), {
      untried: true,
    });
    const all = report.onShoulders!;
    const massG = report.parts
      .filter((p) => p.id !== 'greave')
      .reduce((sum, p) => sum + p.weight.massG * p.copies, 0);
    expect(all.massG).to.be.closeTo(massG, 1e-6);
    expect(all.rightN + all.leftN).to.be.closeTo((massG / 1000) * G, 1e-6);
    // A pair stands either side alike.
    expect(all.rightN).to.be.closeTo(all.leftN, 0.01 * all.leftN);
    expect(derive(build(part('greave')), { untried: true }).onShoulders).to.equal(undefined);
  });

  it('hangs a single shoulder piece wholly on its side', () => {
    const one = part('pauldron');
    const right = derive(build({ ...one, mount: { to: 'wearer', zone: 'shoulder', side: 'right' } }), {
      untried: true,
    }).onShoulders!;
    expect(right.leftN).to.equal(0);
    expect(right.rightN).to.be.closeTo((right.massG / 1000) * G, 1e-9);
  });

  it('counts a frame of pipes worn on the back, and gives it straps of its own', () => {
    const frame: Part = { ...part('pipe-frame'), mount: { to: 'wearer', zone: 'back', side: 'middle' } };
    const { onShoulders, parts, fitting } = derive(build(frame), { untried: true });
    expect(onShoulders!.massG).to.be.closeTo(parts[0]!.weight.massG, 1e-9);
    expect(onShoulders!.straps).to.have.length(1);
    expect(fitting.straps.map((s) => s.count)).to.deep.equal([2, 1]);
    // It stands behind the clothed back, its foot at the waist.
    const body = resolveBody([]);
    const points = parts[0]!.extras.points;
    expect(Math.max(...points.map((p) => p.y))).to.be.lessThan(0);
    expect(Math.min(...points.map((p) => p.z))).to.be.greaterThan(body.stature.valueMm * 0.5);
  });
});

describe('straps over the shoulders', () => {
  it('press as a belt on a pulley does: half the load over radius and width', () => {
    // 25 N on a strap of 25 mm round 45 mm: 12.5 N / (45 × 25 mm²) = 11.1 kPa.
    expect(strapKPa(25, 25)).to.be.closeTo(11.11, 0.01);
    // The pressure over the projected ridge, 2 R w, carries all of the load.
    expect(strapKPa(25, 25) * 1e-3 * 2 * 45 * 25).to.be.closeTo(25, 1e-9);
  });

  const laden = (params: Part['params'] = {}): BuildDoc => {
    const frame = part('back-frame', params);
    const anchor = derive(build(frame), { untried: true }).parts[0]!.anchors[0]!.id;
    const heavy: Part = {
      ...part('haft', { footG: 3000, tipG: 3000 }),
      mount: { to: 'part', part: 'back-frame', anchor },
    };
    return build(frame, heavy);
  };

  it('raise a warning when they press too hard, and the offered width clears it', () => {
    const doc = laden();
    const found = derive(doc).findings.find((f) => f.id === 'strap-press:back-frame')!;
    expect(found.title).to.match(/kPa/);
    const [wider] = found.remedies;
    const after = derive(applyChanges(doc, wider!.changes));
    expect(after.onShoulders!.straps[0]!.kPa).to.be.at.most(14.05);
    expect(after.findings.some((f) => f.id === 'strap-press:back-frame')).to.equal(false);
    expect(derive(build(part('back-frame'))).findings.some((f) => f.id.startsWith('strap-press'))).to.equal(
      false,
    );
  });

  it('lie 20 mm wider on a strip of foam, which is cut: two rectangles as long as they reach over', () => {
    const [bare, faced] = [derive(laden()), derive(laden({ facing: 'foam', facingFoam: 0 }))];
    const [a, b] = [bare.onShoulders!.straps[0]!, faced.onShoulders!.straps[0]!];
    expect(b.wideMm - a.wideMm).to.equal(20);
    const pieces = faced.parts[0]!.pieces.filter((p) => p.id.startsWith('facing-'));
    expect(pieces.map((p) => p.id)).to.deep.equal(['facing-right', 'facing-left']);
    const t = pieces[0]!.thicknessMm;
    for (const { outline } of pieces) {
      const span = (k: 'x' | 'y') =>
        Math.max(...outline.map((p) => p[k])) - Math.min(...outline.map((p) => p[k]));
      const [wide, long] = [Math.min(span('x'), span('y')), Math.max(span('x'), span('y'))];
      expect(wide).to.be.closeTo(45, 0.1);
      // Half round the clothed ridge at the middle of the foam, and 60 mm down on both sides.
      expect(long).to.be.closeTo(Math.PI * (45 + 2 + t / 2) + 120, 1);
    }
  });
});

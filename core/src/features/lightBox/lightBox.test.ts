import { expect } from 'chai';
import { applyChanges, type Feature, type Params, type Part } from '../../document';
import { litFace } from '../../light';
import { partReport, standardKinds } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';
import type { LightBox } from './box';
import { boxFace } from './tile';

const start = standardKinds.features.get('light-box')!.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });

function lit(params: Params = {}, u = 0.5) {
  const panel = partReport(partOf('belt', { tassets: 0 }), contextOf()).panels[0]!.id;
  const box: Feature = {
    id: 'glow',
    kind: 'light-box',
    place: { on: 'panel', panel, u, v: 0.5, turnDeg: 0 },
    params: { ...start.params, ...params },
  };
  const part: Part = { ...partOf('belt', { tassets: 0 }), features: [box] };
  return { part, report: partReport(part, contextOf()) };
}

const evenness = (part: Part): number =>
  litFace(boxFace(part.features[0]!.params as unknown as LightBox), 192).evenness;

describe('a light box', () => {
  it('is a window, a diffuser with a lip, a back with a hole for every lamp, and four walls', () => {
    const { report } = lit({
      widthMm: 60,
      heightMm: 24,
      columns: 4,
      rows: 2,
      foamMm: 5,
      deepMm: 15,
      layers: 2,
    });
    const own = report.pieces.filter((p) => p.featureId === 'glow');
    const size = (id: string): number[] => {
      const { outline } = own.find((p) => p.id === `glow.${id}`)!;
      return [Math.max(...outline.map((p) => p.x)), Math.max(...outline.map((p) => p.y))];
    };
    expect(size('diffuser')).to.deep.equal([76, 40]);
    expect(size('back')).to.deep.equal([70, 34]);
    // The walls stand on the back, long over short: the box closes.
    expect(size('long')).to.deep.equal([70, 15]);
    expect(size('short')).to.deep.equal([24, 15]);
    expect(own.find((p) => p.id === 'glow.diffuser')!.each).to.equal(2);
    expect(own.find((p) => p.id === 'glow.back')!.holes).to.have.length(8);
    expect(report.items.filter((i) => i.lamp)).to.have.length(8);
    expect(report.pieces[0]!.marks.some((m) => m.text === 'window 60 × 24 mm')).to.equal(true);
  });

  it('says how unevenly it glows, and every cure it offers makes it even, reckoned on a finer grid', () => {
    const { part, report } = lit({ columns: 2, shine: 'clear', walls: 'plain', deepMm: 6, evenPct: 50 });
    const reported = report.checks.find((c) => c.id === 'glow-glow')!;
    expect(evenness(part)).to.be.lessThan(0.5);
    expect(reported.remedies.length).to.be.greaterThan(0);
    const deeper = reported.remedies.find((c) => c.label.startsWith('Lamps '))!;
    expect(Number.parseFloat(deeper.label.slice(6))).to.equal(deeper.changes[0]!.value);
    for (const cure of reported.remedies)
      expect(evenness(applyChanges(part, cure.changes)), cure.label).to.be.at.least(0.48);
  });

  it('does not go off the piece, nor deeper than there is room', () => {
    const off = lit({ widthMm: 300 }, 0.02).report;
    expect(off.checks.some((c) => /breaks the edge/.test(c.title))).to.equal(true);
    expect(off.pieces.some((p) => p.featureId === 'glow')).to.equal(false);
    const deep = lit({ deepMm: 60, evenPct: 10 }).report;
    expect(deep.checks.some((c) => c.id === 'glow-deep-glow')).to.equal(true);
  });

  it('bored up, soft foam passes more and spreads less; hard sheet does not change', () => {
    const box = start.params as unknown as LightBox;
    const face = (diffuser: string, boredMm: number) => litFace(boxFace({ ...box, diffuser, boredMm }), 96);
    const steps = [0, 3, 6, 8].map((mm) => face('upholstery', mm));
    for (let i = 1; i < steps.length; i++) {
      expect(steps[i]!.passed).to.be.greaterThan(steps[i - 1]!.passed);
      expect(steps[i]!.evenness).to.be.lessThan(steps[i - 1]!.evenness + 1e-9);
    }
    // Two of ten millimetres are left: the light that passes is the fifth root's.
    expect(steps[3]!.passed / steps[0]!.passed).to.be.closeTo(0.3 ** (0.2 - 1), 0.02);
    expect(face('upholstery', 40).passed).to.equal(steps[3]!.passed);
    expect(face('acrylic-frosted', 1.5).passed).to.equal(face('acrylic-frosted', 0).passed);
  });

  it('lit by strip it is cut at marks, draws what its segments draw, and is as even as their lamps are close', () => {
    const { report } = lit({ widthMm: 170, heightMm: 20, lit: '12v', rows: 3, deepMm: 20 });
    // By hand: three segments of 50 mm go across 170 mm, in three rows: nine at 20 mA, 450 mm of strip.
    const [item] = report.items.filter((i) => i.featureId === 'glow');
    expect(item!.steady).to.include({ kind: 'segments', segments: 9, ratedA: 0.02 });
    expect(report.bought.find((b) => b.what === '12 V light strip')!.count).to.equal(0.5);
    expect(report.pieces.find((p) => p.id === 'glow.back')!.holes).to.deep.equal([]);
    const face = boxFace({ ...(start.params as unknown as LightBox), widthMm: 170, lit: '12v', rows: 3 });
    expect(face.sources).to.have.length(27);
    const row = face.sources.slice(0, 9).map((l) => l.xMm);
    expect(row[0]!).to.be.closeTo(10 + 50 / 6, 1e-9);
    row.slice(1).forEach((x, i) => expect(x - row[i]!).to.be.closeTo(50 / 3, 1e-9));
    const short = lit({ widthMm: 40, lit: '12v' }).report;
    expect(short.checks.some((c) => /too short: it is cut every 50 mm/.test(c.title))).to.equal(true);
  });

  it('on the wall it cuts no window, only a hole for its wires, and is as deep as it likes', () => {
    const { report } = lit({ side: 'outside', deepMm: 60, evenPct: 10 });
    const wall = report.pieces[0]!;
    expect(wall.marks.some((m) => m.text?.startsWith('window'))).to.equal(false);
    expect(wall.holes.filter((h) => h.id === 'glow.wires').map((h) => h.diameterMm)).to.deep.equal([6]);
    expect(report.checks.some((c) => c.id === 'glow-deep-glow')).to.equal(false);
    const own = report.pieces.filter((p) => p.featureId === 'glow');
    expect(own.every((p) => p.face === 'outer')).to.equal(true);
    const lamp = report.items.find((i) => i.lamp)!;
    const inner = lit().report.items.find((i) => i.lamp)!;
    // Its lamps stand before the wall, those of a box behind it stand behind.
    const out = (i: typeof lamp): number => i.at.x * i.normal.x + i.at.y * i.normal.y + i.at.z * i.normal.z;
    expect(out(lamp)).to.be.greaterThan(out(inner) + 12);
  });

  it('of two diffusers passes the product of both and spreads as their squares add', () => {
    const box = { ...(start.params as unknown as LightBox), diffuser: 'upholstery', deepMm: 20 };
    const [one, two] = ['none', 'acrylic-frosted'].map((over) => litFace(boxFace({ ...box, over }), 96));
    expect(two!.passed / one!.passed).to.be.closeTo(0.82, 0.002);
    expect(two!.evenness).to.be.greaterThan(one!.evenness);
    const { report } = lit({ diffuser: 'upholstery', over: 'acrylic-frosted' });
    expect(report.pieces.some((p) => p.id === 'glow.over' && p.foamId === 'acrylic-frosted')).to.equal(true);
  });

  it('takes up room behind its wall: a pack in the same place raises a clash', () => {
    const { part } = lit({ widthMm: 60, heightMm: 40 });
    const begun = standardKinds.features.get('pack')!.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });
    const pack: Feature = {
      id: 'cells',
      kind: 'pack',
      place: part.features[0]!.place,
      params: { ...begun.params, packId: '3xaaa', pocket: 'none' },
    };
    const report = partReport({ ...part, features: [...part.features, pack] }, contextOf());
    expect(report.checks.some((c) => c.id === 'clash-cells')).to.equal(true);
  });
});

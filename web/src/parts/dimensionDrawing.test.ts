import type { Dimension } from '@fomrik/core/dimensions';
import { expect } from 'chai';
import { arrowAt, dimensionDrawing, drawnPaths, flatDrawing, type Px } from './dimensionDrawing';
import { clampShare, snapOf } from './snapped';

const flat = ({ x, z }: { x: number; z: number }): Px => ({ x, y: 300 - z });
const base: Pick<Dimension, 'path' | 'label' | 'unit' | 'range' | 'step'> = {
  path: ['highMm'],
  label: 'Height',
  unit: 'mm',
  range: [0, 500],
  step: { x: 0, y: 0, z: 1 },
};
const high = (value: number): Dimension => ({
  ...base,
  value,
  way: 'between',
  from: { x: 100, y: 0, z: 0 },
  to: { x: 100, y: 0, z: value },
});
const far = (a: Px, b: Px): number => Math.hypot(a.x - b.x, a.y - b.y);

describe('a dimension as it is drawn', () => {
  it('is a line as long as what it measures, beside it and away from the thing, between extension lines', () => {
    const { lines, arrows, text } = dimensionDrawing(high(200), flat, { x: 40, y: 200 });
    const [one, other, line] = lines;
    expect(far(line![0]!, line![1]!)).to.be.closeTo(200, 1e-9);
    expect(line![0]!.x, 'to the right: the thing is to the left').to.be.greaterThan(100);
    for (const extension of [one!, other!]) expect(extension[1]!.x).to.be.greaterThan(line![0]!.x);
    expect(arrows.map((a) => a[0])).to.deep.equal([line![0], line![1]]);
    expect(text.y).to.be.closeTo(200, 1e-9);
  });

  it('has narrow filled arrowheads of fifteen degrees, tips outwards', () => {
    const [tip, a, b] = arrowAt({ x: 0, y: 0 }, { x: 1, y: 0 });
    expect(tip).to.deep.equal({ x: 0, y: 0 });
    expect(a!.x).to.equal(b!.x);
    const whole = 2 * Math.atan(Math.abs(a!.y) / Math.abs(a!.x));
    expect((whole * 180) / Math.PI).to.be.closeTo(15, 1e-9);
  });

  it('has its arrows from outside where it is too short for them', () => {
    const { lines, arrows } = dimensionDrawing(high(12), flat, { x: 40, y: 290 });
    expect(lines).to.have.length(5);
    const [low] = arrows[0]!;
    const back = arrows[0]![1]!;
    expect(back.y, 'its tail lies below the lower end').to.be.greaterThan(low!.y);
  });

  it('is a note where it is seen end on, or has no second end', () => {
    const end = dimensionDrawing(high(200), ({ x }) => ({ x, y: 0 }), { x: 0, y: 0 });
    expect([end.lines.length, end.arrows.length]).to.deep.equal([1, 1]);
    expect(flatDrawing(undefined, { x: 50, y: 50 }, { x: 0, y: 0 }).lines).to.have.length(1);
    expect(flatDrawing({ x: 0, y: 50 }, { x: 50, y: 50 }, { x: 0, y: 0 }).lines).to.have.length(3);
  });

  it('is an arc for an angle, with the end where the value ends', () => {
    const angle: Dimension = {
      ...base,
      unit: 'deg',
      value: 90,
      way: 'arc',
      centre: { x: 0, y: 0, z: 0 },
      axis: { x: 0, y: -1, z: 0 },
      from: { x: 100, y: 0, z: 0 },
      to: { x: 0, y: 0, z: 100 },
    };
    const { lines, arrows } = dimensionDrawing(angle, flat, { x: 0, y: 300 });
    const arc = lines[0]!;
    for (const p of arc) expect(far(p, { x: 0, y: 300 })).to.be.closeTo(110, 1e-6);
    expect(arc.at(-1)!.x).to.be.closeTo(0, 1e-6);
    expect(arc.at(-1)!.y).to.be.closeTo(190, 1e-6);
    expect(arrows).to.have.length(2);
  });

  it('becomes two paths', () => {
    const { lines, arrows } = drawnPaths(dimensionDrawing(high(200), flat, { x: 0, y: 0 }));
    expect(lines.match(/M/g)).to.have.length(3);
    expect(arrows.match(/Z/g)).to.have.length(2);
  });
});

describe('what is moved', () => {
  it('snaps to the middle of its piece, to its neighbours and to quarters, when it is near', () => {
    expect(snapOf(0.512, [])).to.equal(0.5);
    expect(snapOf(0.305, [0.31])).to.equal(0.31);
    expect(snapOf(0.26, [])).to.equal(0.25);
    expect(snapOf(0.4, [0.31])).to.equal(undefined);
  });

  it('stays on its piece', () => {
    expect([clampShare(-0.2), clampShare(1.4), clampShare(0.123456)]).to.deep.equal([0, 1, 0.1235]);
  });
});

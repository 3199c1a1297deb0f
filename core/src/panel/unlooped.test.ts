import { expect } from 'chai';
import { overlapsItself, signedArea } from '../geometry';
import { unlooped } from './unlooped';

const points = (...at: [number, number][]) => at.map(([x, y]) => ({ x, y }));

describe('small loops of an outline', () => {
  it('are cut off where it crosses itself, and every point says where it went', () => {
    // A square whose upper right corner is drawn as a little knot.
    const outline = points([0, 0], [100, 0], [100, 102], [103, 99], [97, 99], [0, 100]);
    const knotted = points([0, 0], [100, 0], [100, 103], [98, 97], [102, 99], [0, 100]);
    expect(overlapsItself(knotted)).to.equal(true);
    const { outline: clean, at } = unlooped(knotted, 30);
    expect(overlapsItself(clean)).to.equal(false);
    expect(Math.abs(signedArea(clean))).to.be.closeTo(10_000, 150);
    expect(clean[at(0)]).to.deep.equal({ x: 0, y: 0 });
    expect(clean[at(5)]).to.deep.equal({ x: 0, y: 100 });
    // Points of the loop all went to where it was cut off.
    expect(Math.hypot(clean[at(3)]!.x - 100, clean[at(3)]!.y - 99)).to.be.below(4);
    expect(unlooped(outline, 0).outline).to.have.length(6);
  });

  it('stay when they are no accident', () => {
    const eight = points([0, 0], [100, 100], [100, 0], [0, 100]);
    expect(unlooped(eight, 50).outline).to.deep.equal(eight);
  });
});

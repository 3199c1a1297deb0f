import { expect } from 'chai';
import { meshArea } from '../geometry';
import { chartCount, edgesOf } from './charted';
import { cutByLine } from './cutByLine';
import { chartOf, isDisc } from './loops';
import { whole } from './propose';
import { egg, lattice } from './testing/surfaces';

describe('a surface cut along a line drawn on it', () => {
  const wall = lattice(10, 10, false, (u, v) => ({ x: 200 * (1 - u), y: 0, z: 200 * v }));

  it('from rim to rim in two, as large as the line says; the ends find the rim', () => {
    const cut = cutByLine(whole(wall), [
      { x: 4, y: 3, z: 100 },
      { x: 100, y: 0, z: 60 },
      { x: 197, y: -2, z: 100 },
    ]);
    expect(chartCount(cut)).to.equal(2);
    expect(meshArea(cut.mesh)).to.be.closeTo(40_000, 1e-3);
    const areas = [0, 1].map((id) => meshArea(chartOf(cut, id).mesh)).sort((a, b) => a - b);
    // Half the wall less a triangle of 200 by 40.
    expect(areas[0]).to.be.closeTo(20_000 - 4000, 400);
    expect([...edgesOf(cut.mesh).values()].every((t) => t.length <= 2)).to.equal(true);
  });

  it('closed on a ball: a cap and the rest, both discs', () => {
    const ball = egg(100, 100, 100, 10);
    const ring = [0, 1, 2, 3, 4, 5, 6, 0].map((k) => ({
      x: 70 * Math.cos((2 * Math.PI * k) / 7),
      y: 70 * Math.sin((2 * Math.PI * k) / 7),
      z: 71,
    }));
    const cut = cutByLine(whole(ball), ring);
    expect(chartCount(cut)).to.equal(2);
    for (const id of [0, 1]) expect(isDisc(chartOf(cut, id))).to.equal(true);
    // A cap under about 45°: 2πR²(1 − cos), less what lies between the great circles and the level one.
    const cap = Math.min(...[0, 1].map((id) => meshArea(chartOf(cut, id).mesh)));
    expect(cap).to.be.within(
      0.75 * 2 * Math.PI * 1e4 * (1 - Math.SQRT1_2),
      1.02 * 2 * Math.PI * 1e4 * (1 - Math.SQRT1_2),
    );
  });

  it('a line that ends in the middle parts nothing', () => {
    const cut = cutByLine(whole(wall), [
      { x: 4, y: 0, z: 100 },
      { x: 100, y: 0, z: 100 },
    ]);
    expect(chartCount(cut)).to.equal(1);
    expect(meshArea(cut.mesh)).to.be.closeTo(40_000, 1e-3);
  });

  it('two lines that cross part it in four', () => {
    const one = cutByLine(whole(wall), [
      { x: 0, y: 0, z: 90 },
      { x: 200, y: 0, z: 110 },
    ]);
    const both = cutByLine(one, [
      { x: 90, y: 0, z: 0 },
      { x: 110, y: 0, z: 200 },
    ]);
    expect(chartCount(both)).to.equal(4);
  });
});

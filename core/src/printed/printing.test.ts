import { expect } from 'chai';
import { boxRing, type Mesh, roundRing, stacked } from '../geometry';
import { printerSettings, printingOf, printingOfAll, printingOnBestSide } from '.';

const block = (w: number, h: number, d: number): Mesh => stacked([boxRing(w, h, 0), boxRing(w, h, d)]);

describe('what a print takes', () => {
  it('is walls of 0.8 mm and 15 % of the rest: a block of 40 × 30 × 20 mm by hand', () => {
    const { plasticG, supportG, hours, sandMin, pieces } = printingOf(block(40, 30, 20));
    // 24 cm³, 5 200 mm² outside: 4.16 cm³ of walls, 2.976 of filling.
    expect(plasticG).to.be.closeTo((4.16 + 0.15 * (24 - 4.16)) * 1.24, 1e-6);
    expect(supportG).to.equal(0);
    // 7.136 cm³ at 4.8 mm³/s, 100 layers of 4 s, 8 min to begin.
    expect(hours).to.be.closeTo((7136 / 4.8 + 400) / 3600 + 8 / 60, 1e-6);
    expect(sandMin).to.be.closeTo(0.0052 * 900, 1e-9);
    expect(pieces).to.equal(1);
  });

  it('is all plastic where walls meet', () => {
    const thin = printingOf(block(60, 1.2, 40));
    expect(thin.plasticG).to.be.closeTo(60 * 1.2 * 40 * 1e-3 * 1.24, 1e-9);
  });

  it('holds up what hangs over: a plate on a post, by its area and height', () => {
    // A post of 5 mm radius, 30 mm high, under a disc of 20 mm.
    const post = stacked([roundRing(5, 0), roundRing(5, 30), roundRing(20, 30), roundRing(20, 34)]);
    const under = (Math.PI * (20 ** 2 - 5 ** 2) * 30 * printerSettings.supportFill * 1.24) / 1000;
    expect(printingOf(post).supportG / under).to.be.closeTo(1, 0.02);
    // Turned on its head it needs none.
    const turned: Mesh = {
      points: post.points.map((p) => ({ x: p.x, y: -p.y, z: 34 - p.z })),
      triangles: post.triangles,
    };
    expect(printingOf(turned).supportG).to.equal(0);
  });

  it('is split for the bed, with two pins to each joint', () => {
    const long = printingOf(block(450, 100, 230));
    expect(long.split).to.deep.equal([3, 1, 2]);
    // Three by two blocks meet at seven faces.
    expect([long.pieces, long.pins]).to.deep.equal([6, 14]);
    expect(printingOf(block(220, 220, 220)).pieces).to.equal(1);
  });

  it('lies on its best side: fewest pieces, then least time, whichever way it stood', () => {
    const post = stacked([roundRing(5, 0), roundRing(5, 30), roundRing(20, 30), roundRing(20, 34)]);
    // On its head it needs no support.
    expect(printingOnBestSide(post).supportG).to.equal(0);
    expect(printingOf(post).supportG).to.be.greaterThan(0);
    // A board of 200 × 150 × 6 mm standing on any side is printed lying: 30 layers.
    const sides: [number, number, number][] = [
      [200, 150, 6],
      [6, 200, 150],
      [150, 6, 200],
    ];
    const hours = sides.map(([w, h, d]) => printingOnBestSide(block(w, h, d)).hours);
    const lying = printingOf(block(200, 150, 6)).hours;
    for (const h of hours) expect(h).to.be.closeTo(lying, 1e-9);
    expect(printingOf(block(6, 200, 150)).hours).to.be.greaterThan(lying);
    // What has to be split is split as often, however it lies; never more than as it stands.
    for (const [w, h, d] of [
      [450, 100, 230],
      [500, 30, 40],
      [90, 260, 30],
    ] as const) {
      const [stands, best] = [printingOf(block(w, h, d)), printingOnBestSide(block(w, h, d))];
      expect(best.pieces).to.be.at.most(stands.pieces);
      expect(best.hours).to.be.at.most(stands.hours + 1e-9);
      expect(best.plasticG).to.be.closeTo(stands.plasticG, 1e-6);
    }
  });

  it('adds up over several', () => {
    const [a, b] = [block(40, 30, 20), block(20, 20, 20)];
    const both = printingOfAll([a, b]);
    expect(both.plasticG).to.be.closeTo(printingOf(a).plasticG + printingOf(b).plasticG, 1e-9);
    expect(both.hours).to.be.closeTo(printingOf(a).hours + printingOf(b).hours, 1e-9);
    expect(both.pieces).to.equal(2);
  });
});

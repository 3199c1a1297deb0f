import { expect } from 'chai';
import { socketMm, takeOffMm } from './pipeFittings';

/** Laying lengths of solvent fittings by outside, mm: ISO 264, elbows and tees at 90°, elbows at 45°; the table from memory. */
const laying: readonly [outsideMm: number, square: number, half: number][] = [
  [20, 11, 5],
  [25, 13.5, 6],
  [32, 17, 7.5],
  [40, 21, 9.5],
  [50, 26, 11.5],
  [63, 32.5, 14],
  [75, 38.5, 16.5],
  [110, 56, 23.5],
];

/** Depths of solvent sockets, mm: ISO 727-1; the table from memory. */
const sockets: readonly [outsideMm: number, deepMm: number][] = [
  [20, 16],
  [25, 18.5],
  [32, 22],
  [40, 26],
  [50, 31],
  [63, 37.5],
  [75, 43.5],
  [110, 61],
];

/** ASTM D2466: centre to bottom of socket of Schedule 40 elbows and tees, inches; from memory. */
const schedule40: readonly [outsideIn: number, squareIn: number][] = [
  [0.84, 1 / 2],
  [1.05, 9 / 16],
  [1.315, 11 / 16],
];

describe('bought pipe fittings', () => {
  it('have the laying lengths of ISO 264 at 90° and 45°', () => {
    for (const [d, square, half] of laying) {
      expect(takeOffMm('elbow', d)).to.equal(square);
      expect(takeOffMm('tee', d)).to.equal(square);
      expect(takeOffMm('halfElbow', d)).to.be.closeTo(half, 0.5);
    }
  });

  it('have sockets as deep as ISO 727-1 asks', () => {
    for (const [d, deep] of sockets) expect(socketMm(d).value).to.equal(deep);
  });

  it('of inch pipe come within a millimetre of the same relation', () => {
    for (const [d, square] of schedule40)
      expect(Math.abs(takeOffMm('elbow', d * 25.4) - square * 25.4)).to.be.lessThan(1.1);
  });
});

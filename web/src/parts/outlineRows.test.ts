import type { Row } from '@fomrik/core/document';
import { expect } from 'chai';
import { mirroredRows } from './outlineRows';

const point = (xMm: number, yMm: number, side = 'bevel'): Row => ({ xMm, yMm, node: 'corner', side });
/** Where each side runs and what it is, from its lower or left end, whichever way it is drawn. */
const sidesOf = (rows: readonly Row[]): string[] =>
  rows.map((a, i) => {
    const b = rows[(i + 1) % rows.length]!;
    const ends = [`${a['xMm']},${a['yMm']}`, `${b['xMm']},${b['yMm']}`].sort();
    return `${ends.join(' ')} ${a['side']}`;
  });

describe('an outline mirrored about its middle line', () => {
  const right = [point(0, 0), point(40, 0, 'square'), point(60, 50), point(0, 90, 'square')];

  it('has every point to the right again to the left', () => {
    const all = mirroredRows(right, 100);
    expect(all.map((r) => [r['xMm'], r['yMm']])).to.deep.equal([
      [0, 0],
      [40, 0],
      [60, 50],
      [0, 90],
      [-60, 50],
      [-40, 0],
    ]);
    expect(mirroredRows(right, 5)).to.have.length(5);
  });

  it('keeps the same sides square on both hands', () => {
    expect(sidesOf(mirroredRows(right, 100))).to.have.members([
      '0,0 40,0 bevel',
      '40,0 60,50 square',
      '0,90 60,50 bevel',
      '-60,50 0,90 bevel',
      '-40,0 -60,50 square',
      '-40,0 0,0 bevel',
    ]);
  });

  it('leaves an outline without such sides without them', () => {
    const plain = right.map(({ side: _, ...r }) => r as Row);
    expect(mirroredRows(plain, 100).every((r) => !('side' in r))).to.equal(true);
  });
});

import type { Nest } from '@fomrik/core/document';
import { expect } from 'chai';
import { bestOf, type FoamProgress } from './nestProgress';

const foam = (
  key: string,
  sheets: number,
  lastMm: number,
  more: Partial<FoamProgress> = {},
): FoamProgress => ({
  ...{ sheetMm2: 500_000, tries: 5, sheets, lastMm, leastSheets: 1, used: 0.5 },
  nest: { key, sheets: [] } as unknown as Nest,
  ...more,
});

describe('several searches of the same foams', () => {
  it('come to the best of each foam, by sheets and then by the length of the last, and to the tries of all', () => {
    const best = bestOf([
      [foam('a1', 2, 300), foam('b1', 1, 700)],
      [foam('a2', 1, 900), foam('b2', 1, 650, { used: 0.8 })],
    ]);
    expect(best.nests.map((n) => n.key)).to.deep.equal(['a2', 'b2']);
    expect(best).to.include({ tries: 20, sheets: 2, leastSheets: 2 });
    expect(best.used).to.be.closeTo(0.65, 1e-9);
  });

  it('count sheets of every size by their area, and keep no foam that is not laid whole', () => {
    const best = bestOf([
      [
        foam('a', 1, 10, { sheetMm2: 3e5, used: 1 }),
        foam('b', 1, 10, { sheetMm2: 1e5, used: 0, nest: undefined }),
      ],
    ]);
    expect(best.used).to.be.closeTo(0.75, 1e-9);
    expect(best.nests.map((n) => n.key)).to.deep.equal(['a']);
    expect(bestOf([[], []])).to.deep.equal({ tries: 0, sheets: 0, leastSheets: 0, used: 0, nests: [] });
  });
});

import { expect } from 'chai';
import { foamChanges, takenBack, withShelf } from './shop';

const eva = (nominalMm: number, sheets: number) => ({ foamId: 'dense-eva', nominalMm, sheets });

describe('the shared shelf', () => {
  const shelf = [
    { ...eva(5, 2), version: 4 },
    { ...eva(10, 1), version: 1 },
  ];

  it('is changed foam by foam; an empty build takes nothing off it', () => {
    expect(foamChanges(shelf, [])).to.deep.equal([]);
    expect(foamChanges(shelf, [eva(5, 2), eva(10, 3), eva(6, 1)])).to.deep.equal([
      { foamId: 'dense-eva', nominalMm: 10, baseVersion: 1, item: eva(10, 3) },
      { foamId: 'dense-eva', nominalMm: 6, baseVersion: 0, item: eva(6, 1) },
    ]);
  });

  it('is as it was after the changes that take others back', () => {
    const changes = foamChanges(shelf, [eva(10, 3), eva(6, 1)]);
    expect(takenBack(changes, shelf)).to.deep.equal([
      { foamId: 'dense-eva', nominalMm: 10, baseVersion: 2, item: eva(10, 1) },
      { foamId: 'dense-eva', nominalMm: 6, baseVersion: 1, item: null },
    ]);
  });

  it('gives a build what it has, and leaves the rest of the build’s own', () => {
    expect(withShelf([eva(5, 9), eva(2, 1)], shelf)).to.deep.equal([eva(5, 2), eva(2, 1), eva(10, 1)]);
  });
});

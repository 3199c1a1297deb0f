import { expect } from 'chai';
import type { Part } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';
import { windowOf } from './board';
import { planPages } from './pages';
import { sourcedPieces } from './sourcedPieces';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };

/** Pages of the top of a box so wide, each piece alone. */
function pagesOf(widthMm: number): number {
  const box = newPart('p', wearer, 'box');
  const part: Part = {
    ...box,
    params: { ...box.params, corners: 'butt', held: 'outside', widthMm, deepMm: 60, heightMm: 60 },
  };
  const doc = newBuild('T', '2026-03-01', wearer);
  const cut = { ...doc.cut, pagePlan: 'apart' as const };
  const items = sourcedPieces(derive({ ...doc, cut, parts: [part] })).filter((i) => i.piece.id === 'top');
  return planPages(items, cut).length;
}

describe('a piece alone on its pages', () => {
  it('keeps a border all round: nearly as wide as a page it takes two', () => {
    const { cut } = newBuild('T', '2026-03-01', wearer);
    // It lies along one side of the page’s window: 3 mm are left free at either end.
    const { widthMm, heightMm } = windowOf(cut);
    expect([widthMm, heightMm].some((mm) => pagesOf(mm - 10) === 1 && pagesOf(mm - 3) === 2)).to.equal(true);
  });
});

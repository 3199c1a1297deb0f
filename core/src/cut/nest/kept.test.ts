import { expect } from 'chai';
import type { Vec2 } from '../../geometry';
import type { Piece } from '../../panel';
import type { Sheet, ToLay } from '../sheets';
import { keepNest, lockedSheets, nestKey } from './kept';
import { nesting } from './nest';

const size = { foamId: 'dense-eva', nominalMm: 6, widthMm: 1000, heightMm: 500 };
const box = (w: number, h: number): Vec2[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];
const item = (id: string, w: number, h: number): ToLay => ({
  partId: 'p',
  flipped: false,
  piece: { id, name: id, outline: box(w, h), holes: [] } as unknown as Piece,
});
const at = (pieceId: string, x: number, y: number, locked = true): Sheet['laid'][number] => ({
  partId: 'p',
  pieceId,
  flipped: false,
  turnRad: 0,
  x,
  y,
  widthMm: 0,
  heightMm: 0,
  ...(locked && { locked: true as const }),
});
const nestOf = (items: readonly ToLay[], ...laid: Sheet['laid']) =>
  keepNest(nestKey(items, size, 5), [{ ...size, laid }]);

describe('what was locked before pieces changed', () => {
  const before = [item('a', 200, 100), item('b', 300, 150), item('c', 80, 80)];
  const nest = nestOf(before, at('a', 400, 200), at('b', 20, 20, false), at('c', 700, 300));

  it('stays where it lay, and the others are laid round it', () => {
    const after = [item('a', 200, 100), item('b', 340, 150), item('c', 90, 80)];
    const [sheet] = lockedSheets([nest], after, size, 5);
    expect(sheet!.laid.map((l) => [l.pieceId, l.x, l.y])).to.deep.equal([
      ['a', 400, 200],
      ['c', 700, 300],
    ]);
    const [made] = nesting(after, size, 5, 1, [sheet!]);
    expect(made!.packed.tooBig).to.deep.equal([]);
    const laid = made!.packed.sheets.flatMap((s) => s.laid);
    expect(laid.map((l) => l.pieceId).sort()).to.deep.equal(['a', 'b', 'c']);
    expect(laid.find((l) => l.pieceId === 'a')).to.include({ x: 400, y: 200, locked: true });
  });

  it('is free when it is gone, grown over the edge or over another, or no longer by its spacing', () => {
    const places = (...after: ToLay[]): string[] =>
      lockedSheets([nest], after, size, 5).flatMap((s) => s.laid.map((l) => l.pieceId));
    expect(places(item('b', 300, 150))).to.deep.equal([]);
    expect(places(item('a', 200, 100), item('c', 310, 80))).to.deep.equal(['a']);
    expect(places(item('a', 310, 150), item('c', 80, 80))).to.deep.equal(['a']);
    expect(places(item('a', 297, 150), item('c', 80, 80))).to.deep.equal(['a']);
    expect(places(item('a', 294, 150), item('c', 80, 80))).to.deep.equal(['a', 'c']);
  });
});

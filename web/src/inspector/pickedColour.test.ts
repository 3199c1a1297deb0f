import { expect } from 'chai';
import { colourAround } from './pickedColour';

const picture = (at: (x: number, y: number) => readonly number[]) => ({
  width: 20,
  height: 10,
  data: Array.from({ length: 200 }, (_, i) => at(i % 20, Math.floor(i / 20))).flat(),
});

describe('a colour out of a picture', () => {
  it('is its own where all is alike, to the corner', () => {
    const plain = picture(() => [32, 96, 104, 255]);
    expect(colourAround(plain, 10, 5)).to.equal('#206068');
    expect(colourAround(plain, 0, 0)).to.equal('#206068');
  });

  it('is the mean of the light round the pointer: half black, half white is #bc, not #80', () => {
    // 188 is what half of the light of 255 is stored as in sRGB.
    const board = picture((x, y) => [...Array<number>(3).fill((x + y) % 2 ? 255 : 0), 255]);
    const red = parseInt(colourAround(board, 10, 5)!.slice(1, 3), 16);
    expect(red).to.be.within(186, 190);
  });

  it('leaves out what is clear, and says nothing where all is', () => {
    const half = picture((x) => (x < 10 ? [200, 30, 30, 255] : [0, 255, 0, 0]));
    expect(colourAround(half, 9, 5)).to.equal('#c81e1e');
    expect(colourAround(half, 18, 5)).to.equal(undefined);
  });
});

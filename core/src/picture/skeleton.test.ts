import { expect } from 'chai';
import fc from 'fast-check';
import { followed, type Mask, thinnedMask } from './skeleton';

const maskOf = (rows: readonly string[]): Mask => ({
  width: rows[0]!.length,
  height: rows.length,
  taken: Uint8Array.from(rows.join(''), (c) => (c === '#' ? 1 : 0)),
});

/** Pieces of a mask that hang together, corners counted, by flooding. */
function islands({ taken, width, height }: Mask): number {
  const left = new Set([...taken.keys()].filter((i) => taken[i] === 1));
  let count = 0;
  while (left.size > 0) {
    count += 1;
    const open = [left.values().next().value!];
    left.delete(open[0]!);
    while (open.length > 0) {
      const i = open.pop()!;
      const [x, y] = [i % width, Math.floor(i / width)];
      for (let dx = -1; dx <= 1; dx++)
        for (let dy = -1; dy <= 1; dy++) {
          const [px, py] = [x + dx, y + dy];
          const j = py * width + px;
          if (px >= 0 && py >= 0 && px < width && py < height && left.delete(j)) open.push(j);
        }
    }
  }
  return count;
}

describe('strokes thinned to lines', () => {
  it('hang together as the strokes do, lie within them, and are nowhere a block', () => {
    const strokes = fc.array(
      fc.record({
        x: fc.integer({ min: 2, max: 30 }),
        y: fc.integer({ min: 2, max: 30 }),
        wide: fc.integer({ min: 3, max: 25 }),
        across: fc.boolean(),
      }),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(strokes, (all) => {
        const mask: Mask = { width: 60, height: 60, taken: new Uint8Array(3600) };
        for (const { x, y, wide, across } of all)
          for (let k = 0; k < wide; k++)
            for (let t = 0; t < 3; t++)
              mask.taken[(across ? y + t : y + k) * 60 + (across ? x + k : x + t)] = 1;
        const thin = thinnedMask(mask);
        expect(thin.taken.every((v, i) => v <= mask.taken[i]!)).to.equal(true);
        expect(islands(thin)).to.equal(islands(mask));
        const seen = new Set(followed(thin).flatMap((l) => l.map(([x, y]) => y * 60 + x)));
        // Nothing of a line is left unwalked but specks that lead nowhere.
        const lone = [...thin.taken.keys()].filter((i) => thin.taken[i] === 1 && !seen.has(i));
        expect(lone.length).to.be.at.most(islands(thin));
      }),
    );
  });

  it('are followed from end to end, round a ring, and to a fork and on', () => {
    const straight = followed(maskOf(['......', '.####.', '......']));
    expect(straight).to.deep.equal([
      [
        [1, 1],
        [2, 1],
        [3, 1],
        [4, 1],
      ],
    ]);
    const ring = followed(maskOf(['.....', '..#..', '.#.#.', '..#..', '.....']));
    expect(ring).to.have.length(1);
    expect(ring[0]).to.have.length(5);
    const fork = followed(maskOf(['.......', '.#####.', '...#...', '...#...', '...#...', '.......']));
    expect(fork.map((l) => l.length).sort()).to.deep.equal([3, 3, 4]);
  });
});

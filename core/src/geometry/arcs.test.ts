import { expect } from 'chai';
import fc from 'fast-check';
import { stretchesOf } from './arcs';
import type { Vec2 } from './vec';

/** Distance from a point to a stretch, by walking it in a thousand steps. */
function offBy(p: Vec2, from: Vec2, s: ReturnType<typeof stretchesOf>[number]): number {
  let least = Infinity;
  for (let i = 0; i <= 1000; i++) {
    let q: Vec2;
    if ('centre' in s) {
      const r = Math.hypot(from.x - s.centre.x, from.y - s.centre.y);
      const a = Math.atan2(from.y - s.centre.y, from.x - s.centre.x);
      const b = Math.atan2(s.to.y - s.centre.y, s.to.x - s.centre.x);
      let turn = b - a;
      if (s.ccw && turn < 0) turn += 2 * Math.PI;
      if (!s.ccw && turn > 0) turn -= 2 * Math.PI;
      q = {
        x: s.centre.x + r * Math.cos(a + (turn * i) / 1000),
        y: s.centre.y + r * Math.sin(a + (turn * i) / 1000),
      };
    } else q = { x: from.x + ((s.to.x - from.x) * i) / 1000, y: from.y + ((s.to.y - from.y) * i) / 1000 };
    least = Math.min(least, Math.hypot(p.x - q.x, p.y - q.y));
  }
  return least;
}

describe('curves as arcs', () => {
  it('makes few arcs of a circle, each on it', () => {
    const ring = Array.from({ length: 73 }, (_, i) => ({
      x: 40 + 25 * Math.cos((i * Math.PI) / 36),
      y: 25 * Math.sin((i * Math.PI) / 36),
    }));
    const made = stretchesOf(ring, 0.05);
    expect(made.length).to.be.at.most(3);
    for (const s of made) {
      if (!('centre' in s)) throw new Error('straight');
      expect(s.ccw).to.equal(true);
      expect(Math.hypot(s.centre.x - 40, s.centre.y)).to.be.lessThan(1e-6);
    }
  });

  it('leaves straight runs straight, and corners where they are', () => {
    const box = [0, 1, 2, 3, 4]
      .map((x) => ({ x: x * 10, y: 0 }))
      .concat([1, 2, 3].map((y) => ({ x: 40, y: y * 10 })));
    expect(stretchesOf(box, 0.05).every((s) => !('centre' in s))).to.equal(true);
  });

  it('passes every point of any wavy line within the tolerance, and ends where it ends', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 4, maxLength: 4 }),
        fc.integer({ min: 8, max: 120 }),
        ([a, b, c, d], count) => {
          const line = Array.from({ length: count }, (_, i) => {
            const t = i / (count - 1);
            return { x: 200 * t, y: 40 * a! * Math.sin(6 * t + 2 * b!) + 15 * c! * Math.cos(13 * t + d!) };
          });
          const made = stretchesOf(line, 0.05);
          expect(made.at(-1)!.to).to.deep.equal(line.at(-1));
          let from = line[0]!;
          let k = 0;
          for (const s of made) {
            for (; line[k] !== s.to; k++) expect(offBy(line[k]!, from, s)).to.be.at.most(0.3);
            from = s.to;
          }
          expect(k).to.equal(count - 1);
        },
      ),
      { numRuns: 60 },
    );
  });
});

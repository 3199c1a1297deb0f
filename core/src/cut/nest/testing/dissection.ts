import { signedArea, type Vec2 } from '../../../geometry';
import { chance, firstOf } from '../../../units';

/** A rectangle cut by straight lines into so many convex pieces: through the middle of the largest, at any slope. */
export function dissection(count: number, seed: number, widthMm: number, heightMm: number): Vec2[][] {
  const random = chance(seed);
  const cut: Vec2[][] = [
    [
      { x: 0, y: 0 },
      { x: widthMm, y: 0 },
      { x: widthMm, y: heightMm },
      { x: 0, y: heightMm },
    ],
  ];
  while (cut.length < count) {
    cut.sort((a, b) => signedArea(b) - signedArea(a));
    const one = firstOf(cut.splice(0, 1));
    const slope = Math.PI * random();
    const middle = {
      x: one.reduce((sum, p) => sum + p.x, 0) / one.length,
      y: one.reduce((sum, p) => sum + p.y, 0) / one.length,
    };
    const offOf = (p: Vec2): number =>
      (p.x - middle.x) * Math.sin(slope) - (p.y - middle.y) * Math.cos(slope);
    const [left, right]: [Vec2[], Vec2[]] = [[], []];
    one.forEach((p, i) => {
      const q = one[(i + 1) % one.length]!;
      const [a, b] = [offOf(p), offOf(q)];
      (a >= 0 ? left : right).push(p);
      if (a * b >= 0) return;
      const share = a / (a - b);
      const between = { x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y) };
      left.push(between);
      right.push(between);
    });
    cut.push(left, right);
  }
  return cut;
}

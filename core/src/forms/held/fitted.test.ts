import { expect } from 'chai';
import fc from 'fast-check';
import { distanceToEdge, signedArea, type Vec2 } from '../../geometry';
import { drawnOutline } from '../../outline';
import { fittedNodes } from './fitted';

const arc = (cx: number, cy: number, r: number, from: number, to: number, steps: number): Vec2[] =>
  Array.from({ length: steps + 1 }, (_, i) => {
    const t = ((from + ((to - from) * i) / steps) * Math.PI) / 180;
    return { x: cx + r * Math.cos(t), y: cy + r * Math.sin(t) };
  });

/** A slot: two straight sides and two half rounds. */
const slot: Vec2[] = [...arc(100, 0, 40, -90, 90, 30), ...arc(0, 0, 40, 90, 270, 30)];

const off = (a: readonly Vec2[], b: readonly Vec2[]): number =>
  Math.max(...a.map((p) => distanceToEdge(b, p)));

describe('a traced outline drawn in lines and arcs', () => {
  it('of a slot is its two half rounds and two sides', () => {
    const nodes = fittedNodes(slot, 0.2);
    expect(nodes.filter((n) => n.node === 'arc').length).to.be.within(2, 4);
    expect(nodes.length).to.be.at.most(9);
    const { outline, crosses } = drawnOutline(nodes);
    expect(crosses).to.equal(false);
    expect(off(outline, slot)).to.be.below(0.45);
    expect(off(slot, outline)).to.be.below(0.45);
    // Stadium: 100 × 80 and a circle of radius 40.
    expect(Math.abs(signedArea(outline)) / (8000 + Math.PI * 1600)).to.be.closeTo(1, 0.004);
  });

  it('of a wave between straight sides is a few smooth nodes, its corners kept', () => {
    // A board whose upper edge is a wave: no circle fits it.
    const wave = Array.from({ length: 121 }, (_, i) => ({ x: 240 - 2 * i, y: 100 + 14 * Math.sin(i / 12) }));
    const board = [{ x: 0, y: 0 }, { x: 240, y: 0 }, ...wave];
    const nodes = fittedNodes(board, 0.4);
    expect(nodes.filter((n) => n.node === 'smooth').length).to.be.within(5, 16);
    for (const [x, y] of [
      [0, 0],
      [240, 0],
      [240, 100],
    ])
      expect(nodes.some((n) => n.node === 'corner' && n.xMm === x && n.yMm === y)).to.equal(true);
    const { outline } = drawnOutline(nodes);
    expect(off(outline, board)).to.be.below(0.5);
    expect(off(board, outline)).to.be.below(0.5);
    // No edge kinks: the turn from one drawn chord to the next is small all along the wave.
    const along = outline.filter((p) => p.y > 80 && p.x > 3 && p.x < 237);
    expect(along.length).to.be.above(40);
    for (let i = 1; i + 1 < along.length; i++) {
      const [a, p, b] = [along[i - 1]!, along[i]!, along[i + 1]!];
      const turn = Math.atan2(
        (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
        (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
      );
      expect(Math.abs(turn)).to.be.below(0.2);
    }
  });

  it('without any corner, like an egg, is smooth all round', () => {
    const egg = Array.from({ length: 200 }, (_, i) => {
      const t = (2 * Math.PI * i) / 200;
      return { x: 60 * Math.cos(t) * (1 + 0.2 * Math.sin(t)), y: 90 * Math.sin(t) };
    });
    const nodes = fittedNodes(egg, 0.4);
    expect(nodes.length).to.be.below(16);
    const { outline } = drawnOutline(nodes);
    expect(off(outline, egg)).to.be.below(0.65);
    expect(off(egg, outline)).to.be.below(0.65);
  });

  it('of a polygon is its corners', () => {
    const square = [
      [0, 0],
      [50, 0.02],
      [100, 0],
      [100, 40],
      [100, 80],
      [0, 80],
    ].map(([x, y]) => ({ x: x!, y: y! }));
    const nodes = fittedNodes(square, 0.2);
    expect(nodes.map((n) => n.node)).to.deep.equal(['corner', 'corner', 'corner', 'corner']);
  });

  it('stays within its tolerance of any outline, in no more nodes than it has points', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 40, max: 90, noNaN: true }), { minLength: 8, maxLength: 60 }),
        fc.constantFrom(0.2, 0.5, 1),
        (radii, withinMm) => {
          const outline = radii.map((r, i) => {
            const t = (2 * Math.PI * i) / radii.length;
            return { x: r * Math.cos(t), y: r * Math.sin(t) };
          });
          const nodes = fittedNodes(outline, withinMm);
          expect(nodes.length).to.be.at.most(outline.length + 1);
          const drawn = drawnOutline(nodes);
          if (drawn.crosses) return;
          expect(off(outline, drawn.outline)).to.be.below(2.2 * withinMm + 0.05);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('of a ragged edge of two thousand points is no curve, and is drawn all the same', () => {
    const ragged = Array.from({ length: 2000 }, (_, i) => {
      const t = (2 * Math.PI * i) / 2000;
      const r = 300 + (i % 2 === 0 ? 1 : -1);
      return { x: r * Math.cos(t), y: r * Math.sin(t) };
    });
    const nodes = fittedNodes(ragged, 0.3);
    expect(nodes.every((n) => n.node !== 'smooth')).to.equal(true);
    expect(nodes.length).to.be.above(1000);
  });
});

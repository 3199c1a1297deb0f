import { expect } from 'chai';
import fc from 'fast-check';
import { dist2, dot3, outlineLength, signedArea, sub3, type Vec2 } from '../../geometry';
import { gridNormals } from '../../panel';
import type { Params } from '../../document';
import { make } from '../../parts/testing/worn.test';
import { drawnShape } from './drawnShape';

const start = drawnShape.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } }).params;
/** A box 200 mm wide and 160 high with a shape on its face. */
const made = (params: Params, turnDeg = 0, u = 0.5) =>
  make(
    'box',
    { widthMm: 200, heightMm: 160, deepMm: 80 },
    {
      nominalMm: 6,
      features: [
        {
          id: 'it',
          kind: 'drawn-shape',
          place: { on: 'panel', panel: 'front', u, v: 0.5, turnDeg },
          params: { ...start, ...params },
        },
      ],
    },
  );
const square = [
  [-10, -10],
  [10, -10],
  [10, 10],
  [-10, 10],
].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner' as const }));
const panels = make('box').made.laid.map((l) => l.panel.id);

describe('a drawn shape', () => {
  it('has a panel to lie on here', () => expect(panels).to.include('front'));

  it('is cut as it is drawn, at its scale, as often as it is asked for', () => {
    for (const scalePct of [50, 100, 220]) {
      const { made: shape } = made({ outline: square, scalePct, count: 1 });
      const own = shape.pieces.find((p) => p.featureId === 'it')!;
      const side = (20 * scalePct) / 100;
      expect(Math.abs(signedArea(own.outline))).to.be.closeTo(side ** 2, 1e-6);
      expect(outlineLength(own.outline)).to.be.closeTo(4 * side, 1e-6);
    }
    const row = made({ outline: square, count: 4, stepMm: 30 }).made;
    expect(row.pieces.find((p) => p.featureId === 'it')!.quantity).to.equal(4);
    const marks = row.pieces.find((p) => p.id === 'front')!.marks.filter((m) => m.kind === 'glue');
    const middles = marks.map(({ points }): Vec2 => {
      const ring = points.slice(0, -1);
      return {
        x: ring.reduce((s, p) => s + p.x, 0) / ring.length,
        y: ring.reduce((s, p) => s + p.y, 0) / ring.length,
      };
    });
    expect(middles).to.have.length(4);
    middles.slice(1).forEach((m, i) => expect(dist2(m, middles[i]!)).to.be.closeTo(30, 1e-6));
  });

  it('is turned about its spot and keeps its size, any way', () => {
    fc.assert(
      fc.property(fc.integer({ min: -180, max: 180 }), (turnDeg) => {
        const shape = made({ outline: square }, turnDeg).made;
        const mark = shape.pieces.find((p) => p.id === 'front')!.marks.find((m) => m.kind === 'glue')!;
        const ring = mark.points.slice(0, -1);
        expect(Math.abs(signedArea(ring))).to.be.closeTo(400, 1e-6);
        // A corner of the square stands √200 from its middle.
        const far = Math.max(...ring.map((p) => dist2(p, middleOf(ring))));
        expect(far).to.be.closeTo(Math.SQRT2 * 10, 1e-6);
      }),
      { numRuns: 12 },
    );
  });

  it('let in is as deep as its foam and flush: nothing of it stands out; laid on it stands out by its foam', () => {
    const standsOut = (way: string): [number, number] => {
      const shape = made({ outline: square, way, foamMm: 2 }).made;
      const [solid] = shape.featured.solids;
      const face = shape.laid.find((l) => l.panel.id === 'front')!;
      const t = face.foam.thicknessMm.value;
      const flat = face.panel.grid[0]![0]!;
      const n = gridNormals(face.panel.grid)[0]![0]!;
      const out = solid!.points.map((p) => dot3(sub3(p, flat), n) - t);
      return [Math.min(...out), Math.max(...out)];
    };
    const [low, high] = standsOut('layer');
    expect(low).to.be.closeTo(0, 1e-6);
    expect(high).to.be.closeTo(2, 0.05);
    const [under, flush] = standsOut('inlaid');
    expect(flush).to.be.closeTo(0, 1e-6);
    expect(under).to.be.closeTo(-2, 0.05);
  });

  it('carved or engraved is a line with its depth and no piece, and not one that goes through', () => {
    for (const way of ['carved', 'engraved']) {
      const shape = made({ outline: square, way, deepMm: 3 });
      expect(shape.made.pieces.some((p) => p.featureId === 'it')).to.equal(false);
      const mark = shape.made.pieces
        .find((p) => p.id === 'front')!
        .marks.find((m) => m.text?.includes('3 mm deep'));
      expect(mark!.kind).to.equal('score');
      expect(shape.checks.some((c) => c.id === 'feature-it')).to.equal(false);
      expect(
        made({ outline: square, way, deepMm: 5.5 }).checks.find((c) => c.id === 'feature-it')!.title,
      ).to.match(/goes through/);
    }
    expect(
      made({ outline: square, way: 'inlaid', foamMm: 6 }).checks.some((c) => c.id === 'feature-it'),
    ).to.equal(true);
  });

  it('that reaches beyond its piece is left off and told', () => {
    // Its upper and lower ends stand over edges that are glued to nothing.
    const off = made({ outline: square.map((n) => ({ ...n, yMm: 12 * n.yMm })) });
    expect(off.checks.find((c) => c.id === 'feature-it')!.title).to.match(/reaches beyond/);
    expect(off.made.pieces.some((p) => p.featureId === 'it')).to.equal(false);
  });

  it('goes on over a seam: as one piece, traced on both, each part of it on its own face', () => {
    const outline = square.map((n) => ({ ...n, xMm: 2 * n.xMm, yMm: 2 * n.yMm }));
    for (const way of ['layer', 'carved'] as const) {
      // Its middle on the seam of the front and the face beside it.
      const { made: shape } = made({ outline, way, deepMm: 2 }, 0, 0.97);
      const marked = shape.laid.flatMap(({ panel }) =>
        (shape.pieces.find((p) => p.id === panel.id)?.marks ?? [])
          .filter((m) => m.kind === (way === 'layer' ? 'glue' : 'score'))
          .map((m) => ({ id: panel.id, ring: m.points.slice(0, -1) })),
      );
      expect([...new Set(marked.map((m) => m.id))]).to.have.length(2);
      const traced = marked.reduce((sum, m) => sum + Math.abs(signedArea(m.ring)), 0);
      // All of it but a hair at the seam.
      expect(traced).to.be.closeTo(1600, 10);
      const whole = shape.pieces.filter((p) => p.featureId === 'it');
      expect(whole).to.have.length(way === 'layer' ? 1 : 0);
      if (way === 'layer') expect(Math.abs(signedArea(whole[0]!.outline))).to.be.closeTo(1600, 1e-6);
      // Seen along the seam, both parts are as long there.
      const alongSeam = marked.map(({ id, ring }) => {
        const { piece } = shape.laid.find((l) => l.panel.id === id)!;
        const other = marked.find((m) => m.id !== id)!.id;
        const edge = piece.edges.find((e) => e.mate?.pieceId === other)!;
        const [a, b] = [piece.outline[edge.from]!, piece.outline[edge.to]!];
        const long = dist2(a, b);
        const off = (p: Vec2): number =>
          Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / long;
        const at = ring
          .filter((p) => off(p) < 0.5)
          .map((p) => ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / long);
        return Math.max(...at) - Math.min(...at);
      });
      for (const long of alongSeam) expect(long).to.be.closeTo(40, 0.5);
    }
  });

  it('goes on from seam to seam, and not about a corner where it cannot lie flat', () => {
    const on = (form: string, panel: string, u: number, v: number, xTimes: number, yTimes: number) =>
      make(form, form === 'box' ? { widthMm: 200, heightMm: 160, deepMm: 80 } : {}, {
        nominalMm: 6,
        features: [
          {
            id: 'it',
            kind: 'drawn-shape',
            place: { on: 'panel', panel, u, v, turnDeg: 0 },
            params: {
              ...start,
              outline: square.map((n) => ({ ...n, xMm: xTimes * n.xMm, yMm: yTimes * n.yMm })),
            },
          },
        ],
      });
    // A band of 130 mm about the middle of a flat side as wide as its neighbours: over two seams at once.
    const { made: shape, checks } = on('faceted', 'side-2-flat-2', 0.5, 0.5, 6.5, 2);
    expect(checks.some((c) => c.id === 'feature-it')).to.equal(false);
    const glue = shape.pieces.flatMap(({ id, marks }) =>
      marks.filter((m) => m.kind === 'glue').map((m) => ({ id, mm2: Math.abs(signedArea(m.points)) })),
    );
    expect(new Set(glue.map((m) => m.id)).size).to.be.at.least(3);
    expect(glue.reduce((sum, m) => sum + m.mm2, 0)).to.be.closeTo(130 * 40, 20);
    for (const { mm2 } of glue) expect(mm2).to.be.lessThan(130 * 40 * 0.6);

    // Three faces meet at a corner: what would lie on two of them at once, or on none, is refused.
    const atCorner = on('box', 'front', 0.9, 0.9, 4, 4);
    expect(atCorner.checks.find((c) => c.id === 'feature-it')!.title).to.match(/reaches beyond/);
  });
});

const middleOf = (ring: readonly Vec2[]): Vec2 => ({
  x: ring.reduce((s, p) => s + p.x, 0) / ring.length,
  y: ring.reduce((s, p) => s + p.y, 0) / ring.length,
});

import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping, { type Polygon } from 'polygon-clipping';
import type { CutPlan } from '../document';
import type { Vec2 } from '../geometry';
import type { Piece, PieceEdge } from '../panel';
import { pieceShapes, quantityText, inRows, type SourcedPiece } from './drawing';
import { lineStyle, layers, moveShape, type Shape } from './shape';
import { PAGE_MARGIN_MM, paper, printScale, planPages } from '.';

const square = (size: number, rest: Partial<Piece> = {}): Piece => ({
  id: 'p',
  name: 'square',
  role: 'shell',
  outline: [
    { x: 0, y: 0 },
    { x: size, y: 0 },
    { x: size, y: size },
    { x: 0, y: size },
  ],
  edges: [],
  holes: [],
  marks: [],
  foamId: 'dense-eva',
  foamName: '6 mm dense EVA',
  foamColour: '#33393c',
  densityKgM3: 100,
  nominalMm: 6,
  thicknessMm: 6,
  quantity: 1,
  flipped: 0,
  areaMm2: size * size,
  ...rest,
});

const source = { code: 'A1', partName: 'Test', foamName: '6 mm dense EVA' };
const cut: CutPlan = { page: 'A4', barMeasuredMm: 100, overlapMm: 10, spacingMm: 5, pagePlan: 'apart' };
const ringOf = (points: readonly Vec2[]): Polygon => [points.map((p): [number, number] => [p.x, p.y])];
const item = (size: number) => ({ piece: square(size), source });

describe('bevels on the drawing', () => {
  const bottom = (bevelDeg: number): PieceEdge => ({
    id: 'bottom',
    name: 'lower edge',
    from: 0,
    to: 1,
    lengthMm: 100,
    bevelDeg,
    joint: 'seam',
  });
  const shapesOf = (bevelDeg: number): Shape[] =>
    pieceShapes(square(100, { edges: [bottom(bevelDeg)] }), source);

  it('are a wedge inside the piece, open by the angle, and say which face is lost', () => {
    const wedge = shapesOf(45).find((s) => s.kind === 'line' && s.layer === 'wedge');
    if (wedge?.kind !== 'line') throw new Error('no wedge');
    for (const p of wedge.points) {
      expect(p.y).to.be.within(0, 12);
      expect(p.x).to.be.within(30, 70);
    }
    const [, open, shut] = wedge.points;
    expect(Math.hypot(open!.x - shut!.x, open!.y - shut!.y)).to.be.closeTo(4.5, 1e-9);
    const words = (deg: number): string[] =>
      shapesOf(deg).flatMap((s) => (s.kind === 'text' && /° (back|front)$/.test(s.text) ? [s.text] : []));
    expect(words(45)).to.deep.equal(['45° back']);
    expect(words(-16.2)).to.deep.equal(['16° front']);
  });

  it('are not drawn on a square edge', () => {
    expect(shapesOf(0).some((s) => s.layer === 'wedge')).to.equal(false);
  });
});

describe('what is drawn on a piece', () => {
  it('says how many to cut and how many flipped', () => {
    expect(quantityText(square(10))).to.equal('cut 1');
    expect(quantityText(square(10, { quantity: 2, flipped: 1 }))).to.equal('cut 2, one flipped');
    expect(quantityText(square(10, { quantity: 1, flipped: 1 }))).to.equal('cut 1, flipped');
    expect(quantityText(square(10, { quantity: 1, flipped: 1, hand: 'left' }))).to.equal(
      'cut 1, flipped · L',
    );
    expect(quantityText(square(10, { hand: 'right' }))).to.equal('cut 1 · R');
    expect(quantityText(square(10, { quantity: 4, flipped: 2 }))).to.equal('cut 4, 2 flipped');
  });

  it('has a closed cut line, a cross in every hole, and its words', () => {
    const shapes = pieceShapes(
      square(100, { holes: [{ id: 'h', kind: 'lamp', centre: { x: 50, y: 50 }, diameterMm: 5 }] }),
      source,
    );
    expect(shapes.filter((s) => s.layer === 'cut')).to.have.length(1);
    expect(shapes.filter((s) => s.layer === 'hole')).to.have.length(3);
    const words = shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
    expect(words).to.include.members(['A1 · Test: square', 'cut 1', '6 mm dense EVA', 'Ø5']);
  });

  it('draws notches inwards with their letter, and slots as holes', () => {
    const marks: Piece['marks'] = [
      { kind: 'notch', points: [{ x: 50, y: 0 }], text: 'B' },
      {
        kind: 'slot',
        points: [
          { x: 40, y: 40 },
          { x: 60, y: 40 },
          { x: 60, y: 45 },
        ],
      },
      {
        kind: 'dart',
        points: [
          { x: 0, y: 20 },
          { x: 30, y: 25 },
          { x: 0, y: 30 },
        ],
      },
    ];
    const shapes = pieceShapes(square(100, { marks }), source);
    const tick = shapes.find((s): s is Shape & { kind: 'line' } => s.layer === 'notch' && s.kind === 'line')!;
    expect(tick.points.map((p) => [p.x, p.y])).to.deep.equal([
      [52, 0],
      [50, 6],
      [48, 0],
    ]);
    expect(shapes.some((s) => s.kind === 'line' && s.layer === 'hole' && s.closed)).to.equal(true);
    expect(shapes.some((s) => s.layer === 'dart')).to.equal(true);
  });

  it('gives every kind of line a meaning of its own and a look of its own', () => {
    const looks = layers
      .filter((l) => l !== 'text')
      .map((l) => `${lineStyle[l].dashMm.join(' ')}/${lineStyle[l].widthMm}`);
    expect(new Set(layers.map((l) => lineStyle[l].meaning)).size).to.equal(layers.length);
    expect(new Set(looks).size).to.be.at.least(6);
  });

  it('moves every kind of shape', () => {
    const by = (p: { x: number; y: number }) => ({ x: p.x + 1, y: p.y + 2 });
    expect(
      moveShape({ kind: 'circle', layer: 'hole', centre: { x: 0, y: 0 }, radiusMm: 3 }, by),
    ).to.deep.include({ centre: { x: 1, y: 2 } });
    expect(
      moveShape({ kind: 'text', layer: 'text', at: { x: 0, y: 0 }, heightMm: 3, text: 'a' }, by),
    ).to.deep.include({ at: { x: 1, y: 2 } });
    expect(
      moveShape({ kind: 'line', layer: 'cut', points: [{ x: 0, y: 0 }], closed: false }, by),
    ).to.deep.include({ points: [{ x: 1, y: 2 }] });
  });

  it('lays pieces in rows without touching', () => {
    const { shapes, widthMm, heightMm } = inRows([item(100), item(50)], 10);
    expect([widthMm, heightMm]).to.deep.equal([120, 180]);
    const many = inRows(
      Array.from({ length: 30 }, () => item(100)),
      10,
    );
    expect(many.widthMm / many.heightMm).to.be.within(0.7, 2.5);
    const [a, b] = shapes.filter(
      (s): s is Shape & { kind: 'line' } => s.kind === 'line' && s.layer === 'cut',
    );
    expect(Math.min(...a!.points.map((p) => p.y)) - Math.max(...b!.points.map((p) => p.y))).to.equal(10);
  });
});

describe('pages shared by pieces', () => {
  const plan: CutPlan = { ...cut, pagePlan: 'together' };
  const some = fc.array(
    fc.record({ w: fc.integer({ min: 15, max: 500 }), h: fc.integer({ min: 15, max: 500 }) }),
    {
      minLength: 1,
      maxLength: 9,
    },
  );
  const itemsOf = (sizes: { w: number; h: number }[]): SourcedPiece[] =>
    sizes.map(({ w, h }, i) => ({
      piece: square(1, {
        id: `p${i}`,
        outline: [
          { x: 0, y: 0 },
          { x: w, y: 0 },
          { x: w, y: h },
          { x: 0, y: h },
        ],
      }),
      source,
    }));

  it('show every piece once and whole, none on another, on no more pages than one by one', () => {
    fc.assert(
      fc.property(some, (sizes) => {
        const items = itemsOf(sizes);
        const pages = planPages(items, plan);
        const placed = [...new Set(pages.map((p) => p.board))].flatMap((b) =>
          b.placed.map((p) => ({ b, p })),
        );
        expect(new Set(placed.map(({ p }) => p.item)).size).to.equal(items.length);
        expect(placed).to.have.length(items.length);
        // Clipper says what two outlines share: nothing.
        for (const { b, p } of placed)
          for (const other of placed)
            if (other.b === b && other.p !== p)
              expect(polygonClipping.intersection(ringOf(p.outline), ringOf(other.p.outline))).to.deep.equal(
                [],
              );
        for (const { b, p } of placed)
          for (const corner of p.outline)
            expect(
              pages.some(
                (w) =>
                  w.board === b &&
                  corner.x >= w.x - 1e-6 &&
                  corner.x <= w.x + w.widthMm + 1e-6 &&
                  corner.y >= w.y - 1e-6 &&
                  corner.y <= w.y + w.heightMm + 1e-6,
              ),
            ).to.equal(true);
        expect(pages.length).to.be.at.most(planPages(items, { ...cut, pagePlan: 'apart' }).length);
      }),
      { numRuns: 40 },
    );
  });

  it('puts small pieces on one page', () => {
    expect(planPages(itemsOf(Array.from({ length: 9 }, () => ({ w: 50, h: 60 }))), plan)).to.have.length(1);
  });
});

describe('pages', () => {
  it('are of ISO 216 and ANSI sizes', () => {
    expect(paper.A4).to.deep.equal({ widthMm: 210, heightMm: 297 });
    // ISO 216: A3 is two A4 side by side; Letter and Legal are 8.5 in wide.
    expect(paper.A3).to.deep.equal({ widthMm: 297, heightMm: 420 });
    expect(paper.Letter.widthMm).to.be.closeTo(8.5 * 25.4, 1e-9);
    expect(paper.Letter.heightMm).to.be.closeTo(11 * 25.4, 1e-9);
    expect(paper.Legal.heightMm).to.be.closeTo(14 * 25.4, 1e-9);
  });

  it('hold a small piece on one sheet and spread a large one', () => {
    expect(planPages([item(100)], cut)).to.have.length(1);
    const wide = planPages([item(300)], cut);
    expect(wide.length).to.equal(4);
    expect(wide[0]!.board).to.include({ columns: 2, rows: 2 });
  });

  it('overlap by what was asked', () => {
    const [a, b] = planPages([item(300)], { ...cut, overlapMm: 14 });
    expect(a!.x + a!.widthMm - b!.x).to.be.closeTo(14, 1e-9);
  });

  it('need more paper when the printer shrinks', () => {
    expect(printScale({ ...cut, barMeasuredMm: 96 })).to.deep.equal({ x: 100 / 96, y: 100 / 96 });
    const twice = { ...cut, barMeasuredMm: 96, barAlongMeasuredMm: 103 };
    expect(printScale(twice)).to.deep.equal({ x: 100 / 96, y: 100 / 103 });
    const shrunk = planPages([item(100)], { ...cut, barMeasuredMm: 96 })[0]!;
    expect(shrunk.widthMm).to.be.closeTo((210 - 2 * PAGE_MARGIN_MM) * 0.96, 1e-9);
  });

  it('leave out a window that shows nothing of an L', () => {
    const outline = [
      { x: 0, y: 0 },
      { x: 500, y: 0 },
      { x: 500, y: 40 },
      { x: 40, y: 40 },
      { x: 40, y: 600 },
      { x: 0, y: 600 },
    ];
    const pages = planPages([{ piece: square(1, { outline }), source }], cut);
    const { columns, rows, printed } = pages[0]!.board;
    expect(pages.length).to.be.lessThan(columns * rows);
    expect(printed.filter(Boolean)).to.have.length(pages.length);
  });
});

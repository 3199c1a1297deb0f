import { expect } from 'chai';
import fc from 'fast-check';
import type { Row } from '../../document';
import { signedArea } from '../../geometry';
import { checkOf, expectCured, make, reportOf } from '../../parts/testing/worn.test';
import { begunOutline, edgesOfOutline, withEdge } from './edges';
import { takenPieces } from './taken';

const points = (piece: number, at: readonly (readonly [number, number])[]): Row[] =>
  at.map(([xMm, yMm]) => ({ piece, xMm, yMm, node: 'corner' }));
const box = (piece: number, w: number, h: number): Row[] =>
  points(piece, [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ]);
const flat = [{ bendsDeg: 0, bendsUpDeg: 0 }];
const sizeOf = (params: object): { w: number; h: number; area: number } => {
  const [piece] = make('taped', { seams: [], ...params } as never).made.pieces;
  const xs = piece!.outline.map((p) => p.x);
  const ys = piece!.outline.map((p) => p.y);
  return {
    w: Math.max(...xs) - Math.min(...xs),
    h: Math.max(...ys) - Math.min(...ys),
    area: Math.abs(signedArea(piece!.outline)),
  };
};

describe('a taped pattern', () => {
  it('grows by Steiner where foam goes outside the thing, and shrinks where it goes inside', () => {
    const params = { outline: box(1, 300, 80), pieces: [{ bendsDeg: 360, bendsUpDeg: 0 }] };
    // 6 mm foam, k = 0.5: a ring's girth at its middle layer is 2π · 3 mm more than at the film.
    expect(sizeOf({ ...params, over: 'thing' }).w).to.be.closeTo(300 + 2 * Math.PI * 3, 1e-4);
    expect(sizeOf({ ...params, over: 'outside' }).w).to.be.closeTo(300 - 2 * Math.PI * 3, 1e-4);
    expect(sizeOf({ ...params, over: 'flat' }).w).to.be.closeTo(300, 1e-9);
    expect(sizeOf({ ...params, over: 'thing' }).h).to.be.closeTo(80, 1e-9);
    const half = { outline: box(1, 300, 80), pieces: [{ bendsDeg: 0, bendsUpDeg: 90 }], over: 'thing' };
    expect(sizeOf(half).h).to.be.closeTo(80 + (Math.PI / 2) * 3, 1e-4);
  });

  it('names its edges as the piece that is cut does', () => {
    const outline = points(1, [
      [0, 0],
      [90, -10],
      [130, 60],
      [70, 120],
      [10, 70],
    ]);
    const [piece] = make('taped', { outline, pieces: flat, seams: [] }).made.pieces;
    const drawn = edgesOfOutline(begunOutline(outline as never).outline);
    expect(drawn).to.have.length(5);
    drawn.forEach((e) => {
      const edge = piece!.edges.find((x) => x.id === `edge-${e.number}`)!;
      expect(edge.lengthMm).to.be.closeTo(e.lengthMm, 1e-6);
    });
    // The first runs from the point that was drawn first.
    expect(drawn[0]!.run[0]).to.deep.equal({ x: 0, y: 0 });
  });

  it('letters edges that meet, eases them, tells how far they disagree, and one press makes them agree', () => {
    const params = {
      over: 'flat',
      pieces: [flat[0]!, flat[0]!],
      outline: [...box(1, 100, 150), ...box(2, 80, 141)],
      seams: [{ a: 1, aEdge: 2, b: 2, bEdge: 4 }],
    };
    const { made } = make('taped', params);
    const edge = made.pieces[0]!.edges.find((e) => e.id === 'edge-2')!;
    expect(edge.joint).to.equal('seam');
    expect(edge.mate).to.deep.equal({ pieceId: 'piece-2', edgeId: 'edge-4' });
    expect(edge.easeMm).to.be.closeTo(9, 1e-6);
    expect(edge.bevelDeg).to.equal(0);
    expect(reportOf('taped', params).girthMm).to.equal(0);
    const reported = expectCured('taped', params, 'apart-1');
    expect(reported.title).to.equal('piece A, edge 2 is 9 mm longer than piece B, edge 4.');
    expect(reported.severity).to.equal('mind');
    const near = make('taped', { ...params, outline: [...box(1, 100, 150), ...box(2, 80, 147)] });
    expect(checkOf(near, 'apart-1')!.severity).to.equal('note');
    expect(
      checkOf(make('taped', { ...params, outline: [...box(1, 100, 150), ...box(2, 80, 150)] }), 'apart-1'),
    ).to.equal(undefined);
  });

  it('closes a dart: two edges of one piece that meet', () => {
    const outline = points(1, [
      [0, 0],
      [100, 0],
      [100, 80],
      [60, 80],
      [50, 30],
      [38, 80],
      [0, 80],
    ]);
    const params = { over: 'flat', pieces: flat, outline, seams: [{ a: 1, aEdge: 4, b: 1, bEdge: 5 }] };
    const legs = [Math.hypot(10, 50), Math.hypot(12, 50)];
    expect(checkOf(make('taped', params), 'apart-1')).to.equal(undefined);
    expect(Math.abs(legs[0]! - legs[1]!)).to.be.below(0.5);
    const deep = { ...params, outline: outline.map((p) => (p['xMm'] === 38 ? { ...p, xMm: 26 } : p)) };
    expectCured('taped', deep, 'apart-1');
  });

  it('says which seam names an edge that is not there or is glued already, and which piece is not drawn', () => {
    const params = {
      pieces: [flat[0]!, flat[0]!, flat[0]!],
      outline: [...box(1, 100, 150), ...box(2, 80, 150)],
      seams: [
        { a: 1, aEdge: 2, b: 2, bEdge: 4 },
        { a: 1, aEdge: 2, b: 2, bEdge: 1 },
        { a: 1, aEdge: 9, b: 2, bEdge: 2 },
      ],
    };
    const ids = make('taped', params).checks.map((c) => c.id);
    expect(ids).to.include.members(['seam-lost-2', 'seam-lost-3', 'undrawn-3']);
    expect(ids).to.not.include('seam-lost-1');
  });

  it('makes any edge as long as asked, and moves no other corner', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 6 }),
        fc.integer({ min: 1, max: 4 }),
        fc.double({ min: -0.12, max: 0.12, noNaN: true }),
        (corners, edge, share) => {
          const nodes = Array.from({ length: corners }, (_, i) => {
            const t = (2 * Math.PI * i) / corners;
            return { xMm: 90 * Math.cos(t), yMm: 60 * Math.sin(t), node: 'corner' as const };
          });
          const before = edgesOfOutline(begunOutline(nodes).outline);
          if (before.length !== corners) return;
          const wanted = before[edge - 1]!.lengthMm * (1 + share);
          const after = withEdge(nodes, edge, wanted);
          expect(edgesOfOutline(begunOutline(after).outline)[edge - 1]!.lengthMm).to.be.closeTo(wanted, 0.1);
          const moved = after.filter(
            (n, i) => Math.hypot(n.xMm - nodes[i]!.xMm, n.yMm - nodes[i]!.yMm) > 0.02,
          );
          expect(moved.length).to.be.at.most(2);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('taken from a photograph keeps the lines that were drawn on its pieces where they were', () => {
    const outline = [
      [20, -30],
      [140, -30],
      [150, 60],
      [20, 40],
    ].map(([x, y]) => ({ x: x!, y: y! }));
    const marks = [
      [
        { x: 40, y: -10 },
        { x: 90, y: 12 },
        { x: 120, y: 10 },
      ],
    ];
    const { rows, pieces, lines } = takenPieces(
      [
        { outline, marks: [] },
        { outline, marks },
      ],
      0.2,
      400,
    );
    expect(pieces).to.equal(2);
    expect(lines.map((l) => l.panel)).to.deep.equal(['piece-2']);
    const feature = {
      id: 'line',
      kind: 'line',
      place: { on: 'path' as const, panel: lines[0]!.panel, points: lines[0]!.points },
      params: { look: 'drawn' },
    };
    const { made } = make(
      'taped',
      { over: 'flat', outline: rows, pieces: [flat[0]!, flat[0]!], seams: [] },
      { features: [feature] },
    );
    const [mark] = made.pieces.find((p) => p.id === 'piece-2')!.marks.filter((m) => m.kind === 'glue');
    // Pieces begin at the corner of their box.
    for (const { x, y } of marks[0]!) {
      const off = Math.min(...mark!.points.map((p) => Math.hypot(p.x + 20 - x, p.y - 30 - y)));
      expect(off).to.be.below(0.1);
    }
    // It is drawn, and takes no work.
    expect(made.featured.work).to.deep.equal([]);
  });
});

import { expect } from 'chai';
import { boundsOf, contains, distanceToEdge } from '../../geometry';
import {
  adult,
  areaOf,
  bodyOf,
  checkOf,
  edgeMm,
  expectCured,
  figureOf,
  make,
  pieceOf,
} from '../../parts/testing/worn.test';

describe('helmet', () => {
  it('has as many gores as asked, closed to a ring of seams', () => {
    for (const gores of [4, 6, 8, 12]) {
      const shape = make('helmet', { scheme: 'gores', gores });
      const all = shape.pieces.filter((p) => p.id.startsWith('gore-'));
      expect(all).to.have.length(gores);
      const mates = all.map((p) => p.edges.find((e) => e.id === 'right')!.mate!.pieceId);
      expect(new Set(mates).size).to.equal(gores);
      expect(mates.at(-1)).to.equal('gore-1');
    }
  });

  it('needs less stretch in more gores', () => {
    const worst = (gores: number): number =>
      Math.max(
        ...make('helmet', { gores, darts: 0 })
          .pieces.filter((p) => p.id.startsWith('gore'))
          .map((p) => p.stretch?.worst ?? 0),
      );
    expect(worst(4)).to.be.greaterThan(worst(8));
    expect(worst(8)).to.be.greaterThan(worst(12));
  });

  it('as a crown strip and two sides has fewer pieces, whose seams agree', () => {
    const shape = make('helmet', { scheme: 'strip', crestMm: 0, visor: 'none' });
    expect(shape.pieces.map((p) => p.id)).to.deep.equal(['strip', 'right', 'left', 'skirt']);
    const strip = pieceOf(shape, 'strip');
    expect(edgeMm(strip, 'left')).to.be.closeTo(edgeMm(strip, 'right'), 0.5);
    const side = pieceOf(shape, 'right');
    expect(Math.abs(edgeMm(side, 'top') - edgeMm(strip, 'left'))).to.be.lessThan(
      edgeMm(strip, 'left') * 0.02,
    );
    expect(pieceOf(shape, 'left').areaMm2).to.be.closeTo(side.areaMm2, 1e-6);
  });

  it('as a cap in quarters has a brow band over its edge, and cheeks seamed to a nape', () => {
    const shape = make('helmet', { scheme: 'cap', bandMm: 40, crestMm: 0, visor: 'none', bandFoam: 10 });
    expect(shape.pieces.map((p) => p.id)).to.deep.equal([
      'gore-1',
      'gore-2',
      'gore-3',
      'gore-4',
      'band',
      'cheek-right',
      'cheek-left',
      'nape',
    ]);
    const band = pieceOf(shape, 'band');
    // Cut at its neutral layer it is a little wider than the inside it is asked for, for it bends over the cap's edge.
    expect(edgeMm(band, 'right')).to.be.within(40, 42);
    expect(band.thicknessMm).to.equal(10);
    const cap = [1, 2, 3, 4].reduce((sum, i) => sum + edgeMm(pieceOf(shape, `gore-${i}`), 'bottom'), 0);
    expect(edgeMm(band, 'bottom'), 'the band goes round the outside of the cap').to.be.greaterThan(cap);
    const nape = pieceOf(shape, 'nape');
    expect(edgeMm(nape, 'left')).to.be.closeTo(edgeMm(pieceOf(shape, 'cheek-left'), 'right'), 0.5);
    expect(pieceOf(shape, 'cheek-right').holes.map((h) => h.kind)).to.deep.equal(['ear']);
    expect(pieceOf(shape, 'cheek-left').holes).to.have.length(1);
  });

  it('draws its lines of sight as wide as the figures say', () => {
    const shape = make('helmet');
    const [side] = shape.made.model.sight;
    const [eye, far] = [side![0]!, side!.at(-1)!];
    const angle = (Math.atan2(far.x - eye.x, far.y - eye.y) * 180) / Math.PI;
    expect(angle).to.be.closeTo(figureOf(shape, 'side'), 0.1);
  });

  it('grows with the head and with its padding', () => {
    const large = bodyOf({ stature: 1720, headGirth: 610 });
    expect(areaOf(make('helmet', {}, { body: large }))).to.be.greaterThan(areaOf(make('helmet')));
    expect(areaOf(make('helmet', { paddingMm: 20 }))).to.be.greaterThan(
      areaOf(make('helmet', { paddingMm: 8 })),
    );
  });

  it('leaves out visor and crest when they are not wanted', () => {
    const bare = make('helmet', { visor: 'none', crestMm: 0 });
    expect(bare.pieces.some((p) => p.id === 'visor' || p.id === 'crest')).to.equal(false);
    expect(make('helmet').pieces.some((p) => p.id === 'visor')).to.equal(true);
  });

  it('cuts the slit inside the visor, as high as asked', () => {
    const visor = pieceOf(make('helmet', { slitMm: 30 }), 'visor');
    const slot = visor.marks.find((m) => m.kind === 'slot')!;
    for (const p of slot.points) expect(contains(visor.outline, p)).to.equal(true);
    const box = boundsOf(slot.points);
    const rise = boundsOf(slot.points.slice(0, slot.points.length / 2));
    expect(box.maxY - box.minY - (rise.maxY - rise.minY)).to.be.closeTo(30, 0.5);
    expect(
      make('helmet', { visor: 'open' })
        .pieces.find((p) => p.id === 'visor')!
        .marks.some((m) => m.kind === 'slot'),
    ).to.equal(false);
  });

  it('sees more through a higher slit, further down through a lower one', () => {
    const down = (slitMm: number, slitDropMm: number): number =>
      figureOf(make('helmet', { slitMm, slitDropMm }), 'down');
    expect(down(30, 5)).to.be.greaterThan(down(15, 5));
    expect(down(30, 15)).to.be.greaterThan(down(30, 5));
    const side = (faceDeg: number): number => figureOf(make('helmet', { visor: 'none', faceDeg }), 'side');
    expect(side(80)).to.be.greaterThan(side(40));
  });

  it('warns of poor sight by its limits, and of covered ears and no air', () => {
    expectCured('helmet', { slitMm: 22, slitDropMm: 6 }, 'sight');
    expect(checkOf(make('helmet', { slitMm: 8, slitDropMm: 0 }), 'sight')!.severity).to.equal('stop');
    expect(checkOf(make('helmet', { visor: 'open', faceDeg: 85 }), 'sight')).to.equal(undefined);
    expectCured('helmet', { ears: 'covered' }, 'ears');
    expectCured('helmet', { breath: 'none' }, 'breath');
  });

  it('cuts an opening over each ear and air holes below the slit, on the foam', () => {
    const shape = make('helmet');
    for (const [id, kind, count] of [
      ['skirt', 'ear', 2],
      ['visor', 'air', 5],
    ] as const) {
      const piece = pieceOf(shape, id);
      const holes = piece.holes.filter((h) => h.kind === kind);
      expect(holes, id).to.have.length(count);
      for (const h of holes) {
        expect(contains(piece.outline, h.centre), h.id).to.equal(true);
        expect(distanceToEdge(piece.outline, h.centre), h.id).to.be.greaterThan(h.diameterMm / 2 + 3);
      }
    }
    const middle = boundsOf(pieceOf(shape, 'skirt').outline);
    const [left, right] = pieceOf(shape, 'skirt').holes;
    expect((left!.centre.x + right!.centre.x) / 2).to.be.closeTo((middle.minX + middle.maxX) / 2, 2);
    expect(pieceOf(make('helmet', { ears: 'covered' }), 'skirt').holes).to.deep.equal([]);
    expect(pieceOf(make('helmet', { breath: 'none' }), 'visor').holes).to.deep.equal([]);
  });

  it('never promises safety', () => {
    const { why } = checkOf(make('helmet', { slitMm: 8 }), 'sight')!;
    expect(why).to.include('whatever the figure says');
  });

  it('has its visor in its own foam', () => {
    const shape = make('helmet', { visorFoam: 2 });
    expect(pieceOf(shape, 'visor').nominalMm).to.equal(2);
    expect(pieceOf(shape, 'skirt').nominalMm).to.equal(6);
  });

  it('stands off the measured head by padding and hood', () => {
    const skirt = pieceOf(make('helmet', { faceDeg: 60, visor: 'none' }, { underLayerMm: 0 }), 'skirt');
    // Two thirds of the way round at the brow line, which is the head's girth pushed out (Steiner).
    const round = adult.headGirth.valueMm + 2 * Math.PI * (12 + 3);
    expect(edgeMm(skirt, 'top')).to.be.within(round * 0.6, round * 0.72);
  });
});

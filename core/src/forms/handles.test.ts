import { expect } from 'chai';
import { dist3 } from '../geometry/vec';
import { drapedKinds, type DrapedKindName } from './kinds';
import { adult, make, sheetOf } from './testing/worn.test';

const input = (kind: DrapedKindName, change = {}) => ({
  params: { ...drapedKinds[kind].defaults(adult), ...change },
  body: adult,
  underLayerMm: 3,
  foam: sheetOf(6),
  sheetOf,
});

describe('handles on the solid', () => {
  it('belong to fields of their form and stand on it', () => {
    for (const kind of Object.keys(drapedKinds) as DrapedKindName[]) {
      const form = drapedKinds[kind];
      const points = make(kind)
        .surfaces()
        .flatMap((s) => s.grid.flat());
      for (const handle of form.handles!(input(kind))) {
        expect(
          form.fields.some((f) => f.key === handle.key && f.type !== 'choice'),
          handle.key,
        ).to.equal(true);
        expect(Math.min(...points.map((p) => dist3(p, handle.at))), `${kind} ${handle.key}`).to.be.lessThan(
          0.01,
        );
      }
    }
  });

  it('move a millimetre for a millimetre along a limb', () => {
    const end = drapedKinds.greave.handles!(input('greave', { pointMm: 0 })).find((h) => h.key === 'endMm')!;
    expect(end.step.z).to.be.closeTo(1, 0.01);
    expect(Math.hypot(end.step.x, end.step.y)).to.be.lessThan(0.4);
  });

  it('turn the seam of a two-piece shell, which then is no longer in mirrored halves', () => {
    const seam = drapedKinds.thigh.handles!(input('thigh')).find((h) => h.key === 'seamDeg')!;
    expect(Math.hypot(seam.step.x, seam.step.y)).to.be.greaterThan(0.5);
    const area = (id: string, seamDeg: number): number =>
      make('thigh', { seamDeg }).pieces.find((p) => p.id === id)!.areaMm2;
    expect(area('a', 40)).to.be.greaterThan(area('b', 40) * 1.2);
    expect(area('a', 0)).to.be.closeTo(area('b', 0), 1e-6);
  });

  it('slide the side seam of a plate, and its mates still meet', () => {
    for (const seamDeg of [25, 42, 60]) {
      const shape = make('breastplate', { halves: 4, seamDeg });
      const edge = (piece: string, id: string): number =>
        shape.pieces.find((p) => p.id === piece)!.edges.find((e) => e.id === id)!.lengthMm;
      expect(edge('c', 'right')).to.be.closeTo(edge('a', 'left'), edge('a', 'left') * 0.02);
      expect(shape.pieces).to.have.length(4);
    }
  });

  it('are left out where a value changes nothing', () => {
    const keys = (scheme: string): string[] =>
      drapedKinds.helmet.handles!(input('helmet', { scheme })).map((h) => h.key);
    expect(keys('strip')).to.include('stripMm');
    expect(keys('gores')).to.not.include('stripMm');
  });

  it('open builds saved before a field existed as they were', () => {
    const params = drapedKinds.greave.defaults(adult);
    const old = Object.fromEntries(Object.entries(params).filter(([key]) => key !== 'seamDeg'));
    const shape = drapedKinds.greave.shape({ ...input('greave'), params: old });
    expect(shape.pieces.map((p) => p.areaMm2)).to.deep.equal(make('greave').pieces.map((p) => p.areaMm2));
  });
});

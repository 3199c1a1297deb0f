import { expect } from 'chai';
import { dist3 } from '../geometry';
import { gripsOf, type FormHandle } from './grips';
import { standardKinds } from './kinds';
import { contextOf, edgeMm, make, partOf, pieceOf } from './testing/worn.test';
import { modelOf } from './context';
import type { Params } from '../document';

const { forms } = standardKinds;
const handles = (kind: string, change: Params = {}): FormHandle[] => {
  const part = partOf(kind, change);
  return gripsOf(part, contextOf(), modelOf(part, contextOf()));
};
const handle = (kind: string, key: string, change: Params = {}): FormHandle | undefined =>
  handles(kind, change).find((h) => h.path[0] === key);

describe('handles on the solid', () => {
  it('belong to fields of their form and stand on it', () => {
    for (const kind of forms.keys()) {
      const points = make(kind)
        .surfaces()
        .flatMap((s) => s.grid.flat());
      for (const { path, at } of handles(kind)) {
        const field = forms.get(kind)!.fields.find((f) => f.key === path[0]);
        expect(field, `${kind} ${path.join()}`).to.not.equal(undefined);
        expect(Math.min(...points.map((p) => dist3(p, at))), `${kind} ${path.join()}`).to.be.lessThan(0.01);
      }
    }
  });

  it('are on most forms', () => {
    expect([...forms.keys()].filter((kind) => handles(kind).length > 0)).to.have.length.of.at.least(12);
  });

  it('move a millimetre for a millimetre along a limb', () => {
    const { step } = handle('greave', 'endMm', { pointMm: 0 })!;
    expect(step.z).to.be.closeTo(1, 0.01);
    expect(Math.hypot(step.x, step.y)).to.be.lessThan(0.4);
  });

  it('turn the seam of a two-piece shell, which then is no longer in mirrored halves', () => {
    const { step } = handle('thigh', 'seamDeg')!;
    expect(Math.hypot(step.x, step.y)).to.be.greaterThan(0.5);
    const area = (id: string, seamDeg: number): number => pieceOf(make('thigh', { seamDeg }), id).areaMm2;
    expect(area('a', 40)).to.be.greaterThan(area('b', 40) * 1.2);
    expect(area('a', 0)).to.be.closeTo(area('b', 0), 1e-6);
  });

  it('slide the side seam of a plate, and its mates still meet', () => {
    for (const seamDeg of [25, 42, 60]) {
      const shape = make('breastplate', { halves: 4, seamDeg });
      const edge = (piece: string, id: string): number => edgeMm(pieceOf(shape, piece), id);
      expect(edge('c', 'right')).to.be.closeTo(edge('a', 'left'), edge('a', 'left') * 0.02);
      expect(shape.pieces).to.have.length(4);
    }
  });

  it('are left out where a value changes nothing', () => {
    expect(handle('helmet', 'stripMm', { scheme: 'strip' })).to.not.equal(undefined);
    expect(handle('helmet', 'stripMm', { scheme: 'gores' })).to.equal(undefined);
  });
});

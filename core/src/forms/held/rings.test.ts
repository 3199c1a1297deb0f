import { expect } from 'chai';
import { drawnPieces, partReport } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';
import { signedArea } from '../../geometry';
import type { Row } from '../../document';

const square = (ring: number, at: number, size: number): Row[] =>
  [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ].map(([x, y]) => ({ ring, xMm: at + x! * size, yMm: 100 + y! * size, node: 'corner' }));
const outline: Row[] = [
  [-60, 0],
  [60, 0],
  [60, 200],
  [-60, 200],
].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner' }));
const made = (form: string, rings: Row[], rest: object = {}) =>
  partReport(partOf(form, { outline, rings, bevelMm: 0, ...rest } as never), contextOf());

describe('rings inside a drawn outline', () => {
  for (const [form, rest] of [
    ['prop-body', { barrel: 'none' }],
    ['guard', { shape: 'drawn' }],
    ['head', { shape: 'drawn', cavityMm: 0 }],
    ['shield', { shape: 'drawn', bossMm: 0, dishMm: 0 }],
  ] as const)
    it(`of a ${form} are cut through every layer: what is cut out is gone from its foam`, () => {
      const [plain, ringed] = [
        made(form, [], rest),
        made(form, [...square(1, -30, 20), ...square(2, 10, 25)], rest),
      ];
      const layers = plain.pieces.filter((p) => p.role === 'shell').length;
      // Twenty by twenty and twenty-five by twenty-five, once in each layer.
      expect(plain.areaMm2 - ringed.areaMm2, form).to.be.closeTo(layers * (400 + 625), 1);
      for (const piece of drawnPieces(ringed).filter((p) => p.role === 'shell')) {
        const slots = piece.marks.filter((m) => m.kind === 'slot');
        expect(slots.map((m) => Math.round(Math.abs(signedArea(m.points)))).sort()).to.deep.equal([400, 625]);
      }
      expect(ringed.checks.filter((c) => c.id.startsWith('ring-lost'))).to.deep.equal([]);
    });

  it('that cross the outline, or have only two points, are reported and not cut', () => {
    const { checks, areaMm2 } = made('prop-body', [...square(1, 50, 30), ...square(2, -20, 10).slice(2)], {
      barrel: 'none',
    });
    expect(checks.filter((c) => c.id.startsWith('ring-lost')).map((c) => c.id)).to.deep.equal([
      'ring-lost-1',
      'ring-lost-2',
    ]);
    expect(areaMm2).to.be.closeTo(made('prop-body', [], { barrel: 'none' }).areaMm2, 1e-6);
  });
});

import { expect } from 'chai';
import {
  adult,
  bodyOf,
  checkOf,
  edgeMm,
  expectCured,
  figureOf,
  make,
  pieceOf,
  tiers,
} from '../../parts/testing/worn.test';

describe('gorget', () => {
  it('has a ring for each tier, each smaller than the one below', () => {
    for (const count of [1, 2, 4]) {
      const shape = make('gorget', { tiers: tiers(count, () => ({ leanMm: 0 })) });
      expect(shape.pieces).to.have.length(count);
      for (let i = 1; i < count; i++) {
        expect(edgeMm(shape.pieces[i]!, 'bottom')).to.be.lessThan(edgeMm(shape.pieces[i - 1]!, 'bottom'));
      }
    }
  });

  it('leans out: the upper edge is longer by 2π of the lean, less the gap', () => {
    const tier = pieceOf(
      make('gorget', { tiers: tiers(1, () => ({ leanMm: 10 })), closure: 'none', setBackMm: 0 }),
      'tier-1',
    );
    expect(edgeMm(tier, 'top') - edgeMm(tier, 'bottom')).to.be.closeTo(2 * Math.PI * 10, 2);
  });

  it('is glued when closed and strapped when open', () => {
    const joint = (closure: string): string =>
      make('gorget', { closure }).pieces[0]!.edges.find((e) => e.id === 'left')!.joint;
    expect(joint('none')).to.equal('seam');
    expect(joint('buckle')).to.equal('closure');
  });

  it('says by how many millimetres the head does not pass, and how to cure it', () => {
    const found = expectCured('gorget', { closure: 'none', roomMm: 12 }, 'head');
    const [, has, needs] = /leaves a (\d+) mm opening at tier \d; this head needs (\d+) mm/.exec(
      found.title,
    )!;
    expect(Number(needs)).to.equal(adult.headGirth.valueMm + 10);
    expect(found.excess).to.be.closeTo(Number(needs) - Number(has), 1);
  });

  it('lets any head pass when it is open', () => {
    for (const headGirth of [520, 568, 620]) {
      expect(
        checkOf(
          make('gorget', { closure: 'hook-and-loop' }, { body: bodyOf({ stature: 1720, headGirth }) }),
          'head',
        ),
      ).to.equal(undefined);
    }
  });

  it('keeps clear of the chin by default, for short and tall', () => {
    for (const stature of [1200, 1500, 1720, 1950]) {
      const shape = make('gorget', {}, { body: bodyOf({ stature }) });
      expect(checkOf(shape, 'chin')?.severity ?? 'fine', String(stature)).to.not.equal('stop');
    }
  });

  it('warns when the top tier reaches the chin', () => {
    const found = expectCured('gorget', { tiers: tiers(3, () => ({ heightMm: 40 })) }, 'chin');
    expect(found.severity).to.equal('stop');
    expect(figureOf(make('gorget', { tiers: tiers(3, () => ({ heightMm: 40 })) }), 'chin')).to.be.lessThan(0);
  });

  it('takes a foam of its own for the top tier, which widens what is below', () => {
    const thin = make('gorget', { tiers: tiers(2, (i) => ({ leanMm: 0, foamMm: i === 1 ? 2 : 0 })) });
    const thick = make('gorget', { tiers: tiers(2, (i) => ({ leanMm: 0, foamMm: i === 1 ? 10 : 0 })) });
    expect(pieceOf(thin, 'tier-2').nominalMm).to.equal(2);
    expect(
      edgeMm(pieceOf(thick, 'tier-1'), 'bottom') - edgeMm(pieceOf(thin, 'tier-1'), 'bottom'),
    ).to.be.closeTo(2 * Math.PI * 8, 6);
  });

  it('lets each tier be higher and lean more than the one below', () => {
    const shape = make('gorget', {
      tiers: tiers(3, (i) => ({ heightMm: 20 + 6 * i, leanMm: 4 + 3 * i })),
      setBackMm: 0,
    });
    const height = (i: number): number => {
      const grid = shape.surfaces()[i]!.grid;
      return grid.at(-1)![0]!.z - grid[0]![0]!.z;
    };
    expect([0, 1, 2].map(height)).to.satisfy((h: number[]) =>
      h.every((v, i) => Math.abs(v - (20 + 6 * i)) < 1e-6),
    );
    const lean = (i: number): number => {
      const piece = pieceOf(shape, `tier-${i + 1}`);
      return (edgeMm(piece, 'top') - edgeMm(piece, 'bottom')) / (2 * Math.PI);
    };
    expect(lean(2) - lean(1)).to.be.closeTo(3, 0.4);
  });
});

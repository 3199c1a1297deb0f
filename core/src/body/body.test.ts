import { expect } from 'chai';
import fc from 'fast-check';
import { ellipsePerimeter } from '../geometry';
import { armGirthMm, armSection } from './arm';
import { largerBody, resolveBody } from './estimate';
import { measures, type MeasureKey } from './measures';
import type { Measure } from './wearer';
import { doubts } from './plausible';

const taken = (values: Partial<Record<MeasureKey, number>>, takenOn = '2026-03-01'): Measure[] =>
  (Object.entries(values) as [MeasureKey, number][]).map(([key, valueMm]) => ({
    key,
    valueMm,
    source: 'tape',
    takenOn,
  }));

const arm = {
  stature: 1700,
  wristGirth: 168,
  forearmGirth: 285,
  forearmGirthAt: 170,
  elbowGirth: 268,
  forearmLength: 245,
  handGirth: 200,
  handLength: 185,
};

describe('estimates', () => {
  it('keeps readings and marks the rest with what they came from', () => {
    const body = resolveBody(taken({ stature: 1700, wristGirth: 170 }));
    expect(body.wristGirth).to.include({ valueMm: 170, source: 'tape' });
    expect(body.forearmGirth.source).to.equal('estimate');
    expect(body.forearmGirth.from).to.equal('wrist girth');
    expect(body.handLength.from).to.equal('stature');
  });

  it('comes within 4 % of the survey means, men and women (from memory)', () => {
    // Typical adult means: forearm 265/310, hand girth 187/212, hand length 181/193 for wrists 155/176.
    const women = resolveBody(taken({ stature: 1630, wristGirth: 155 }));
    const men = resolveBody(taken({ stature: 1756, wristGirth: 176 }));
    const close = (got: number, want: number): void => void expect(got).to.be.closeTo(want, want * 0.04);
    close(women.forearmGirth.valueMm, 265);
    close(men.forearmGirth.valueMm, 310);
    close(women.handGirth.valueMm, 187);
    close(men.handGirth.valueMm, 212);
    close(women.handLength.valueMm, 181);
    close(men.handLength.valueMm, 193);
  });

  it('lets the newest reading count', () => {
    const body = resolveBody([
      ...taken({ wristGirth: 170 }, '2026-01-01'),
      ...taken({ wristGirth: 174 }, '2026-02-01'),
    ]);
    expect(body.wristGirth.valueMm).to.equal(174);
  });
});

describe('left and right', () => {
  const both = taken(arm);
  const sided: Measure[] = [
    ...both,
    { key: 'wristGirth', valueMm: 178, source: 'tape', takenOn: '2026-02-01', side: 'left' },
  ];

  it('differ only where one was measured on its own, and a pair takes the larger', () => {
    const left = resolveBody(sided, 'left');
    const right = resolveBody(sided, 'right');
    expect([left.wristGirth.valueMm, right.wristGirth.valueMm]).to.deep.equal([178, 168]);
    expect(left.forearmGirth.valueMm).to.equal(right.forearmGirth.valueMm);
    expect(largerBody(left, right).wristGirth.valueMm).to.equal(178);
  });

  it('a reading of a side counts before a newer one for both', () => {
    const later: Measure[] = [
      ...sided,
      { key: 'wristGirth', valueMm: 170, source: 'tape', takenOn: '2026-06-01' },
    ];
    expect(resolveBody(later, 'left').wristGirth.valueMm).to.equal(178);
    expect(resolveBody(later, 'right').wristGirth.valueMm).to.equal(170);
  });
});

describe('plausibility', () => {
  it('accepts a real arm', () => expect(doubts(taken(arm))).to.deep.equal([]));

  it('reads 17 as centimetres', () => {
    const [doubt] = doubts(taken({ ...arm, wristGirth: 17 }));
    expect(doubt?.proposedMm).to.equal(170);
    expect(doubt?.message).to.include('centimetres');
  });

  it('reads 11.2 as inches', () => {
    const [doubt] = doubts(taken({ ...arm, forearmGirth: 11.2 }));
    expect(doubt?.proposedMm).to.equal(284);
    expect(doubt?.message).to.include('inches');
  });

  it('proposes the swap of two digits', () => {
    const [doubt] = doubts(taken({ ...arm, forearmLength: 425, stature: 1700 }));
    expect(doubt?.key).to.equal('forearmLength');
  });

  it('catches a wrist larger than the forearm', () => {
    const found = doubts(taken({ stature: 1700, wristGirth: 240, forearmGirth: 230 }));
    expect(found.length).to.be.greaterThan(0);
    expect(found.map((d) => d.message).join(' ')).to.match(/wrist/i);
  });
});

describe('the arm', () => {
  it('has sections of exactly the interpolated girth', () => {
    const body = resolveBody(taken(arm));
    fc.assert(
      fc.property(fc.double({ min: 0, max: 245, noNaN: true }), (at) => {
        expect(ellipsePerimeter(armSection(body, at))).to.be.closeTo(armGirthMm(body, at), 1e-9);
      }),
    );
  });

  it('documents every measure', () => {
    for (const m of measures) expect(m.how.length).to.be.greaterThan(20);
  });
});

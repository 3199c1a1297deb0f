import { expect } from 'chai';
import fc from 'fast-check';
import { parseLengthMm, printInches, printLength, printMm } from './length';
import { byId } from './byId';
import { counted } from './counted';
import { singular } from './singular';
import { printMinutes } from './time';

const mm = (text: string, bare: 'mm' | 'in' = 'mm'): number => {
  const read = parseLengthMm(text, bare);
  if (!read.ok) throw new Error(read.message);
  return read.value;
};

describe('lengths', () => {
  const cases: [string, number][] = [
    ['86', 86],
    ['8.6cm', 86],
    ['8,6 cm', 86],
    ['0.3 m', 300],
    ['3 3/8"', 3.375 * 25.4],
    ['3-3/8 in', 3.375 * 25.4],
    ['1-1/2 in', 38.1],
    ['3/4"', 19.05],
    ['1\'2"', 14 * 25.4],
    ["1'2", 14 * 25.4],
    ['1 ft 2 in', 14 * 25.4],
    ['120+6', 126],
    ['1in + 10', 35.4],
    ['100 - 2.5', 97.5],
    ['.5in', 12.7],
    ['2″', 50.8],
  ];
  for (const [text, want] of cases) {
    it(`reads ${text}`, () => expect(mm(text)).to.be.closeTo(want, 1e-9));
  }

  it('takes a bare number in the unit asked for', () => expect(mm('2', 'in')).to.equal(50.8));

  for (const bad of ['', 'abc', '3 4', '5 furlongs', '1/0', '3//4', '--2']) {
    it(`refuses “${bad}” with a sentence`, () => {
      const read = parseLengthMm(bad);
      expect(read.ok).to.equal(false);
      if (!read.ok && bad) expect(read.message).to.include(bad);
    });
  }

  it('prints fractions in lowest terms', () => {
    expect(printInches(85.725)).to.equal('3 3/8"');
    expect(printInches(12.7)).to.equal('1/2"');
    expect(printInches(25.4)).to.equal('1"');
    expect(printMm(-0.01)).to.equal('0 mm');
  });

  it('round-trips what it prints', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 3000, noNaN: true }), (value) => {
        expect(mm(printLength(value, 'mm', 3))).to.be.closeTo(value, 0.0005001);
        expect(mm(printLength(value, 'in'))).to.be.closeTo(value, 25.4 / 32 + 1e-9);
      }),
    );
  });
});

describe('time', () => {
  it('is told in words', () => {
    expect(printMinutes(90)).to.equal('1 h 30 min');
    expect(printMinutes(0.5)).to.equal('30 s');
  });
});

describe('things that are counted', () => {
  it('agree with their number', () => {
    expect([counted(1, 'piece'), counted(2, 'piece'), counted(0, 'copy', 'copies')]).to.deep.equal([
      '1 piece',
      '2 pieces',
      '0 copies',
    ]);
  });

  it('are one of many by their head noun', () => {
    for (const [many, one] of [
      ['holes in the case', 'hole in the case'],
      ['light boxes', 'light box'],
      ['lenses', 'lens'],
      ['hatches', 'hatch'],
      ['joints of 1 in PVC pipe', 'joint of 1 in PVC pipe'],
      ['folds of the net', 'fold of the net'],
      ['lids on magnets', 'lid on magnets'],
      ['magnets, 6 × 2 mm', 'magnet, 6 × 2 mm'],
      ['rivets', 'rivet'],
      ['wire channels', 'wire channel'],
      ['glass', 'glass'],
    ] as const)
      expect(singular(many)).to.equal(one);
  });
});

describe('the one with an id', () => {
  it('is found though the list has changed since it was looked up', () => {
    const list = [{ id: 'a' }, { id: 'b' }, { id: 'c' }];
    expect(byId(list, 'c')).to.equal(list[2]);
    list.splice(0, 1);
    expect(byId(list, 'c')).to.equal(list[1]);
    list.length = 0;
    expect(byId(list, 'c')).to.equal(undefined);
    list.push({ id: 'c' });
    expect(byId(list, 'c')).to.equal(list[0]);
    expect([byId(list, 'z'), byId(list, undefined)]).to.deep.equal([undefined, undefined]);
  });
});

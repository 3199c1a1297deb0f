import { choice, count, length, rows } from '@fomrik/core/document';
import { expect } from 'chai';
import { cellValue, isCells, movedRow, pasteRows } from './pasteRows';

const field = rows(
  'tubes',
  'Tubes',
  [
    length('atMm', 'At', [0, 500], 'From the left.'),
    count('turns', 'Turns', [1, 9], 'How many.'),
    choice(
      'end',
      'End',
      [
        ['open', 'left open'],
        ['cap', 'capped'],
      ],
      'Its end.',
    ),
  ],
  [0, 4],
  () => ({ atMm: 10, turns: 1, end: 'open' }),
  'tube',
  'A line for each.',
);
const before = [{ atMm: 5, turns: 2, end: 'cap' }];

describe('cells of a spreadsheet put into a list', () => {
  it('go over the lines there are and add those that are missing, in any unit', () => {
    const pasted = pasteRows(field, before, { row: 0, column: 0 }, '12\t3\tcapped\n2"\t4\topen\r\n', 'mm');
    expect(pasted).to.deep.equal({
      ok: true,
      value: [
        { atMm: 12, turns: 3, end: 'cap' },
        { atMm: 50.8, turns: 4, end: 'open' },
      ],
    });
  });

  it('begin at the cell they were pasted in, and leave the others as they were', () => {
    const pasted = pasteRows(field, before, { row: 0, column: 1 }, '7', 'mm');
    expect(pasted).to.deep.equal({ ok: true, value: [{ atMm: 5, turns: 7, end: 'cap' }] });
  });

  it('are taken whole or not at all: the line and the field that are wrong are named with their range', () => {
    const wrong = (text: string, row = 0, column = 0): string => {
      const pasted = pasteRows(field, before, { row, column }, text, 'mm');
      return pasted.ok ? 'taken' : pasted.message;
    };
    expect(wrong('1\t2\tcapped\n600\t2\topen')).to.equal('tube 2: At: 600 mm is outside 0 mm to 500 mm.');
    expect(wrong('1\t2.5')).to.include('tube 1').and.to.include('whole number');
    expect(wrong('1\t2\tround')).to.include('“round” is none of left open, capped');
    expect(wrong('wide')).to.include('At');
    expect(wrong('1\n2\n3\n4\n5')).to.equal('Tubes has at most 4 tubes; 5 would be there.');
    expect(wrong('1\t2', 0, 2)).to.include('none');
  });

  it('are recognised, and a single copied value is left to the field', () => {
    expect(isCells('12.5 mm')).to.equal(false);
    expect(isCells('12.5\n')).to.equal(false);
    expect(isCells('1\t2')).to.equal(true);
    expect(isCells('1\n2')).to.equal(true);
  });

  it('a choice is known by its words or its value', () => {
    expect(cellValue(field.of[2], 'Left open', 'mm')).to.deep.equal({ ok: true, value: 'open' });
    expect(cellValue(field.of[2], 'cap', 'mm')).to.deep.equal({ ok: true, value: 'cap' });
  });
});

describe('a line moved among its list', () => {
  const list = [{ n: 1 }, { n: 2 }, { n: 3 }];
  it('goes where it is dropped, and nothing is lost', () => {
    expect(movedRow(list, 0, 2).map((r) => r['n'])).to.deep.equal([2, 3, 1]);
    expect(movedRow(list, 2, 0).map((r) => r['n'])).to.deep.equal([3, 1, 2]);
    expect(movedRow(list, 1, 9).map((r) => r['n'])).to.deep.equal([1, 3, 2]);
    expect(movedRow(list, 7, 0)).to.deep.equal(list);
  });
});

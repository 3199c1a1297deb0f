import { expect } from 'chai';
import { makePart, newPart } from '..';
import { contextOf } from '../testing/worn.test';
import { crossingChecks } from './crossing';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };

describe('pieces that cross themselves', () => {
  const { pieces } = makePart(newPart('one', wearer, 'box'), contextOf(), { coarse: true });
  const bow = [
    { x: 0, y: 0 },
    { x: 10, y: 10 },
    { x: 10, y: 0 },
    { x: 0, y: 10 },
  ];
  const crossed = { ...pieces[0]!, outline: bow };

  it('are reported once, with how many there are; plain ones are not', () => {
    expect(crossingChecks(pieces)).to.deep.equal([]);
    const [reported, ...others] = crossingChecks([crossed, ...pieces.slice(1)]);
    expect(others).to.deep.equal([]);
    expect(reported!.title).to.include(crossed.name).and.not.include('more');
    expect(crossingChecks([crossed, crossed, crossed])[0]!.title).to.include('2 more pieces');
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import {
  inAddress,
  type Selection,
  selectFeature,
  selectFeatureToo,
  selectPart,
  selectPartToo,
  selectRow,
  selectUp,
  useSelected,
} from './selection';

const fresh: Selection = {
  partId: '',
  alsoPartIds: [],
  featureIds: [],
  edge: undefined,
  row: undefined,
  circuitId: '',
  stepId: '',
};
const now = (): Selection => useSelected.getState();

describe('what is selected', () => {
  beforeEach(() => useSelected.setState(fresh));

  it('another part takes nothing of the one before with it', () => {
    selectFeature('a', 'a.lamps');
    selectPart('b');
    expect(now()).to.deep.equal({ ...fresh, partId: 'b' });
  });

  it('the same part again keeps what is selected of it', () => {
    selectFeature('a', 'a.lamps');
    selectPart('a');
    expect(now().featureIds).to.deep.equal(['a.lamps']);
  });

  it('several parts and details are added and taken away one by one', () => {
    selectPart('a');
    selectPartToo('b');
    selectPartToo('c');
    selectPartToo('b');
    expect([now().partId, now().alsoPartIds]).to.deep.equal(['a', ['c']]);
    selectFeatureToo('x');
    selectFeatureToo('y');
    selectFeatureToo('x');
    expect(now().featureIds).to.deep.equal(['y']);
  });

  it('goes one up: from a detail, a line and an edge to the part, and no further', () => {
    selectFeature('a', 'a.lamps');
    useSelected.setState({ edge: { pieceId: 'p', edgeId: 'e' }, circuitId: 'c' });
    expect([selectUp(), selectUp(), selectUp(), selectUp()]).to.deep.equal([true, true, true, false]);
    expect(now()).to.deep.equal({ ...fresh, partId: 'a' });
    selectRow({ field: 'tubes', index: 2 });
    expect(selectUp()).to.equal(true);
    expect(now().row).to.equal(undefined);
  });

  it('is read from an address as it was written', () => {
    const id = fc.stringMatching(/^[a-z0-9.-]{1,12}$/);
    fc.assert(
      fc.property(
        fc.record({
          partId: id,
          alsoPartIds: fc.uniqueArray(id, { maxLength: 3 }),
          featureIds: fc.uniqueArray(id, { maxLength: 3 }),
          edge: fc.option(fc.record({ pieceId: id, edgeId: id }), { nil: undefined }),
          row: fc.option(fc.record({ field: id, index: fc.nat(40) }), { nil: undefined }),
          circuitId: fc.oneof(fc.constant(''), id),
          stepId: fc.oneof(fc.constant(''), id),
        }),
        (selection) => {
          const read = Object.values(inAddress).map(({ write, read: from }) => {
            const text = write(selection);
            return text === '' ? {} : from(text);
          });
          expect({ ...fresh, ...(Object.assign({}, ...read) as Partial<Selection>) }).to.deep.equal(
            selection,
          );
        },
      ),
      { numRuns: 100, seed: 7 },
    );
  });

  it('an address that says nothing sensible selects no line', () => {
    expect(inAddress['row']!.read('tubes,no')).to.deep.equal({});
    expect(inAddress['row']!.read('tubes,0')).to.deep.equal({});
  });
});

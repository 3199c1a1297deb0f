import { expect } from 'chai';
import { createRemembered } from './remembered';

describe('what is remembered', () => {
  it('is worked out again only when one of the things it is of is another', () => {
    const remembered = createRemembered<number>();
    let times = 0;
    const work = (): number => (times += 1);
    const [a, b] = [{}, {}];
    expect([remembered(['key', a], work), remembered(['key', a], work)]).to.deep.equal([1, 1]);
    expect(remembered(['key', b], work)).to.equal(2);
    expect(remembered(['key', b, a], work)).to.equal(3);
    expect(remembered(['other', b, a], work)).to.equal(4);
    expect(remembered(['other', b, a], work)).to.equal(4);
  });
});

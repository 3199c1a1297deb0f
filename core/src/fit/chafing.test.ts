import { expect } from 'chai';
import { newBuild, newPart } from '../parts';
import { adultMeasures } from '../parts/testing/worn.test';
import { derive } from '../report';
import { chafing } from './chafing';
import type { Movement } from './moving/moving';

const moved = (over: Partial<Movement>): Movement => ({
  joint: 'elbow',
  label: 'elbow bends',
  angleDeg: 125,
  mostDeg: 145,
  wantedDeg: 110,
  for: '',
  stoppedBy: [{ name: 'Bracer', partId: 'a' }, { name: 'the upper arm' }],
  ...over,
});

describe('chafing', () => {
  it('is where a part comes to bare skin after what is wanted and before the end', () => {
    expect(chafing([moved({})])).to.deep.equal([
      { partId: 'a', skin: 'the upper arm', label: 'elbow bends', angleDeg: 125 },
    ]);
    expect(chafing([moved({ angleDeg: 100 })]), 'stopped too soon').to.deep.equal([]);
    expect(chafing([moved({ angleDeg: 145 })]), 'free').to.deep.equal([]);
    const two = [
      { name: 'Bracer', partId: 'a' },
      { name: 'Arm plate', partId: 'b' },
    ];
    expect(chafing([moved({ stoppedBy: two })]), 'foam on foam').to.deep.equal([]);
  });

  it('of a bracer ends as it is cut back from the elbow: a longer one comes to the upper arm sooner', () => {
    const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
    const at = (startMm: number) => {
      const bracer = newPart('one', wearer, 'bracer');
      const doc = {
        ...newBuild('One', '2026-03-02', wearer),
        parts: [{ ...bracer, params: { ...bracer.params, endMm: startMm } }],
      };
      const { movements } = derive(doc, { untried: true }).fitting;
      const elbow = movements.find((m) => m.joint === 'elbow')!;
      return { elbow, chafes: chafing(movements) };
    };
    const lengths = [150, 180, 200, 215, 225].map(at);
    for (const { elbow, chafes } of lengths) {
      const between = elbow.angleDeg >= elbow.wantedDeg && elbow.angleDeg < elbow.mostDeg;
      expect(chafes.length).to.equal(between ? 1 : 0);
      if (between) expect(chafes[0]).to.include({ partId: 'one', skin: 'the upper arm' });
    }
    const degs = lengths.map((l) => l.elbow.angleDeg);
    expect(new Set(degs).size).to.be.greaterThan(2);
    expect(degs).to.deep.equal([...degs].sort((a, b) => b - a));
    expect(lengths.some((l) => l.chafes.length > 0)).to.equal(true);
  });
});

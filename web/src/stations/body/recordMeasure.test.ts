import type { Wearer } from '@fomrik/core/body';
import { expect } from 'chai';
import { recordMeasure } from './recordMeasure';

const wearer = (): Wearer => ({
  name: 'Tam',
  underLayerMm: 2,
  measures: [{ key: 'wristGirth', valueMm: 166, source: 'scan', takenOn: '2026-03-01' }],
});

describe('writing a reading down', () => {
  it('keeps the older one beside it', () => {
    const w = wearer();
    recordMeasure(w, 'wristGirth', 168, '2026-04-01');
    expect(w.measures.map((m) => m.valueMm)).to.deep.equal([166, 168]);
  });

  it('replaces one of the same day, now by tape', () => {
    const w = wearer();
    recordMeasure(w, 'wristGirth', 168, '2026-03-01');
    expect(w.measures).to.deep.equal([
      { key: 'wristGirth', valueMm: 168, source: 'tape', takenOn: '2026-03-01' },
    ]);
  });

  it('keeps sides apart', () => {
    const w = wearer();
    recordMeasure(w, 'wristGirth', 170, '2026-03-01', 'left');
    recordMeasure(w, 'wristGirth', 171, '2026-03-01', 'left');
    expect(w.measures.map((m) => [m.side, m.valueMm])).to.deep.equal([
      [undefined, 166],
      ['left', 171],
    ]);
  });
});

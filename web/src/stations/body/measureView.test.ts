import { measures, resolveBody } from '@fomrik/core/body';
import { expect } from 'chai';
import { measureView } from './measureView';

describe('the small drawing of a measure', () => {
  const body = resolveBody([{ key: 'stature', valueMm: 1700, source: 'tape', takenOn: '2026-01-01' }]);

  it('is there for every measure, with its whole tape in sight and some of the body under it', () => {
    for (const { key } of measures) {
      const view = measureView(body, key)!;
      expect(view, key).to.not.equal(undefined);
      const { x, y, width, height } = view.box;
      for (const p of view.tape) {
        expect(p.x, key).to.be.within(x, x + width);
        expect(p.y, key).to.be.within(y, y + height);
      }
      const seen = view.outlines.some((o) =>
        o.some((p) => p.x > x && p.x < x + width && p.y > y && p.y < y + height),
      );
      expect(seen, key).to.equal(true);
    }
  });

  it('looks from the side at what runs front to back', () => {
    expect(measureView(body, 'headLength')!.from).to.equal('side');
    expect(measureView(body, 'headBreadth')!.from).to.equal('front');
    expect(measureView(body, 'footLength')!.from).to.equal('side');
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { litFace } from '../../light';
import { strip12V, strip5V } from '../../materials';
import { standardKinds } from '../../parts';
import { boxFace } from './tile';
import type { BoxParams } from './fields';
import { boxRecipes } from './recipes';

const kind = standardKinds.features.get('light-box')!;
const begun = kind.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } }).params as unknown as BoxParams;

describe('recipes of a light box', () => {
  for (const { label, of } of boxRecipes)
    it(`${label}: is as even as it asks for on a window of any size, and within every range`, () => {
      fc.assert(
        fc.property(
          fc.integer({ min: 8, max: 220 }),
          fc.integer({ min: 8, max: 160 }),
          (widthMm, heightMm) => {
            const box = of({ ...begun, widthMm, heightMm });
            for (const field of kind.fields) {
              const value = (box as unknown as Record<string, unknown>)[field.key];
              if (field.type === 'length' || field.type === 'count')
                expect(value, field.key).to.be.within(...(field.range as [number, number]));
              if (field.type === 'choice')
                expect(
                  field.choices.map((c) => c.value),
                  field.key,
                ).to.include(value);
            }
            // Strip is cut at its marks: the window is as wide as a segment at least.
            const segmentMm =
              box.lit === '12v' ? strip12V.segmentMm : box.lit === '5v' ? Math.ceil(strip5V.pitchMm) : 0;
            expect([box.widthMm, box.heightMm]).to.deep.equal([Math.max(widthMm, segmentMm), heightMm]);
            // Deeper than the deepest it looks for, it is not even: then it says so by its own finding.
            if (box.deepMm < 60)
              expect(litFace(boxFace(box), 48).evenness).to.be.at.least(box.evenPct / 100 - 0.02);
          },
        ),
        { numRuns: 12 },
      );
    });

  it('lays strip in rows no further apart than its lamps', () => {
    for (const { of } of boxRecipes) {
      const box = of({ ...begun, widthMm: 120, heightMm: 100 });
      if (box.lit === 'lamps') continue;
      const along = box.lit === '5v' ? strip5V.pitchMm : strip12V.segmentMm / strip12V.perSegment;
      expect(100 / box.rows).to.be.closeTo(along, 1.5);
      expect(box.tile).to.equal('cut');
    }
  });

  it('is not read before it is built: what was read off another tile is forgotten', () => {
    for (const { of } of boxRecipes.slice(0, 3))
      expect(of({ ...begun, tileReadPct: 40 }).tileReadPct).to.equal(0);
  });
});

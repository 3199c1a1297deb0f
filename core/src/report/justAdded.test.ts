import { expect } from 'chai';
import { newBuild, newPart, standardKinds } from '../parts';
import { taken } from '../parts/testing/worn.test';
import { sampled } from '../units/testing/sampled';
import { derive } from './derive';

const wearers = [
  { stature: 900 },
  { stature: 1100, chestGirth: 610, waistGirth: 560 },
  { stature: 1340, chestGirth: 640 },
  { stature: 1520, chestGirth: 1000, waistGirth: 880 },
  { stature: 1720, chestGirth: 1180, waistGirth: 1120 },
  { stature: 1860, headGirth: 600, chestGirth: 1010 },
  { stature: 2200 },
];

describe('a build of one form just added', function () {
  this.timeout(120_000);
  for (const [i, form] of [...standardKinds.forms.keys()].entries())
    it(`${form}: raises no stop, whoever wears it`, () => {
      for (const values of sampled(wearers, 3, i)) {
        const wearer = { name: 'Anyone', underLayerMm: 2, measures: taken(values) };
        const doc = newBuild('One', '2026-03-02', wearer);
        const { findings } = derive({ ...doc, parts: [newPart('one', wearer, form)] }, { untried: true });
        expect(
          findings.filter((f) => f.severity === 'stop').map((f) => f.title),
          JSON.stringify(values),
        ).to.deep.equal([]);
        // No limit is reported that is just what is wanted.
        for (const { title } of findings) {
          const numbers = title.match(/\d+(?:\.\d+)?(?=\s?(?:°|mm|%|g))/g) ?? [];
          if (numbers.length === 2) expect(numbers[0], title).to.not.equal(numbers[1]);
        }
      }
    });
});

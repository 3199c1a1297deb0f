import { expect } from 'chai';
import { demo } from '../files/testing/demo';
import { catalogue } from '../materials';
import { reportOf } from '../report/testing/reportOf';
import { partCosts } from './partCosts';

describe('what each part costs', () => {
  for (const name of ['lampwarden-bracers', 'lampwarden-harness', 'lampwarden-arms'])
    it(`adds up to every line of the list, and to the hours of the steps that are of a part: ${name}`, () => {
      const doc = demo(name);
      const { parts, packed, cost, steps } = reportOf(doc);
      const rows = partCosts(parts, packed, cost, steps, doc.stock, catalogue);
      expect(rows.map((r) => r.partId)).to.deep.equal(parts.map((p) => p.id));
      const total = rows.reduce((sum, r) => sum + r.foam + r.bought + r.shared, 0);
      expect(total).to.be.closeTo(
        cost.reduce((sum, l) => sum + l.need * l.each, 0),
        1e-6,
      );
      expect(rows.reduce((sum, r) => sum + r.workMin, 0)).to.equal(
        steps.filter((s) => s.partId !== undefined).reduce((sum, s) => sum + s.workMin, 0),
      );
      for (const r of rows) for (const v of [r.foam, r.bought, r.shared]) expect(v).to.be.at.least(-1e-9);
    });
});

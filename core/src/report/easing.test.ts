import { expect } from 'chai';
import { applyChanges } from '../document';
import { readBuildFile } from '../files/buildFile';
import { demo } from '../files/testing/demo';
import { reportOf } from './testing/reportOf';
import { easings } from './easing';

describe('what would help', () => {
  const doc = demo('lampwarden-bracers');
  const late = { ...doc, brief: { ...doc.brief, eventDate: '2026-03-06', startDate: '2026-03-02' } };
  const all = [...easings(late)];
  const now = reportOf(late);

  it('names ways that take less work, or more hours, and what each is worth is what deriving it says', () => {
    expect(all.map((e) => e.label)).to.include('One coat of sealer fewer');
    for (const easing of all) {
      const after = reportOf(applyChanges(late, easing.changes));
      expect(after.totals.workMin, easing.label).to.equal(easing.workMin);
      expect(after.totals.daysToSpare, easing.label).to.be.at.least(now.totals.daysToSpare);
      expect(after.totals.workMin, easing.label).to.be.at.most(now.totals.workMin);
    }
  });

  it('leaves a build any file can hold', () => {
    for (const { changes, label } of all) {
      const file = { fomrik: 2, build: applyChanges(late, changes), pins: [], log: [] };
      expect(readBuildFile(JSON.stringify(file)).ok, label).to.equal(true);
    }
  });
});

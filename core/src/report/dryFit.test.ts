import { expect } from 'chai';
import { applyChanges, type Change } from '../document';
import { fontFile } from '../files/testing/font';
import { demo, demoNames } from '../files/testing/demo';
import { dryFitCard } from '../files/pdf/dryFitCard';
import { derive, dryFit, roomRead } from '.';

const mean = (values: readonly number[]): number => values.reduce((s, v) => s + v, 0) / values.length;

describe('trying on in paper', () => {
  const doc = demo('lampwarden-harness');
  const report = derive(doc);
  const card = dryFit(doc, report);

  it('goes in the order of putting on, and reads every measure once', () => {
    expect(card.map((p) => p.partId)).to.deep.equal(report.fitting.dressing.map((d) => d.partId));
    const keys = card.flatMap((p) => p.rows.flatMap((r) => (r.kind === 'measure' ? [r.key] : [])));
    expect(new Set(keys).size).to.equal(keys.length);
    expect(new Set(keys)).to.deep.equal(new Set(report.parts.flatMap((p) => p.measures)));
  });

  const rows = card.flatMap((p) => p.rows.flatMap((r) => (r.kind === 'room' ? [r] : [])));
  const offOf = (partId: string, changes: Change[]): number => {
    const part = derive(applyChanges(doc, changes)).parts.find((p) => p.id === partId)!;
    return mean(part.wear!.standOff.map((s) => mean(s.gapMm.flat())));
  };

  it('a reading of room that is right changes nothing', () => {
    expect(rows.length).to.be.greaterThan(5);
    for (const row of rows)
      expect(roomRead(doc, row, row.plannedMm + 0.4).changes, row.partId).to.deep.equal([]);
  });

  it('one that is 5 mm off is taken up by the part, also where its value bears late', () => {
    for (const row of rows.filter((r) => /pauldron|bracer|gorget/.test(r.partId))) {
      const { changes, standsOffMm } = roomRead(doc, row, row.plannedMm - 5);
      const off = offOf(row.partId, changes);
      expect(off, row.partId).to.be.closeTo(standsOffMm, 0.6);
      expect(off - row.plannedMm, row.partId).to.be.within(3.5, 6.5);
    }
  });

  it('stays within what the value may be, and says how far it then stands off', () => {
    for (const row of rows.slice(0, 3))
      for (const read of [0, 900])
        for (const { value } of roomRead(doc, row, read).changes) expect(value).to.be.within(...row.range);
  });

  it('is a card for every build that is worn, with a box a row', async () => {
    for (const name of demoNames()) {
      const build = demo(name);
      const worn = derive(build);
      const rows = dryFit(build, worn);
      if (rows.length === 0) continue;
      const pdf = await dryFitCard(build, worn, 'mm', fontFile);
      expect(Buffer.from(pdf.subarray(0, 5)).toString(), name).to.equal('%PDF-');
    }
  });
});

import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { applyChanges, type BuildDoc, type Change, type Feature } from '../document';
import { readBuildFile } from '../files/buildFile';
import { strip5V } from '../materials';
import { reportOf } from '../report/testing/reportOf';

const read = readBuildFile(
  readFileSync(new URL('../../../demo/lampwarden-bracers.fomrik.json', import.meta.url), 'utf8'),
);
if (!read.ok) throw new Error(read.message);
const bracers = read.value.build;
const [part] = bracers.parts;
const { source } = bracers.circuits[0]!;

/** The bracers with rings of so many lamps in the place of their LEDs, on a power bank. */
function onBank(rings: readonly { lamps: string; brightPct: number }[]): BuildDoc {
  const fed = part!.features
    .filter((f) => !bracers.circuits[0]!.loads.some((l) => l.feature === f.id))
    .map((f) => (f.id === source ? { ...f, params: { ...f.params, packId: 'usb-bank' } } : f));
  const lit = rings.map((params, i): Feature => ({
    id: `ring-${i}`,
    kind: 'light-ring',
    place: { on: 'panel', panel: 'a', u: 0.3 + 0.2 * i, v: 0.5, turnDeg: 0 },
    params,
  }));
  return applyChanges(bracers, [
    { path: ['parts', 0, 'features'], value: [...fed, ...lit] },
    {
      path: ['circuits', 0, 'loads'],
      value: lit.map((f) => ({ feature: f.id, currentMa: 20 })),
    },
  ] as Change[]);
}

const overIn = (doc: BuildDoc) => reportOf(doc).findings.find((f) => f.id.startsWith('cell-current:'));

describe('addressable lights on one power bank', function () {
  this.timeout(60_000);
  const both = onBank([
    { lamps: '24', brightPct: 100 },
    { lamps: '16', brightPct: 80 },
  ]);

  it('are looked at together: each is named with what it draws, and one remedy dims all of them just enough', () => {
    // One of them alone the bank takes.
    expect(overIn(onBank([{ lamps: '24', brightPct: 100 }]))).to.equal(undefined);
    const over = overIn(both)!;
    // By hand: each lamp 60 mA at full white and 1 mA dark, and 20 mA for the board that plays them.
    const byHand = (bright: [number, number]): number =>
      24 * (0.001 + 0.06 * bright[0]) + 16 * (0.001 + 0.06 * bright[1]) + 0.02;
    expect(over.excess).to.be.closeTo(byHand([1, 0.8]) - 2, 1e-6);
    expect(over.title).to.match(/USB power bank.* gives 2,?000 mA/);
    expect(over.why).to.match(/ring of 24 lamps 1,?464 mA, ring of 16 lamps 784 mA/);
    const [dims] = over.remedies;
    const dimmed = applyChanges(both, dims!.changes);
    expect(overIn(dimmed)).to.equal(undefined);
    const pct = dimmed.parts[0]!.features.filter((f) => f.kind === 'light-ring').map(
      (f) => f.params['brightPct'] as number,
    );
    // By one share, in whole percent, and one percent more of both would be too much.
    expect(pct[1]! / pct[0]!).to.be.closeTo(0.8, 0.02);
    expect(byHand([pct[0]! / 100, pct[1]! / 100])).to.be.at.most(2);
    expect(byHand([(pct[0]! + 2) / 100, (pct[1]! + 2) / 100])).to.be.greaterThan(2);
    expect(strip5V.fullA).to.equal(0.06);
  });
});

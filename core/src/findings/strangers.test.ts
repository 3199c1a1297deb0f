import { expect } from 'chai';
import { applyChanges, type BuildDoc } from '../document';
import { checkDoc } from '../files/schema';
import { demo } from '../files/testing/demo';
import { reportOf } from '../report/testing/reportOf';
import type { Finding } from '../document';

const calm = demo('lampwarden-bracers');
const harness = demo('lampwarden-harness');
const reported = (doc: BuildDoc, id: string): Finding => {
  const checked = checkDoc(doc);
  if (!checked.ok) throw new Error(`${checked.field} ${checked.message}`);
  const found = reportOf(checked.value).findings.find((f) => f.id.startsWith(id));
  if (!found) throw new Error(`${id} is not reported`);
  return found;
};
/** The first remedy does away with it. */
const cured = (doc: BuildDoc, id: string): void => {
  const finding = reported(doc, id);
  const after = applyChanges(doc, finding.remedies[0]!.changes);
  expect(
    reportOf(after).findings.find((f) => f.id === finding.id)?.title,
    finding.remedies[0]!.label,
  ).to.equal(undefined);
};
const changed = (doc: BuildDoc, path: (string | number)[], value: unknown): BuildDoc =>
  applyChanges(doc, [{ path, value }]);

describe('what a file may name and the catalogue does not have', function () {
  this.timeout(60_000);

  it('a foam unheard of opens, is reported, and can be changed', () => {
    const doc = changed(calm, ['parts', 0, 'stack', 0, 'foamId'], 'granite');
    cured(doc, 'unsold');
    const piece = reportOf(doc).parts[0]!.pieces[0]!;
    expect([piece.foamId, piece.nominalMm]).to.deep.equal(['granite', 6]);
  });

  it('a thickness nobody sells is kept, not replaced', () => {
    const doc = changed(calm, ['parts', 0, 'stack', 0, 'nominalMm'], 7);
    cured(doc, 'unsold');
    expect(reportOf(doc).parts[0]!.pieces[0]!.thicknessMm).to.equal(7);
    expect(reportOf(doc).cost.some((c) => c.what.includes('7 mm'))).to.equal(true);
  });

  it('a lining, a tier, or a trim in an unsold thickness is reported too', () => {
    reported(changed(calm, ['parts', 0, 'lining', 'nominalMm'], 3.5), 'unsold');
    const gorget = harness.parts.findIndex((p) => p.form === 'gorget');
    reported(changed(harness, ['parts', gorget, 'params', 'tiers', 0, 'foamMm'], 7), 'unsold');
  });

  it('a pack unheard of is reported, and one from the catalogue put in its place', () => {
    cured(changed(calm, ['parts', 0, 'features', 1, 'params', 'packId'], 'sun'), 'pack-unknown');
  });

  it('a circuit whose pack was taken away says so', () => {
    const features = calm.parts[0]!.features.filter((f) => f.kind !== 'pack');
    const doc = changed(calm, ['parts', 0, 'features'], features);
    expect(reportOf(doc).findings.some((f) => f.id.includes('bracer-1.light'))).to.equal(true);
  });

  it('a mount on a part that is gone says so', () => {
    const doc = changed(calm, ['parts', 0, 'mount'], { to: 'part', part: 'nowhere', anchor: 'x' });
    expect(reported(doc, 'mount').title).to.match(/nowhere|no longer|gone/);
  });
});

describe('a circuit over several parts', () => {
  const at = (form: string): number => harness.parts.findIndex((p) => p.form === form);
  const [helmet, pauldron] = [at('helmet'), at('pauldron')];
  const lamps = {
    id: 'pauldron-1.lamps',
    kind: 'lamps',
    place: { on: 'panel', panel: 'cap', u: 0.5, v: 0.4, turnDeg: 0 },
    params: {
      count: 2,
      layout: 'line',
      rows: 2,
      colour: 'amber',
      body: '5mm',
      pitchMm: 20,
      shows: 'hole',
      awayMm: 5,
    },
  };
  const joined = applyChanges(harness, [
    { path: ['parts', pauldron, 'features'], value: [...harness.parts[pauldron]!.features, lamps] },
    {
      path: ['circuits', 0, 'loads'],
      value: [...harness.circuits[0]!.loads, { feature: lamps.id, currentMa: 15 }],
    },
  ]);

  it('counts the lamps of both pauldrons, and its wires are as long as the way there', () => {
    const [alone, both] = [harness, joined].map((d) => reportOf(d).circuits[0]!);
    const strings = (c: typeof alone): number => c!.solved!.strings.length;
    expect(strings(both) - strings(alone)).to.equal(4);
    expect(both!.wireMm - alone!.wireMm).to.be.within(600, 6000);
    expect(both!.partIds).to.have.members(['helmet-1', 'pauldron-1']);
    expect(helmet).to.equal(0);
  });

  it('says that connectors are needed where its wires cross, and buys them', () => {
    expect(reported(joined, 'connector').title).to.match(/2 connectors/);
    expect(reportOf(joined).cost.find((c) => c.what.includes('connector'))!.need).to.equal(3);
    // The collar's light comes from the back plate: one is needed without the pauldrons.
    expect(reportOf(harness).cost.find((c) => c.what.includes('connector'))!.need).to.equal(1);
    expect(reportOf(joined).steps.some((s) => /crosses between parts/.test(s.detail))).to.equal(true);
  });

  it('burns shorter than the helmet alone', () => {
    const [alone, both] = [harness, joined].map((d) => reportOf(d).circuits[0]!.run!.hours);
    expect(both!).to.be.lessThan(alone! * 0.6);
  });
});

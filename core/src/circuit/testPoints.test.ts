import { expect } from 'chai';
import { demo } from '../files/testing/demo';
import { applyChanges, type BuildDoc, type Change } from '../document';
import { catalogue } from '../materials';
import { effectsCsv } from '../files/csv';
import type { Report } from '../report';
import { reportOf } from '../report/testing/reportOf';
import { packChoices } from './comparison';
import { readsRight, testPoints } from './testPoints';

const bracers = demo('lampwarden-bracers');
const at = (changes: Change[] = []): Report =>
  reportOf(changes.length === 0 ? bracers : (applyChanges(bracers, changes) as BuildDoc));

/** The same circuit fed by another pack. */
function fedBy(packId: string, more: Change[] = []): Report {
  const { circuits } = at();
  const { item, partId } = circuits[0]!.source!;
  const index = bracers.parts.findIndex((p) => p.id === partId);
  return at([{ path: ['parts', index, ...item.choose!], value: packId }, ...more]);
}

const reported = (report: Report, id: string) => report.findings.find((f) => f.id.startsWith(`${id}:`));

describe('readings on the bench', () => {
  it('go round the loop: the lamps and their resistor take what the rail has', () => {
    const [circuit] = at().circuits;
    const points = testPoints(circuit!);
    const volts = (id: string): number => points.find((p) => p.id === id)!.volts;
    const { lamps } = circuit!.working!.strings[0]!;
    expect(lamps * volts('lamp-0') + volts('resistor-0')).to.be.closeTo(volts('rail'), 1e-6);
    expect(volts('switch')).to.be.within(0, 0.02);
    expect(volts('pack')).to.be.within(4, 4.65);
  });

  it('tell a sound joint from an open one', () => {
    expect(readsRight({ volts: 0.0 }, 0.03)).to.equal(true);
    expect(readsRight({ volts: 0.0 }, 4.5)).to.equal(false);
    expect(readsRight({ volts: 2.1 }, 2.0)).to.equal(true);
    expect(readsRight({ volts: 2.1 }, 0)).to.equal(false);
  });
});

describe('pack against pack', () => {
  it('lasts as long as it says it does where it is chosen, and counts the sets for a day', () => {
    const [circuit] = at().circuits;
    const rows = packChoices(circuit!, catalogue.packs, 30);
    expect(rows.length).to.be.greaterThan(4);
    for (const row of rows.filter((r) => r.pack.cell.sleepsBelowA === undefined)) {
      const chosen = fedBy(row.pack.id).circuits[0]!;
      expect(chosen.pack!.id).to.equal(row.pack.id);
      // Wires reach a little further or less to a pack of another size.
      expect(chosen.run!.hours / row.hours, row.pack.name).to.be.closeTo(1, 0.02);
      expect(row.sets).to.equal(Math.max(1, Math.ceil(30 / row.hours)));
    }
  });
});

describe('what a pack may do to its circuit', () => {
  it('a lithium cell wants a fuse, and has it with one press', () => {
    const bare = reported(fedBy('1x18650'), 'fuse')!;
    expect(bare.severity).to.equal('stop');
    const { item, partId } = at().circuits[0]!.source!;
    const index = bracers.parts.findIndex((p) => p.id === partId);
    const fused = at([
      { path: ['parts', index, ...item.choose!], value: '1x18650' },
      ...bare.remedies[0]!.changes,
    ]);
    expect(reported(fused, 'fuse')).to.equal(undefined);
    expect(reported(fedBy('3xaa'), 'fuse')).to.equal(undefined);
    // What is planned is bought.
    const bought = fused.cost.find((l) => l.what.includes('fuse'))!;
    expect(bought.need).to.equal(fused.circuits[0]!.copies);
    expect(fedBy('3xaa').cost.some((l) => l.what.includes('fuse'))).to.equal(false);
  });

  it('a power bank falls asleep under a small load', () => {
    const dim: Change[] = bracers.circuits[0]!.loads.map((_, i) => ({
      path: ['circuits', 0, 'loads', i, 'currentMa'],
      value: 5,
    }));
    expect(reported(fedBy('usb-bank', dim), 'asleep')!.title).to.match(/switches itself off/);
  });

  it('thin wire is reported when it loses the light, and a thicker gauge cures it', () => {
    const many: Change[] = [
      { path: ['circuits', 0, 'wireAwg'], value: 30 },
      ...bracers.circuits[0]!.loads.map((_, i) => ({
        path: ['circuits', 0, 'loads', i, 'currentMa'],
        value: 20,
      })),
    ];
    const [circuit] = at(many).circuits;
    const lost = circuit!.working!.wireVolts / circuit!.working!.packVolts;
    // Ohm’s law by hand: metres of both conductors at 338.6 Ω a kilometre (published wire tables).
    const byHand = circuit!.working!.totalA * (circuit!.wireMm / 1e6) * 338.6;
    expect(circuit!.working!.wireVolts).to.be.closeTo(byHand, 0.01 * byHand);
    expect(reported(at(many), 'wire') !== undefined).to.equal(lost > 0.05);
    // The list names the gauge that was chosen, and the wire weighs what it is: 0.0507 mm² of copper and its sleeve.
    expect(
      at(many)
        .cost.filter((l) => l.what.startsWith('hook-up wire'))
        .map((l) => l.what),
    ).to.deep.equal(['hook-up wire, AWG 30']);
    expect(circuit!.wireG).to.be.closeTo((circuit!.wireMm / 1000) * (0.0507 * 8.96 + 2), 0.01);
  });
});

describe('an effect', () => {
  const playing = (kind: string, periodS: number): Change[] => [
    { path: ['circuits', 0, 'effect'], value: { kind, periodS } },
  ];

  it('lasts as much longer as it shines less', () => {
    const hours = (changes: Change[]): number => at(changes).circuits[0]!.run!.hours;
    const [steady, alarm] = [hours([]), hours(playing('alarm', 2))];
    // Half the charge an hour, and cells that give a little more at the smaller load.
    expect(alarm / steady).to.be.within(1.95, 2.4);
  });

  it('that flashes more than thrice a second is a stop, and every cure ends it', () => {
    const fast = at(playing('alarm', 0.2));
    const stop = reported(fast, 'flash')!;
    expect(stop.severity).to.equal('stop');
    expect(stop.remedies.length).to.equal(2);
    for (const remedy of stop.remedies)
      expect(reported(at([...playing('alarm', 0.2), ...remedy.changes]), 'flash'), remedy.label).to.equal(
        undefined,
      );
    expect(reported(at(playing('breathe', 4)), 'flash')).to.equal(undefined);
  });

  it('goes out as a table that any controller can play: a row for each step, a column for each lamp, 0 to 255', () => {
    const doc = applyChanges(bracers, playing('breathe', 2)) as BuildDoc;
    const rows = effectsCsv(doc, reportOf(doc)).trim().split('\r\n');
    const lamps = reportOf(doc).circuits[0]!.lamps.length;
    expect(rows[0]!.split(',')).to.have.length(2 + lamps);
    expect(rows).to.have.length(1 + 40);
    const values = rows.slice(1).map((r) => Number(r.split(',')[2]));
    expect(Math.max(...values)).to.equal(255);
    expect(Math.min(...values)).to.equal(0);
  });
});

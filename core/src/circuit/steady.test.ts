import { expect } from 'chai';
import { catalogue, packs, type SteadyLoad } from '../materials';
import { takes } from './circuits';
import { packChoices } from './comparison';
import { workingAt } from './network';
import { runTime } from './runtime';

const strip = (segments: number): SteadyLoad => ({
  kind: 'segments',
  name: `12 V strip of ${segments} segments`,
  colour: 'white',
  segments,
  perSegment: 3,
  ratedV: 12,
  ratedA: 0.02,
  traceOhm: 0.03,
});
const ring: SteadyLoad = {
  kind: 'digital',
  name: 'ring',
  lamps: 12,
  amps: 0.3,
  restA: 0.03,
  ratedV: 5,
  leastV: 3.7,
};
const packOf = (id: string) => packs.find((p) => p.id === id)!;
const feed = { switchOhm: 0.03, wireOhm: 0.1 };

describe('strips and rings', () => {
  it('draw their rated current at their rated volts', () => {
    const stiff = {
      ...packOf('8xaa'),
      cell: { ...packOf('8xaa').cell, internalOhm: 1e-6, voltage: [{ used: 0, volts: 1.5 }] },
    };
    const now = workingAt(stiff, { strings: [], steady: [strip(4)] }, { switchOhm: 1e-4, wireOhm: 1e-4 }, 0)!;
    expect(now.totalA).to.be.closeTo(4 * 0.02, 0.001);
  });

  it('fade along a long strip and not along a short one, and no more than Ohm has it', () => {
    const [short, long] = [5, 100].map(
      (n) => workingAt(packOf('3x18650'), { strings: [], steady: [strip(n)] }, feed, 0)!.steady[0]!,
    ) as unknown as [{ lastShare: number; amps: number }, { lastShare: number; amps: number }];
    expect(short.lastShare).to.be.greaterThan(0.99);
    expect(long.lastShare).to.be.lessThan(short.lastShare);
    // A line that is evenly loaded loses half of its end-to-end drop: 100 × 0.03 Ω × I/2, the segments passing less for it.
    const dropV = (100 * 0.03 * long.amps) / 2;
    // Each segment: about 12 − 9.6 V over its resistor of 120 Ω and its lamps' own.
    const loss = dropV / (120 + 3 * (14 + 0.0517 / 0.02)) / 0.02;
    expect(1 - long.lastShare).to.be.within(0.5 * loss, 1.6 * loss);
  });

  it('go with packs of their own voltage alone', () => {
    expect(takes(packOf('8xaa'), [strip(3)])).to.equal(true);
    expect(takes(packOf('3xaaa'), [strip(3)])).to.equal(false);
    expect(takes(packOf('usb-bank'), [ring])).to.equal(true);
    expect(takes(packOf('8xaa'), [ring])).to.equal(false);
    expect(takes(packOf('3xaa'), [ring])).to.equal(true);
    const rows = packChoices(
      { groups: [], steady: [ring], feed, duty: { onShare: 1, idleA: 0 } },
      catalogue.packs,
      8,
    );
    expect(rows.length).to.be.greaterThan(0);
    for (const { pack } of rows) expect(takes(pack, [ring])).to.equal(true);
  });

  it('empty a pack in about its capacity over their current', () => {
    const run = runTime(packOf('usb-bank'), { strings: [], steady: [ring] }, feed);
    // 6.3 to 6.2 Ah between 0.1 and 0.5 A: about 6.23 at 0.3 A.
    expect(run.hours).to.be.closeTo(6.23 / 0.3, 0.2);
    expect(run.endedBy).to.equal('empty');
  });

  it('drop out with their cells: a ring on three AA is dark while a third of the cells is left', () => {
    const three = packOf('3xaa');
    const run = runTime(three, { strings: [], steady: [ring] }, { switchOhm: 0, wireOhm: 0 });
    expect(run.endedBy).to.equal('out');
    // By hand: 3 × (E(u) − 0.3 A × 0.15 Ω × (1 + 2u)) = 3.7 V, E straight between 1.34 V at 0.2 and 1.22 V at 0.5.
    let used = 0.2;
    const cell = (u: number): number => 1.34 + ((1.22 - 1.34) * (u - 0.2)) / 0.3 - 0.3 * 0.15 * (1 + 2 * u);
    while (cell(used) > 3.7 / 3) used += 1e-5;
    // 1.2 to 1.8 Ah between 0.5 and 0.25 A on logarithmic axes, at 0.3 A.
    const ah = Math.exp(Math.log(1.8) + (Math.log(0.3 / 0.25) / Math.log(2)) * Math.log(1.2 / 1.8));
    expect(run.hours).to.be.closeTo((used * ah) / 0.3, 0.03);
    expect(run.points.at(-1)!.hour).to.equal(run.hours);
  });

  it('draw by an effect less of their light and no less of their rest', () => {
    const bank = packOf('usb-bank');
    const hours = (playedShare: number): number =>
      runTime(bank, { strings: [], steady: [ring] }, feed, { onShare: 1, idleA: 0, playedShare }).hours;
    // 30 mA of rest and half of 270 mA: 165 mA, at which the bank holds 6.27 Ah.
    expect(hours(0.5)).to.be.closeTo(6.27 / 0.165, 0.2);
    expect(hours(0)).to.be.closeTo(6.3 / 0.03, 1);
  });
});

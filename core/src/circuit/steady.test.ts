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
const ring: SteadyLoad = { kind: 'digital', name: 'ring', lamps: 12, amps: 0.3, leastV: 3.7 };
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
});

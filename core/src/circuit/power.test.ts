import { expect } from 'chai';
import fc from 'fast-check';
import { gaugeMm, gaugeOhmPerM, leds, packs, switches } from '../materials';
import { capacityAh, cellVolts } from './cells';
import { workingAt } from './network';
import { junctionOf } from './nodal';
import { solveOn } from './circuits';
import { solveCircuit } from './strings';
import { e24, nextE24 } from './e24';
import { runTime } from './runtime';

const curve = (forwardV: number) => junctionOf({ forwardV, ratedA: 0.02 });
const amber = (count: number, currentA = 0.02) => ({ label: 'amber', count, junction: curve(2.1), currentA });
const steady = (volts: number) => ({ nominalV: volts, freshV: volts });
const aaa3 = packs.find((p) => p.id === '3xaaa')!;

describe('E24 series', () => {
  it('is the list of IEC 60063: 24 values, each about 10^(1/24) above the last, as rounded by the standard', () => {
    expect(e24).to.have.length(24);
    e24.forEach((value, i) => expect(value).to.be.closeTo(10 * 10 ** (i / 24), value * 0.051));
    expect(e24).to.include.members([10, 15, 22, 33, 47, 68, 27, 43]);
  });

  it('never gives less than was asked, and never more than a step above', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1e6, noNaN: true }), (ohm) => {
        const next = nextE24(ohm);
        expect(next).to.be.at.least(ohm * (1 - 1e-9));
        expect(next).to.be.at.most(ohm * 1.16);
      }),
    );
    expect(nextE24(120)).to.equal(120);
    expect(nextE24(121)).to.equal(130);
    expect(nextE24(92)).to.equal(100);
  });
});

describe('lamp circuits', () => {
  it('gives each of three amber lamps on 4.5 V its own 120 Ω', () => {
    const solved = solveCircuit(steady(4.5), [amber(3)]);
    if (!solved.ok) throw new Error(solved.message);
    expect(solved.value.strings.map((s) => [s.lamps, s.ohm])).to.deep.equal([
      [1, 120],
      [1, 120],
      [1, 120],
    ]);
    expect(solved.value.totalA).to.be.closeTo(0.06, 5e-4);
    expect(solved.value.strings[0]!.resistorW).to.be.closeTo(0.048, 1e-3);
  });

  it('puts lamps in series where the supply allows', () => {
    const solved = solveCircuit(steady(9), [amber(5)]);
    expect(solved.ok && solved.value.strings.map((s) => s.lamps)).to.deep.equal([3, 2]);
  });

  it('shows the arithmetic when a lamp cannot light', () => {
    const solved = solveCircuit(steady(3), [
      { label: 'white', count: 1, junction: curve(3.2), currentA: 0.02 },
    ]);
    expect(!solved.ok && solved.message).to.include('3 V − 3.2 V = -0.2 V');
  });

  it('never exceeds the current asked for, and lights every lamp', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.double({ min: 3, max: 12, noNaN: true }),
        fc.double({ min: 0.002, max: 0.02, noNaN: true }),
        (count, volts, currentA) => {
          const solved = solveCircuit(steady(volts), [amber(count, currentA)]);
          if (!solved.ok) return;
          expect(solved.value.strings.reduce((sum, s) => sum + s.lamps, 0)).to.equal(count);
          for (const s of solved.value.strings) expect(s.currentA).to.be.at.most(currentA * (1 + 1e-9));
        },
      ),
    );
  });
});

describe('every pack with its cells fresh', () => {
  it('passes no more than was asked, reckoned by Ohm’s law from the volts of fresh cells', () => {
    for (const pack of packs) {
      const fresh = pack.cell.voltage[0]!.volts * pack.series;
      for (const colour of ['red', 'amber', 'white'] as const)
        for (const count of [1, 2, 3, 5, 8, 13])
          for (const currentMa of [1, 2, 5, 10, 15, 20]) {
            const solved = solveOn(
              [{ label: colour, count, junction: curve(leds[colour].forwardV), currentA: 0.02 }],
              pack,
              currentMa,
            );
            if (!solved.ok) continue;
            for (const s of solved.value.strings) {
              const { saturationA, slopeV, seriesOhm } = s.junction;
              // The volts a current asks for, halved in on: no function shared with what is tested.
              const asks = (amps: number): number =>
                s.lamps * (slopeV * Math.log(1 + amps / saturationA) + amps * seriesOhm) + amps * s.ohm;
              let [low, high] = [0, 1];
              for (let i = 0; i < 60; i++) {
                const middle = (low + high) / 2;
                if (asks(middle) < fresh) low = middle;
                else high = middle;
              }
              expect(low * 1000, `${pack.id} ${colour} ${count}`).to.be.at.most(currentMa + 1e-6);
              expect(s.currentA).to.be.closeTo(low, 1e-9);
            }
          }
    }
  });
});

describe('run time', () => {
  it('reads capacities at the points from memory and between them', () => {
    const aa = packs.find((p) => p.id === '3xaa')!.cell.capacity;
    expect(capacityAh(aa, 0.1)).to.equal(2.5);
    expect(capacityAh(aa, 0.5)).to.equal(1.2);
    expect(capacityAh(aa, 0.16)).to.be.within(1.8, 2.5);
    expect(capacityAh(aa, 5)).to.equal(1.2);
  });

  it('falls with every lamp added', () => {
    const hours = [1, 2, 3, 6, 9].map((n) => {
      const solved = solveCircuit(steady(4.5), [amber(n)]);
      return solved.ok ? runTime(aaa3, { ...solved.value, steady: [] }).hours : NaN;
    });
    for (let i = 1; i < hours.length; i++) expect(hours[i]!).to.be.lessThan(hours[i - 1]!);
  });

  it('lies near capacity over current, and uses no more charge than the cells hold', () => {
    const solved = solveCircuit(steady(4.5), [amber(3)]);
    if (!solved.ok) throw new Error(solved.message);
    const run = runTime(aaa3, { ...solved.value, steady: [] });
    expect(run.hours).to.be.within(0.6 * (1.05 / 0.06), 1.6 * (1.05 / 0.06));
    const charge = run.points
      .slice(1)
      .reduce((sum, p, i) => sum + run.points[i]!.currentA * (p.hour - run.points[i]!.hour), 0);
    expect(charge).to.be.at.most(1.2);
    expect(cellVolts(aaa3.cell.voltage, 0.5)).to.be.closeTo(1.22, 1e-9);
  });
});

describe('a circuit at work', () => {
  const solved = (count: number, packId: string) => {
    const pack = packs.find((p) => p.id === packId)!;
    const design = solveOn([amber(count)], pack);
    if (!design.ok) throw new Error(design.message);
    return { pack, strings: design.value.strings };
  };

  it('reads what a meter would: the parts of the loop add up to the pack', () => {
    const { pack, strings } = solved(6, '3xaa');
    const now = workingAt(pack, { strings, steady: [] }, { switchOhm: 0.05, wireOhm: 0.4 }, 0)!;
    expect(now.switchVolts + now.wireVolts + now.lampVolts).to.be.closeTo(now.packVolts, 1e-6);
    for (const s of now.strings)
      expect(s.lamps * s.lampVolts + s.resistorVolts).to.be.closeTo(now.lampVolts, 1e-6);
    expect(now.totalA).to.be.closeTo(
      now.strings.reduce((sum, s) => sum + s.amps, 0),
      1e-9,
    );
    // Off load less what the cells lose in themselves.
    expect(now.packVolts).to.be.closeTo(3 * 1.55 - now.totalA * 3 * 0.15, 1e-6);
    expect(now.wireVolts).to.be.closeTo(now.totalA * 0.4, 1e-6);
  });

  it('dims with longer wires and with use, and never brightens', () => {
    const { pack, strings } = solved(9, '4xaaa');
    const amps = (wireOhm: number, used: number): number =>
      workingAt(pack, { strings, steady: [] }, { switchOhm: 0.05, wireOhm }, used)!.totalA;
    for (const [a, b] of [
      [amps(0.1, 0), amps(1, 0)],
      [amps(0.1, 0), amps(0.1, 0.3)],
      [amps(0.1, 0.3), amps(0.1, 0.8)],
    ] as const)
      expect(b).to.be.lessThan(a);
  });

  it('burns by the clock: half the time on lasts about twice as long, less what waiting draws', () => {
    const { pack, strings } = solved(3, '3xaa');
    const feed = { switchOhm: 0.1, wireOhm: 0.1 };
    const hours = (onShare: number, idleA = 0): number =>
      runTime(pack, { strings, steady: [] }, feed, { onShare, idleA }).hours;
    expect(hours(0.5) / hours(1)).to.be.within(1.95, 2.6);
    const waiting = switches.find((s) => s.kind === 'remote')!.idleA!;
    expect(hours(0.1, waiting)).to.be.lessThan(hours(0.1));
  });

  it('counts charge as the light does: a hundredth of the way is a hundredth of the ampere-hours', () => {
    const { pack, strings } = solved(3, '3xaa');
    const run = runTime(pack, { strings, steady: [] });
    const charge = run.points
      .slice(1)
      .reduce((sum, p, i) => sum + run.points[i]!.currentA * (p.hour - run.points[i]!.hour), 0);
    const mean = charge / run.points.at(-1)!.hour;
    // Shares of a capacity that itself falls with the load: near what one mean load would have.
    expect(charge).to.be.within(
      0.6 * capacityAh(pack.cell.capacity, mean),
      1.02 * capacityAh(pack.cell.capacity, mean),
    );
  });
});

describe('wire', () => {
  it('is as thick and as poor as the published tables of gauges have it', () => {
    // ASTM B258 nominal diameters, mm; resistance of solid copper at 20 °C, Ω/km (published wire tables).
    for (const [awg, mm, ohmKm] of [
      [20, 0.812, 33.31],
      [22, 0.644, 52.96],
      [24, 0.511, 84.22],
      [26, 0.405, 133.9],
      [28, 0.321, 212.9],
      [30, 0.255, 338.6],
    ] as const) {
      expect(gaugeMm(awg)).to.be.closeTo(mm, 0.001);
      expect(gaugeOhmPerM(awg) * 1000).to.be.closeTo(ohmKm, ohmKm * 0.005);
    }
  });
});

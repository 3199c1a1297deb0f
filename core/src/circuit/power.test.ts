import { expect } from 'chai';
import fc from 'fast-check';
import { leds, packs } from '../materials';
import { solveOn } from './circuits';
import { solveCircuit } from './strings';
import { e24, nextE24 } from './e24';
import { capacityAh, cellVolts, runTime } from './runtime';

const amber = (count: number, currentA = 0.02) => ({ label: 'amber', count, forwardV: 2.1, currentA });
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
    expect(solved.value.totalA).to.be.closeTo(0.06, 1e-9);
    expect(solved.value.strings[0]!.resistorW).to.be.closeTo(0.048, 1e-9);
  });

  it('puts lamps in series where the supply allows', () => {
    const solved = solveCircuit(steady(9), [amber(5)]);
    expect(solved.ok && solved.value.strings.map((s) => s.lamps)).to.deep.equal([3, 2]);
  });

  it('shows the arithmetic when a lamp cannot light', () => {
    const solved = solveCircuit(steady(3), [{ label: 'white', count: 1, forwardV: 3.2, currentA: 0.02 }]);
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
              [{ label: colour, count, forwardV: leds[colour].forwardV, currentA: 0.02 }],
              pack,
              currentMa,
            );
            if (!solved.ok) continue;
            for (const s of solved.value.strings) {
              const byHandA = (fresh - s.lamps * leds[colour].forwardV) / s.ohm;
              expect(byHandA * 1000, `${pack.id} ${colour} ${count}`).to.be.at.most(currentMa + 1e-9);
              expect(s.currentA).to.be.closeTo(byHandA, 1e-12);
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
      return solved.ok ? runTime(aaa3, solved.value).hours : NaN;
    });
    for (let i = 1; i < hours.length; i++) expect(hours[i]!).to.be.lessThan(hours[i - 1]!);
  });

  it('lies near capacity over current, and uses no more charge than the cells hold', () => {
    const solved = solveCircuit(steady(4.5), [amber(3)]);
    if (!solved.ok) throw new Error(solved.message);
    const run = runTime(aaa3, solved.value);
    expect(run.hours).to.be.within(0.6 * (1.05 / 0.06), 1.6 * (1.05 / 0.06));
    const charge = run.points
      .slice(1)
      .reduce((sum, p, i) => sum + run.points[i]!.currentA * (p.hour - run.points[i]!.hour), 0);
    expect(charge).to.be.at.most(1.2);
    expect(cellVolts(aaa3.cell.voltage, 0.5)).to.be.closeTo(1.22, 1e-9);
  });
});

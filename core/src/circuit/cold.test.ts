import { expect } from 'chai';
import { type Pack, packs } from '../materials';
import { coldJunction } from './cold';
import { workingAt } from './network';
import { junctionOf, junctionVolts } from './nodal';
import { runTime, STRAIGHT } from './runtime';
import { solveCircuit } from './strings';

const packOf = (id: string): Pack => packs.find((p) => p.id === id)!;
const white = junctionOf({ forwardV: 3.2, ratedA: 0.02 });

/** White lamps, each with its own resistor, as they are chosen on fresh cells at room temperature. */
function lampsOn(pack: Pack, count: number, currentA: number) {
  const fresh = pack.cell.voltage[0]!.volts * pack.series;
  const solved = solveCircuit({ nominalV: pack.cell.nominalV * pack.series, freshV: fresh }, [
    { label: 'white', count, junction: white, currentA },
  ]);
  return solved.ok ? solved.value.strings : [];
}

const hours = (pack: Pack, count: number, currentA: number, coldC: number): number =>
  runTime(pack, { strings: lampsOn(pack, count, currentA), steady: [] }, STRAIGHT, {
    onShare: 1,
    idleA: 0,
    coldC,
  }).hours;

/**
 * The same worked out apart, in two thousand steps by bisection, from the tables of the cell alone: capacity less in the
 * cold, resistance doubled for 20 K, 3 mV more a lamp and kelvin.
 */
function byHand({ cell, series }: Pack, count: number, resistorOhm: number, coldC: number): number {
  const on = (table: readonly { x: number; y: number }[], x: number): number => {
    const i = table.findIndex((p) => p.x >= x);
    if (i <= 0) return i === 0 ? table[0]!.y : table.at(-1)!.y;
    const [a, b] = [table[i - 1]!, table[i]!];
    return a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
  };
  const volts = cell.voltage.map((p) => ({ x: p.used, y: p.volts }));
  const cold = cell.cold.map((p) => ({ x: p.atC, y: p.share }));
  const logs = cell.capacity.map((p) => ({ x: Math.log(p.loadA), y: Math.log(p.capacityAh) }));
  const perLamp = (used: number, atC: number): number => {
    const colder = Math.max(0, 20 - atC);
    const open = on(volts, used) * series;
    const inside = series * cell.internalOhm * 2 ** (colder / 20) * (1 + 2 * used) + STRAIGHT.switchOhm;
    let [low, high] = [0, 0.5];
    for (let i = 0; i < 60; i++) {
      const amps = (low + high) / 2;
      const lampV = 0.05173 * Math.log1p(amps / white.saturationA) + 14 * amps + 0.003 * colder;
      if (open - count * amps * inside - amps * resistorOhm - lampV > 0) low = amps;
      else high = amps;
    }
    return low;
  };
  const bench = perLamp(0, 20);
  const steps = 2000;
  let hour = 0;
  for (let i = 0; i < steps; i++) {
    const amps = perLamp(i / steps, coldC);
    if (amps < bench / 2) return hour;
    const total = amps * count;
    hour += (on(cold, coldC) * Math.exp(on(logs, Math.log(total)))) / steps / total;
  }
  return hour;
}

describe('light in the cold', () => {
  it('raises the forward voltage of a lamp by 3 mV a kelvin at every current, of red ones by 2 mV', () => {
    for (const [forwardV, perK] of [
      [3.2, 0.003],
      [2.0, 0.002],
    ] as const) {
      const warm = junctionOf({ forwardV, ratedA: 0.02 });
      for (const amps of [0.0005, 0.005, 0.02])
        for (const atC of [20, 5, 0, -20])
          expect(junctionVolts(coldJunction(warm, atC), amps) - junctionVolts(warm, amps)).to.be.closeTo(
            perK * (20 - atC),
            1e-5,
          );
    }
    expect(coldJunction(white, 30)).to.equal(white);
  });

  it('lasts as long as it does worked out apart in fine steps, warm and cold, on cells of three kinds', () => {
    for (const [id, count, currentA] of [
      ['3xaaa', 8, 0.01],
      ['3xaa', 4, 0.02],
      ['2xcr2032', 2, 0.01],
      ['2xcr2032', 2, 0.005],
    ] as const) {
      const pack = packOf(id);
      const [string] = lampsOn(pack, count, currentA);
      expect(string!.lamps).to.equal(1);
      for (const coldC of [20, 0, -10]) {
        const apart = byHand(pack, count, string!.ohm, coldC);
        expect(hours(pack, count, currentA, coldC), `${id}, ${coldC} °C`).to.be.closeTo(
          apart,
          0.015 * apart + 0.01,
        );
      }
    }
  });

  it('is worked out at every moment of every pack: no hole between two moments that are', () => {
    for (const pack of packs)
      for (const count of [1, 2, 3, 8])
        for (const currentA of [0.005, 0.01, 0.02]) {
          const solved = lampsOn(pack, count, currentA);
          const found = Array.from({ length: 61 }, (_, i) =>
            workingAt(pack, { strings: solved, steady: [] }, STRAIGHT, i / 60) ? '1' : '0',
          ).join('');
          expect(found, `${count} at ${currentA} A on ${pack.id}`).to.match(/^1*0*$/);
        }
  });

  it('is much shorter for white lamps than the share of capacity alone says', () => {
    const pack = packOf('3xaaa');
    const [warm, cold] = [hours(pack, 8, 0.01, 20), hours(pack, 8, 0.01, 0)];
    expect(cold / warm).to.be.lessThan(0.62);
    expect(pack.cell.cold.find((p) => p.atC === 0)!.share).to.be.greaterThan(0.65);
  });
});

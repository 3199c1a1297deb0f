import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { packs, type RegulatorKind, regulators, type SteadyLoad } from '../materials';
import { coldShare } from './cells';
import { type Feed, workingAt } from './network';
import { runTime } from './runtime';

const packOf = (id: string) => packs.find((p) => p.id === id)!;
const ring = (amps: number, ratedV = 5): SteadyLoad => ({
  kind: 'digital',
  name: 'ring',
  lamps: 12,
  amps,
  restA: 0.03,
  ratedV,
  leastV: 3.7,
});
const behind = (kind: RegulatorKind, volts: number): Feed => ({
  switchOhm: 0.05,
  wireOhm: 0.2,
  regulator: { ...regulators[kind], volts },
});

/** The same by a circuit simulator: a converter as a source of its voltage and a sink of the power it takes. */
function simulated(kind: RegulatorKind, volts: number, supplyV: number, ohm: number, amps: number): number {
  const { efficiency, ownA } = regulators[kind];
  const dir = mkdtempSync(join(tmpdir(), 'deck-'));
  const taken =
    efficiency === undefined ? `abs(i(Vout))+${ownA}` : `${volts}*abs(i(Vout))/${efficiency}/v(in)+${ownA}`;
  writeFileSync(
    join(dir, 'deck.cir'),
    [
      '* regulated',
      `V1 cell 0 ${supplyV}`,
      `Vp cell a 0`,
      `R1 a in ${ohm}`,
      `Bin in 0 I=${taken}`,
      `Vout out 0 ${volts}`,
      `Iload out 0 ${amps}`,
      '.nodeset v(in)=' + supplyV,
      '.control',
      'set numdgt=10',
      'op',
      'print i(Vp)',
      'quit 0',
      '.endc',
      '.end',
    ].join('\n'),
  );
  try {
    const out = execFileSync('ngspice', ['-b', join(dir, 'deck.cir')], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    return Number(/^i\(vp\) = (\S+)/im.exec(out)![1]);
  } finally {
    rmSync(dir, { recursive: true });
  }
}

describe('lamps behind a regulator', () => {
  const cases: [RegulatorKind, number, string, number][] = [
    ['linear', 5, '8xaa', 0.2],
    ['step-down', 5, '8xaa', 0.6],
    ['step-down', 5, '3x18650', 1.2],
    ['step-up', 5, '2xaa', 0.15],
    ['step-up', 5, '1x18650', 0.4],
    ['step-up', 12, '4xaaa', 0.05],
  ];
  for (const [kind, volts, packId, amps] of cases)
    it(`draw from ${packId} through a ${kind} of ${volts} V what ngspice says they do`, () => {
      const pack = packOf(packId);
      const now = workingAt(pack, { strings: [], steady: [ring(amps, volts)] }, behind(kind, volts), 0)!;
      const ohm = pack.series * pack.cell.internalOhm + 0.05;
      const says = simulated(kind, volts, pack.cell.voltage[0]!.volts * pack.series, ohm, amps);
      expect(now.totalA).to.be.closeTo(says, Math.max(1e-4, says * 0.01));
      expect(now.regulated!.holds).to.equal(true);
      // Out and heat are what is taken: no energy is made.
      expect(volts * now.lightA + now.regulated!.heatW).to.be.closeTo(now.regulated!.inV * now.totalA, 1e-6);
      expect(now.regulated!.heatW).to.be.greaterThan(0);
    });

  it('shine evenly until the pack can no longer hold them, where bare lamps fade from the first minute', () => {
    const steady = [ring(0.2)];
    const held = runTime(packOf('8xaa'), { strings: [], steady }, behind('step-down', 5));
    expect(Math.min(...held.points.slice(0, -2).map((p) => p.lightShare))).to.be.greaterThan(0.99);
    // 12 V stepped down to 5 V draws less than half of the current: well over twice as long as through a linear one.
    const linear = runTime(packOf('8xaa'), { strings: [], steady }, behind('linear', 5));
    expect(held.hours / linear.hours).to.be.within(1.7, 3);
  });

  it('dimmed to nothing by their effect draw what they draw dark, through the regulator as well', () => {
    for (const [kind, packId] of [
      ['step-up', '2xaa'],
      ['step-down', '8xaa'],
    ] as const) {
      const dimmed = runTime(packOf(packId), { strings: [], steady: [ring(0.15)] }, behind(kind, 5), {
        onShare: 1,
        idleA: 0,
        playedShare: 0,
      });
      const dark = runTime(
        packOf(packId),
        { strings: [], steady: [{ ...ring(0.03), restA: 0.03 } as SteadyLoad] },
        behind(kind, 5),
      );
      expect(dimmed.hours / dark.hours, kind).to.be.within(0.85, 1.15);
    }
  });

  it('pass on what is left when a step-down is starved, and go dark when a step-up is', () => {
    const low = workingAt(packOf('3xaa'), { strings: [], steady: [ring(0.1)] }, behind('step-down', 5), 0.5)!;
    expect(low.regulated!.holds).to.equal(false);
    expect(low.lampVolts).to.be.lessThan(3.66 - 0.7);
    const coins = workingAt(
      packOf('2xcr2032'),
      { strings: [], steady: [ring(0.5, 12)] },
      behind('step-up', 12),
      0,
    );
    expect(coins).to.equal(undefined);
  });
});

describe('cold cells', () => {
  it('give the share that is known at a temperature, straight between, and never more in the cold', () => {
    for (const { cell } of packs) {
      expect(coldShare(cell.cold, 20)).to.equal(1);
      expect(coldShare(cell.cold, 35)).to.equal(1);
      const shares = [-30, -20, -12, -5, 0, 7, 15, 20].map((c) => coldShare(cell.cold, c));
      for (let i = 1; i < shares.length; i++) expect(shares[i]).to.be.at.least(shares[i - 1]!);
    }
    expect(coldShare(packOf('3xaa').cell.cold, 5)).to.be.closeTo(0.8, 1e-9);
    const lights = { strings: [], steady: [ring(0.1)] };
    // Cells of no resistance: only their capacity is less.
    const aa = packOf('3xaa');
    const stiff = { ...aa, cell: { ...aa.cell, internalOhm: 1e-9 } };
    const [warm, cold] = [20, 0].map(
      (coldC) => runTime(stiff, lights, undefined, { onShare: 1, idleA: 0, coldC }).hours,
    ) as [number, number];
    expect(cold / warm).to.be.closeTo(0.7, 1e-6);
  });
});

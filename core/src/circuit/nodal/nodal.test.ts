import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import type { Branch } from './branch';
import { junctionOf, junctionVolts } from './diode';
import { solveNetwork, type Operating } from './solve';

const amber = junctionOf({ forwardV: 2.1, ratedA: 0.02 });
const white = junctionOf({ forwardV: 3.2, ratedA: 0.02 });

const solved = (branches: readonly Branch[]): Operating => {
  const found = solveNetwork(branches);
  if (!found.ok) throw new Error(found.message);
  return found.value;
};

/** The same network as a deck for a circuit simulator, every junction a diode of its own. */
function deck(branches: readonly Branch[]): string {
  const lines = ['* network'];
  const models = new Map<string, string>();
  const probes: string[] = [];
  branches.forEach((br, i) => {
    const node = (k: number): string => (k === 0 ? '0' : `n${k}`);
    const a = `p${i}`;
    lines.push(`Vp${i} ${node(br.a)} ${a} 0`);
    probes.push(`i(Vp${i})`);
    if (br.kind === 'resistor') lines.push(`R${i} ${a} ${node(br.b)} ${br.ohm}`);
    else if (br.kind === 'source') {
      lines.push(`V${i} s${i} ${node(br.b)} ${br.volts}`, `R${i} ${a} s${i} ${br.ohm}`);
    } else if (br.kind === 'string') {
      const name = `D${models.size}`;
      const key = JSON.stringify(br.junction);
      if (!models.has(key)) models.set(key, name);
      lines.push(`R${i} ${a} q${i}_0 ${Math.max(1e-6, br.ohm)}`);
      for (let k = 0; k < br.count; k++)
        lines.push(
          `D${i}_${k} q${i}_${k} ${k === br.count - 1 ? node(br.b) : `q${i}_${k + 1}`} ${models.get(key)!}`,
        );
    } else throw new Error('no deck for a sink');
  });
  for (const [key, name] of models) {
    const { saturationA, seriesOhm } = JSON.parse(key) as typeof amber;
    lines.push(`.model ${name} D(IS=${saturationA} N=2 RS=${seriesOhm})`);
  }
  lines.push('.options temp=27', '.control', 'set numdgt=10', 'op');
  for (const p of probes) lines.push(`print ${p}`);
  lines.push('quit 0', '.endc', '.end');
  return lines.join('\n');
}

/** Currents of every branch by the simulator. */
function simulated(branches: readonly Branch[], folder: string): number[] {
  const file = join(folder, 'net.cir');
  writeFileSync(file, deck(branches));
  const out = execFileSync('ngspice', ['-b', file], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  return [...out.matchAll(/^i\(vp\d+\) = (\S+)/gim)].map((m) => Number(m[1]));
}

/** A pack, a switch, wires along a rail, and strings of LEDs off it. */
const lightNet = fc
  .record({
    volts: fc.double({ min: 3, max: 13, noNaN: true }),
    ownOhm: fc.double({ min: 0.2, max: 15, noNaN: true }),
    railOhm: fc.double({ min: 0.01, max: 1, noNaN: true }),
    strings: fc.array(
      fc.record({
        count: fc.integer({ min: 1, max: 4 }),
        ohm: fc.integer({ min: 10, max: 470 }),
        junction: fc.constantFrom(amber, white),
      }),
      { minLength: 1, maxLength: 12 },
    ),
  })
  .map(({ volts, ownOhm, railOhm, strings }): Branch[] => [
    { id: 'pack', kind: 'source', a: 1, b: 0, volts, ohm: ownOhm },
    { id: 'switch', kind: 'resistor', a: 1, b: 2, ohm: 0.05 },
    ...strings.flatMap((s, i): Branch[] => [
      { id: `wire-${i}`, kind: 'resistor', a: 2 + i, b: 3 + i, ohm: railOhm },
      { id: `string-${i}`, kind: 'string', a: 3 + i, b: 0, ...s },
    ]),
  ]);

describe('a network of lamps', () => {
  it('runs the curve of an LED through its rated point', () => {
    expect(junctionVolts(amber, 0.02)).to.be.closeTo(2.1, 1e-9);
    expect(junctionVolts(white, 0.02)).to.be.closeTo(3.2, 1e-9);
    expect(junctionVolts(amber, 0.002)).to.be.within(1.7, 2.0);
  });

  it('agrees with Ohm and Kirchhoff where there are only resistors', () => {
    const { nodeVolts, branches } = solved([
      { id: 'pack', kind: 'source', a: 1, b: 0, volts: 9, ohm: 1 },
      { id: 'r1', kind: 'resistor', a: 1, b: 2, ohm: 5 },
      { id: 'r2', kind: 'resistor', a: 2, b: 0, ohm: 6 },
      { id: 'r3', kind: 'resistor', a: 2, b: 0, ohm: 3 },
    ]);
    // 6 ∥ 3 = 2; 9 V over 8 Ω: 1.125 A.
    expect(branches[1]!.amps).to.be.closeTo(1.125, 1e-9);
    expect(nodeVolts[2]).to.be.closeTo(2.25, 1e-9);
    expect(branches[2]!.amps).to.be.closeTo(0.375, 1e-9);
  });

  it('lets no charge pile up and gives out no more than is put in, whatever the network', () => {
    fc.assert(
      fc.property(lightNet, (net) => {
        const { nodeVolts, branches } = solved(net);
        for (let node = 1; node < nodeVolts.length; node++) {
          const sum = net.reduce(
            (s, b, i) => s + (b.a === node ? branches[i]!.amps : b.b === node ? -branches[i]!.amps : 0),
            0,
          );
          expect(Math.abs(sum)).to.be.lessThan(1e-7);
        }
        const [pack] = net;
        if (pack?.kind !== 'source') throw new Error('the pack comes first');
        const given = pack.volts * -branches[0]!.amps;
        const taken = branches.slice(1).reduce((s, b) => s + b.watts, 0);
        expect(taken).to.be.at.most(given + 1e-9);
        for (const b of branches.slice(1)) expect(b.amps).to.be.at.least(-1e-9);
      }),
    );
  });

  it('agrees with ngspice on forty networks within 1 % or a tenth of a milliampere', function () {
    this.timeout(60_000);
    const folder = mkdtempSync(join(tmpdir(), 'fomrik-spice-'));
    try {
      for (const net of fc.sample(lightNet, { numRuns: 40, seed: 20261126 })) {
        const theirs = simulated(net, folder);
        const ours = solved(net).branches;
        expect(theirs).to.have.length(net.length);
        ours.forEach((b, i) =>
          expect(b.amps, `${net[i]!.id} of ${net.length}`).to.be.closeTo(
            theirs[i]!,
            Math.max(1e-4, 0.01 * Math.abs(theirs[i]!)),
          ),
        );
      }
    } finally {
      rmSync(folder, { recursive: true });
    }
  });

  it('draws a steady load at its current, and less where the volts run out', () => {
    const at = (volts: number): number =>
      solved([
        { id: 'pack', kind: 'source', a: 1, b: 0, volts, ohm: 0.5 },
        { id: 'ring', kind: 'sink', a: 1, b: 0, amps: 0.4, leastV: 3.7 },
      ]).branches[1]!.amps;
    expect(at(5)).to.be.closeTo(0.4, 1e-9);
    expect(at(3.5)).to.be.within(0.3, 0.38);
    expect(at(0)).to.be.closeTo(0, 1e-9);
  });

  it('says so when something is joined to nothing', () => {
    const loose = solveNetwork([
      { id: 'pack', kind: 'source', a: 1, b: 0, volts: 3, ohm: 1 },
      { id: 'r', kind: 'resistor', a: 2, b: 3, ohm: 100 },
    ]);
    expect(loose.ok && loose.value.nodeVolts[2]).to.be.closeTo(0, 1e-6);
  });
});

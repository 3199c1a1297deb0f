import { expect } from 'chai';
import { applyChanges, type Change } from '../document';
import { reportOf } from '../report/testing/reportOf';
import { checkDoc } from './schema';
import { demo } from './testing/demo';

const bracers = demo('lampwarden-bracers');
const circuit = (key: string, value: unknown): Change => ({
  path: ['circuits', 0, key],
  value: value as string,
});

describe('what a file says of a circuit', () => {
  for (const [key, value] of [
    ['wireAwg', 99],
    ['wireAwg', '24 mm'],
    ['onShare', 0],
    ['onShare', -1],
    ['onShare', 1e9],
    ['fused', 'yes'],
    ['effect', { kind: 'strobe', periodS: 1 }],
    ['effect', { kind: 'alarm', periodS: 0 }],
    ['effect', { kind: 'alarm' }],
    ['effect', 'alarm'],
  ] as const)
    it(`is refused by name where it is no good: ${key} ${JSON.stringify(value)}`, () => {
      const read = checkDoc(applyChanges(bracers, [circuit(key, value)]));
      expect(read.ok).to.equal(false);
      if (!read.ok) expect(`${read.field} ${read.message}`).to.include(key);
    });

  it('is taken at its ends, and worked out', () => {
    for (const changes of [
      [circuit('wireAwg', 20), circuit('onShare', 0.01), circuit('effect', { kind: 'flicker', periodS: 60 })],
      [circuit('wireAwg', 30), circuit('onShare', 1), circuit('effect', { kind: 'chase', periodS: 0.2 })],
    ]) {
      const read = checkDoc(applyChanges(bracers, changes));
      if (!read.ok) throw new Error(read.message);
      const [made] = reportOf(read.value).circuits;
      expect(made!.run!.hours).to.be.greaterThan(0);
      expect(Number.isFinite(made!.run!.hours)).to.equal(true);
    }
  });

  it('may name lights of no length, or a ring in a room that is gone: they are reported, and nothing breaks', () => {
    const lights = [
      {
        id: 'nought',
        kind: 'light-strip',
        place: {
          on: 'path',
          panel: 'shell',
          points: [
            [0.5, 0.5],
            [0.5, 0.5],
          ],
        },
        params: { type: '5v', colour: 'red', brightPct: 5 },
      },
      {
        id: 'lost',
        kind: 'light-ring',
        place: { on: 'room', room: 'cellar', alongMm: 0, acrossMm: 0, turnDeg: 0 },
        params: { lamps: '24', brightPct: 100 },
      },
    ];
    const read = checkDoc(
      applyChanges(bracers, [
        {
          path: ['parts', 0, 'features'],
          value: [...bracers.parts[0]!.features, ...lights] as unknown as string,
        },
        {
          path: ['circuits', 0, 'loads'],
          value: [
            ...bracers.circuits[0]!.loads,
            { feature: 'nought', currentMa: 20 },
            { feature: 'lost', currentMa: 20 },
          ] as unknown as string,
        },
      ]),
    );
    if (!read.ok) throw new Error(`${read.field} ${read.message}`);
    const { findings, circuits } = reportOf(read.value);
    for (const id of ['nought', 'lost'])
      expect(
        findings.some((f) => f.id.includes(`feature-${id}`)),
        id,
      ).to.equal(true);
    expect(circuits[0]!.missing).to.include.members(['nought', 'lost']);
    expect(circuits[0]!.run!.hours).to.be.greaterThan(5);
  });
});

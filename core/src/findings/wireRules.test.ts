import { expect } from 'chai';
import { applyChanges, type BuildDoc, type Feature } from '../document';
import { demo } from '../files/testing/demo';
import { gaugeMm, gauges } from '../materials';
import { newBuild, newPart, standardKinds } from '../parts';
import { reportOf } from '../report/testing/reportOf';
import type { Finding } from '../document';

const calm = demo('lampwarden-bracers');
const reported = (doc: BuildDoc, id: string): Finding | undefined =>
  reportOf(doc).findings.find((f) => f.id.startsWith(`${id}:`));

describe('wires behind a shell', () => {
  it('are nowhere tight where the shell stands off further than they are thick', () => {
    const report = reportOf(calm);
    expect(report.parts[0]!.wear!.leastGapMm).to.be.greaterThan(2 * gaugeMm(report.circuits[0]!.awg));
    expect(reported(calm, 'wires-tight')).to.equal(undefined);
  });

  it('are reported where it lies on the body, and thinner wire is reported less', () => {
    const close = applyChanges(calm, [
      { path: ['parts', 0, 'params', 'easeMm'], value: 0 },
      { path: ['parts', 0, 'params', 'paddingMm'], value: 0 },
      { path: ['parts', 0, 'lining'], value: null },
    ]);
    const wired = (awg: number): BuildDoc =>
      applyChanges(close, [{ path: ['circuits', 0, 'wireAwg'], value: awg }]);
    const awgs = gauges.map((g) => g.awg);
    const [thickest, thinnest] = [Math.min(...awgs), Math.max(...awgs)];
    const [thick, thin] = [
      reported(wired(thickest), 'wires-tight'),
      reported(wired(thinnest), 'wires-tight'),
    ];
    expect(thick!.title).to.include('off the body where they run');
    expect(thick!.excess - (thin?.excess ?? 0)).to.be.closeTo(
      thin ? 2 * (gaugeMm(thickest) - gaugeMm(thinnest)) : thick!.excess,
      1e-6,
    );
  });

  it('whose way lies under a thing that is put in are noted, and not once that is moved aside', () => {
    const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
    const box = newPart('b', wearer, 'box');
    const on = (id: string, kind: string, u: number, v: number): Feature => {
      const { params } = standardKinds.features
        .get(kind)!
        .start({ panel: 'face', edge: '', at: { x: u, y: v } });
      return { id, kind, place: { on: 'panel', panel: 'face', u, v, turnDeg: 0 }, params };
    };
    const build = (v: number): BuildDoc => ({
      ...newBuild(`Under ${v}`, '2026-03-01', wearer),
      parts: [
        {
          ...box,
          params: { ...box.params, widthMm: 400, heightMm: 300, deepMm: 80 },
          features: [
            on('cells', 'pack', 0.12, 0.85),
            on('sw', 'switch', 0.1, 0.5),
            { ...on('lamp', 'lamps', 0.9, 0.5), params: { ...on('l', 'lamps', 0, 0).params, count: 1 } },
            // Another pack, halfway between the switch and the lamp or aside.
            { ...on('spare', 'pack', 0.5, v), params: { ...on('s', 'pack', 0, 0).params, pocket: 'none' } },
          ],
        },
      ],
      circuits: [
        {
          id: 'c',
          name: 'Light',
          source: 'cells',
          switch: 'sw',
          loads: [{ feature: 'lamp', currentMa: 20 }],
        },
      ],
    });
    expect(reported(build(0.5), 'wires-under')?.title).to.match(/runs under/);
    expect(reported(build(0.15), 'wires-under')).to.equal(undefined);
  });
});

import { expect } from 'chai';
import type { BuildDoc } from '../document';
import { newBuild, newPart, standardKinds } from '../parts';
import { startLightsIn } from './startLightsIn';
import { reportOf } from './testing/reportOf';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: [] };

/** A blade on a handle of a pipe or a bar. */
function bladed(rod: string): BuildDoc {
  const haft = newPart('haft', wearer, 'haft');
  const blade = newPart('blade', wearer, 'blade', undefined, 'haft');
  return {
    ...newBuild('Blade', '2026-03-01', wearer),
    parts: [
      { ...haft, params: { ...haft.params, rod, lengthMm: 180, handMm: 80 } },
      {
        ...blade,
        params: { ...blade.params, lengthMm: 300 },
        mount: { ...blade.mount, anchor: 'tip' } as never,
      },
    ],
  };
}

const lit = (doc: BuildDoc) => {
  let count = 0;
  const found = startLightsIn(doc, 'blade', (base) => `${base}-${count++}`, { hours: 2 });
  if (!found.ok) throw new Error(found.message);
  return found.value;
};

describe('a first light', function () {
  this.timeout(60_000);

  it('of a blade has its pack in the bore of its handle, and one circuit joins the two', () => {
    const doc = bladed('pvc-1-1-4in');
    const { features, circuit, elsewhere } = lit(doc);
    expect(elsewhere.map((e) => e.partId)).to.deep.equal(['haft']);
    const [pack] = elsewhere[0]!.features;
    expect(pack).to.include({ kind: 'pack', id: circuit.source });
    expect(pack!.place).to.include({ on: 'room', room: 'bore' });
    expect(features.some((f) => f.kind === 'pack')).to.equal(false);
    const whole: BuildDoc = {
      ...doc,
      brief: { ...doc.brief, lightHours: 2 },
      parts: doc.parts.map((p) => ({
        ...p,
        features: p.id === 'haft' ? elsewhere[0]!.features : features,
      })),
      circuits: [circuit],
    };
    const report = reportOf(whole);
    expect(report.findings.filter((f) => f.severity === 'stop').map((f) => f.title)).to.deep.equal([]);
    expect(report.circuits[0]!.partIds.length).to.equal(2);
    expect(report.circuits[0]!.run!.hours).to.be.at.least(2);
  });

  it('is not held up by what the handle was stopped at before', () => {
    const doc = bladed('pvc-1-1-4in');
    const strip = standardKinds.features
      .get('wound-strip')!
      .start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });
    const dark = {
      id: 'dark',
      kind: 'wound-strip',
      params: {
        ...strip.params,
        way: 'along',
        wideMm: 10,
        thickMm: 1,
        faces: 1,
        lengthMm: 50,
        through: 'walls',
      },
      place: { on: 'room' as const, room: 'bore', alongMm: -62, acrossMm: 0, turnDeg: 0 },
    };
    const [haft, blade] = doc.parts;
    const stopped = { ...doc, parts: [{ ...haft!, features: [dark] }, blade!] };
    expect(reportOf(stopped).findings.some((f) => f.severity === 'stop' && f.partId === 'haft')).to.equal(
      true,
    );
    expect(lit(stopped).elsewhere.map((e) => e.partId)).to.deep.equal(['haft']);
  });

  it('has it on the part itself where nothing it is mounted on has room', () => {
    for (const rod of ['dowel-16', 'pvc-20mm']) {
      const { features, elsewhere } = lit(bladed(rod));
      expect(elsewhere, rod).to.deep.equal([]);
      expect(
        features.some((f) => f.kind === 'pack'),
        rod,
      ).to.equal(true);
    }
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { meshVolume } from '../../geometry';
import { skinMesh } from '../../panel';
import { applyChanges, type Feature } from '../../document';
import { derive } from '../../report';
import { newBuild, newPart } from '../../parts';
import { checkOf, make, type Making } from '../../parts/testing/worn.test';

const stack = (layers: number): Making =>
  ({ foamId: 'dense-eva', nominalMm: 6, stackLayers: layers }) as Making;
const line = (params: object, place: object = {}): Feature => ({
  id: 'p1',
  kind: 'parting',
  place: { on: 'panel', panel: 'plate', u: 0.5, v: 0.5, turnDeg: 0, ...place },
  params: { staggerMm: 30, joint: 'glue', ...params },
});
const shield = (features: Feature[]) =>
  make('box', { corners: 'butt', widthMm: 200, heightMm: 300 }, { ...stack(1), features });
const onFront = (params: object = {}, place: object = {}): Feature =>
  line(params, { panel: 'front', ...place });

describe('a parting line', () => {
  it('cuts every flat piece it crosses in two that make up the whole: area, volume and solid', () => {
    const whole = shield([]);
    fc.assert(
      fc.property(
        fc.record({
          u: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
          v: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
          turnDeg: fc.integer({ min: -90, max: 90 }),
          staggerMm: fc.integer({ min: 0, max: 40 }),
        }),
        ({ staggerMm, ...place }) => {
          const cut = shield([onFront({ staggerMm }, place)]);
          const area = (of: typeof cut, id: string): number =>
            of.pieces
              .filter((p) => p.id === id || p.id.startsWith(`${id}-`))
              .reduce((s, p) => s + p.areaMm2, 0);
          expect(cut.pieces.filter((p) => p.id === 'front' || p.id.startsWith('front-'))).to.have.length(2);
          expect(area(cut, 'front')).to.be.closeTo(area(whole, 'front'), 0.5);
          const volume = (of: typeof cut): number =>
            of.made.laid.reduce((s, l) => s + meshVolume(skinMesh(l).mesh), 0);
          expect(volume(cut) / volume(whole)).to.be.closeTo(1, 1e-4);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('staggers the layers of a lamination, so that no joint lies on another', () => {
    const blade = newPart('b', { name: 'Anyone', underLayerMm: 2, measures: [] }, 'blade');
    const feature = line({ staggerMm: 40 }, { panel: 'layer-1' });
    const build = {
      ...newBuild('Sword', '2026-03-01', { name: 'A', underLayerMm: 2, measures: [] }),
      parts: [blade],
    };
    const first = derive(build).parts[0]!.pieces.filter((p) => p.role === 'shell');
    const split = derive({
      ...build,
      parts: [
        {
          ...blade,
          features: [{ ...feature, place: { ...feature.place, panel: first[0]!.id } as Feature['place'] }],
        },
      ],
    }).parts[0]!;
    const halves = split.pieces.filter((p) => p.role === 'shell');
    expect(halves.length).to.be.at.least(first.length * 2);
    const high = (id: string): number =>
      Math.max(...halves.find((p) => p.id === id)!.outline.map((p) => p.y));
    if (first.length > 1) expect(Math.abs(high(first[0]!.id) - high(first[1]!.id))).to.be.closeTo(40, 1);
    expect(split.work.some((w) => w.step === 'parting')).to.equal(true);
  });

  it('keeps details where they were, on whichever part they now lie', () => {
    const hole = (v: number): Feature => ({
      id: `h${v}`,
      kind: 'hole',
      place: { on: 'panel', panel: 'front', u: 0.3, v, turnDeg: 0 },
      params: { diameterMm: 10, count: 1, ringMm: 40 },
    });
    const cut = shield([hole(0.2), hole(0.8), onFront({ staggerMm: 0 })]);
    const holes = cut.pieces.map((p) => [p.id, p.holes.length] as const).filter(([, n]) => n > 0);
    expect(holes).to.have.length(2);
    expect(cut.checks.filter((c) => c.id.startsWith('feature-'))).to.deep.equal([]);
    const whole = shield([hole(0.2), hole(0.8)]).pieces.find((p) => p.id === 'front')!;
    const low = cut.pieces.find((p) => p.id === 'front')!;
    expect(low.holes[0]!.centre.y).to.be.closeTo(whole.holes[0]!.centre.y, 1e-6);
  });

  it('parts again what another line has parted', () => {
    const twice = shield([
      onFront({ staggerMm: 0 }),
      { ...line({ staggerMm: 0 }, { panel: 'front-b', v: 0.75 }), id: 'p2' },
    ]);
    expect(twice.pieces.filter((p) => p.id === 'front' || p.id.startsWith('front-'))).to.have.length(3);
    expect(twice.checks.filter((c) => c.id.startsWith('feature-'))).to.deep.equal([]);
  });

  it('says so when there is nothing flat to part', () => {
    const bracer = make('bracer', {}, { features: [line({}, { panel: 'a' })] });
    expect(checkOf(bracer, 'feature-p1')?.title).to.match(/crosses no flat piece/);
  });

  it('is the cure of a board that no sheet holds', () => {
    const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
    const long = {
      ...newPart('b', wearer, 'box'),
      params: { ...newPart('b', wearer, 'box').params, corners: 'butt', heightMm: 1500 },
    };
    const build = { ...newBuild('Coffer', '2026-03-01', wearer), parts: [long] };
    const found = derive(build).findings.filter((f) => f.id.startsWith('sheet:'));
    expect(found.length).to.be.greaterThan(0);
    const cure = found[0]!.remedies.find((r) => r.label.startsWith('Parting line'))!;
    const after = derive(applyChanges(build, cure.changes)).findings.filter((f) => f.id === found[0]!.id);
    expect(after).to.deep.equal([]);
  });
});

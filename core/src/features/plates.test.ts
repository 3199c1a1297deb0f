import { expect } from 'chai';
import type { Feature, Params, Place } from '../document';
import { boundsOf, meshVolume, signedArea } from '../geometry';
import { newPart, partReport, standardKinds } from '../parts';
import { contextOf } from '../parts/testing/worn.test';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };

const feature = (kind: string, place: Place, params: Params): Feature => {
  const start = standardKinds.features
    .get(kind)!
    .start({ panel: 'board', edge: 'edge-1', at: { x: 0.5, y: 0.5 } });
  return { id: `${kind}-1`, kind, place, params: { ...start.params, ...params } };
};

/** A flat square board of one layer, 300 by 200, with features on it. */
function board(...features: Feature[]) {
  const part = newPart('one', wearer, 'shield');
  return partReport(
    {
      ...part,
      stack: [{ foamId: 'dense-eva', nominalMm: 10 }],
      features,
      params: {
        ...part.params,
        shape: 'drawn',
        bevelMm: 0,
        bossMm: 0,
        outline: [
          [-150, 0],
          [150, 0],
          [150, 200],
          [-150, 200],
        ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner', side: 'bevel' })),
      },
    },
    contextOf(),
  );
}
const edge = (id: string): Place => ({ on: 'edges', runs: [{ panel: 'board', edge: id }] });

describe('features on flat pieces', () => {
  it('trim one edge with a strip as long as the edge and as wide as asked', () => {
    const plain = board();
    const bottom = plain.pieces[0]!.edges.find((e) => e.name === 'lower edge')!;
    expect(bottom.lengthMm).to.equal(300);
    const trimmed = board(feature('trim', edge(bottom.id), { widthMm: 18, foamMm: 2 }));
    const strip = trimmed.pieces.find((p) => p.role === 'laid')!;
    const b = boundsOf(strip.outline);
    expect([b.maxX - b.minX, b.maxY - b.minY].map(Math.round)).to.deep.equal([300, 18]);
    expect(meshVolume(trimmed.extras)).to.be.closeTo(300 * 18 * 2, 1);
    expect(trimmed.checks.filter((c) => c.id.startsWith('feature-'))).to.have.length(0);
  });

  it('raise a layer drawn in by the same distance on every edge', () => {
    const raised = board(
      feature(
        'overlay',
        { on: 'panel', panel: 'board', u: 0.5, v: 0.5, turnDeg: 0 },
        { insetMm: 20, foamMm: 4, lapMm: 0 },
      ),
    );
    const layer = raised.pieces.find((p) => p.role === 'laid')!;
    expect(signedArea(layer.outline)).to.be.closeTo(260 * 160, 0.5);
  });

  it('cut an opening through, as large as asked and where it was put, and drill it first where the board is hard', () => {
    const at: Place = { on: 'panel', panel: 'board', u: 0.25, v: 0.5, turnDeg: 90 };
    const slot = { widthMm: 20, lengthMm: 60, ends: 'round', through: 'all' };
    const plain = board().pieces[0]!;
    const made = board(feature('opening', at, slot));
    const cut = made.pieces[0]!;
    // A stadium: 40 by 20 and a circle of 20.
    expect(plain.areaMm2 - cut.areaMm2).to.be.closeTo(40 * 20 + Math.PI * 100, 12);
    const ring = cut.marks.find((m) => m.kind === 'slot')!;
    const b = boundsOf(ring.points);
    expect([b.minX, b.maxX, b.minY, b.maxY].map((mm) => Math.round(mm * 10) / 10)).to.deep.equal([
      45, 105, 90, 110,
    ]);
    expect(plain.volumeMm3! - cut.volumeMm3!).to.be.closeTo((plain.areaMm2 - cut.areaMm2) * 10, 1);
    expect(made.work.find((w) => w.step === 'openings')?.detail).to.match(/Punch the ends/);
    const gone = board(feature('opening', { ...at, u: 0.02 }, slot));
    expect(gone.pieces[0]!.areaMm2).to.be.closeTo(plain.areaMm2, 1e-6);
    expect(gone.checks.some((c) => /breaks the edge/.test(c.title))).to.equal(true);
  });

  it('cut an opening through every layer of a lamination, or through one alone', () => {
    const part = newPart('one', wearer, 'head');
    const stack = [1, 2, 3].map(() => ({ foamId: 'dense-eva', nominalMm: 6 }));
    const plain = partReport({ ...part, stack }, contextOf());
    const panel = plain.panels[0]!.id;
    const at: Place = { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 };
    const cutIn = (through: string): number =>
      partReport(
        { ...part, stack, features: [feature('opening', at, { widthMm: 8, lengthMm: 16, through })] },
        contextOf(),
      ).pieces.filter((p) => p.marks.some((m) => m.kind === 'slot' && m.text === 'opening')).length;
    expect(cutIn('one')).to.equal(1);
    expect(cutIn('all')).to.equal(plain.pieces.filter((p) => p.role === 'shell').length);
  });

  it('skin a piece in a thin sheet turned over every edge, weighed as what it is', () => {
    const skinned = board(
      feature(
        'skin',
        { on: 'panel', panel: 'board', u: 0.5, v: 0.5, turnDeg: 0 },
        { sheet: 'thermoplastic-1', turnedMm: 15 },
      ),
    );
    const skin = skinned.pieces.find((p) => p.role === 'laid')!;
    expect(skin.foamId).to.equal('thermoplastic');
    expect(signedArea(skin.outline)).to.be.closeTo(330 * 230, 1);
    const more = skinned.foamG - board().foamG;
    expect(more).to.be.closeTo(330 * 230 * 1 * 1050e-6, 0.5);
    expect(skinned.work.find((w) => w.step === 'skin')?.cautions).to.include('heat');
  });

  it('set rivets inside the edge they follow', () => {
    const bottom = board().pieces[0]!.edges.find((e) => e.name === 'lower edge')!;
    const riveted = board(
      feature('rivets', edge(bottom.id), { insetMm: 12, spacingMm: 60, diameterMm: 9, liftMm: 0 }),
    );
    const heads = riveted.pieces[0]!.marks.filter((m) => m.kind === 'rivet');
    expect(heads).to.have.length(6);
    for (const head of heads) {
      const b = boundsOf(head.points);
      expect((b.minY + b.maxY) / 2).to.be.closeTo(12, 0.01);
    }
  });

  it('repeat an ornament from one template, counted, weighed and laid on evenly', () => {
    const row = board(
      feature(
        'ornament',
        {
          on: 'path',
          panel: 'board',
          points: [
            [0.1, 0.5],
            [0.9, 0.5],
          ],
        },
        { shape: 'square', acrossMm: 24, count: 5, tiers: 2, stepMm: 4, foamMm: 4 },
      ),
    );
    const [low, high] = row.pieces.filter((p) => p.role === 'laid');
    expect([low!.quantity, high!.quantity]).to.deep.equal([5, 5]);
    expect(low!.areaMm2).to.be.closeTo(24 * 24, 1e-6);
    expect(high!.areaMm2).to.be.closeTo(16 * 16, 1e-6);
    expect(meshVolume(row.extras)).to.be.closeTo(5 * 4 * (24 * 24 + 16 * 16), 1);
    expect(row.foamG - board().foamG).to.be.closeTo(5 * 4 * (24 * 24 + 16 * 16) * 100 * 1e-6, 1e-6);
    const middles = row.pieces[0]!.marks.filter((m) => m.kind === 'glue')
      .map((m) => boundsOf(m.points))
      .map((b) => (b.minX + b.maxX) / 2);
    expect(middles.map((x) => Math.round(x))).to.deep.equal([30, 90, 150, 210, 270]);
  });
});

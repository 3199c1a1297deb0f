import { expect } from 'chai';
import fc from 'fast-check';
import type { Feature } from '../../document';
import { partReport } from '../../parts';
import type { Piece } from '../../panel';
import { contextOf, expectCured, make, partOf } from '../../parts/testing/worn.test';
import { closingBevelDeg } from './padStrip';

const pad = (panel: string, edge: string, params: object = {}): Feature => ({
  id: 'pad',
  kind: 'pad-strip',
  place: { on: 'edges', runs: [{ panel, edge }] },
  params: { widthMm: 25, madeOf: 'part', foamMm: 6, layers: 1, closesDeg: 180, ...params },
});
const rad = (deg: number): number => (deg * Math.PI) / 180;

describe('a padding strip', () => {
  it('is cut so that two of them meet on the line halfway between the walls they lie on', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 176, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        (closesDeg, t) => {
          // Where the halfway line is as high as the strip is thick, by the right triangle in the corner.
          const foot = t / Math.tan(rad(closesDeg) / 2);
          expect(t * Math.tan(rad(closingBevelDeg(closesDeg)))).to.be.closeTo(foot, 1e-9);
        },
      ),
    );
    expect(closingBevelDeg(180)).to.equal(0);
    expect(closingBevelDeg(90)).to.equal(45);
  });

  it('bevels the one edge that lies along the rim, on bent pieces and on flat ones', () => {
    const bevels = (form: string, params: object, panel: string, edge: string) =>
      partReport(
        partOf(form, params as never, { features: [pad(panel, edge, { closesDeg: 90, layers: 2 })] }),
        contextOf(),
      )
        .pieces.filter((p) => p.featureId === 'pad')
        .map((p) => ({ each: p.each, at: p.edges.filter((e) => e.bevelDeg !== 0).map((e) => e.bevelDeg) }));
    expect(bevels('donor', {}, 'front', 'left')).to.deep.equal([{ each: 2, at: [45] }]);
    expect(bevels('box', {}, 'lid', 'edge-2')).to.deep.equal([{ each: 2, at: [45] }]);
    // Whichever edge of a flat lid: the one that is bevelled faces the way that edge does, on the strip’s own box.
    const { laid } = make('box').made;
    const lid = laid.find((l) => l.panel.id === 'lid')!.piece;
    for (const { id, from, to } of lid.edges) {
      const facing = (outline: Piece['outline'], a: number, b: number): number => {
        const [p, q] = [outline[a]!, outline[b]!];
        return Math.atan2(-(q.x - p.x), q.y - p.y);
      };
      const [strip] = partReport(
        partOf('box', {}, { features: [pad('lid', id, { closesDeg: 90 })] }),
        contextOf(),
      ).pieces.filter((p) => p.featureId === 'pad');
      const cut = strip!.edges.find((e) => e.bevelDeg !== 0)!;
      expect(
        Math.cos(facing(strip!.outline, cut.from, cut.to) - facing(lid.outline, from, to)),
      ).to.be.closeTo(1, 1e-6);
    }
  });

  it('that does not touch what is worn is reported, and one press makes it as thick as the gap', () => {
    const features = [pad('a', 'left', { foamMm: 2 })];
    const reported = expectCured('bracer', { easeMm: 60 }, 'pad-loose-pad', { features });
    expect(reported.title).to.include('padding in');
    expect(
      partReport(partOf('donor', {}, { features: [pad('front', 'left')] }), contextOf()).checks,
      'the other wall of a case is nothing worn',
    ).to.deep.equal([]);
  });

  it('too steep for a knife is cut square, and told', () => {
    const report = partReport(
      partOf('donor', {}, { features: [pad('front', 'left', { closesDeg: 40 })] }),
      contextOf(),
    );
    expect(report.checks.map((c) => c.id)).to.deep.equal(['pad-steep-pad']);
    expect(report.pieces[0]!.edges.every((e) => e.bevelDeg === 0)).to.equal(true);
  });
});

import { expect } from 'chai';
import type { Feature } from '../../document';
import { dist3, signedArea } from '../../geometry';
import { makePart, standardKinds } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';

const context = contextOf();
const kind = standardKinds.features.get('skin')!;

function skinned(form: string, panel: string, change: Partial<Record<string, string | number>> = {}) {
  const begun = kind.start({ panel, edge: '', at: { x: 0.5, y: 0.5 } });
  const feature: Feature = {
    id: 's',
    kind: 'skin',
    ...begun,
    params: { ...begun.params, ...(change as Feature['params']) },
  };
  const made = makePart({ ...partOf(form, {}), features: [feature] }, context);
  return { made, laid: made.lays.get('s')! };
}
const area = (outline: Parameters<typeof signedArea>[0]): number => Math.abs(signedArea(outline));

describe('a skin over several faces', () => {
  it('covers a box all but its lid, which is glued to nothing', () => {
    const { made, laid } = skinned('box', 'face', { over: 'joined' });
    const glued = made.laid.filter((l) => l.panel.id !== 'lid').map((l) => l.panel.name);
    expect(laid.pieces.map((p) => p.name).sort()).to.deep.equal(glued.map((n) => `skin over ${n}`).sort());
    expect(laid.work[0]!.count).to.equal(5);
    expect(laid.stiffens.map((s) => s.pieceId).sort()).to.deep.equal([
      'back',
      'face',
      'floor',
      'front',
      'roof',
    ]);
    expect(skinned('box', 'face').laid.pieces).to.have.length(1);
  });

  it('overlaps once at every seam: of the two skins that meet there one is turned over, the other cut to the edge', () => {
    const turnedMm = 12;
    for (const [form, panel] of [
      ['box', 'face'],
      ['faceted', 'side-1'],
      ['helmet', 'gore-1'],
    ] as const) {
      const [{ made, laid }, cut] = [
        skinned(form, panel, { over: 'joined', turnedMm, sheet: 'dense-eva-2' }),
        skinned(form, panel, { over: 'joined', turnedMm: 0, sheet: 'dense-eva-2' }).laid,
      ];
      // In the order they are laid on; a seam counts for the first of the two.
      const covered = laid.stiffens.map((c) => c.pieceId);
      const seen = new Set<string>();
      let edgesMm = 0;
      for (const panelId of covered) {
        const { panel: own, piece } = made.laid.find((l) => l.panel.id === panelId)!;
        const named = (p: { name: string }): boolean => p.name === `skin over ${own.name}`;
        const [grown, bare] = [laid.pieces.find(named)!, cut.pieces.find(named)!];
        const turned = piece.edges.filter(({ id, mate }) => {
          const ends = [`${panelId}.${id}`, ...(mate ? [`${mate.pieceId}.${mate.edgeId}`] : [])];
          const seam = ends.sort().join('|');
          return !seen.has(seam) && seen.add(seam);
        });
        const turnedOver = turned.reduce(
          (sum, e) => sum + bare.edges.find((b) => b.id === e.id)!.lengthMm,
          0,
        );
        const more = (area(grown.outline) - area(bare.outline)) / turnedMm;
        // Corners of turned edges add a little, those that are cut take a little.
        expect(Math.abs(more - turnedOver), `${form} ${panelId}`).to.be.below(
          4 * turnedMm + 0.06 * turnedOver,
        );
        edgesMm += turnedOver;
      }
      expect(edgesMm, form).to.be.greaterThan(100);
    }
  });

  it('lies on the outer face of what it covers', () => {
    const { made, laid } = skinned('box', 'face', { over: 'joined' });
    const t = made.foam.thicknessMm.value;
    laid.solids.forEach((mesh, i) => {
      const { panel } = made.laid.find((l) => l.panel.id === laid.stiffens[i]!.pieceId)!;
      const middle = panel.grid[Math.floor(panel.grid.length / 2)]![Math.floor(panel.grid[0]!.length / 2)]!;
      const nearest = Math.min(...mesh.points.map((p) => dist3(p, middle)));
      expect(nearest, panel.id).to.be.within(t - 0.01, t + 2);
    });
  });
});

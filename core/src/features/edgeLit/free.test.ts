import { expect } from 'chai';
import type { Feature, Params } from '../../document';
import { boundsOf, dist3, meshVolume } from '../../geometry';
import { checkOf, make } from '../../parts/testing/worn.test';

const first = make('box').made.laid[0]!;
const foamMm = first.foam.thicknessMm.value;
/** A sheet of 30 × 40 mm and 3 mm thick that stands free in the middle of a box's first wall. */
const made = (over: Params = {}, u = 0.5) => {
  const feature: Feature = {
    id: 'eye',
    kind: 'edge-lit',
    place: { on: 'panel', panel: first.panel.id, u, v: 0.5, turnDeg: 0 },
    params: {
      stands: 'free',
      widthMm: 30,
      heightMm: 40,
      sheetMm: 3,
      look: 'clear',
      engravedPct: 10,
      lamps: 3,
      colour: 'white',
      edges: 'foil',
      evenPct: 20,
      ...over,
    },
  };
  return make('box', {}, { features: [feature] });
};

describe('an edge-lit sheet that stands free', () => {
  it('goes through a slot of its own section, its foot behind the foam', () => {
    const { made: one } = made();
    const sheet = one.pieces.find((p) => p.name === 'free sheet')!;
    const size = boundsOf(sheet.outline);
    expect([size.maxX - size.minX, size.maxY - size.minY]).to.deep.equal([30, 40 + foamMm + 5]);
    const [slot] = one.pieces.flatMap((p) => p.marks.filter((m) => m.text?.startsWith('slot ')));
    const b = boundsOf(slot!.points);
    expect([b.maxX - b.minX, b.maxY - b.minY].map((mm) => Math.round(mm * 1e6) / 1e6)).to.deep.equal([30, 3]);
    expect(one.featured.solids.reduce((sum, m) => sum + Math.abs(meshVolume(m)), 0)).to.be.closeTo(
      30 * 40 * 3,
      1e-3,
    );
  });

  it('has its lamps under its foot, evenly along it', () => {
    const { items } = made().made.featured;
    expect(items).to.have.length(3);
    expect(dist3(items[0]!.at, items[1]!.at)).to.be.closeTo(10, 1e-6);
    expect(dist3(items[0]!.at, items[2]!.at)).to.be.closeTo(20, 1e-6);
    // All of its solid stands out of the face; its lamps lie as deep as foam and foot below that.
    const [solid] = made().made.featured.solids;
    const { at, normal } = items[1]!;
    const over = solid!.points.map(
      (p) => (p.x - at.x) * normal.x + (p.y - at.y) * normal.y + (p.z - at.z) * normal.z,
    );
    expect(Math.min(...over)).to.be.closeTo(foamMm + 5, 1e-6);
    expect(Math.max(...over)).to.be.closeTo(foamMm + 5 + 40, 1e-6);
  });

  it('is engraved before it is sawn, and told where it cannot be', () => {
    const { made: one } = made();
    expect(one.featured.work.find((w) => w.step === 'edge-free')!.detail).to.match(
      /^Engraved first.*Then sawn/,
    );
    expect(checkOf(made(), 'edge-free-eye')).to.equal(undefined);
    const lit = checkOf(made({ edges: 'lit' }), 'edge-free-eye')!;
    expect(lit.remedies.flatMap((r) => ('changes' in r ? r.changes.map((c) => c.value) : []))).to.deep.equal([
      'foil',
    ]);
    expect(checkOf(made({ heightMm: 300, evenPct: 80 }), 'edge-even-eye')!.title).to.match(/fades/);
    expect(
      made({}, 0.01)
        .made.noticed.map((n) => n.check.title)
        .join(),
    ).to.match(/that stands free comes within/);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import type { Feature } from '../../document';
import { joinMeshes, type Mesh, rayReach, roundRing, stacked } from '../../geometry';
import { gridMesh, gridNormals } from '../../panel';
import { partReport } from '../../parts';
import { contextOf, make, partOf } from '../../parts/testing/worn.test';

const drilled = (panel: string): Feature => ({
  id: 'hole',
  kind: 'hole',
  place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
  params: { diameterMm: 10, count: 1, ringMm: 40 },
});

/** A closed tube standing on the floor, its middle in the middle. */
const tube: Mesh = stacked([roundRing(40, 0), roundRing(40, 90)]);

describe('a bought thing, scanned', () => {
  const { made } = make('donor-scan', { massG: 222 });

  it('has walls that are there, cut from no sheet, glued to nothing, weighing what the scale said', () => {
    expect(made.pieces).to.deep.equal([]);
    expect(made.templates.length).to.equal(made.laid.length);
    expect(made.model.joins).to.deep.equal([]);
    expect(made.model.ballast.map((b) => b.massG)).to.deep.equal([222]);
    for (const { panel } of made.laid) expect(panel.existing!.wallMm).to.equal(2);
  });

  it('is open behind a wall as far as the next wall it meets, or far where it is open', () => {
    const inner = joinMeshes(made.laid.map(({ panel }) => gridMesh(panel.grid)));
    let met = 0;
    for (const { panel } of made.laid) {
      const [r, c] = [Math.floor(panel.grid.length / 2), Math.floor(panel.grid[0]!.length / 2)];
      const [at, out] = [panel.grid[r]![c]!, gridNormals(panel.grid)[r]![c]!];
      const from = { x: at.x - out.x, y: at.y - out.y, z: at.z - out.z };
      const reach = rayReach(inner, from, { x: -out.x, y: -out.y, z: -out.z });
      if (reach === undefined) continue;
      met += 1;
      // The panels follow the surface within a few millimetres, the walls of the scan are it.
      expect(panel.existing!.behindMm).to.be.closeTo(reach + 1, 1.5 * 2.7);
    }
    expect(met).to.be.above(0);
  });

  it('is drilled by a template as any case is', () => {
    const [wall] = made.laid;
    const report = partReport(partOf('donor-scan', {}, { features: [drilled(wall!.panel.id)] }), contextOf());
    expect(report.templates.flatMap((t) => t.holes.map((h) => h.diameterMm))).to.deep.equal([10]);
    expect(report.work.map((w) => w.step)).to.include.members(['open', 'case-holes', 'close']);
  });

  it('names the wall that stays whole, or is a lid, by the way it faces', () => {
    for (const uncut of ['front', 'back', 'top', 'foot'] as const)
      expect(make('donor-scan', { uncut }).made.laid.filter((l) => l.panel.existing!.uncut)).to.have.length(
        1,
      );
    const lids = make('donor-scan', { opens: 'hinge', lid: 'top', hingeAt: 'bottom' }).made.laid;
    expect(lids.flatMap((l) => l.panel.existing!.hinge ?? [])).to.deep.equal(['bottom']);
  });
});

describe('how far a ray reaches', () => {
  it('in a tube is to its wall, by the circle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: 5, max: 85, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        (x, z, turn) => {
          const way = { x: Math.cos(turn), y: Math.sin(turn), z: 0 };
          // |x + t·way| = 40.
          const b = x * way.x;
          const expected = -b + Math.sqrt(b * b - x * x + 1600);
          // A ring of chords lies up to a third of a millimetre within the circle.
          const reported = rayReach(tube, { x, y: 0, z }, way)!;
          expect(reported).to.be.within(expected - 2, expected + 1e-6);
        },
      ),
    );
    expect(rayReach(tube, { x: 0, y: 0, z: 200 }, { x: 1, y: 0, z: 0 })).to.equal(undefined);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import Module from 'manifold-3d';
import type { Field, Params } from '../document';
import { meshVolume } from '../geometry';
import { printedKinds } from '.';

const solver = await Module();
solver.setup();

/** What an independent solid library makes of a mesh: it throws at what is not closed; its volume. */
function independently(mesh: { points: { x: number; y: number; z: number }[]; triangles: number[][] }) {
  const made = new solver.Manifold(
    new solver.Mesh({
      numProp: 3,
      vertProperties: new Float32Array(mesh.points.flatMap((p) => [p.x, p.y, p.z])),
      triVerts: new Uint32Array(mesh.triangles.flat()),
    }),
  );
  return made.volume();
}

const anyOf = (fields: readonly Field[]) =>
  fc.record(
    Object.fromEntries(
      fields.map((f) => [
        f.key,
        'range' in f ? fc.double({ min: f.range[0], max: f.range[1], noNaN: true }) : fc.constant(0),
      ]),
    ),
  ) as fc.Arbitrary<Params>;

describe('small printed parts', () => {
  for (const { kind, label, defaults, fields, solids } of printedKinds)
    it(`${label}: watertight, right side out, by an independent solid library, at any sizes`, () => {
      fc.assert(
        fc.property(fc.oneof(fc.constant(defaults), anyOf(fields)), (params) => {
          for (const { mesh } of solids(params)) {
            const volume = independently(mesh);
            expect(volume, kind).to.be.greaterThan(0);
            expect(meshVolume(mesh) / volume).to.be.closeTo(1, 1e-3);
          }
        }),
        { numRuns: 40 },
      );
    });

  it('an open skin is refused by that library', () => {
    const { mesh } = printedKinds[0]!.solids(printedKinds[0]!.defaults)[0]!;
    expect(() => independently({ ...mesh, triangles: mesh.triangles.slice(1) })).to.throw();
  });

  it('holds what it is made for: sizes against the sums of turned bodies', () => {
    const of = (kind: string) => {
      const { defaults, solids } = printedKinds.find((k) => k.kind === kind)!;
      return meshVolume(solids(defaults)[0]!.mesh);
    };
    const disc = (r: number, h: number): number => Math.PI * r * r * h;
    // Polygons of 96 sides lie within the true round: 0.07 % less.
    expect(of('bezel') / (disc(6.9, 2) + disc(3.9, 6) - disc(2.7, 8))).to.be.closeTo(1, 0.002);
    expect(of('plug') / (disc(12.95, 4) + disc(10.25, 20) - disc(2.5, 24))).to.be.closeTo(1, 0.002);
    expect(of('socket') / (disc(31, 3) + disc(16, 25) - disc(13.6, 25))).to.be.closeTo(1, 0.002);
    expect(of('button-cover') / (disc(7.4, 7.2) - disc(6.2, 6))).to.be.closeTo(1, 0.002);
    expect(of('board-case')).to.be.closeTo(28 * 58 * 16.6 - 24.8 * 54.8 * 15, 1e-6);
  });
});

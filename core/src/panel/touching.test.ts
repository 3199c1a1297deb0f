import { expect } from 'chai';
import fc from 'fast-check';
import { Triangle, Vector3 } from 'three';
import { bodyOf, lames, make, type Making, tiers } from '../parts/testing/worn.test';
import type { Params } from '../document';
import { dist3, type Vec3 } from '../geometry';
import { gridOf, onEllipsoid } from './grids';
import type { Meets } from './attachment';
import { gridMesh, offsetGrid, type Panel } from './panel';
import { smoothed } from './smooth';
import { contactsOf } from './touching';

const edges = { bottom: 'lower', right: 'right', top: 'upper', left: 'left' };
/** A ring's front half, its inner face at a radius, between two heights. */
const shell = (id: string, radiusMm: number, low: number, high: number): Panel => ({
  id,
  name: id,
  grid: gridOf(24, 4, (u, v) => ({
    x: radiusMm * Math.cos(Math.PI * u),
    y: radiusMm * Math.sin(Math.PI * u),
    z: low + (high - low) * v,
  })),
  edges,
});
const attached = (panel: Panel, way: Meets['way'], apartMm = 0): Panel => ({
  ...panel,
  attached: { top: { by: 'glue', words: '', meets: { on: ['host'], way, apartMm } } },
});
const measured = (guest: Panel, guestMm: number, host: Panel, hostMm: number) =>
  contactsOf(
    [
      { panel: host, thicknessMm: hostMm },
      { panel: guest, thicknessMm: guestMm },
    ],
    [],
  )[0]!;

describe('touching in space', () => {
  it('finds the gap or the overlap of lapped rings of any size and foam, by the difference of their radii', () => {
    const any = fc.record({
      radius: fc.double({ min: 40, max: 300, noNaN: true }),
      foam: fc.constantFrom(2, 4, 6, 10),
      apart: fc.double({ min: -5, max: 5, noNaN: true }),
      lap: fc.double({ min: 6, max: 40, noNaN: true }),
    });
    fc.assert(
      fc.property(any, ({ radius, foam, apart, lap }) => {
        const host = shell('host', radius, 0, 60);
        for (const [way, inner] of [
          ['under', radius - foam - apart],
          ['over', radius + foam + apart],
        ] as const) {
          const found = measured(attached(shell('guest', inner, -60, lap), way), foam, host, foam);
          expect(found.gapMm, way).to.be.closeTo(Math.max(0, apart), 0.05);
          expect(found.overlapMm, way).to.be.closeTo(Math.max(0, -apart), 0.05);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('counts what is held apart on pads as touching', () => {
    const found = measured(
      attached(shell('guest', 90, -60, 20), 'under', 4),
      6,
      shell('host', 100, 0, 60),
      6,
    );
    expect(found.gapMm).to.be.lessThan(0.05);
  });

  it('finds how far an edge stops short of another', () => {
    const found = measured(attached(shell('guest', 100, -60, -2), 'edge'), 6, shell('host', 100, 0, 60), 6);
    expect(found.gapMm).to.be.closeTo(2, 1e-6);
  });

  it('draws a smooth face through the points of a ball', () => {
    const axes = { x: 90, y: 90, z: 90 };
    const ball = gridOf(14, 12, (u, v) => onEllipsoid(axes, { x: 0, y: 0, z: 0 }, 170 * u, 80 * v));
    const off = smoothed(ball, 3)
      .flat()
      .map((p) => Math.abs(dist3(p, { x: 0, y: 0, z: 0 }) - 90));
    expect(Math.max(...off)).to.be.lessThan(0.12);
  });
});

/** Every worn form that has pieces hung or lapped on others, and ways to divide them. */
const divided: [kind: string, change: Params][] = [
  ['pauldron', {}],
  ['pauldron', { lames: lames(5, () => ({ heightMm: 40, overlapMm: 18 })) }],
  ['gorget', {}],
  ['gorget', { tiers: tiers(4, () => ({ leanMm: 8, heightMm: 24, overlapMm: 6 })) }],
  ...(['gores', 'strip', 'cap'] as const).map((scheme): [string, Params] => [
    'helmet',
    { scheme, crestMm: 40, visor: 'slit' },
  ]),
  ['belt', {}],
  ['back-frame', {}],
];

describe('pieces that touch', () => {
  for (const [kind, change] of divided)
    it(`of a ${kind}${Object.keys(change).length > 0 ? ` with ${JSON.stringify(change).slice(0, 60)}` : ''} lie where they are glued or hung, in any foam, on short and tall`, function () {
      this.timeout(60_000);
      for (const stature of [1250, 1720, 2000])
        for (const nominalMm of [4, 10]) {
          const how: Making = { body: bodyOf({ stature }), nominalMm };
          const reported = make(kind, change, how).checks.filter((c) => c.id.startsWith('touch-'));
          expect(
            reported.map((c) => c.title),
            `${stature}, ${nominalMm} mm`,
          ).to.deep.equal([]);
        }
    });

  it('are reported when they cannot: tiers that lean differently leave a gap in their lap', () => {
    const steep = tiers(2, (i) => ({ leanMm: i === 0 ? 0 : 30, heightMm: 24, overlapMm: 12 }));
    const [reported] = make('gorget', { tiers: steep }).checks.filter((c) => c.id.startsWith('touch-'));
    expect(reported?.title).to.match(/^tier 2, lower edge: stands \d+(\.\d)? mm off tier 1 it is glued to/);
  });

  it('lie clear of one another by another ruler: no corner of a lame is inside the plate above it', () => {
    const { laid } = make('pauldron', { lames: lames(3, (i) => ({ heightMm: 50 + 10 * i })) }).made;
    const v = (p: Vec3): Vector3 => new Vector3(p.x, p.y, p.z);
    for (let i = 1; i < laid.length; i++) {
      const [host, lame] = [laid[i - 1]!, laid[i]!];
      const triangles = gridMesh(host.panel.grid);
      const faces = triangles.triangles.map(
        ([a, b, c]) =>
          new Triangle(v(triangles.points[a]!), v(triangles.points[b]!), v(triangles.points[c]!)),
      );
      for (const p of offsetGrid(lame.panel.grid, lame.foam.thicknessMm.value).flat()) {
        const [foot, normal] = [new Vector3(), new Vector3()];
        const nearest = faces
          .map((f) => ({ f, away: f.closestPointToPoint(v(p), foot).distanceTo(v(p)) }))
          .reduce((a, b) => (b.away < a.away ? b : a));
        nearest.f.closestPointToPoint(v(p), foot);
        nearest.f.getNormal(normal);
        const out = v(p).sub(foot).dot(normal);
        // Below the plate's rim there is nothing to be inside of.
        if (Math.abs(out) < 0.99 * nearest.away) continue;
        // Faces of triangles lie a little inside the round they stand for.
        expect(out, `${lame.panel.id} in ${host.panel.id}`).to.be.lessThan(0.6);
      }
    }
  });
});

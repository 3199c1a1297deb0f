import { expect } from 'chai';
import fc from 'fast-check';
import { boxRing, signedArea, stacked, type Mesh, type Vec3 } from '../geometry';
import { applyChanges, type BuildDoc, type Mount } from '../document';
import { newBuild, newPart, standardKinds } from '../parts';
import { derive } from '../report';
import { betweenMeshes, rigid } from '.';

const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const still = rigid((p) => p);
const moved = (by: Vec3) => rigid((p) => ({ x: p.x + by.x, y: p.y + by.y, z: p.z + by.z }));

/** A closed ball of a radius about nought. */
function ball(r: number): Mesh {
  const rows = 32;
  const steps = 64;
  const points: Vec3[] = [{ x: 0, y: 0, z: -r }];
  for (let i = 1; i < rows; i++)
    for (let k = 0; k < steps; k++) {
      const up = -Math.PI / 2 + (Math.PI * i) / rows;
      const turn = (2 * Math.PI * k) / steps;
      points.push({
        x: r * Math.cos(up) * Math.cos(turn),
        y: r * Math.cos(up) * Math.sin(turn),
        z: r * Math.sin(up),
      });
    }
  points.push({ x: 0, y: 0, z: r });
  const at = (i: number, k: number): number => 1 + (i - 1) * steps + (k % steps);
  const triangles: Mesh['triangles'] = [];
  for (let k = 0; k < steps; k++) {
    triangles.push([0, at(1, k + 1), at(1, k)]);
    triangles.push([points.length - 1, at(rows - 1, k), at(rows - 1, k + 1)]);
    for (let i = 1; i < rows - 1; i++)
      triangles.push([at(i, k), at(i, k + 1), at(i + 1, k + 1)], [at(i, k), at(i + 1, k + 1), at(i + 1, k)]);
  }
  return { points, triangles };
}

/** A closed box from nought, and a closed bar along z. */
const block = (w: number, d: number, h: number): Mesh => stacked([boxRing(w, d, 0), boxRing(w, d, h)]);
const circle = (across: number, z: number): Vec3[] =>
  Array.from({ length: 64 }, (_, i) => ({
    x: (across / 2) * Math.cos((Math.PI * i) / 32),
    y: (across / 2) * Math.sin((Math.PI * i) / 32),
    z,
  }));
const bar = (across: number, long: number): Mesh => stacked([circle(across, 0), circle(across, long)]);

describe('two solids where they stand', () => {
  it('a ball in a box lies as deep as it reaches in, and stands off as far as it is away', () => {
    const box = block(100, 100, 60);
    fc.assert(
      fc.property(num(8, 20), num(-40, 40), num(-40, 40), num(-15, 30), (r, x, y, over) => {
        fc.pre(Math.abs(x) + r < 50 && Math.abs(y) + r < 50 && Math.abs(over) > 0.4);
        const found = betweenMeshes(ball(r), box, moved({ x, y, z: 60 + r + over }), 60);
        if (over > 0) {
          expect(found.deepMm).to.equal(0);
          expect(found.gapMm).to.be.closeTo(over, 0.2);
        } else {
          // The lowest spot of the ball is so deep under the top; spots of the box in the ball are less deep.
          const deep = Math.min(-over, 2 * r);
          if (deep < r) expect(found.deepMm).to.be.closeTo(deep, 0.35);
          else expect(found.deepMm).to.be.greaterThan(r - 0.4);
          expect(found.gapMm).to.equal(0);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('a rod in a tube of its own bore touches and does not overlap; a thicker one lies in it', () => {
    const tube = (bore: number, outside: number): Mesh => {
      const [outer, inner] = [bar(outside, 100), bar(bore, 100)];
      const n = outer.points.length;
      const sides = inner.triangles.filter((t) => new Set(t.map((i) => inner.points[i]!.z)).size > 1);
      const own = outer.triangles.filter((t) => new Set(t.map((i) => outer.points[i]!.z)).size > 1);
      // Sides outwards and inwards; the open ends are rings between them.
      const ringOf = (mesh: Mesh, z: number): number[] =>
        mesh.points.flatMap((p, i) => (Math.abs(p.z - z) < 1e-9 && Math.hypot(p.x, p.y) > 1 ? [i] : []));
      const ends = [0, 100].flatMap((z) => {
        const [a, b] = [ringOf(outer, z), ringOf(inner, z).map((i) => i + n)];
        return a.flatMap((_, i): [number, number, number][] => {
          const k = (i + 1) % a.length;
          const quad: [number, number, number][] = [
            [a[i]!, a[k]!, b[k]!],
            [a[i]!, b[k]!, b[i]!],
          ];
          return z === 0 ? quad.map(([p, q, r]) => [p, r, q]) : quad;
        });
      });
      return {
        points: [...outer.points, ...inner.points],
        triangles: [
          ...own,
          ...sides.map(([p, q, r]): [number, number, number] => [p + n, r + n, q + n]),
          ...ends,
        ],
      };
    };
    fc.assert(
      fc.property(num(10, 40), num(2, 8), num(-3, 3), (bore, wall, more) => {
        fc.pre(Math.abs(more) > 0.5);
        const found = betweenMeshes(
          bar(bore + 2 * more, 60),
          tube(bore, bore + 2 * wall),
          moved({ x: 0, y: 0, z: 20 }),
          60,
        );
        if (more < 0) {
          expect(found.deepMm, 'looser').to.equal(0);
          expect(found.gapMm).to.be.closeTo(-more, 0.2);
        } else expect(found.deepMm, 'tighter').to.be.closeTo(more, 0.25);
      }),
      { numRuns: 25 },
    );
  });

  it('plates in contact touch, however they are turned', () => {
    fc.assert(
      fc.property(num(-Math.PI, Math.PI), num(-30, 30), (turn, x) => {
        const way = rigid((p) => ({
          x: p.x * Math.cos(turn) - p.y * Math.sin(turn) + x,
          y: p.x * Math.sin(turn) + p.y * Math.cos(turn),
          z: p.z + 6,
        }));
        const found = betweenMeshes(block(80, 50, 4), block(120, 120, 6), way, 60);
        expect(found.deepMm).to.equal(0);
        expect(found.gapMm).to.be.closeTo(0, 0.25);
      }),
    );
    // Two in one place, face on face.
    expect(betweenMeshes(block(10, 10, 10), block(10, 10, 10), still, 0).deepMm).to.be.greaterThan(0.9);
  });
});

describe('parts of one assembly', () => {
  const wearer = { name: 'A', underLayerMm: 2, measures: [] };
  const doc = (rest: object): BuildDoc => ({
    ...newBuild('T', '2026-03-01', wearer),
    parts: [
      newPart('h', wearer, 'box'),
      {
        ...newPart('s', wearer, 'turned'),
        name: 'Knob',
        mount: { to: 'part', part: 'h', anchor: 'panel:face', ...rest } as Mount,
      },
    ],
  });
  const reported = (d: BuildDoc) => derive(d).findings.filter((f) => /^(floats|driven)/.test(f.id));

  it('that do not touch are reported, and each suggested move makes them touch', () => {
    // It is turned about its middle, 30 mm over its foot.
    expect(reported(doc({ offMm: 30 })).map((f) => f.id)).to.deep.equal([]);
    const [floats] = reported(doc({ offMm: 44 }));
    expect(floats!.id).to.equal('floats:s:h');
    expect(floats!.excess).to.be.closeTo(14, 0.3);
    expect(floats!.remedies.length).to.be.greaterThan(0);
    for (const r of floats!.remedies)
      expect(reported(applyChanges(doc({ offMm: 44 }), r.changes)), r.label).to.deep.equal([]);
  });

  it('that overlap are reported, and one can be let into the other: its section is cut in the right piece', () => {
    const deep = doc({ offMm: 10 });
    const [driven] = reported(deep);
    expect(driven!.id).to.equal('driven:s:h');
    for (const r of driven!.remedies)
      expect(reported(applyChanges(deep, r.changes)), r.label).to.deep.equal([]);
    const letIn = derive(doc({ offMm: 10, letIn: true }));
    const cut = letIn.parts[0]!.pieces.filter((p) => p.marks.some((m) => m.text === 'for Knob'));
    expect(cut.map((p) => p.id)).to.deep.equal(['face']);
    const ring = cut[0]!.marks.find((m) => m.text === 'for Knob')!.points;
    const wide = Math.max(...ring.map((p) => p.x)) - Math.min(...ring.map((p) => p.x));
    // As wide as the knob is there, and half a millimetre more each side.
    const knob = derive(doc({})).parts[1]!.solid.mesh.points;
    const across = Math.max(...knob.filter((p) => p.z < 0).map((p) => Math.hypot(p.x, p.y)));
    expect(wide).to.be.within(across, 2 * across + 2);
    expect(letIn.steps.some((s) => s.id === 'h:let-in')).to.equal(true);
  });

  it('a rod let through a box is given an opening as wide as it is', () => {
    const rod = { ...newPart('s', wearer, 'haft'), name: 'Rod' };
    const parts = [
      newPart('h', wearer, 'box'),
      {
        ...rod,
        mount: { to: 'part' as const, part: 'h', anchor: 'panel:face', offMm: -300, letIn: true as const },
      },
    ];
    const report = derive({ ...newBuild('T', '2026-03-01', wearer), parts });
    const { section } = report.parts[1]!.sticks[0]!;
    const outside = 'outsideMm' in section ? section.outsideMm : 0;
    const cut = report.parts[0]!.pieces.flatMap((p) => p.marks.filter((m) => m.text === 'for Rod'));
    // Through the face and through the back; half a millimetre of ease on each side, a section of flats drawn round.
    expect(cut).to.have.length(2);
    for (const { points } of cut)
      for (const key of ['x', 'y'] as const) {
        const wide = Math.max(...points.map((p) => p[key])) - Math.min(...points.map((p) => p[key]));
        expect(wide).to.be.closeTo(outside + 1, 1);
      }
  });

  it('two bodies in one plane are half-lapped: each gives half of its layers where the other lies', () => {
    const grip = { ...newPart('s', wearer, 'prop-body'), name: 'Grip' };
    const front = newPart('h', wearer, 'prop-body');
    const lapped = (letIn?: 'half' | true) =>
      derive({
        ...newBuild('T', '2026-03-01', wearer),
        parts: [
          front,
          // Its layers lie level with those of the other, and it reaches into it from behind.
          {
            ...grip,
            mount: { to: 'part' as const, part: 'h', anchor: 'breech', offMm: -20, ...(letIn && { letIn }) },
          },
        ],
      });
    const cut = (report: ReturnType<typeof lapped>, part: number, of: string): number[] =>
      report.parts[part]!.pieces.flatMap((p, i) => (p.marks.some((m) => m.text === `for ${of}`) ? [i] : []));
    const half = lapped('half');
    const [host, guest] = [cut(half, 0, 'Grip'), cut(half, 1, half.parts[0]!.name)];
    // Of four layers each two are cut, in the host those on the outer side and in the guest the others.
    expect([half.parts[0]!.pieces.length, half.parts[1]!.pieces.length]).to.deep.equal([4, 4]);
    expect(host, 'host').to.have.length(2);
    expect(guest, 'guest').to.have.length(2);
    expect(half.steps.filter((s) => s.id.endsWith(':let-in'))).to.have.length(2);
    expect(half.findings.filter((f) => /^(floats|driven)/.test(f.id))).to.deep.equal([]);
    // What the one gives is what the other fills: openings of outer layers, without a channel, are alike but for the ease.
    const areaOf = (report: ReturnType<typeof lapped>, part: number, i: number, of: string): number =>
      report.parts[part]!.pieces[i]!.marks.filter((m) => m.text === `for ${of}`).reduce(
        (sum, m) => sum + Math.abs(signedArea(m.points)),
        0,
      );
    const hostGives = areaOf(half, 0, host[1]!, 'Grip');
    expect(hostGives).to.be.greaterThan(1000);
    expect(areaOf(half, 1, guest[0]!, half.parts[0]!.name) / hostGives).to.be.closeTo(1, 0.05);
    // Let in whole, the host gives all its layers and the guest none.
    expect(cut(lapped(true), 0, 'Grip')).to.have.length(4);
    expect(cut(lapped(true), 1, half.parts[0]!.name)).to.have.length(0);
  });

  it('what is put in one may not lie in another: a rod through a box that its pack is in', () => {
    const pack = (u: number) => ({
      id: 'cells',
      kind: 'pack',
      place: { on: 'panel' as const, panel: 'face', u, v: 0.5, turnDeg: 0 },
      params: standardKinds.features.get('pack')!.start({ panel: 'face', edge: '', at: { x: 0.5, y: 0.5 } })
        .params,
    });
    const through = (u: number): string[] => {
      const box = newPart('h', wearer, 'box');
      const rod = { ...newPart('s', wearer, 'haft'), name: 'Rod' };
      const parts = [
        { ...box, params: { ...box.params, widthMm: 200, heightMm: 200, deepMm: 80 }, features: [pack(u)] },
        {
          ...rod,
          mount: { to: 'part' as const, part: 'h', anchor: 'panel:face', offMm: -300, letIn: true as const },
        },
      ];
      return derive({ ...newBuild('T', '2026-03-01', wearer), parts })
        .findings.filter((f) => f.id.startsWith('in-other'))
        .map((f) => f.id);
    };
    // Through the middle of the face: a pack behind the middle is met, one to the side is not.
    expect(through(0.5)).to.deep.equal(['in-other:h:cells:s']);
    expect(through(0.15)).to.deep.equal([]);
  });
});

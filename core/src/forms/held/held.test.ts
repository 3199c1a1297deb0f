import { expect } from 'chai';
import fc from 'fast-check';
import type { Params, Part, Ply } from '../../document';
import { boundsOf, meshVolume, signedArea, type Vec3 } from '../../geometry';
import type { Stick } from '../../panel';
import { newPart } from '../../parts';
import { partReport, type PartReport } from '../../parts/partReport';
import { contextOf, bodyOf } from '../../parts/testing/worn.test';
import { wound } from '../grip/wrap';
import { insetAt } from './laminate';
import { revolvedMm3, rising, type Turn } from './revolved';
import { halfWidthIn } from './seat';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };

const stick = (outsideMm: number, from: Vec3, to: Vec3, boreMm = 0): Stick => ({
  id: 'stick',
  name: 'stick',
  rodId: 'pvc-1in',
  from,
  to,
  wide: { x: 1, y: 0, z: 0 },
  section: boreMm > 0 ? { shape: 'tube', outsideMm, boreMm } : { shape: 'round', outsideMm },
  cutMm: [100],
});
const up = (outsideMm: number, from: number, to: number, boreMm = 0): Stick =>
  stick(outsideMm, { x: 0, y: 0, z: from }, { x: 0, y: 0, z: to }, boreMm);

function made(form: string, params: Params = {}, through: Stick[] = [], stack?: Ply[]): PartReport {
  const part = newPart('one', wearer, form);
  return partReport(
    { ...part, params: { ...part.params, ...params }, ...(stack && { stack }) },
    { ...contextOf({ body: bodyOf({}) }), through },
  );
}
const eva = (...mm: number[]): Ply[] => mm.map((nominalMm) => ({ foamId: 'dense-eva', nominalMm }));
const boxOf = (part: PartReport): [number, number, number] => {
  const spans = (['x', 'y', 'z'] as const).map((k) => {
    const all = part.solid.mesh.points.map((p) => p[k]);
    return Math.max(...all) - Math.min(...all);
  });
  return spans as [number, number, number];
};

describe('a blade of layers', () => {
  it('is as thick as its sheets and the glue between them, each layer its own piece', () => {
    const blade = made('blade', { tangMm: 0 }, [], eva(6, 10, 10, 6));
    expect(blade.pieces.map((p) => p.nominalMm)).to.deep.equal([6, 10, 10, 6]);
    expect(boxOf(blade)[1]).to.be.closeTo(32.3, 1e-6);
    expect(boxOf(blade)[0]).to.be.closeTo(70, 1e-3);
  });

  it('slopes from the edge that is left to the bevel, and outer layers are cut no wider than they must', () => {
    const blade = made('blade', { bevelMm: 18, edgeMm: 4, tangMm: 0 }, [], eva(6, 10, 10, 6));
    // Half way up the slope the outline has gone half the bevel in.
    expect(insetAt((32.3 / 2 + 2) / 2, 32.3, { widthMm: 18, edgeMm: 4 })).to.be.closeTo(9, 1e-9);
    const wide = blade.pieces.map((p) => {
      const b = boundsOf(p.outline);
      return b.maxX - b.minX;
    });
    // The outer layer begins 10.15 mm off the middle: 18·(10.15 − 2)/(16.15 − 2) in from either side.
    expect(wide[0]).to.be.closeTo(70 - (2 * 18 * (10.15 - 2)) / (16.15 - 2), 0.15);
    expect(wide[1]).to.be.closeTo(70, 1e-3);
    expect(blade.pieces.every((p) => p.marks.some((m) => m.kind === 'bevel'))).to.equal(true);
    expect(blade.figures.find((f) => f.key === 'bevel')!.value).to.be.closeTo(
      (Math.atan2(16.15 - 2, 18) * 180) / Math.PI,
      1e-6,
    );
  });

  it('is cut for what passes through it, in the layers that the stick touches, and again when it changes', () => {
    const channels = (blade: PartReport) =>
      blade.pieces.map((p) => p.marks.filter((m) => m.channel).map((m) => m.kind)[0] ?? 'none');
    // 16 mm in the middle of 10 + 10: both dipped into; the outer layers are not touched.
    expect(channels(made('blade', {}, [up(16, -200, 600)]))).to.deep.equal([
      'none',
      'pocket',
      'pocket',
      'none',
    ]);
    // 26.7 mm goes right through the middle layers and into the outer ones.
    expect(channels(made('blade', {}, [up(26.7, -200, 600)]))).to.deep.equal([
      'pocket',
      'slot',
      'slot',
      'pocket',
    ]);
    expect(channels(made('blade', {}, []))).to.deep.equal(['none', 'none', 'none', 'none']);
    const cut = made('blade', {}, [up(16, -200, 600)]).pieces[1]!.marks.find((m) => m.channel)!;
    const b = boundsOf(cut.points);
    expect(b.maxX - b.minX).to.be.closeTo(15, 0.01);
    expect(b.maxY - b.minY).to.be.closeTo(600, 1e-6);
  });

  it('refuses a hard end near the point, and a tang its handle cannot take', () => {
    const near = made('blade', {}, [up(16, -200, 770)]);
    expect(near.checks.find((c) => c.id.startsWith('core-tip'))!.severity).to.equal('stop');
    expect(near.checks.find((c) => c.id.startsWith('core-tip'))!.remedies).to.have.length(1);
    // 10.2 mm of layers in a bore of 20.9: √(20.9² − 10.2²) = 18.2 wide at most.
    const knife = made('blade', { tangMm: 60, tangWidthMm: 20 }, [up(26.7, -135, 0, 20.9)], eva(2, 6, 2));
    const tang = knife.checks.find((c) => c.id === 'tang-bore')!;
    expect(tang.excess).to.be.closeTo(Math.hypot(20, 10.2) - 20.9, 1e-6);
    expect(tang.remedies[0]!.label).to.include('18 mm');
    const cured = made('blade', { tangMm: 60, tangWidthMm: 18 }, [up(26.7, -135, 0, 20.9)], eva(2, 6, 2));
    expect(cured.checks.find((c) => c.id === 'tang-bore')).to.equal(undefined);
  });

  it('weighs what its solid holds, its channels hollow', () => {
    const blade = made('blade', { fullerMm: 0 }, [up(16, -200, 600)]);
    const hollow = blade.pieces
      .flatMap((p) => p.marks.filter((m) => m.channel).map((m) => ({ m, p })))
      .reduce(
        (sum, { m }) => sum + Math.abs(signedArea(m.points)) * Number(/([\d.]+) mm deep/.exec(m.text!)![1]),
        0,
      );
    // Channels are hollow in the solid; a blade nothing lies in has them full.
    const whole = made('blade', { fullerMm: 0 }, []);
    const volume = meshVolume(blade.solid.mesh);
    expect(hollow).to.be.greaterThan(1000);
    expect(meshVolume(whole.solid.mesh) - volume).to.be.closeTo(hollow, hollow * 0.02);
    expect(blade.foamG).to.be.closeTo(volume * 100 * 1e-6, 0.15);
  });
});

describe('what is turned about an axis', () => {
  const profile = (points: Turn[]): Turn[] => points;
  const baluster = profile([
    { zMm: 0, acrossMm: 60 },
    { zMm: 40, acrossMm: 100 },
    { zMm: 90, acrossMm: 44 },
    { zMm: 120, acrossMm: 70 },
  ]);

  it('as a stack of thin discs has the volume of its profile within 1 %', () => {
    const stack = made('turned', { make: 'discs', profile: baluster as never }, [], eva(2));
    expect(meshVolume(stack.solid.mesh) / revolvedMm3(baluster)).to.be.within(0.94, 1.01);
    // What is missing is glue: one line in every 2.1 mm.
    const glued = (stack.pieces.length - 1) * 0.1;
    const whole = meshVolume(stack.solid.mesh) * (120 / (120 - glued));
    expect(whole / revolvedMm3(baluster)).to.be.within(0.99, 1.01);
  });

  it('as a cone lies flat as the sector of the sheet-metal pattern tables', () => {
    // Thin foam: r₁ 30, r₂ 50, h 60; s = √(h² + (r₂ − r₁)²), R₁ = r₁s/(r₂ − r₁).
    const cone = made(
      'turned',
      {
        make: 'frusta',
        profile: [
          { zMm: 0, acrossMm: 100 },
          { zMm: 60, acrossMm: 60 },
        ] as never,
      },
      [],
      eva(2),
    );
    const [piece] = cone.pieces;
    const s = Math.hypot(60, 20);
    const neutral = (r: number): number => r - (1 - 0.5) * 2 * (60 / s);
    const lower = piece!.edges.find((e) => e.id === 'bottom')!;
    const seam = piece!.edges.find((e) => e.id === 'right')!;
    // The ends of the wall are level, so its neutral layer is a little off the mean of both faces.
    expect(lower.lengthMm).to.be.closeTo(2 * Math.PI * neutral(50), 2.5);
    // Cut level at both ends: the face that reaches further is cut on, the seam is drawn that much longer.
    expect(seam.lengthMm).to.be.closeTo(s + 2 * (20 / 60), 1e-3);
    const angle = (2 * Math.PI * (50 - 30)) / s;
    const arc = piece!.outline.slice(lower.from, lower.to + 1);
    const turn = arc.slice(2).reduce((sum, p, i) => {
      const [a, b] = [arc[i]!, arc[i + 1]!];
      return (
        sum +
        Math.abs(
          Math.atan2(
            (b.x - a.x) * (p.y - b.y) - (b.y - a.y) * (p.x - b.x),
            (b.x - a.x) * (p.x - b.x) + (b.y - a.y) * (p.y - b.y),
          ),
        )
      );
    }, 0);
    expect(turn).to.be.closeTo(angle, angle * 0.06);
  });

  it('meets along every seam, faceted, banded or in gores, and bevels by half the turn between flats', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ zMm: fc.integer({ min: 0, max: 300 }), acrossMm: fc.integer({ min: 40, max: 200 }) }),
          {
            minLength: 2,
            maxLength: 4,
          },
        ),
        fc.integer({ min: 4, max: 12 }),
        (points, n) => {
          const kept = rising(points);
          if (kept.length < 2 || kept.some((p, i) => i > 0 && p.zMm - kept[i - 1]!.zMm < 30)) return;
          const head = made('faceted', { sides: n, ends: 'open', profile: kept as never }, [], eva(4));
          for (const piece of head.pieces)
            for (const edge of piece.edges.filter((e) => e.joint === 'seam')) {
              const mate = head.pieces
                .find((p) => p.id === edge.mate!.pieceId)!
                .edges.find((e) => e.id === edge.mate!.edgeId)!;
              expect(edge.lengthMm).to.be.closeTo(mate.lengthMm, 0.5);
            }
          const straight = made(
            'faceted',
            {
              sides: n,
              ends: 'open',
              profile: [
                { zMm: 0, acrossMm: 90 },
                { zMm: 80, acrossMm: 90 },
              ] as never,
            },
            [],
            eva(4),
          );
          const bevel = straight.pieces[0]!.edges.find((e) => e.joint === 'seam')!.bevelDeg;
          expect(bevel).to.be.closeTo(180 / n, 0.5);
          // Measured across its flats outside.
          expect(boxOf(straight)[1]).to.be.at.least(90 - 1e-6);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('has holes for the stick that stands through it, as wide as the stick and snug', () => {
    const disc = made('turned', {}, [up(33.4, -200, 200)]);
    for (const p of disc.pieces) {
      const hole = p.marks.find((m) => m.kind === 'slot')!;
      const b = boundsOf(hole.points);
      expect(b.maxX - b.minX).to.be.closeTo(33.4 - 1, 0.01);
    }
  });
});

describe('boxes and walls', () => {
  it('hold the sizes that are typed, inside or outside, whatever the sheet and the corners', () => {
    for (const corners of ['mitre', 'butt'] as const)
      for (const held of ['inside', 'outside'] as const)
        for (const mm of [2, 6, 10]) {
          const box = made(
            'box',
            { widthMm: 120, heightMm: 90, deepMm: 70, held, corners, open: 'none' },
            [],
            eva(mm),
          );
          const out = held === 'inside' ? 2 * mm : 0;
          const [x, y, z] = boxOf(box);
          for (const [i, asked] of [120, 70, 90].entries())
            expect([x, y, z][i], `${corners} ${held} ${mm}`).to.be.closeTo(asked + out, 1e-6);
          const room = box.figures.find((f) => f.key === 'inside')!.value;
          expect(room).to.equal(held === 'inside' ? 120 : 120 - 2 * mm);
          const face = box.pieces.find((p) => p.name === 'face' || p.name === 'front')!;
          const b = boundsOf(face.outline);
          // Cut as wide as the outside: a mitred face to its outer line, a butt front over both sides.
          expect(b.maxX - b.minX).to.be.closeTo(room + 2 * mm, 1e-6);
        }
  });

  it('wall an outline so that the strip closes round it', () => {
    for (const shape of ['round', 'hexagon', 'square'] as const) {
      const plate = made('rimmed-plate', { shape, widthMm: 180, heightMm: 180, wallMm: 30 }, [], eva(5));
      const walls = plate.pieces.filter((p) => p.name.startsWith('wall'));
      const length = walls
        .flatMap((p) => p.edges.filter((e) => e.id.endsWith('bottom')))
        .reduce((sum, e) => sum + e.lengthMm, 0);
      const outline = plate.pieces.find((p) => p.id === 'plate')!;
      // Steiner: drawn in by half the foam, a convex outline is shorter by 2π·t/2.
      const rimMm = outline.edges.reduce((sum, e) => sum + e.lengthMm, 0);
      expect(length, shape).to.be.closeTo(rimMm - 2 * Math.PI * 2.5, shape === 'hexagon' ? 8 : 6);
    }
  });
});

describe('grips', () => {
  it('are reported against the hand, wrapped', () => {
    const thick = made('grip', { make: 'rolled', wrap: 'cord' }, [up(48.3, -300, 300)], eva(4));
    const reported = thick.checks.find((c) => c.id === 'hand-closes')!;
    expect(reported.severity).to.equal('stop');
    expect(reported.title).to.include('no room');
    const fine = made('grip', { make: 'rolled', wrap: 'cord' }, [up(26.7, -300, 300)], eva(4));
    expect(fine.checks.find((c) => c.id === 'hand-closes')).to.equal(undefined);
    expect(fine.figures.find((f) => f.key === 'across')!.value).to.be.closeTo(26.7 + 8 + 4, 0.01);
  });

  it('close round the stick: each sheet π(D + 2kt) long (Steiner)', () => {
    const sleeve = made('grip', { make: 'rolled' }, [up(26.7, -300, 300)], eva(4, 2));
    const round = sleeve.pieces.map((p) => p.edges.find((e) => e.id === 'bottom')!.lengthMm);
    expect(round[0]).to.be.closeTo(Math.PI * (26.7 + 4), 0.2);
    expect(round[1]).to.be.closeTo(Math.PI * (26.7 + 8 + 0.2 + 2), 0.2);
  });

  it('are wound with as much strip as a helix is long, walked in small steps', () => {
    const { turns, lengthMm } = wound(120, 150, 20, 0.25);
    expect(turns).to.equal(10);
    let walked = 0;
    const n = 20000;
    const at = (i: number) => {
      const t = (i / n) * turns * 2 * Math.PI;
      const r = 120 / (2 * Math.PI);
      return [r * Math.cos(t), r * Math.sin(t), (i / n) * 150] as const;
    };
    for (let i = 1; i <= n; i++) walked += Math.hypot(...at(i).map((v, k) => v - at(i - 1)[k]!));
    expect(lengthMm - 120).to.be.closeTo(walked, 0.1);
  });
});

describe('a stick in a layer', () => {
  it('is as wide there as the circle is at its nearest', () => {
    const round = { shape: 'round', outsideMm: 20 } as const;
    expect(halfWidthIn(round, -5, 5)).to.equal(10);
    expect(halfWidthIn(round, 6, 12)).to.equal(8);
    expect(halfWidthIn(round, 10, 20)).to.equal(0);
    expect(halfWidthIn({ shape: 'bar', widthMm: 25, thickMm: 3 }, 1, 6)).to.equal(12.5);
  });
});

describe('parts mounted on each other', () => {
  it('follow the stick: a guard is drilled for whatever carries it', async () => {
    const { derive } = await import('../../report');
    const { newBuild } = await import('../../parts');
    const build = (rod: string): Part[] => {
      const haft = newPart('h', wearer, 'haft');
      return [{ ...haft, params: { ...haft.params, rod } }, newPart('g', wearer, 'guard', undefined, 'h')];
    };
    const hole = (rod: string): number => {
      const report = derive({ ...newBuild('x', '2026-03-01', wearer), parts: build(rod) });
      const cut = report.parts[1]!.pieces[0]!.marks.find((m) => m.kind === 'slot')!;
      const b = boundsOf(cut.points);
      return b.maxX - b.minX;
    };
    expect(hole('dowel-16')).to.be.closeTo(15, 0.01);
    expect(hole('pvc-1in')).to.be.closeTo(32.4, 0.01);
  });
});

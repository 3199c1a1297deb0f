import { expect } from 'chai';
import { headForm, skinAt, zoneInfo } from '../../body';
import type { KeptMesh, Params } from '../../document';
import { contains, type Mesh, meshArea, overlapsItself, signedArea } from '../../geometry';
import { gridMesh } from '../../panel';
import { contextOf, adult, expectCured, partOf } from '../../parts/testing/worn.test';
import { partReport, type PartReport } from '../../parts';
import { keepMesh } from '../../skin';
import { egg, lattice, tube } from '../../skin/testing/surfaces';
import { otherHalf, skinDefaults, type SkinParams } from './fields';
import { seatOnHead } from './onHead';
import { BELOW_EYES_MM } from './stands';
import { proposedSeams } from './seams';

const made = (
  mesh: KeptMesh,
  change: Partial<SkinParams> = {},
  form = 'skinned-thing',
  nominalMm = 6,
): PartReport =>
  partReport(
    partOf(form, { mesh: mesh.id, scalePct: 100, aheadMm: 0, upMm: 0, cuts: [], ...change } as Params, {
      nominalMm,
    }),
    { ...contextOf({}), meshes: [mesh] },
  );
const seam = { xMm: 0, yMm: 0, zMm: 0, turnDeg: 0, tiltDeg: 0, of: 'all' as const };

describe('a part skinned over a surface', () => {
  // Foam keeps its length at its middle: half of 6 mm further out than its inner face.
  const NEUTRAL = 3;

  it('a tube in two halves is two rectangles as long as half its girth at the layer that keeps its length', () => {
    const r = made(
      keepMesh(
        't',
        'tube',
        tube(() => 60, 300, 96),
      ),
      { cuts: [seam] },
    );
    expect(r.pieces).to.have.length(2);
    for (const piece of r.pieces) {
      expect(piece.areaMm2).to.be.closeTo(Math.PI * (60 + NEUTRAL) * 300, 0.006 * Math.PI * 63 * 300);
      const lengths = piece.edges.map((e) => e.lengthMm).sort((a, b) => a - b);
      expect(lengths[0]).to.be.closeTo(Math.PI * (60 + NEUTRAL), 0.8);
      expect(lengths.at(-1)).to.be.closeTo(300, 0.6);
      expect(piece.stretch?.mostly ?? 0).to.be.below(0.005);
    }
  });

  it('as the outer face of the foam the same tube is shorter round by 2π times the foam', () => {
    const mesh = keepMesh(
      't',
      'tube',
      tube(() => 60, 300, 96),
    );
    const girth = (face: 'inner' | 'outer'): number =>
      made(mesh, { cuts: [seam], face }).pieces.reduce(
        (s, p) => s + Math.min(...p.edges.map((e) => e.lengthMm)),
        0,
      );
    expect(girth('inner') - girth('outer')).to.be.closeTo(2 * Math.PI * 6, 0.6);
  });

  it('half a cone is the sector of the sheet-metal formula: slant for radius, half the girth for arc', () => {
    // Radii 90 and 40 over 150: slant √(150² + 50²); the layer that keeps its length lies 3 mm out along the normal.
    const r = made(
      keepMesh(
        'c',
        'cone',
        tube((v) => 90 - 50 * v, 150, 96),
      ),
      { cuts: [seam] },
    );
    const slant = Math.hypot(150, 50);
    const out = (NEUTRAL * 150) / slant;
    const [low, high] = [90 + out, 40 + out];
    const area = (Math.PI * (low + high) * slant) / 2;
    for (const piece of r.pieces) {
      expect(piece.areaMm2).to.be.closeTo(area, 0.008 * area);
      const lengths = piece.edges.map((e) => e.lengthMm).sort((a, b) => b - a);
      expect(lengths[0]).to.be.closeTo(Math.PI * low, 1.5);
      expect(lengths).to.satisfy((all: number[]) => all.some((l) => Math.abs(l - slant) < 1));
    }
  });

  it('an opening is cut out of the piece that runs on round it, at its place and size', () => {
    const wall = lattice(24, 24, false, (u, v) => ({ x: 240 * (1 - u), y: 0, z: 240 * v }));
    // Four cells out of the middle: a square of 20 mm.
    wall.triangles = wall.triangles.filter((t) => {
      const x = t.reduce((s, v) => s + wall.points[v]!.x, 0) / 3;
      const z = t.reduce((s, v) => s + wall.points[v]!.z, 0) / 3;
      return !(x > 110 && x < 130 && z > 150 && z < 170);
    });
    const [piece, ...more] = made(keepMesh('w', 'wall', wall)).pieces;
    expect(more).to.deep.equal([]);
    expect(piece!.areaMm2).to.be.closeTo(240 * 240, 30);
    const [mark] = piece!.marks.filter((m) => m.kind === 'slot');
    expect(Math.abs(signedArea(mark!.points))).to.be.closeTo(400, 8);
    expect(mark!.points.every((p) => contains(piece!.outline, p))).to.equal(true);
    expect(overlapsItself(piece!.outline)).to.equal(false);
  });

  it('a drawn seam parts it where it is drawn, on both sides where asked, and stays on the surface when it grows', () => {
    const wall = keepMesh(
      'w',
      'wall',
      lattice(20, 20, false, (u, v) => ({ x: 200 * (1 - u) - 100, y: 0, z: 200 * v })),
    );
    const line = [
      { line: 1, xMm: 50, yMm: 0, zMm: 0 },
      { line: 1, xMm: 50, yMm: 0, zMm: 200 },
    ];
    const areas = (change: Partial<SkinParams>): number[] =>
      made(wall, { lines: line, bothSides: 'no', ...change })
        .pieces.map((p) => p.areaMm2)
        .sort((a, b) => a - b);
    expect(areas({})[0]).to.be.closeTo(50 * 200, 30);
    expect(areas({})).to.have.length(2);
    const [one, other, middle] = areas({ bothSides: 'yes' });
    expect(one).to.be.closeTo(10_000, 30);
    expect(other).to.be.closeTo(10_000, 30);
    expect(middle).to.be.closeTo(20_000, 30);
    expect(areas({ scalePct: 150 })[0]).to.be.closeTo(75 * 300, 60);
    // One that ends in the middle parts nothing, and that is reported.
    const idle = made(wall, { lines: [line[0]!, { ...line[1]!, zMm: 100 }], bothSides: 'no' });
    expect(idle.pieces).to.have.length(1);
    expect(idle.checks.map((c) => c.id)).to.include('idle-line-1');
  });

  it('a surface that is not there is a stop, and the stand-in is drawn', () => {
    const r = partReport(partOf('skinned-head', { mesh: 'mesh-gone' }), contextOf({}));
    expect(r.checks.find((c) => c.id === 'mesh')?.severity).to.equal('stop');
    expect(r.pieces.length).to.be.above(1);
  });

  it('says when a seam runs through an opening, and when it had to open a piece itself', () => {
    const ids = (cuts: SkinParams['cuts']): string[] =>
      partReport(partOf('skinned-head', { cuts, scalePct: 100 } as Params), contextOf({})).checks.map(
        (c) => c.id,
      );
    expect(ids([seam])).not.to.include('parted-opening');
    expect(ids([{ ...seam, zMm: 90, tiltDeg: 90 }])).to.include('parted-opening');
    const closed = made(
      keepMesh(
        't',
        'tube',
        tube(() => 60, 200),
      ),
    );
    expect(closed.checks.map((c) => c.id)).to.include('opened');
    expect(closed.pieces.length).to.be.at.least(2);
  });
});

describe('a surface that comes apart', () => {
  const mesh = keepMesh('e', 'egg', egg(80, 95, 115, 14));
  const parting: SkinParams['apart'][number] = {
    xMm: 0,
    yMm: 0,
    zMm: 90,
    turnDeg: 90,
    tiltDeg: 60,
    keep: 'over',
  };

  it('is two parts that are as large as the whole, one before the plane and one behind it', () => {
    const all = made(mesh, { cuts: [seam] });
    const upper = { apart: [parting], cuts: [seam] };
    const lower = { apart: otherHalf(upper)!, cuts: [seam] };
    const halves = [upper, lower].map((params) => made(mesh, params));
    const area = (r: PartReport): number =>
      r.surfaces.reduce((sum, f) => sum + meshArea(gridMesh(f.grid)), 0);
    expect(area(halves[0]!) + area(halves[1]!)).to.be.closeTo(area(all), 0.03 * area(all));
    const [y, z] = [Math.cos(Math.PI / 3), Math.sin(Math.PI / 3)];
    for (const [k, half] of halves.entries())
      for (const p of half.surfaces.flatMap((s) => s.grid.flat())) {
        const over = p.y * y + (p.z - 90) * z;
        expect(k === 0 ? over : -over).to.be.above(-3);
      }
    expect(otherHalf({ apart: lower.apart })).to.deep.equal(upper.apart);
    expect(otherHalf({ apart: [] })).to.equal(undefined);
  });

  it('says so when nothing is left on its side', () => {
    const none = made(mesh, { apart: [{ ...parting, zMm: 900 }], cuts: [seam] });
    expect(none.checks.filter((c) => c.severity === 'stop').map((c) => c.id)).to.deep.equal(['bare']);
    expect(none.pieces.length).to.be.above(0);
  });
});

describe('a head inside a surface', () => {
  const head = headForm(adult);
  /** The head's own skin, from jaw to near the crown, moved straight out by a distance. */
  const moved = (mm: number) =>
    lattice(24, 40, true, (u, v) => {
      const [turn, up] = [2 * Math.PI * u, -0.75 + 1.4 * v];
      const p = skinAt(head, turn, up);
      const d = [p.x - head.middle.x, p.y - head.middle.y, p.z - head.middle.z];
      const size = Math.hypot(...d);
      return { x: p.x + (d[0]! / size) * mm, y: p.y + (d[1]! / size) * mm, z: p.z + (d[2]! / size) * mm };
    });
  /** Where the skin lies before it is moved: its lower edge over the foot of a mask, its middle over the head's. */
  const place = (mesh: Mesh) => {
    const [ys, zs] = [mesh.points.map((p) => p.y), mesh.points.map((p) => p.z)];
    return {
      aheadMm: (Math.min(...ys) + Math.max(...ys)) / 2 - head.middle.y,
      upMm: Math.min(...zs) - (head.eyeZ - BELOW_EYES_MM),
    };
  };
  const params = (change: Partial<SkinParams> = {}): SkinParams => ({
    ...skinDefaults(),
    mesh: 'h',
    aheadMm: 0,
    ...change,
  });

  it('the gap that is reported is the least of all points of the surface to the skin', () => {
    const mesh = keepMesh('h', 'head', moved(14));
    const seat = seatOnHead(params(place(moved(14))), [mesh], adult, 6, 0, 6, false);
    const r = made(
      mesh,
      { aheadMm: seat.aheadMm, upMm: seat.upMm, cuts: [seam, { ...seam, turnDeg: 90 }] },
      'skinned-head',
    );
    const clearance = zoneInfo('head').clearance(adult);
    const least = Math.min(...r.surfaces.flatMap((s) => s.grid.flat()).map(clearance));
    expect(seat.leastGapMm).to.be.closeTo(least, 1.5);
    expect(seat.leastGapMm).to.be.within(2, 14.5);
  });

  it('sized to the head it is as small as leaves the room: a head drawn too small grows back, one too large shrinks', () => {
    const mesh = keepMesh('h', 'head', moved(0));
    const at = place(moved(0));
    for (const scalePct of [70, 150]) {
      const seat = seatOnHead(
        params({ ...at, scalePct, upMm: BELOW_EYES_MM - ((BELOW_EYES_MM - at.upMm) * scalePct) / 100 }),
        [mesh],
        adult,
        6,
        2,
        6,
        true,
      );
      expect(seat.leastGapMm).to.be.at.least(6 - 0.01);
      expect(seat.scalePct).to.be.within(104, 140);
      const smaller = seatOnHead(
        params({ ...seat, scalePct: seat.scalePct - 3 }),
        [mesh],
        adult,
        6,
        2,
        6,
        false,
      );
      expect(smaller.leastGapMm).to.be.below(6);
    }
  });

  it('seams for the stand-in leave no more stretch than a maker works in', () => {
    const last = [...proposedSeams({ ...skinDefaults(), most: 8, stretchPct: 8 }, [], 6)].at(-1)!;
    expect(last.stretch).to.be.at.most(0.08);
    expect(last.pieces).to.be.within(2, 8);
  });
});

describe('a low-polygon model made as nets', () => {
  const cube = {
    id: 'cube',
    name: 'cube',
    points: [-1, 1].flatMap((x) => [-1, 1].flatMap((y) => [0, 2].flatMap((z) => [x * 40, y * 40, z * 40]))),
    // Two triangles a face, counter-clockwise from outside.
    triangles: [
      [0, 1, 3, 2],
      [4, 6, 7, 5],
      [0, 4, 5, 1],
      [2, 3, 7, 6],
      [0, 2, 6, 4],
      [1, 5, 7, 3],
    ].flatMap(([a, b, c, d]) => [a!, b!, c!, a!, c!, d!]),
  };
  const cubed = (params: object) =>
    partReport(partOf('skinned-thing', { mesh: 'cube', cuts: [], madeAs: 'nets', ...params } as never), {
      ...contextOf(),
      meshes: [cube],
    });

  it('is one net of six squares with grooves to fold and bevels to glue, as large inside as the model', () => {
    const report = cubed({ face: 'inner' });
    const [net, ...more] = report.pieces;
    expect(more).to.deep.equal([]);
    expect(net!.marks.filter((m) => m.kind === 'fold')).to.have.length(5);
    expect(net!.marks[0]!.text).to.include('fold 90°');
    const cut = net!.edges.filter((e) => e.joint === 'seam');
    expect(cut).to.have.length(14);
    for (const e of cut) expect(e.bevelDeg).to.be.closeTo(45, 1e-6);
    // Edges that end at a fold are cut shorter than mates that end at a bevel, by as much as a fold takes; they say so.
    const webMm = 6 - 0.55 * 6;
    const foldMm = webMm * Math.tan(Math.PI / 4) - 0.5 * webMm * (Math.PI / 4);
    for (const e of cut) {
      const ends = (e.easeMm ?? 0) / foldMm;
      expect(Math.abs(ends - Math.round(ends)), `${e.id} ${e.easeMm}`).to.be.lessThan(1e-3);
      expect(Math.abs(ends)).to.be.at.most(2.001);
    }
    expect(cut.some((e) => e.easeMm !== undefined)).to.equal(true);
    expect(report.bendStrain).to.equal(0);
    // Six squares of 92 mm outside; folds round their corners a little.
    expect(net!.areaMm2 / (6 * 92 * 92)).to.be.within(0.96, 1);
    expect(report.checks.filter((c) => c.severity === 'stop')).to.deep.equal([]);
  });

  it('as the outer face is as large outside as the model: its inner faces lie a thickness in', () => {
    const inner = cubed({ face: 'outer' });
    const xs = inner.surfaces.flatMap((s) => s.grid.flat().map((p) => p.x));
    expect(Math.max(...xs)).to.be.closeTo(34, 1e-4);
    const outside = inner.solid.mesh.points.map((p) => p.x);
    expect(Math.max(...outside)).to.be.closeTo(40, 1e-4);
  });

  it('keeps nets as small as asked, and every facet in one of them', () => {
    const report = cubed({ netMm: 120 });
    expect(report.pieces.length).to.be.at.least(3);
    const folds = report.pieces.flatMap((p) => p.marks.filter((m) => m.kind === 'fold')).length;
    expect(folds).to.equal(6 - report.pieces.length);
  });

  it('is left to curved pieces when it has too many faces, told, and one press says so', () => {
    expectCured('skinned-head', { madeAs: 'nets' }, 'facets');
  });
});

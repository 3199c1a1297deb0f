import { expect } from 'chai';
import fc from 'fast-check';
import { newPart } from '../../build/newBuild';
import { partReport } from '../../build/partReport';
import type { Part } from '../../build/document';
import type { PartReport } from '../../build/report';
import { contains } from '../../geometry/polygon';
import { overlapsItself } from '../../geometry/overlap';
import { dist3, type Vec3 } from '../../geometry/vec';
import { catalogue } from '../../materials/catalogue';
import { gridOf, onSlice } from '../draped/grids';
import type { FormKindName } from '../kinds';
import { adult } from '../testing/worn.test';
import type { Detail } from './detail';
import { nearestOn } from './pick';
import { bandAlong, insetOf, onGrid, runInside, spotsAlong } from './patch';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };

const reportOf = (form: FormKindName, details: Detail[], change: Partial<Part> = {}): PartReport =>
  partReport({ ...newPart('p', wearer, form), details, ...change } as Part, adult, 3, catalogue, []);

/** A half tube of radius 80 and height 200. */
const tube: Vec3[][] = gridOf(24, 8, (u, v) => onSlice({ a: 80, b: 80, x: 0, y: 0, z: v * 200 }, 180 * u, 0));
const lengthOf = (points: readonly Vec3[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);

describe('patches of a surface', () => {
  it('lie at their depth inside the edge they follow', () => {
    for (const uv of runInside(tube, 'bottom', 30)) expect(onGrid(tube, uv).z).to.be.closeTo(30, 0.01);
    for (const uv of runInside(tube, 'top', 30)) expect(onGrid(tube, uv).z).to.be.closeTo(170, 0.01);
    for (const uv of runInside(tube, 'left', 20)) {
      const p = onGrid(tube, uv);
      expect(80 * Math.atan2(p.y, p.x)).to.be.closeTo(20, 0.3);
    }
  });

  it('are mitred where a neighbour is trimmed too: each row draws in by its depth', () => {
    const plain = bandAlong(tube, 'bottom', 24, { start: false, end: false })!;
    const mitred = bandAlong(tube, 'bottom', 24, { start: true, end: true })!;
    const round = lengthOf(plain[2]!.map((uv) => onGrid(tube, uv)));
    expect(round).to.be.closeTo(Math.PI * 80, 0.6);
    expect(lengthOf(mitred[0]!.map((uv) => onGrid(tube, uv)))).to.be.closeTo(round, 0.2);
    expect(lengthOf(mitred[2]!.map((uv) => onGrid(tube, uv)))).to.be.closeTo(round - 48, 0.6);
  });

  it('are drawn in by the same distance on every side, or not at all', () => {
    const inner = insetOf(tube, 25)!.map((row) => row.map((uv) => onGrid(tube, uv)));
    expect(inner[0]![0]!.z).to.be.closeTo(25, 0.01);
    expect(inner.at(-1)![0]!.z).to.be.closeTo(175, 0.01);
    expect(lengthOf(inner[0]!)).to.be.closeTo(Math.PI * 80 - 50, 0.5);
    expect(insetOf(tube, 101)).to.equal(undefined);
  });

  it('space rivets evenly and keep them clear of corners', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 90 }), fc.integer({ min: 4, max: 40 }), (spacing, inset) => {
        const spots = spotsAlong(tube, 'top', inset, spacing).map((uv) => onGrid(tube, uv));
        const gaps = spots.slice(1).map((p, i) => dist3(p, spots[i]!));
        for (const gap of gaps) {
          expect(gap).to.be.at.least(spacing * 0.9);
          expect(gap).to.be.closeTo(gaps[0]!, gaps[0]! * 0.02);
        }
      }),
    );
  });
});

describe('pointing at a surface', () => {
  it('finds the spot a point came from, on the right piece', () => {
    const far = tube.map((row) => row.map((p) => ({ ...p, z: p.z + 1000 })));
    const flat = tube.map((row) => row.map(() => ({ x: 0, y: 0 })));
    const surfaces = [
      { pieceId: 'near', grid: tube, flat },
      { pieceId: 'far', grid: far, flat },
    ];
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (x, y) => {
          const picked = nearestOn(surfaces, onGrid(far, { x, y }))!;
          expect(picked.pieceId).to.equal('far');
          expect(picked.distanceMm).to.be.lessThan(0.6);
          expect(picked.at.x).to.be.closeTo(x, 0.01);
          expect(picked.at.y).to.be.closeTo(y, 0.01);
        },
      ),
    );
    expect(nearestOn([], { x: 0, y: 0, z: 0 })).to.equal(undefined);
  });
});

describe('details on a part', () => {
  const trim = (edgeId: string, more: Partial<Detail> = {}): Detail =>
    ({
      id: `t-${edgeId}`,
      kind: 'trim',
      pieceId: 'a',
      edgeId,
      face: 'outer',
      widthMm: 16,
      nominalMm: 2,
      look: 'rounded',
      ...more,
    }) as Detail;

  it('cut a trim strip of its width, as long as the outer face of the edge', () => {
    const made = reportOf('greave', [trim('bottom')]);
    const strip = made.pieces.find((p) => p.id === 't-bottom')!;
    const edge = made.solid.edgeLines.find((l) => l.pieceId === 'a' && l.edgeId === 'bottom')!;
    expect(strip.role).to.equal('trim');
    expect(strip.nominalMm).to.equal(2);
    // Neutral layer of the strip lies a millimetre outside the shell's outer face.
    expect(strip.edges[0]!.lengthMm).to.be.closeTo(lengthOf(edge.points), 5);
    expect(strip.edges[0]!.lengthMm).to.be.greaterThan(made.pieces[0]!.edges[0]!.lengthMm);
    expect(strip.edges[1]!.lengthMm).to.be.closeTo(16, 0.3);
    expect(made.foamG).to.be.greaterThan(reportOf('greave', []).foamG);
    expect(made.extras.triangles.length).to.be.greaterThan(0);
  });

  it('mitre trims that meet at a corner', () => {
    const one = reportOf('greave', [trim('bottom')]).pieces.find((p) => p.id === 't-bottom')!;
    const two = reportOf('greave', [trim('bottom'), trim('left')]).pieces.find((p) => p.id === 't-bottom')!;
    expect(one.areaMm2 - two.areaMm2).to.be.closeTo((16 * 16) / 2, 12);
    expect(two.edges.map((e) => e.name)).to.include('mitred end');
  });

  it('put a stiffening strip inside, shorter than trim outside', () => {
    const strip = (face: 'outer' | 'inner'): number =>
      reportOf('greave', [trim('top', { face } as Partial<Detail>)]).pieces.find((p) => p.id === 't-top')!
        .edges[0]!.lengthMm;
    expect(strip('inner')).to.be.lessThan(strip('outer'));
  });

  it('lay a raised panel in by its distance on bracers and breastplates alike', () => {
    for (const [form, pieceId] of [
      ['bracer', 'shell-1'],
      ['breastplate', 'a'],
      ['helmet', 'skirt'],
    ] as const) {
      const made = reportOf(form, [{ id: 'l', kind: 'layer', pieceId, insetMm: 15, nominalMm: 4 }]);
      const layer = made.pieces.find((p) => p.id === 'l')!;
      const on = made.pieces.find((p) => p.id === pieceId)!;
      expect(layer.areaMm2, form).to.be.lessThan(on.areaMm2);
      expect(layer.areaMm2, form).to.be.greaterThan(on.areaMm2 * 0.3);
      expect(overlapsItself(layer.outline), form).to.equal(false);
    }
  });

  it('land lines and rivets on the flat piece they were drawn on', () => {
    for (const [form, pieceId, edgeId] of [
      ['bracer', 'shell-1', 'cuff'],
      ['pauldron', 'lame-1', 'bottom'],
      ['thigh', 'b', 'top'],
    ] as const) {
      const made = reportOf(form, [
        { id: 'r', kind: 'rivets', pieceId, edgeId, insetMm: 10, spacingMm: 30, diameterMm: 8 },
        {
          id: 's',
          kind: 'line',
          pieceId,
          look: 'score',
          points: [
            { x: 0.2, y: 0.3 },
            { x: 0.7, y: 0.6 },
          ],
        },
      ]);
      const on = made.pieces.find((p) => p.id === pieceId)!;
      const marks = on.marks.filter((m) => m.kind === 'rivet' || m.kind === 'score');
      expect(marks.filter((m) => m.kind === 'rivet')).to.have.length(made.rivets);
      expect(made.rivets, form).to.be.greaterThan(2);
      for (const mark of marks)
        for (const p of mark.points) expect(contains(on.outline, p), form).to.equal(true);
    }
  });

  it('keep distances along a line drawn on a developable form', () => {
    const made = reportOf('bracer', [
      {
        id: 's',
        kind: 'line',
        pieceId: 'shell-1',
        look: 'groove',
        points: [
          { x: 0.5, y: 0.1 },
          { x: 0.5, y: 0.9 },
        ],
      },
    ]);
    const flat = made.pieces.find((p) => p.id === 'shell-1')!.marks.find((m) => m.kind === 'groove')!.points;
    const run = flat.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - flat[i]!.x, p.y - flat[i]!.y), 0);
    expect(run).to.be.closeTo(lengthOf(made.drawn[0]!.points), 0.5);
  });

  it('say so when a piece is gone or too small, and leave the rest alone', () => {
    const made = reportOf('greave', [
      trim('top', { pieceId: 'gone' } as Partial<Detail>),
      { id: 'l', kind: 'layer', pieceId: 'a', insetMm: 150, nominalMm: 4 },
      trim('bottom'),
    ]);
    expect(made.checks.map((c) => c.id)).to.include.members(['detail-t-top', 'detail-l']);
    expect(made.pieces.some((p) => p.id === 't-bottom')).to.equal(true);
  });

  it('cut darts where the maker puts them, and none when told so', () => {
    const byHand = (darts: { edgeId: string; at: number; reach: number }[]): PartReport =>
      reportOf('knee-cop', [], { dartsByHand: [{ pieceId: 'a', darts }] });
    const count = (r: PartReport): number => r.pieces[0]!.marks.filter((m) => m.kind === 'dart').length;
    expect(count(byHand([]))).to.equal(0);
    const two = byHand([
      { edgeId: 'top', at: 0.5, reach: 0.7 },
      { edgeId: 'bottom', at: 0.5, reach: 0.7 },
    ]);
    expect(count(two)).to.equal(2);
    expect(two.pieces[0]!.stretch!.mostly).to.be.lessThan(byHand([]).pieces[0]!.stretch!.mostly);
    expect(two.pieces[0]!.stretch!.worstWhere).to.match(/middle|near|corner/);
  });
});

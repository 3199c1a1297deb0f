import { expect } from 'chai';
import fc from 'fast-check';
import { contains, dist3, overlapsItself, type Vec3 } from '../geometry';
import { bandAlong, gridOf, insetOf, nearestOn, onGrid, onSlice, spotsAlong } from '../panel';
import type { Feature, Params, Place } from '../document';
import { type PartReport, partReport } from '../parts';
import { contextOf, partOf, reportOf } from '../parts/testing/worn.test';
import { runInside } from '../panel/patch';

/** A half tube of radius 80 and height 200. */
const tube: Vec3[][] = gridOf(24, 8, (u, v) => onSlice({ a: 80, b: 80, x: 0, y: 0, z: v * 200 }, 180 * u, 0));
const lengthOf = (points: readonly Vec3[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);

describe('patches of a surface', () => {
  it('lie at their depth inside the edge they follow', () => {
    for (const uv of runInside(tube, { side: 'bottom', from: 0, to: 1 }, 30))
      expect(onGrid(tube, uv).z).to.be.closeTo(30, 0.01);
    for (const uv of runInside(tube, { side: 'top', from: 0, to: 1 }, 30))
      expect(onGrid(tube, uv).z).to.be.closeTo(170, 0.01);
    for (const uv of runInside(tube, { side: 'left', from: 0, to: 1 }, 20)) {
      const p = onGrid(tube, uv);
      expect(80 * Math.atan2(p.y, p.x)).to.be.closeTo(20, 0.3);
    }
  });

  it('are mitred where a neighbour is trimmed too: each row draws in by its depth', () => {
    const plain = bandAlong(tube, { side: 'bottom', from: 0, to: 1 }, 24, { start: false, end: false })!;
    const mitred = bandAlong(tube, { side: 'bottom', from: 0, to: 1 }, 24, { start: true, end: true })!;
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
        const spots = spotsAlong(tube, { side: 'top', from: 0, to: 1 }, inset, spacing).map((uv) =>
          onGrid(tube, uv),
        );
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
  const on = (panel: string, edge: string): Place => ({ on: 'edges', runs: [{ panel, edge }] });
  const over = (panel: string): Place => ({ on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 });
  const trim = (edge: string, more: Params = {}, panel = 'a'): Feature => ({
    id: `t-${edge}`,
    kind: 'trim',
    place: on(panel, edge),
    params: { widthMm: 16, foamMm: 2, look: 'rounded', ...more },
  });
  const withFeatures = (form: string, features: Feature[]): PartReport => reportOf(form, {}, { features });

  it('cut a trim strip of its width, as long as the outer face of the edge', () => {
    const made = withFeatures('greave', [trim('bottom')]);
    const strip = made.pieces.find((p) => p.id === 't-bottom')!;
    const edge = made.solid.edgeLines.find((l) => l.pieceId === 'a' && l.edgeId === 'bottom')!;
    expect(strip.role).to.equal('laid');
    expect(strip.nominalMm).to.equal(2);
    // Neutral layer of the strip lies a millimetre outside the shell's outer face.
    expect(strip.edges[0]!.lengthMm).to.be.closeTo(lengthOf(edge.points), 5);
    expect(strip.edges[0]!.lengthMm).to.be.greaterThan(made.pieces[0]!.edges[0]!.lengthMm);
    expect(strip.edges[1]!.lengthMm).to.be.closeTo(16, 0.3);
    expect(made.foamG).to.be.greaterThan(withFeatures('greave', []).foamG);
    expect(made.extras.triangles.length).to.be.greaterThan(0);
  });

  it('mitre trims that meet at a corner', () => {
    const strip = (features: Feature[]) =>
      withFeatures('greave', features).pieces.find((p) => p.id === 't-bottom')!;
    const [one, two] = [strip([trim('bottom')]), strip([trim('bottom'), trim('left')])];
    expect(one.areaMm2 - two.areaMm2).to.be.closeTo((16 * 16) / 2, 12);
    expect(two.edges.map((e) => e.name)).to.include('mitred end');
  });

  it('run a strip over the edges of several pieces and keep it one', () => {
    const both: Feature = {
      ...trim('bottom'),
      place: {
        on: 'edges',
        runs: [
          { panel: 'a', edge: 'bottom' },
          { panel: 'b', edge: 'bottom' },
        ],
      },
    };
    const one = withFeatures('greave', [both]).pieces.filter((p) => p.featureId === both.id);
    expect(one).to.have.length(1);
    const half = withFeatures('greave', [trim('bottom')]).pieces.find((p) => p.id === 't-bottom')!;
    expect(one[0]!.edges[0]!.lengthMm).to.be.closeTo(2 * half.edges[0]!.lengthMm, 2);
    const apart: Feature = {
      ...both,
      place: {
        on: 'edges',
        runs: [
          { panel: 'a', edge: 'bottom' },
          { panel: 'a', edge: 'top' },
        ],
      },
    };
    expect(
      withFeatures('greave', [apart]).pieces.filter((p) => p.featureId === both.id),
      'ends that do not meet',
    ).to.have.length(2);
  });

  it('put a stiffening strip inside, shorter than trim outside', () => {
    const length = (kind: string): number =>
      withFeatures('greave', [
        { id: 's', kind, place: on('a', 'top'), params: { widthMm: 20, foamMm: 4, look: 'square' } },
      ]).pieces.find((p) => p.featureId === 's')!.edges[0]!.lengthMm;
    expect(length('strip')).to.be.lessThan(length('trim'));
  });

  it('lay a raised panel in by its distance on bracers and breastplates alike', () => {
    for (const [form, panel] of [
      ['bracer', 'a'],
      ['breastplate', 'a'],
      ['helmet', 'skirt'],
    ] as const) {
      const made = withFeatures(form, [
        { id: 'l', kind: 'overlay', place: over(panel), params: { insetMm: 15, foamMm: 5, lapMm: 0 } },
      ]);
      const layer = made.pieces.find((p) => p.id === 'l')!;
      const under = made.pieces.find((p) => p.id === panel)!;
      expect(layer.areaMm2, form).to.be.lessThan(under.areaMm2);
      expect(layer.areaMm2, form).to.be.greaterThan(under.areaMm2 * 0.3);
      expect(overlapsItself(layer.outline), form).to.equal(false);
    }
  });

  it('land lines, holes and rivets on the flat piece they were put on', () => {
    for (const [form, panel, edge] of [
      ['bracer', 'a', 'bottom'],
      ['pauldron', 'lame-1', 'bottom'],
      ['thigh', 'b', 'top'],
    ] as const) {
      const made = withFeatures(form, [
        {
          id: 'r',
          kind: 'rivets',
          place: on(panel, edge),
          params: { insetMm: 10, spacingMm: 30, diameterMm: 8, liftMm: 0 },
        },
        {
          id: 's',
          kind: 'line',
          place: {
            on: 'path',
            panel,
            points: [
              [0.2, 0.3],
              [0.7, 0.6],
            ],
          },
          params: { look: 'score' },
        },
        { id: 'h', kind: 'hole', place: over(panel), params: { diameterMm: 10, count: 1, ringMm: 40 } },
      ]);
      const piece = made.pieces.find((p) => p.id === panel)!;
      const marks = piece.marks.filter((m) => m.kind === 'rivet' || m.kind === 'score');
      const heads = made.bought.find((b) => b.what.startsWith('rivet'))!.count;
      expect(marks.filter((m) => m.kind === 'rivet')).to.have.length(heads);
      expect(heads, form).to.be.greaterThan(2);
      for (const mark of marks)
        for (const p of mark.points) expect(contains(piece.outline, p), form).to.equal(true);
      const hole = piece.holes.find((h) => h.id === 'h')!;
      expect(contains(piece.outline, hole.centre), form).to.equal(true);
      expect(
        made.work.map((w) => w.step),
        form,
      ).to.include.members(['rivets', 'score', 'holes']);
    }
  });

  it('keep distances along a line drawn on a developable form', () => {
    const made = withFeatures('bracer', [
      {
        id: 's',
        kind: 'line',
        place: {
          on: 'path',
          panel: 'a',
          points: [
            [0.5, 0.1],
            [0.5, 0.9],
          ],
        },
        params: { look: 'groove' },
      },
    ]);
    const flat = made.pieces.find((p) => p.id === 'a')!.marks.find((m) => m.kind === 'groove')!.points;
    const run = flat.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - flat[i]!.x, p.y - flat[i]!.y), 0);
    expect(run).to.be.closeTo(lengthOf(made.drawn[0]!.points), 0.5);
  });

  it('mind darts: a spot beside one lies on its own side of the wedge', () => {
    const darts = [{ pieceId: 'a', darts: [{ edgeId: 'top', at: 0.5, reach: 0.8 }] }];
    const part = { ...partOf('knee-cop', { domeMm: 60 }), darts };
    const features: Feature[] = [0.44, 0.56].map((u, i) => ({
      id: `h${i}`,
      kind: 'hole',
      place: { on: 'panel', panel: 'a', u, v: 0.9, turnDeg: 0 },
      params: { diameterMm: 2, count: 1, ringMm: 40 },
    }));
    const made = partReport({ ...part, features }, contextOf());
    const piece = made.pieces[0]!;
    const wedge = piece.marks.find((m) => m.kind === 'dart')!.points;
    for (const { centre } of piece.holes) {
      expect(contains(piece.outline, centre)).to.equal(true);
      expect(contains(wedge, centre), 'not in what is cut out').to.equal(false);
    }
    expect(piece.holes).to.have.length(2);
  });

  it('say so when a piece is gone or too small, and leave the rest alone', () => {
    const made = withFeatures('greave', [
      trim('top', {}, 'gone'),
      { id: 'l', kind: 'overlay', place: over('a'), params: { insetMm: 150, foamMm: 5, lapMm: 0 } },
      trim('bottom'),
    ]);
    expect(made.checks.map((c) => c.id)).to.include.members(['feature-t-top', 'feature-l']);
    expect(made.pieces.some((p) => p.id === 't-bottom')).to.equal(true);
  });

  it('cut darts where the maker puts them, and none when told so', () => {
    const byHand = (darts: { edgeId: string; at: number; reach: number }[]): PartReport =>
      partReport({ ...partOf('knee-cop'), darts: [{ pieceId: 'a', darts }] }, contextOf());
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

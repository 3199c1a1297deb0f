import { expect } from 'chai';
import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import type { Habits } from '../materials';
import { markShapes } from '../pattern';
import { contains, overlapsItself, type Vec2 } from '../geometry';
import { makePart } from '../parts/made';
import { contextOf, partOf, pieceOf } from '../parts/testing/worn.test';
import type { Feature } from '../document';
import { startHabits } from '../materials';
import { edgeRun } from './edgeRun';
import type { Piece } from './piece';

const boxOf = (
  change: Record<string, number | string>,
  { nominalMm = 6, fold = 'v-groove' as Habits['fold'], features = [] as Feature[] } = {},
): ReturnType<typeof makePart> =>
  makePart(partOf('box', { corners: 'folded', ...change }, { foamId: 'dense-eva', nominalMm, features }), {
    ...contextOf(),
    habits: { ...startHabits, fold },
  });

/** Distances between opposite fold lines of a net whose face lies in its middle. */
function faceSpans(net: Piece): [number, number] {
  const folds = net.marks.filter((m) => m.kind === 'fold').map((m) => m.points);
  const level = folds.filter(([a, b]) => Math.abs(a!.y - b!.y) < 1e-6).map(([a]) => a!.y);
  const upright = folds.filter(([a, b]) => Math.abs(a!.x - b!.x) < 1e-6).map(([a]) => a!.x);
  const span = (at: number[]): number => Math.max(...at) - Math.min(...at);
  return [span(upright), span(level)];
}

/** How deep the methods cut, in thicknesses, as trade.md and the method page have it. */
const cut = { 'v-groove': 0.55, 'slanted-pair': 0.5, 'heat-and-fold': 0, 'partial-cut': 0.6 } as const;

/** Length of the unstretched layer of a folded section from one fold's middle to the next, measured along it. */
function alongSection(outsideMm: number, webMm: number, k: number): number {
  const n = 2000;
  let length = outsideMm - 2 * webMm;
  for (let corner = 0; corner < 2; corner++)
    for (let i = 0; i < n; i++) {
      const [a, b] = [(i / n) * (Math.PI / 4), ((i + 1) / n) * (Math.PI / 4)];
      const r = k * webMm;
      length += Math.hypot(r * (Math.cos(a) - Math.cos(b)), r * (Math.sin(a) - Math.sin(b)));
    }
  return length;
}

describe('a net', () => {
  for (const fold of Object.keys(cut) as (keyof typeof cut)[])
    it(`folds to the outside size asked for, ${fold}`, () => {
      fc.assert(
        fc.property(
          fc.integer({ min: 80, max: 600 }),
          fc.integer({ min: 80, max: 600 }),
          fc.constantFrom(5, 6, 8, 10),
          (widthMm, heightMm, nominalMm) => {
            const made = boxOf({ widthMm, heightMm, held: 'outside' }, { nominalMm, fold });
            const { thicknessMm, neutralFraction } = made.foam;
            const web = thicknessMm.value * (1 - cut[fold]);
            const [across, up] = faceSpans(pieceOf(made, 'net-1'));
            expect(across).to.be.closeTo(alongSection(widthMm, web, neutralFraction.value), 0.01);
            expect(up).to.be.closeTo(alongSection(heightMm, web, neutralFraction.value), 0.01);
          },
        ),
        { numRuns: 12 },
      );
    });

  it('holds the inside as well: what lies outside is two sheets more', () => {
    const inside = boxOf({ widthMm: 120, heightMm: 90, held: 'inside' });
    const outside = boxOf({ widthMm: 132, heightMm: 102, held: 'outside' });
    expect(inside.foam.thicknessMm.value).to.equal(6);
    faceSpans(pieceOf(inside, 'net-1')).forEach((mm, i) =>
      expect(mm).to.be.closeTo(faceSpans(pieceOf(outside, 'net-1'))[i]!, 1e-6),
    );
  });

  it('is one outline round all its walls, whose mates agree, wherever it is open', () => {
    fc.assert(
      fc.property(
        fc.record({
          widthMm: fc.integer({ min: 40, max: 800 }),
          heightMm: fc.integer({ min: 40, max: 800 }),
          deepMm: fc.integer({ min: 40, max: 800 }),
          open: fc.constantFrom('none', 'back', 'top'),
          held: fc.constantFrom('inside', 'outside'),
          skinMm: fc.constantFrom(0, 1.5),
        }),
        (change) => {
          const made = boxOf(change);
          const net = pieceOf(made, 'net-1');
          expect(overlapsItself(net.outline)).to.equal(false);
          expect(Math.abs(polygonArea(net.outline.map((p) => [p.x, p.y])))).to.be.closeTo(net.areaMm2, 1);
          // Bevels of walls that meet reach over each other beside the corners of the face, and are cut off there.
          const walls = made.laid
            .filter((l) => l.piece.edges.some((e) => e.joint === 'fold'))
            .reduce((s, l) => s + l.piece.areaMm2, 0);
          expect(walls - net.areaMm2).to.be.within(0, 4 * made.foam.thicknessMm.value ** 2);
          const seams = net.edges.filter((e) => e.joint === 'seam');
          expect(seams.length).to.equal(8);
          for (const edge of seams) {
            const mate = net.edges.find((e) => e.id === edge.mate!.edgeId)!;
            expect(edge.mate!.pieceId).to.equal('net-1');
            expect(mate.letter).to.equal(edge.letter);
            expect(mate.lengthMm).to.be.closeTo(edge.lengthMm, 1e-6);
          }
          for (const e of net.edges) {
            const run = edgeRun(net.outline, e);
            const long = run
              .slice(1)
              .reduce((s, p, i) => s + Math.hypot(p.x - run[i]!.x, p.y - run[i]!.y), 0);
            expect(long).to.be.closeTo(e.lengthMm, 0.1);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('writes what each fold asks beside its line, on the piece, never upside down', () => {
    const net = pieceOf(boxOf({ widthMm: 120, heightMm: 160, deepMm: 60 }), 'net-1');
    for (const mark of net.marks.filter((m) => m.kind === 'fold')) {
      const words = markShapes(net, mark).find((s) => s.kind === 'text')!;
      if (words.kind !== 'text') throw new Error('words are text');
      expect(words.text).to.equal('fold 90°: groove on the back 3.3 deep, 6.6 open');
      expect(contains(net.outline, words.at)).to.equal(true);
      const [a, b] = mark.points as [Vec2, Vec2];
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      expect(Math.hypot(words.at.x - middle.x, words.at.y - middle.y)).to.be.closeTo(3, 1e-6);
      expect(Math.abs(words.turnRad ?? 0)).to.be.at.most(Math.PI / 2 + 1e-6);
    }
  });

  it('carries what is cut in its walls, where they lie in it', () => {
    const hole: Feature = {
      id: 'h',
      kind: 'hole',
      place: { on: 'panel', panel: 'roof', u: 0.5, v: 0.5, turnDeg: 0 },
      params: { diameterMm: 12, count: 1, ringMm: 40 },
    };
    const made = boxOf({ widthMm: 120, heightMm: 160, deepMm: 60 }, { features: [hole] });
    const net = pieceOf(made, 'net-1');
    const [{ centre } = { centre: { x: 0, y: 0 } }] = net.holes;
    expect(net.holes).to.have.length(1);
    // The roof lies above the face: over its middle, half its depth beyond the fold.
    const folds = net.marks.filter((m) => m.kind === 'fold').flatMap((m) => m.points);
    const top = Math.max(...folds.map((p) => p.y));
    const [left, right] = [Math.min(...folds.map((p) => p.x)), Math.max(...folds.map((p) => p.x))];
    expect(centre.x).to.be.closeTo((left + right) / 2, 0.1);
    expect(centre.y)
      .to.be.greaterThan(top + 20)
      .and.lessThan(top + 60);
    expect(made.featured.work.find((w) => w.step === 'folds')?.count).to.equal(4);
  });

  it('leaves room for a skin: the lid is drawn in by that of the walls and its own', () => {
    const lid = (skinMm: number): Piece =>
      pieceOf(boxOf({ widthMm: 120, heightMm: 90, held: 'outside', skinMm }), 'lid');
    const width = ({ outline }: Piece): number =>
      Math.max(...outline.map((p) => p.x)) - Math.min(...outline.map((p) => p.x));
    // Outside 120: two walls of 6 and four skins of 1.5 leave 102 clear; the lid has skins of its own.
    expect(width(lid(0))).to.be.closeTo(108, 1e-6);
    expect(width(lid(1.5)) + 2 * 1.5).to.be.closeTo(120 - 2 * (6 + 1.5) - 2 * 1.5, 1e-6);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { dist2 } from '../geometry';
import { startHabits } from '../materials';
import { makePart } from '../parts';
import { contextOf, checkOf, make, partOf } from '../parts/testing/worn.test';
import type { PieceEdge } from './piece';
import { bevelsOf, STEEPEST_BEVEL_DEG } from './bevels';
import { foamOf } from './foamMeasures';
import { growEdges } from './growEdges';
import { gridOf, onSlice } from './grids';
import type { Panel } from './panel';
import { skinMesh } from './solid';

const edges = { bottom: 'bottom', right: 'right', top: 'top', left: 'left' };

/** Two boards that meet along the z axis, the second turned by `deg` away from going straight on; faces look to −y. */
function corner(deg: number): [Panel, Panel] {
  const a = (deg * Math.PI) / 180;
  return [
    { id: 'a', name: 'a', edges, grid: gridOf(4, 4, (u, v) => ({ x: -100 + 100 * u, y: 0, z: 100 * v })) },
    {
      id: 'b',
      name: 'b',
      edges,
      grid: gridOf(4, 4, (u, v) => ({ x: 100 * u * Math.cos(a), y: 100 * u * Math.sin(a), z: 100 * v })),
    },
  ];
}

describe('bevels', () => {
  it('are half the turning angle, from the back where the seam turns outwards and from the face where it turns in', () => {
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 170 }), fc.boolean(), (deg, outwards) => {
        const [a, b] = corner(outwards ? deg : -deg);
        const bevel = bevelsOf(a, 'right', b, 'left').deg;
        expect(bevel).to.be.closeTo((outwards ? 1 : -1) * (deg / 2), 1e-6);
        expect(bevelsOf(b, 'left', a, 'right').deg, 'the same from either side').to.be.closeTo(bevel, 1e-6);
      }),
    );
  });

  it('are none where a seam runs smoothly on', () => {
    const tube = (from: number, to: number, id: string): Panel => ({
      id,
      name: id,
      edges,
      grid: gridOf(16, 3, (u, v) =>
        onSlice({ a: 60, b: 60, x: 0, y: 0, z: 100 * v }, from + (to - from) * u, 0),
      ),
    });
    expect(bevelsOf(tube(0, 90, 'a'), 'right', tube(90, 180, 'b'), 'left').deg).to.equal(0);
  });

  it('are 45° at the corners of a box, and written on both mates', () => {
    const pod = make('ear-pod');
    const seams = pod.pieces.flatMap((p) => p.edges.filter((e) => e.joint === 'seam'));
    expect(seams.length).to.be.greaterThan(6);
    for (const edge of seams) expect(edge.bevelDeg).to.be.closeTo(45, 1e-6);
  });

  it('make room for the foam at a mitre: inside as asked, cut on a line as wide as the outside, bevelled to the inside', () => {
    for (const mm of [5, 10]) {
      const { pieces, made } = make('ear-pod', { widthMm: 80, heightMm: 90 }, { nominalMm: mm });
      const face = pieces[0]!;
      const [bottom, right] = face.edges as [PieceEdge, PieceEdge];
      expect(bottom.lengthMm).to.be.closeTo(80 + 2 * mm, 1e-6);
      expect(right.lengthMm).to.be.closeTo(90 + 2 * mm, 1e-6);
      expect(right.bevelMm).to.be.closeTo(mm, 1e-9);
      expect(face.areaMm2).to.be.closeTo((80 + 2 * mm) * (90 + 2 * mm), 1e-3);
      const lines = face.marks.filter((m) => m.kind === 'bevel');
      expect(lines.map((m) => m.bevel)).to.deep.equal(Array(4).fill({ face: 'back', deg: 45 }));
      const lengths = lines.map((m) => dist2(m.points[0]!, m.points.at(-1)!));
      for (const [i, inside] of [80, 90, 80, 90].entries()) expect(lengths[i]).to.be.closeTo(inside, 1e-6);
      // A frustum of a pyramid lies over its bevels.
      const [low, high, middle] = [0, 2 * mm, mm].map((w) => (80 + w) * (90 + w)) as [number, number, number];
      expect(face.volumeMm3).to.be.closeTo(((low + high + 4 * middle) * mm) / 6, 1e-3);
      const across = skinMesh(made.laid[0]!).mesh.points.map((p) => p.y);
      expect(Math.max(...across) - Math.min(...across)).to.be.closeTo(80 + 2 * mm, 1e-6);
    }
  });

  it('are one line on the face that is up where the blade is tilted, with the same foam left', () => {
    const cut = (bevel: 'two-lines' | 'tilted') =>
      makePart(partOf('faceted', {}, { nominalMm: 6, foamId: 'dense-eva' }), {
        ...contextOf(),
        habits: { ...startHabits, bevel },
      }).pieces.filter((p) => p.id.startsWith('net'));
    const [square, tilted] = [cut('two-lines'), cut('tilted')];
    tilted.forEach((piece, i) => {
      expect(piece.marks.filter((m) => m.kind === 'bevel')).to.deep.equal([]);
      expect(piece.edges.every((e) => e.bevelDeg === 0 || e.tilted)).to.equal(true);
      expect(piece.volumeMm3! / square[i]!.volumeMm3!).to.be.closeTo(1, 1e-6);
      // Lost from the front at foot and top, it is smaller by those bevels on the face that is up.
      expect(piece.areaMm2).to.be.lessThan(square[i]!.areaMm2);
    });
  });

  it('leave square edges where they are', () => {
    const piece = make('belt', { tassets: 0 }).pieces[0]!;
    expect(growEdges(piece, [0, 0, 0, 0]).outline).to.deep.equal(piece.outline);
    const wider = growEdges(piece, [4, 0, 4, 0]);
    expect(wider.edges[1]!.lengthMm).to.be.closeTo(piece.edges[1]!.lengthMm + 8, 0.1);
    expect(wider.areaMm2).to.be.greaterThan(piece.areaMm2 + 4 * piece.edges[0]!.lengthMm);
  });

  it('are square where a seam folds back further than a knife can follow, and the part says so', () => {
    const dome = (heightMm: number): ReturnType<typeof make> =>
      make(
        'rounds',
        { sections: [{ kind: 'dome', heightMm, lowMm: 60, highMm: 100, joint: 'butt', foamMm: 0 }] },
        { nominalMm: 6 },
      );
    const turned = [dome(30), dome(3)].filter((m) => checkOf(m, 'folds-back'));
    expect(turned.length).to.be.greaterThan(0);
    for (const { made, pieces } of turned) {
      const back = pieces.flatMap((p) => p.edges.filter((e) => e.foldsBackDeg !== undefined));
      expect(back.length % 2).to.equal(0);
      for (const e of back) {
        expect(e.bevelDeg).to.equal(0);
        expect(Math.abs(e.foldsBackDeg!)).to.be.greaterThan(2 * STEEPEST_BEVEL_DEG);
      }
      const cut = made.laid.reduce((sum, l) => sum + l.piece.areaMm2, 0);
      expect(cut / foamOf(made.laid, made.model.joins).areaMm2, 'no piece outgrows the form').to.be.closeTo(
        1,
        0.08,
      );
    }
  });

  it('follow the ridge of a breastplate', () => {
    const bevel = (ridgeMm: number): number =>
      make('breastplate', { ridgeMm }).pieces[0]!.edges.find((e) => e.id === 'right')!.bevelDeg;
    expect(bevel(40)).to.be.greaterThan(bevel(15));
    expect(bevel(0)).to.be.lessThan(3);
  });
});

import { expect } from 'chai';
import { drawingDxf } from '../../files/dxf';
import { drawingSvg } from '../../files/svg';
import type { Params } from '../../document';
import { type Habits, startHabits } from '../../materials';
import { makePart } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';
import type { MadePart } from '../../parts/made';
import type { Piece } from '../../panel';
import { inRows } from '../../pattern';
import { assembled, type Assembled, directionOf, type Seam } from './assemble';
import { readPiece, type RuledPiece } from './readPiece';
import { type Drawing, inside, type Point, readDxf, readSvg } from './readDrawing';

const FOAMS: [mm: number, foam: string][] = [
  [2, 'dense-eva'],
  [6, 'dense-eva'],
  [10, 'dense-eva'],
  [20, 'upholstery'],
];

interface Ruled {
  made: MadePart;
  pieces: Map<string, RuledPiece>;
  whole: Assembled;
  /** Foam of the pieces put together, as the report has it, mm³. */
  toldMm3: number;
}

const boundsOf = (points: readonly Point[]): { minX: number; minY: number } => ({
  minX: Math.min(...points.map((p) => p.x)),
  minY: Math.min(...points.map((p) => p.y)),
});

/** A form made, its pieces exported, read back and put together; `of` says which pieces. */
function ruled(
  form: string,
  params: Params,
  [nominalMm, foamId]: [number, string],
  of: (piece: Piece) => boolean,
  { fold = 'v-groove' as Habits['fold'], read = 'svg' as 'svg' | 'dxf' } = {},
): Ruled {
  const made = makePart(partOf(form, params, { foamId, nominalMm }), {
    ...contextOf(),
    habits: { ...startHabits, fold },
  });
  const pieces = made.pieces.filter((p) => p.role === 'shell' && of(p));
  const { shapes, widthMm, heightMm } = inRows(
    pieces.map((piece, i) => ({
      // Each drawn for itself, whatever it is alike to.
      piece,
      source: { code: `A${i + 1}`, partName: 'Ruled', foamName: piece.foamName },
    })),
    40,
  );
  const drawing: Drawing =
    read === 'svg' ? readSvg(drawingSvg(shapes, widthMm, heightMm, 'Ruled')) : readDxf(drawingDxf(shapes));
  const cuts = drawing.lines.filter((l) => l.layer === 'cut');
  expect(cuts).to.have.length(pieces.length);
  const read_ = new Map<string, RuledPiece>();
  const places = new Map<string, (p: Point) => Point>();
  pieces.forEach((piece, i) => {
    const line = cuts[i]!;
    const code = drawing.words.some((w) => w.text.startsWith(`A${i + 1}`) && inside(line.points, w.at));
    const beside = drawing.words.some((w) => w.text.startsWith(`A${i + 1}`));
    expect(code || beside, `${piece.name} carries its code`).to.equal(true);
    read_.set(piece.id, readPiece(drawing, line, piece.id, piece.thicknessMm));
    const [a, b] = [boundsOf(line.points), boundsOf(piece.outline)];
    places.set(piece.id, (p) => ({ x: p.x + a.minX - b.minX, y: p.y + a.minY - b.minY }));
  });
  const seams = pieces.flatMap((piece) =>
    piece.edges.flatMap((edge): Seam[] => {
      const mate = edge.mate && read_.has(edge.mate.pieceId) ? edge.mate : undefined;
      const key = `${piece.id}/${edge.id}`;
      if (!mate || edge.joint !== 'seam' || `${mate.pieceId}/${mate.edgeId}` < key) return [];
      const other = pieces.find((p) => p.id === mate.pieceId)!;
      const end = (p: Piece, e: Piece['edges'][number]) => ({
        piece: read_.get(p.id)!,
        from: places.get(p.id)!(p.outline[e.from]!),
        to: places.get(p.id)!(p.outline[e.to]!),
      });
      return [
        {
          one: end(piece, edge),
          other: end(
            other,
            other.edges.find((e) => e.id === mate.edgeId)!,
          ),
        },
      ];
    }),
  );
  return {
    made,
    pieces: read_,
    whole: assembled([...read_.values()], seams),
    toldMm3: pieces.reduce((sum, p) => sum + (p.volumeMm3 ?? p.areaMm2 * p.thicknessMm), 0),
  };
}

const size = (whole: Assembled, along: [number, number, number]): number => {
  const { from, to } = whole.reach(along);
  return to - from;
};

const NEAR_MM = 0.3;

function meets({ whole, toldMm3 }: Ruled, what: string): void {
  for (const gap of whole.gaps) expect(gap, `${what}: seams meet`).to.be.lessThan(NEAR_MM);
  expect(whole.volume / toldMm3, `${what}: foam as told`).to.be.within(0.99, 1.01);
  // Mitres fill their corners and no more: nothing lies in anything else.
  expect(whole.union().volume() / whole.volume, `${what}: nothing twice`).to.be.within(0.99, 1.0001);
}

describe('a ruler of its own on exported files', function () {
  this.timeout(120_000);

  for (const foam of FOAMS)
    for (const read of ['svg', 'dxf'] as const)
      it(`boxes in ${foam[0]} mm, from ${read}: outside and inside as asked, with mitres that fill the corners`, () => {
        for (const held of ['outside', 'inside']) {
          const made = ruled(
            'box',
            { corners: 'mitre', held, widthMm: 100, heightMm: 150, deepMm: 60, open: 'back', skinMm: 0 },
            foam,
            (p) => p.name !== 'lid',
            { read },
          );
          const t = foam[0];
          const out = held === 'inside' ? 2 * t : 0;
          const what = `${held} ${t}`;
          expect(size(made.whole, [1, 0, 0]), what).to.be.closeTo(100 + out, NEAR_MM);
          expect(size(made.whole, [0, 1, 0]), what).to.be.closeTo(150 + out, NEAR_MM);
          expect(size(made.whole, [0, 0, 1]), what).to.be.closeTo(60 + out / 2, NEAR_MM);
          const [w, h, d] = [100 + out, 150 + out, 60 + out / 2];
          expect(made.whole.volume / (w * h * d - (w - 2 * t) * (h - 2 * t) * (d - t)), what).to.be.closeTo(
            1,
            0.005,
          );
          meets(made, what);
        }
      });

  for (const fold of ['v-groove', 'slanted-pair', 'heat-and-fold', 'partial-cut'] as const)
    for (const foam of FOAMS.slice(1, 3))
      it(`a box folded from one net in ${foam[0]} mm, ${fold}: outside as asked`, () => {
        const { whole } = ruled(
          'box',
          {
            corners: 'folded',
            held: 'outside',
            widthMm: 180,
            heightMm: 150,
            deepMm: 90,
            open: 'back',
            skinMm: 0,
          },
          foam,
          (p) => p.id === 'net-1',
          { fold },
        );
        const face = whole.solids[0]!.place;
        // Which flat is the face does not matter: the three sizes are the ones asked, in some order.
        const sizes = [face.x, face.y, face.z].map((v) => size(whole, [...v]));
        for (const [i, asked] of [90, 150, 180].entries())
          expect([...sizes].sort((a, b) => a - b)[i], `${fold} ${sizes.join()}`).to.be.closeTo(
            asked,
            NEAR_MM,
          );
        for (const gap of whole.gaps) expect(gap).to.be.lessThan(1);
      });

  for (const foam of FOAMS)
    for (const sides of [3, 4, 6, 8])
      it(`prisms and pyramids of ${sides} sides in ${foam[0]} mm: across and high as asked`, () => {
        const t = foam[0];
        const across = 300;
        const prism = ruled(
          'faceted',
          {
            sides,
            ends: 'open',
            profile: [
              { zMm: 0, acrossMm: across },
              { zMm: 200, acrossMm: across },
            ],
          } as never,
          foam,
          () => true,
        );
        expect(size(prism.whole, [0, 1, 0])).to.be.closeTo(200, NEAR_MM);
        const half = Math.PI / sides;
        // From the first side to what lies across it: a side where they are even, a corner where they are odd.
        const deep = sides % 2 === 0 ? across : across / 2 + across / 2 / Math.cos(half);
        expect(size(prism.whole, [0, 0, 1])).to.be.closeTo(deep, NEAR_MM);
        const area = (apothem: number): number => sides * apothem ** 2 * Math.tan(half);
        expect(prism.whole.volume / (200 * (area(across / 2) - area(across / 2 - t)))).to.be.closeTo(
          1,
          0.005,
        );
        meets(prism, `prism of ${sides}`);

        const high = 160;
        const spike = ruled(
          'faceted',
          {
            sides,
            ends: 'open',
            profile: [
              { zMm: 0, acrossMm: across },
              { zMm: high, acrossMm: 120 },
            ],
          } as never,
          foam,
          () => true,
        );
        // The first side leans in by the slope: up is the axis.
        const slope = Math.atan2((across - 120) / 2, high);
        const up = directionOf(spike.whole, 'side-1', [0, Math.cos(slope), Math.sin(slope)]);
        const fore = directionOf(spike.whole, 'side-1', [0, -Math.sin(slope), Math.cos(slope)]);
        expect(size(spike.whole, [...up]), 'high').to.be.closeTo(high, NEAR_MM);
        expect(size(spike.whole, [...fore]), 'across').to.be.closeTo(deep, NEAR_MM);
        meets(spike, `pyramid of ${sides}`);
      });

  for (const foam of FOAMS.slice(0, 3))
    it(`heads whose sides are folded in ${foam[0]} mm: as high and as wide as the profile`, () => {
      const { whole, pieces } = ruled(
        'faceted',
        {
          sides: 6,
          ends: 'open',
          profile: [
            { zMm: 0, acrossMm: 120 },
            { zMm: 60, acrossMm: 200 },
            { zMm: 220, acrossMm: 80 },
          ],
        } as never,
        foam,
        () => true,
      );
      // The lower flat of the first side leans out as it goes up.
      const slope = Math.atan2(-40, 60);
      const { flats } = [...pieces.values()][0]!;
      const foot = ({ ring }: (typeof flats)[number]): number => Math.min(...ring.map((p) => p.y));
      const lower = flats.reduce((best, f, i) => (foot(f) < foot(flats[best]!) ? i : best), 0);
      const { y, z } = whole.solids[lower]!.place;
      const up = y.map((v, i) => v * Math.cos(slope) + z[i]! * Math.sin(slope)) as [number, number, number];
      expect(size(whole, [...up])).to.be.closeTo(220, NEAR_MM + 0.02 * foam[0]);
    });

  for (const foam of FOAMS.slice(0, 3))
    it(`a lantern's roof in ${foam[0]} mm: eaves and height as asked`, () => {
      const made = ruled(
        'lantern',
        { sides: 6, acrossMm: 150, eavesMm: 16, roofMm: 80, topMm: 30, lightMm: 150 },
        foam,
        (p) => p.name.startsWith('side'),
      );
      const slope = Math.atan2((182 - 30) / 2, 80);
      const up = directionOf(made.whole, 'side-1', [0, Math.cos(slope), Math.sin(slope)]);
      const fore = directionOf(made.whole, 'side-1', [0, -Math.sin(slope), Math.cos(slope)]);
      expect(size(made.whole, [...up])).to.be.closeTo(80, NEAR_MM);
      expect(size(made.whole, [...fore])).to.be.closeTo(182, NEAR_MM);
      meets(made, 'roof');
    });

  for (const turns of ['groove', 'partial', 'scores'])
    for (const foam of FOAMS.slice(1, 3))
      it(`the wall of a square plate in ${foam[0]} mm, ${turns}: as large outside as the plate, its seam in a flat`, () => {
        const { whole, made } = ruled(
          'rimmed-plate',
          {
            shape: 'drawn',
            turns,
            wallMm: 40,
            outline: [
              [-100, 0],
              [100, 0],
              [100, 200],
              [-100, 200],
            ].map(([xMm, yMm]) => ({ xMm, yMm, node: 'corner' })),
          } as never,
          foam,
          (p) => p.name.startsWith('wall'),
        );
        const place = whole.solids[0]!.place;
        expect(size(whole, [...place.x])).to.be.closeTo(200, NEAR_MM);
        expect(size(whole, [...place.z])).to.be.closeTo(200, NEAR_MM);
        expect(size(whole, [...place.y])).to.be.closeTo(40, NEAR_MM);
        for (const gap of whole.gaps) expect(gap).to.be.lessThan(NEAR_MM);
        // Grooves counted are grooves drawn.
        const drawn = made.pieces.flatMap((p) => p.marks.filter((m) => m.kind === 'fold')).length;
        expect(drawn).to.equal(4);
        expect(made.model.figures.find((f) => f.key === 'turns')!.value).to.equal(drawn);
        expect(made.featured.work.find((w) => w.step === 'folds')!.count).to.equal(drawn);
      });

  for (const foam of FOAMS.slice(0, 3))
    it(`pods and the boxes of back frames in ${foam[0]} mm`, () => {
      const t = foam[0];
      const pod = ruled(
        'ear-pod',
        { widthMm: 70, heightMm: 90, deepMm: 40, insideMm: 10 },
        foam,
        (p) => p.id !== 'hook',
      );
      expect(size(pod.whole, [1, 0, 0])).to.be.closeTo(70 + 2 * t, NEAR_MM);
      expect(size(pod.whole, [0, 1, 0])).to.be.closeTo(90 + 2 * t, NEAR_MM);
      expect(size(pod.whole, [0, 0, 1])).to.be.closeTo(40, NEAR_MM);
      meets(pod, 'pod');
      const frame = ruled(
        'back-frame',
        { boxes: [{ widthMm: 160, heightMm: 120, deepMm: 80, acrossMm: 0, upMm: 6 }] } as never,
        foam,
        (p) => p.id.startsWith('box-1-'),
      );
      expect(size(frame.whole, [1, 0, 0])).to.be.closeTo(160, NEAR_MM);
      expect(size(frame.whole, [0, 1, 0])).to.be.closeTo(120, NEAR_MM);
      expect(size(frame.whole, [0, 0, 1])).to.be.closeTo(80, NEAR_MM);
      meets(frame, 'box of a frame');
    });
});

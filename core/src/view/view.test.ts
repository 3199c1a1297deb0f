import { expect } from 'chai';
import fc from 'fast-check';
import { outlineLength, signedArea, type Mesh, type Vec3 } from '../geometry';
import {
  bestEye,
  drawingOf,
  eyeAlong,
  eyeAt,
  frameOf,
  inFrame,
  rasterOf,
  regionsOf,
  seen,
  shadedPicture,
  type Shown,
  svgOf,
  visibleIn,
  visibleRuns,
} from '.';

const corner = (x: number, y: number, z: number): Vec3 => ({ x, y, z });

/** A cube of a side about nought, each face of its own: two triangles and an id. */
function cube(side = 100): Shown[] {
  const h = side / 2;
  const points = [-h, h].flatMap((z) => [-h, h].flatMap((y) => [-h, h].map((x) => corner(x, y, z))));
  const faces: [string, [number, number, number, number]][] = [
    ['back', [0, 2, 3, 1]],
    ['front', [4, 5, 7, 6]],
    ['low', [0, 1, 5, 4]],
    ['top', [2, 6, 7, 3]],
    ['left', [0, 4, 6, 2]],
    ['right', [1, 3, 7, 5]],
  ];
  const mesh: Mesh = {
    points,
    triangles: faces.flatMap(([, [a, b, c, d]]) => [
      [a, b, c],
      [a, c, d],
    ]),
  };
  return faces.map(([id], i) => ({ id, mesh, from: 2 * i, to: 2 * i + 2 }));
}

const names = (shown: readonly Shown[]): string[] => shown.map((s) => s.id);

describe('pictures of solids', () => {
  it('a cube by hand: from ahead one face is seen, from a corner three', () => {
    const shown = cube();
    const from = (out: Vec3): string[] => {
      const eye = eyeAlong(out);
      const raster = rasterOf(shown, eye, frameOf(shown, eye, 120, 120));
      return [...visibleIn(raster, shown).keys()].sort();
    };
    expect(from(corner(0, 0, 1))).to.deep.equal(['front']);
    expect(from(corner(-1, 0, 0))).to.deep.equal(['left']);
    expect(from(corner(0, 1, 0))).to.deep.equal(['top']);
    expect(from(corner(1, 1, 1))).to.deep.equal(['front', 'right', 'top']);
    expect(from(corner(-1, -1, -1))).to.deep.equal(['back', 'left', 'low']);
  });

  it('what is seen of a face is as large as its shadow', () => {
    const shown = cube(100);
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 80 }), fc.integer({ min: 10, max: 80 }), (turn, raised) => {
        const eye = eyeAt(turn, raised);
        const frame = frameOf(shown, eye, 240, 240);
        const raster = rasterOf(shown, eye, frame);
        const counts = visibleIn(raster, shown);
        const facing: Record<string, number> = { front: eye.out.z, right: eye.out.x, top: eye.out.y };
        for (const [id, cos] of Object.entries(facing))
          expect(counts.get(id)! / frame.pxPerMm ** 2, id).to.be.closeTo(100 * 100 * cos, 260);
      }),
      { numRuns: 25 },
    );
  });

  it('regions are the faces as they are seen: outlines with their area', () => {
    const shown = cube(100);
    const eye = eyeAlong(corner(0, 0, 1));
    const frame = frameOf(shown, eye, 300, 300);
    const regions = regionsOf(rasterOf(shown, eye, frame), names(shown));
    expect([...regions.keys()]).to.deep.equal(['front']);
    const [ring] = regions.get('front')!;
    expect(Math.abs(signedArea(ring!)) / frame.pxPerMm ** 2).to.be.closeTo(10_000, 120);
    expect(outlineLength(ring!) / frame.pxPerMm).to.be.closeTo(400, 12);
    expect(ring!.length, 'straight sides have no corners between').to.be.lessThan(14);
  });

  it('a line behind the cube is hidden, one before it is seen, one that passes beside it in part', () => {
    const shown = cube(100);
    const eye = eyeAlong(corner(0, 0, 1));
    const frame = frameOf(shown, eye, 200, 200);
    const raster = rasterOf(shown, eye, frame);
    const runs = (z: number, to: number) =>
      visibleRuns([corner(-40, 0, z), corner(to, 0, z)], eye, frame, raster);
    expect(runs(-60, 40)).to.deep.equal([]);
    expect(runs(60, 40)).to.have.length(1);
    const edge = shown[1]!.mesh.points.filter((p) => p.z > 0 && p.y > 0);
    expect(visibleRuns(edge, eye, frame, raster), 'its own edge').to.have.length(1);
    const [beside] = visibleRuns([corner(0, 0, -60), corner(53, 0, -60)], eye, frame, raster);
    expect(beside![0]!.x).to.be.closeTo(inFrame(frame, seen(eye, corner(50, 0, 0))).x, 3);
  });

  it('the eye that is chosen sees what is looked for', () => {
    const shown = cube();
    for (const id of names(shown)) {
      const eye = bestEye(shown, { isOf: (i) => shown[i]!.id === id, lines: [] });
      const raster = rasterOf(shown, eye, frameOf(shown, eye, 90, 90));
      expect(visibleIn(raster, shown).get(id) ?? 0, id).to.be.greaterThan(800);
    }
  });

  it('light comes from above: a grey cube is brightest on top, and has the colour it was given', () => {
    const shown = cube();
    const eye = eyeAt(35, 30);
    const frame = frameOf(shown, eye, 200, 200);
    const picture = shadedPicture(shown, () => ({ rgb: [120, 60, 30], gloss: 0, metal: 0 }), eye, frame);
    const at = (p: Vec3): number[] => {
      const { x, y } = inFrame(frame, seen(eye, p));
      const i = (Math.round(y) * 200 + Math.round(x)) * 4;
      return [...picture.data.slice(i, i + 4)];
    };
    const [top, front, right] = [at(corner(0, 50, 0)), at(corner(0, 0, 50)), at(corner(50, 0, 0))];
    expect(top[0]).to.be.greaterThan(front![0]!);
    expect(front![0]).to.be.greaterThan(right![0]!);
    for (const [r, g, b, a] of [top, front, right] as [number, number, number, number][]) {
      expect(a).to.equal(255);
      expect(r / g).to.be.closeTo(2, 0.15);
      expect(g / b).to.be.closeTo(2, 0.15);
    }
    expect(picture.data[3], 'nothing in the corner').to.equal(0);
  });

  it('a drawing holds its regions, lines, words and rounds, and says so as SVG', () => {
    const shown = cube().map((s) => ({
      ...s,
      look: s.id === 'front' ? ('work' as const) : ('there' as const),
    }));
    const eye = eyeAt(30, 20);
    const drawing = drawingOf(
      {
        shown,
        lines: [{ points: [corner(-50, 50, 50), corner(50, 50, 50)], look: 'work' }],
        words: [{ at: corner(0, 0, 50), text: 'A & B', look: 'work' }],
        spots: [
          { at: corner(0, 0, 0), acrossMm: 20, look: 'light' },
          { at: corner(0, 0, -50), acrossMm: 20, look: 'light', behind: true },
        ],
      },
      eye,
      200,
      160,
    );
    expect(drawing.regions.map((r) => r.look).sort()).to.deep.equal(['light', 'there', 'there', 'work']);
    for (const p of drawing.regions.flatMap((r) => r.rings.flat())) {
      expect(p.x).to.be.within(0, 200);
      expect(p.y).to.be.within(0, 160);
    }
    expect(drawing.lines).to.have.length(1);
    const svg = svgOf(drawing);
    expect(svg)
      .to.include('A &amp; B')
      .and.to.match(/^<svg xmlns/);
    expect(svg.match(/<path/g)).to.have.length(5);
  });
});

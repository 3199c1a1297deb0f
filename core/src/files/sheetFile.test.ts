import { expect } from 'chai';
import DxfParser from 'dxf-parser';
import { XMLParser } from 'fast-xml-parser';
import polygonClipping from 'polygon-clipping';
import { distanceToEdge, outlineLength, signedArea, type Vec2 } from '../geometry';
import { laidOutline } from '../cut';
import { reportOf } from '../report/testing/reportOf';
import { svgRings } from './outline/svg';
import { sheetFile } from './sheetFile';
import { demo } from './testing/demo';

const report = reportOf(demo('lampwarden-harness'));
type Group = {
  '@_class'?: string;
  path?: { '@_d': string } | { '@_d': string }[];
  title?: string;
  g?: Group | Group[];
};
const list = <T>(v: T | T[] | undefined): T[] => (v === undefined ? [] : Array.isArray(v) ? v : [v]);

/** A path's arcs as a general library turns them into Bézier curves, sampled. */
function curveOf(d: string): Vec2[] {
  const read = svgRings(`<svg><path d="${d}"/></svg>`);
  if (!read.ok) throw new Error(read.message);
  return read.value.rings[0]!;
}

/** Area inside vertices and bulges: the polygon's, and a circle's segment on every side that bulges (closed form). */
const bulgedArea = (at: readonly (Vec2 & { bulge?: number })[]): number =>
  at.reduce((sum, p, i) => {
    const q = at[(i + 1) % at.length]!;
    const turn = 4 * Math.atan(p.bulge ?? 0);
    const r = turn === 0 ? 0 : Math.hypot(q.x - p.x, q.y - p.y) / 2 / Math.sin(turn / 2);
    return sum + (p.x * q.y - q.x * p.y) / 2 + (r * r * (turn - Math.sin(turn))) / 2;
  }, 0);

/** The cut lines of a sheet's SVG as a machine would read them: piece by piece, y down in the file. */
function cutLines(svg: string, heightMm: number): { name: string; outline: Vec2[] }[] {
  const read = new XMLParser({ ignoreAttributes: false }).parse(svg) as { svg: { g: Group | Group[] } };
  return list(read.svg.g).map((piece) => {
    const cut = list(piece.g).find((g) => g['@_class'] === 'cut')!;
    const d = list(cut.path)[0]!['@_d'];
    return {
      name: piece.title!,
      outline: curveOf(d).map(({ x, y }) => ({ x, y: heightMm + y })),
    };
  });
}

describe('files of a sheet, read back', () => {
  report.packed.sheets.forEach((sheet, index) => {
    it(`sheet ${index + 1}: SVG and DXF hold every piece once, its size, within the sheet and clear of the others`, () => {
      const pieces = cutLines(sheetFile(report, index, 'svg', 'Harness'), sheet.heightMm);
      expect(pieces).to.have.length(sheet.laid.length);
      const areas = pieces.map((p) => Math.abs(signedArea(p.outline))).sort((a, b) => a - b);
      const wanted = sheet.laid
        .map((l) => {
          const part = report.parts.find((p) => p.id === l.partId)!;
          return Math.abs(signedArea(part.pieces.find((p) => p.id === l.pieceId)!.outline));
        })
        .sort((a, b) => a - b);
      areas.forEach((a, i) => expect(a / wanted[i]!).to.be.closeTo(1, 1e-3));
      // Curves are curves, within 0.05 mm of the outline.
      sheet.laid.forEach((l) => {
        const part = report.parts.find((p) => p.id === l.partId)!;
        const outline = laidOutline(part.pieces.find((p) => p.id === l.pieceId)!.outline, l);
        const off = pieces.map(({ outline: curve }) =>
          Math.max(...outline.map((p) => distanceToEdge(curve, p))),
        );
        expect(Math.min(...off)).to.be.at.most(0.06);
        const drawn = pieces[off.indexOf(Math.min(...off))]!.outline;
        expect(Math.max(...drawn.map((p) => distanceToEdge(outline, p)))).to.be.at.most(0.06);
        expect(outlineLength(drawn)).to.be.closeTo(outlineLength(outline), 1);
      });
      for (const { outline } of pieces)
        for (const p of outline) {
          expect(p.x).to.be.within(0, sheet.widthMm);
          expect(p.y).to.be.within(0, sheet.heightMm);
        }
      pieces.forEach((a, i) =>
        pieces.slice(i + 1).forEach((b) => {
          const ring = (o: Vec2[]): [number, number][][] => [o.map((p): [number, number] => [p.x, p.y])];
          expect(
            polygonClipping.intersection(ring(a.outline), ring(b.outline)),
            `${a.name} and ${b.name}`,
          ).to.have.length(0);
        }),
      );
      const dxf = new DxfParser().parseSync(sheetFile(report, index, 'dxf', 'Harness'))!;
      const cut = dxf.entities.filter((e) => e.layer === 'CUT') as unknown as {
        vertices: (Vec2 & { bulge?: number })[];
      }[];
      expect(cut.some((e) => e.vertices.some((v) => v.bulge))).to.equal(
        / d="[^"]*A/.test(sheetFile(report, index, 'svg', 'x')),
      );
      const dxfAreas = cut.map((e) => Math.abs(bulgedArea(e.vertices))).sort((a, b) => a - b);
      expect(dxfAreas).to.have.length(areas.length);
      dxfAreas.forEach((a, i) => expect(a / areas[i]!).to.be.closeTo(1, 3e-4));
    });
  });

  it('a flipped copy is the mirror of the other, notches and all', () => {
    const names = report.packed.sheets.flatMap((s, i) =>
      cutLines(sheetFile(report, i, 'svg', 'x'), s.heightMm),
    );
    const flipped = names.find((n) => n.name.endsWith(', flipped'))!;
    const other = names.find((n) => n.name === flipped.name.replace(', flipped', ''))!;
    // Outlines run the same way round; the sides of the mirror come in the opposite order.
    expect(Math.sign(signedArea(flipped.outline))).to.equal(Math.sign(signedArea(other.outline)));
    // Turned over it lies where the sheet has it: drawn through its mirror, not through itself.
    const drawnBy = (mirror: boolean): number => {
      const laid = report.packed.sheets.flatMap((sheet) => sheet.laid).find((l) => l.flipped)!;
      const piece = report.parts
        .find((p) => p.id === laid.partId)!
        .pieces.find((p) => p.id === laid.pieceId)!;
      const ring = laidOutline(piece.outline, { ...laid, flipped: mirror });
      return Math.max(...flipped.outline.map((p) => distanceToEdge(ring, p)));
    };
    expect(drawnBy(true)).to.be.lessThan(0.1);
    expect(drawnBy(false)).to.be.greaterThan(1);
  });
});

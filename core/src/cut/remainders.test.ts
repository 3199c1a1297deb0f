import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { regionArea, signedArea, type Vec2 } from '../geometry';
import { schemaVersion } from '../document';
import { readBuildFile, writeBuildFile } from '../files/buildFile';
import { demo } from '../files/testing/demo';
import { catalogue } from '../materials';
import type { Piece } from '../panel';
import { reportOf } from '../report/testing/reportOf';
import { sheetGroups } from './packAll';
import { packSheets } from './packing';
import { remaindersOf } from './remainders';
import { laidOutline, type ToLay } from './sheets';
import { shelfAfter } from './shelfAfter';

const size = { foamId: 'dense-eva', nominalMm: 6, widthMm: 1000, heightMm: 500 };
const box = (w: number, h: number): Vec2[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];
const item = (id: string, outline: Vec2[]): ToLay => ({
  partId: 'p',
  flipped: false,
  piece: { id, name: id, outline, holes: [] } as unknown as Piece,
});
const poly = (ring: readonly Vec2[]): [number, number][][] => [ring.map((p): [number, number] => [p.x, p.y])];

describe('what is left of a sheet', () => {
  it('is the sheet but for its pieces, when they are boxes: by hand', () => {
    const items = [item('a', box(400, 490))];
    const { sheets } = packSheets(items, size, 5);
    const [left, ...more] = remaindersOf(sheets[0]!, items, 5);
    expect(more).to.deep.equal([]);
    // 1000 less 5, 400 and 5 wide; 1 mm less all round.
    expect(regionArea([left!.outline])).to.be.closeTo(588 * 498, 600);
  });

  it('what drops out of a hole is kept too, less what lies in it: by hand', () => {
    const ring: ToLay = {
      partId: 'p',
      flipped: false,
      piece: {
        id: 'r',
        name: 'r',
        outline: box(400, 400),
        holes: [{ id: 'h', kind: 'air', centre: { x: 200, y: 200 }, diameterMm: 300 }],
      } as unknown as Piece,
    };
    const laid = { partId: 'p', flipped: false, turnRad: 0, widthMm: 400, heightMm: 400 };
    const sheet = { ...size, widthMm: 400, heightMm: 400, laid: [{ ...laid, pieceId: 'r', x: 0, y: 0 }] };
    const [drop, ...more] = remaindersOf(sheet, [ring], 2);
    expect(more).to.deep.equal([]);
    // A disc of 300 less 2 and 1 all round.
    expect(regionArea([drop!.outline])).to.be.closeTo(Math.PI * 147 ** 2, 600);
    const small = item('s', box(180, 180));
    const both = { ...sheet, laid: [...sheet.laid, { ...laid, pieceId: 's', x: 110, y: 110 }] };
    const left = remaindersOf(both, [ring, small], 2);
    const mm2 = left.reduce((sum, { outline, holes = [] }) => sum + regionArea([outline, ...holes]), 0);
    expect(mm2).to.be.below(Math.PI * 147 ** 2 - 184 ** 2);
  });

  it('holds no piece, and nothing narrower than 50 mm, by another library', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 60, max: 420 }), fc.integer({ min: 60, max: 300 })), {
          minLength: 1,
          maxLength: 6,
        }),
        (boxes) => {
          const items = boxes.map(([w, h], i) => item(`b${i}`, box(w, h)));
          for (const sheet of packSheets(items, size, 5).sheets) {
            const parts = remaindersOf(sheet, items, 2);
            for (const { outline, holes = [] } of parts) {
              expect(signedArea(outline)).to.be.greaterThan(0);
              // Where the part lies on the sheet is not kept: its area is, and it fits the sheet.
              expect(Math.max(...outline.map((p) => p.x))).to.be.at.most(1000);
              expect(regionArea([outline, ...holes])).to.be.at.least(14_000);
            }
            const taken = sheet.laid.reduce(
              (sum, l) =>
                sum + Math.abs(signedArea(items.find((i) => i.piece.id === l.pieceId)!.piece.outline)),
              0,
            );
            const kept = parts.reduce((sum, p) => sum + regionArea([p.outline, ...(p.holes ?? [])]), 0);
            expect(kept + taken).to.be.at.most(500_000);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('keeps a hole where a piece was cut from the middle, and the hole is where the piece was', () => {
    const items = [item('a', box(200, 120))];
    const sheet = {
      ...size,
      laid: [
        { pieceId: 'a', partId: 'p', flipped: false, turnRad: 0.5, x: 400, y: 150, widthMm: 0, heightMm: 0 },
      ],
    };
    const [left] = remaindersOf(sheet, items, 2);
    expect(left!.holes).to.have.length(1);
    const piece = laidOutline(items[0]!.piece.outline, sheet.laid[0]!);
    // The outline begins a millimetre in from the corner.
    const hole = left!.holes![0]!.map((p) => ({ x: p.x + 1, y: p.y + 1 }));
    const over = polygonClipping.difference(poly(piece), poly(hole));
    expect(over).to.deep.equal([]);
  });

  it('goes on the shelf: sheets that were cut are gone from it, an offcut that was used too', () => {
    const items = [item('a', box(400, 490)), item('b', box(150, 150))];
    const old = { id: 'old', place: 'loft', since: '2026-01-01', outline: box(200, 200) };
    const { sheets } = packSheets(items, { ...size, offcuts: [old] }, 5);
    expect(sheets.map((s) => s.offcut?.id)).to.deep.equal(['old', undefined]);
    let n = 0;
    const shelf = [
      { foamId: 'dense-eva', nominalMm: 6, sheets: 3, pricePerSheet: 9, offcuts: [old] },
      { foamId: 'light-eva', nominalMm: 5, sheets: 2 },
    ];
    const after = shelfAfter(shelf, { sheets }, items, 3, 'rack 2', '2026-11-26', () => `o${n++}`);
    expect(after.kept).to.equal(1);
    expect(after.shelf[1]).to.deep.equal(shelf[1]);
    expect(after.shelf[0]).to.deep.include({ sheets: 2, pricePerSheet: 9 });
    expect(after.shelf[0]!.offcuts!.map((o) => [o.id, o.place])).to.deep.equal([['o0', 'rack 2']]);
    expect(after.keptMm2).to.be.closeTo(590 * 498, 3000);
  });

  it('from a file: an outline round nothing is refused by name, one all hole takes no piece', () => {
    const build = demo('lampwarden-bracers');
    const withOffcut = (outline: Vec2[], holes?: Vec2[][]) =>
      readBuildFile(
        writeBuildFile({
          fomrik: schemaVersion,
          pins: [],
          log: [],
          build: {
            ...build,
            stock: [
              {
                ...build.stock[0]!,
                offcuts: [{ id: 'o', place: '', since: '2026-01-01', outline, ...(holes && { holes }) }],
              },
            ],
          },
        }),
      );
    const corner = { x: 3, y: 3 };
    const refused = withOffcut([corner, corner, corner]);
    expect(refused.ok ? '' : refused.message).to.match(/offcuts\[0\]\.outline. encloses under 1 cm²/);
    const hollow = withOffcut(box(600, 400), [box(600, 400)]);
    if (!hollow.ok) throw new Error(hollow.message);
    const group = sheetGroups(hollow.value.build, reportOf(hollow.value.build).parts, catalogue)[0]!;
    expect(packSheets(group.items, group.size, 5).sheets.some((s) => s.offcut)).to.equal(false);
  });
});

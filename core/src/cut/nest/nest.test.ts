import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { boundsOf, distanceToEdge, signedArea, type Vec2 } from '../../geometry';
import type { Offcut } from '../../materials';
import { packSheets } from '../packing';
import { laidOutline, type Sheet, type SheetSize, type ToLay } from '../sheets';
import { keepNest, keptSheets, nestKey } from './kept';
import { type Nested, nesting } from './nest';
import { box, item, size } from './testing/items';
import { cellsOf, isTaken } from './raster';

/** A star of so many points: concave, any size. */
const star = fc
  .record({
    points: fc.integer({ min: 3, max: 8 }),
    out: fc.double({ min: 30, max: 170, noNaN: true }),
    into: fc.double({ min: 0.25, max: 1, noNaN: true }),
    flipped: fc.boolean(),
  })
  .map(({ points, out, into, flipped }) => ({
    flipped,
    outline: Array.from({ length: 2 * points }, (_, i): Vec2 => {
      const r = i % 2 === 0 ? out : out * into;
      return { x: r * Math.cos((i * Math.PI) / points), y: 0.7 * r * Math.sin((i * Math.PI) / points) };
    }),
  }));

const first = (
  items: readonly ToLay[],
  spacing: number,
  count: number,
  seed = 1,
  sheet: SheetSize = size,
): Nested => {
  let last: Nested | undefined;
  let n = 0;
  for (const found of nesting(items, sheet, spacing, seed)) {
    last = found;
    if ((n += 1) >= count) break;
  }
  return last!;
};

const outlinesOn = (sheet: Sheet, items: readonly ToLay[]): Vec2[][] =>
  sheet.laid.map((l) => laidOutline(items.find((i) => i.piece.id === l.pieceId)!.piece.outline, l));
const ring = (outline: readonly Vec2[]): [number, number][][] => [
  outline.map((p): [number, number] => [p.x, p.y]),
];
const common = (a: readonly Vec2[], b: readonly Vec2[]): number =>
  polygonClipping
    .intersection(ring(a), ring(b))
    .reduce((sum, poly) => sum + Math.abs(signedArea(poly[0]!.map(([x, y]) => ({ x: x!, y: y! })))), 0);

describe('nesting true shapes', function () {
  this.timeout(120_000);

  it('lays every piece once, none over another or nearer than the spacing, at every moment, by another library', () => {
    fc.assert(
      fc.property(
        fc.array(star, { minLength: 2, maxLength: 9 }),
        fc.constantFrom(0, 4, 8),
        (stars, spacing) => {
          const items = stars.map((s, i) => item(`s${i}`, s.outline, s.flipped));
          let n = 0;
          for (const { packed } of nesting(items, size, spacing, 7)) {
            expect(packed.sheets.flatMap((s) => s.laid.map((l) => l.pieceId)).sort()).to.deep.equal(
              items.map((i) => i.piece.id).sort(),
            );
            for (const sheet of packed.sheets) {
              const laid = outlinesOn(sheet, items);
              for (const [i, a] of laid.entries()) {
                const b = boundsOf(a);
                expect(
                  Math.min(b.minX, b.minY, size.widthMm - b.maxX, size.heightMm - b.maxY),
                ).to.be.at.least(spacing - 0.01);
                for (const c of laid.slice(i + 1)) {
                  expect(common(a, c)).to.be.lessThan(1e-6);
                  const gap = Math.min(
                    ...a.map((p) => distanceToEdge(c, p)),
                    ...c.map((p) => distanceToEdge(a, p)),
                  );
                  expect(gap).to.be.at.least(spacing - 0.05);
                }
              }
            }
            if ((n += 1) === 5) break;
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  it('is never worse than the boxes, and never worse than it was before', () => {
    fc.assert(
      fc.property(fc.array(star, { minLength: 3, maxLength: 12 }), (stars) => {
        const items = stars.map((s, i) => item(`s${i}`, s.outline, s.flipped));
        const boxes = packSheets(items, size, 5).sheets.length;
        let before: Nested | undefined;
        let n = 0;
        for (const now of nesting(items, size, 5)) {
          expect(now.sheets).to.be.at.most(boxes);
          expect(now.sheets).to.be.at.least(now.leastSheets);
          if (before)
            expect(
              [now.sheets, now.lastMm] <= [before.sheets, before.lastMm] ||
                now.sheets < before.sheets ||
                now.lastMm <= before.lastMm + 1e-6,
            ).to.equal(true);
          before = now;
          if ((n += 1) === 6) break;
        }
      }),
      { numRuns: 10 },
    );
  });

  it('goes on from what was found before and tells of nothing worse', () => {
    const items = Array.from({ length: 7 }, (_, i) =>
      item(`t${i}`, [
        { x: 0, y: 0 },
        { x: 190, y: 0 },
        { x: 30 * i, y: 160 },
      ]),
    );
    const found = first(items, 5, 30, 3);
    for (const now of nesting(items, size, 5, 9, found.packed.sheets)) {
      expect(now.lastMm).to.be.at.most(found.lastMm + 1e-9);
      if (now.tries > 3) break;
    }
  });

  it('gives the same layout for the same pieces and seed', () => {
    const items = Array.from({ length: 7 }, (_, i) =>
      item(`t${i}`, [
        { x: 0, y: 0 },
        { x: 190, y: 0 },
        { x: 30 * i, y: 160 },
      ]),
    );
    expect(first(items, 5, 9, 3).packed).to.deep.equal(first(items, 5, 9, 3).packed);
  });

  it('lays triangles into each other, where boxes leave half of every box empty', () => {
    const items = Array.from({ length: 10 }, (_, i) =>
      item(`t${i}`, [
        { x: 0, y: 0 },
        { x: 300, y: 0 },
        { x: 0, y: 230 },
      ]),
    );
    const boxes = packSheets(items, size, 0).sheets.length;
    const nested = first(items, 0, 1000);
    expect(nested.sheets).to.be.lessThan(boxes);
    expect(nested.sheets).to.equal(1);
  });

  it('touches every cell an outline runs through or holds: none of it is left out', () => {
    fc.assert(
      fc.property(star, ({ outline }) => {
        const cell = 3;
        const cells = cellsOf([outline], cell);
        const b = boundsOf(outline);
        const near = (x: number, y: number): boolean =>
          // On the line between two cells either counts.
          [-1e-7, 1e-7].some((dx) => [-1e-7, 1e-7].some((dy) => taken(x + dx, y + dy)));
        const taken = (x: number, y: number): boolean => {
          const [c, r] = [
            Math.min(cells.columns - 1, Math.floor((x - b.minX) / cell)),
            Math.min(cells.rows - 1, Math.floor((y - b.minY) / cell)),
          ];
          return isTaken(cells, c, r);
        };
        outline.forEach((p, i) => {
          const q = outline[(i + 1) % outline.length]!;
          for (let k = 0; k <= 40; k++)
            expect(near(p.x + ((q.x - p.x) * k) / 40, p.y + ((q.y - p.y) * k) / 40)).to.equal(true);
        });
        // From the middle to each point, shrunk a little: all within a star.
        for (const p of outline)
          for (let k = 0; k < 20; k++) expect(near((p.x * k) / 20, (p.y * k) / 20)).to.equal(true);
      }),
      { numRuns: 60 },
    );
  });

  it('lays small pieces in the holes of large ones, clear of their rims', () => {
    const frame = item('frame', box(480, 480));
    (frame.piece.holes as unknown[]).push({
      id: 'h',
      kind: 'hole',
      centre: { x: 240, y: 240 },
      diameterMm: 400,
    });
    const discs = Array.from({ length: 4 }, (_, i) => item(`d${i}`, box(110, 110)));
    // The frame fills the sheet: what is not in its hole wants a second one.
    const tight = { ...size, widthMm: 500, heightMm: 500 };
    const found = first([frame, ...discs], 8, 40, 2, tight);
    expect(found.sheets).to.equal(1);
    const [laid] = found.packed.sheets;
    const rim = laid!.laid.find((l) => l.pieceId === 'frame')!;
    const [middle] = laidOutline([{ x: 240, y: 240 }], rim);
    for (const l of laid!.laid)
      if (l !== rim)
        for (const p of laidOutline(discs[0]!.piece.outline, l))
          expect(Math.hypot(p.x - middle!.x, p.y - middle!.y)).to.be.at.most(200 - 8 + 0.1);
  });

  it('uses offcuts of any outline before whole sheets, never over their edges', () => {
    const ell: Offcut = {
      id: 'ell',
      place: '',
      since: '2026-01-01',
      outline: [
        { x: 0, y: 0 },
        { x: 500, y: 0 },
        { x: 500, y: 160 },
        { x: 160, y: 160 },
        { x: 160, y: 400 },
        { x: 0, y: 400 },
      ],
      holes: [
        box(40, 40)
          .map((p) => ({ x: p.x + 60, y: p.y + 60 }))
          .reverse(),
      ],
    };
    fc.assert(
      fc.property(fc.array(star, { minLength: 2, maxLength: 6 }), (stars) => {
        const items = stars.map((s, i) => item(`s${i}`, s.outline, s.flipped));
        let n = 0;
        for (const { packed } of nesting(items, { ...size, offcuts: [ell] }, 4, 5)) {
          expect(packed.sheets.flatMap((s) => s.laid.map((l) => l.pieceId)).sort()).to.deep.equal(
            items.map((i) => i.piece.id).sort(),
          );
          for (const sheet of packed.sheets.filter((s) => s.offcut))
            for (const outline of outlinesOn(sheet, items)) {
              const outside = polygonClipping.difference(ring(outline), [
                ring(ell.outline)[0]!,
                ring(ell.holes![0]!)[0]!,
              ]);
              expect(outside.flat().reduce((sum, r) => sum + r.length, 0)).to.equal(0);
              for (const p of outline) expect(distanceToEdge(ell.outline, p)).to.be.at.least(3.9);
            }
          if ((n += 1) === 4) break;
        }
      }),
      { numRuns: 12 },
    );
    const small = [item('a', box(120, 120)), item('b', box(120, 120))];
    const found = first(small, 4, 3, 1, { ...size, offcuts: [ell] });
    expect(found.sheets).to.equal(0);
    expect(found.packed.sheets.map((s) => s.offcut?.id)).to.deep.equal(['ell']);
    // Kept and read again, it lies on the same offcut; without the offcut it is no plan.
    const of = { ...size, offcuts: [ell] };
    const nest = keepNest(nestKey(small, of, 4), found.packed.sheets);
    expect(keptSheets(nest, small, of)!.map((s) => s.offcut?.id)).to.deep.equal(['ell']);
    expect(keptSheets(nest, small, size)).to.equal(undefined);
  });

  it('leaves locked pieces where they are, and lays the others round them', () => {
    const items = Array.from({ length: 6 }, (_, i) => item(`t${i}`, box(200 + 10 * i, 140)));
    const found = first(items, 5, 3);
    const [sheet] = found.packed.sheets;
    // Out of the way of nothing: turned askew in the middle of the sheet.
    const held = { ...sheet!.laid[0]!, turnRad: 0.4, x: 420, y: 130, locked: true as const };
    const from = [
      { ...sheet!, laid: [held] },
      { ...sheet!, laid: sheet!.laid.slice(1) },
    ];
    let n = 0;
    for (const { packed, tries } of nesting(items, size, 5, 4, from)) {
      const own = packed.sheets[0]!.laid.find((l) => l.pieceId === held.pieceId)!;
      expect(own).to.deep.include({ turnRad: 0.4, x: 420, y: 130, locked: true });
      if (tries > 0) {
        expect(packed.sheets).to.have.length(1);
        const laid = outlinesOn(packed.sheets[0]!, items);
        laid.forEach((a, i) => laid.slice(i + 1).forEach((b) => expect(common(a, b)).to.be.lessThan(1e-6)));
      }
      if ((n += 1) === 12) break;
    }
  });

  it('cuts a mirrored piece from the other face only where the faces are alike, and says so', () => {
    const hook = [
      { x: 0, y: 0 },
      { x: 400, y: 0 },
      { x: 400, y: 60 },
      { x: 60, y: 60 },
      { x: 60, y: 240 },
      { x: 0, y: 240 },
    ];
    const either = (eitherFace: boolean): Nested =>
      first(
        Array.from({ length: 6 }, (_, i) => ({ ...item(`h${i}`, hook), ...(eitherFace && { eitherFace }) })),
        0,
        200,
        3,
        { ...size, turns: 'halves' as const },
      );
    for (const l of either(false).packed.sheets[0]!.laid)
      expect([l.flipped, l.over]).to.deep.equal([false, undefined]);
    const free = either(true).packed.sheets[0]!.laid;
    for (const l of free) expect(l.over ?? false).to.equal(l.flipped);
    expect(free.some((l) => l.over)).to.equal(true);
    // Grain: only upside down.
    for (const l of free) expect(Math.abs(Math.sin(l.turnRad))).to.be.lessThan(1e-9);
  });
});

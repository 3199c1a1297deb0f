import { expect } from 'chai';
import { schemaVersion } from '../../document';
import { readBuildFile, writeBuildFile } from '../../files/buildFile';
import { demo } from '../../files/testing/demo';
import { catalogue } from '../../materials';
import type { Piece } from '../../panel';
import { reportOf } from '../../report/testing/reportOf';
import { sheetGroups } from '../packAll';
import type { ToLay } from '../sheets';
import { keepNest, keptSheets, nestKey } from './kept';
import { type Nested, nesting } from './nest';
import { box, item, size } from './testing/items';

/** What the search has after so many layouts. */
function after(items: readonly ToLay[], count: number): Nested {
  const run = nesting(items, size, 4);
  let last = run.next().value!;
  for (let n = 1; n < count; n++) last = run.next().value!;
  return last;
}

describe('a nest that is kept', () => {
  const items = Array.from({ length: 10 }, (_, i) =>
    item(`t${i % 5}`, [
      { x: 0, y: 0 },
      { x: 300, y: 0 },
      { x: 0, y: 230 },
    ]),
  );
  const nest = keepNest(nestKey(items, size, 4), after(items, 3).packed.sheets);

  it('comes back as it was laid, and only for the very pieces, sheet and spacing it was made for', () => {
    const sheets = keptSheets(nest, items, size)!;
    expect(sheets.every((s) => s.nested)).to.equal(true);
    expect(sheets.flatMap((s) => s.laid)).to.have.length(10);
    expect(nestKey([...items].reverse(), size, 4)).to.equal(nest.key);
    for (const other of [
      nestKey(items, size, 5),
      nestKey(items, { ...size, widthMm: 900 }, 4),
      nestKey(items.slice(1), size, 4),
      nestKey(
        items.map((i, k) => (k === 0 ? { ...i, flipped: true } : i)),
        size,
        4,
      ),
      nestKey(
        items.map((i, k) => (k === 0 ? item('t0', box(10, 10)) : i)),
        size,
        4,
      ),
    ])
      expect(other).to.not.equal(nest.key);
  });

  it('counts no longer when a hole that others may lie in is moved', () => {
    const holed = (x: number): ToLay[] => {
      const frame = item('frame', box(300, 300));
      const hole = { id: 'h', kind: 'hole', centre: { x, y: 150 }, diameterMm: 100 };
      return [{ ...frame, piece: { ...frame.piece, holes: [hole] } as unknown as Piece }];
    };
    expect(nestKey(holed(150), size, 4)).to.equal(nestKey(holed(150), size, 4));
    expect(nestKey(holed(150), size, 4)).to.not.equal(nestKey(holed(120), size, 4));
  });

  it('is refused when a piece is missing, doubled or over the edge', () => {
    const [first_, ...rest] = nest.sheets;
    const without_ = { ...nest, sheets: [first_!.slice(1), ...rest] };
    const doubled = { ...nest, sheets: [[...first_!, first_![0]!], ...rest] };
    const over = {
      ...nest,
      sheets: [first_!.map((l, i) => (i === 0 ? { ...l, x: l.x + 900 } : l)), ...rest],
    };
    for (const bad of [without_, doubled, over]) expect(keptSheets(bad, items, size)).to.equal(undefined);
  });

  it('lays the harness on no more sheets than its boxes, kept in the document as any file', () => {
    const doc = demo('lampwarden-harness');
    const before = reportOf(doc);
    const nests = sheetGroups(doc, before.parts, catalogue).map(({ items: own, size: of }) => {
      let best: Nested | undefined;
      let n = 0;
      for (const now of nesting(own, of, doc.cut.spacingMm)) {
        best = now;
        if ((n += 1) === 2) break;
      }
      return keepNest(nestKey(own, of, doc.cut.spacingMm), best!.packed.sheets);
    });
    const nestedDoc = { ...doc, cut: { ...doc.cut, nests } };
    const read = readBuildFile(
      writeBuildFile({ fomrik: schemaVersion, build: nestedDoc, pins: [], log: [] }),
    );
    if (!read.ok) throw new Error(read.message);
    const nested = reportOf(read.value.build);
    expect(nested.packed.sheets.every((s) => s.nested)).to.equal(true);
    expect(nested.packed.sheets.length).to.be.at.most(before.packed.sheets.length);
    expect(nested.totals.cost).to.be.at.most(before.totals.cost + 1e-9);
    // An edit makes the nest of that foam count no longer; nothing is lost.
    const edited = reportOf({ ...nestedDoc, cut: { ...nestedDoc.cut, spacingMm: doc.cut.spacingMm + 1 } });
    expect(edited.packed.sheets.some((s) => s.nested)).to.equal(false);
  });
});

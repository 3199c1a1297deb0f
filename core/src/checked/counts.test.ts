import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import type { BuildDoc } from '../document';
import { cutListCsv } from '../files/csv';
import { handCsv } from '../files/cutter/handSheet';
import { demo } from '../files/testing/demo';
import { newBuild, standardKinds } from '../parts';
import { anyPart } from '../parts/testing/anyPart';
import { adultMeasures } from '../parts/testing/worn.test';
import { reportOf } from '../report/testing/reportOf';

const rowsOf = (text: string): Record<string, string>[] =>
  Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;
const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** Every list that leaves, against what lies on the sheets: each piece counted once and the same everywhere. */
function expectCounted(doc: BuildDoc): void {
  const report = reportOf(doc);
  const onSheets = sum(report.packed.sheets.map((s) => s.laid.length)) + report.packed.tooBig.length;
  const listed = rowsOf(cutListCsv(report)).filter((r) => r['cut']!.startsWith('cut '));
  const reported = (r: Record<string, string>): number => Number(/^cut (\d+)/.exec(r['cut']!)![1]);
  expect(sum(listed.map(reported)), 'cut list').to.equal(onSheets);
  expect(sum(rowsOf(handCsv(report)).map((r) => Number(r['times']))), 'hand-cutting sheet').to.equal(
    onSheets,
  );
  const traced = report.steps
    .filter((s) => s.kind === 'trace')
    .map((s) => Number(/trace (\d+) /.exec(s.title)![1]));
  expect(sum(traced), 'steps').to.equal(onSheets);
  // Turned over on the sheets as the list says, copies of a template by the way they lie on it.
  for (const part of report.parts)
    for (const piece of part.pieces) {
      const laid = report.packed.sheets
        .flatMap((s) => s.laid)
        .filter((l) => l.partId === part.id && l.pieceId === piece.id);
      const left = report.packed.tooBig.filter((l) => l.partId === part.id && l.pieceId === piece.id);
      if (left.length === 0) {
        expect(laid.length, piece.name).to.equal(piece.quantity);
        expect(laid.filter((l) => l.flipped).length, piece.name).to.equal(piece.flipped);
      }
    }
  // What is cut out inside a piece is counted whatever its outline.
  const holes = sum(listed.map((r) => Number(r['holes']) * reported(r)));
  const drawn = sum(
    report.parts.flatMap((p) =>
      p.pieces.map((q) => (q.holes.length + q.marks.filter((m) => m.kind === 'slot').length) * q.quantity),
    ),
  );
  expect(holes, 'holes').to.equal(drawn);
}

describe('every count in every list is the count on the sheets', function () {
  this.timeout(240_000);

  for (const name of ['bracers', 'harness', 'arms', 'gull', 'harbour', 'tide'])
    it(`lampwarden-${name}`, () => expectCounted(demo(`lampwarden-${name}`)));

  it('of any build', () => {
    const wearer = { name: 'Anyone', underLayerMm: 2, measures: adultMeasures };
    const forms = [...standardKinds.forms.values()]
      .filter((f) => !f.surface && f.sheets !== 'none')
      .map((f) => f.kind);
    fc.assert(
      fc.property(
        fc.constantFrom(...forms).chain((form) => anyPart(form, wearer)),
        (part) => expectCounted({ ...newBuild('Any', '2026-03-01', wearer), parts: [part] }),
      ),
      { numRuns: 14 },
    );
  });
});

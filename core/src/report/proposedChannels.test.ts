import { expect } from 'chai';
import { applyChanges } from '../document';
import { demo } from '../files/testing/demo';
import { contains, dist3 } from '../geometry';
import { onGrid } from '../panel';
import { reportOf } from './testing/reportOf';
import { proposedChannels } from './proposedChannels';

describe('channels along wires', () => {
  const doc = demo('lampwarden-bracers');
  const report = reportOf(doc);
  const circuit = report.circuits[0]!;
  const part = doc.parts.find((p) => p.id === circuit.partIds[0])!;
  const found = proposedChannels(doc, part, circuit.runs, circuit.awg);

  it('are cut into the very pieces the wires run over, and nothing new is noticed', () => {
    expect(found.length).to.be.greaterThan(1);
    const index = doc.parts.indexOf(part);
    const after = reportOf(
      applyChanges(doc, [{ path: ['parts', index, 'features'], value: [...part.features, ...found] }]),
    );
    const made = after.parts[index]!;
    const cut = made.pieces.flatMap((piece) =>
      piece.marks.filter((m) => m.text?.startsWith('wire channel')).map((m) => ({ piece, m })),
    );
    expect(cut).to.have.length(found.length);
    for (const { piece, m } of cut) expect(m.points.every((p) => contains(piece.outline, p))).to.equal(true);
    const titles = report.findings.map((f) => f.title);
    expect(
      after.findings.filter((f) => f.severity !== 'note' && !titles.includes(f.title)).map((f) => f.title),
    ).to.deep.equal([]);
  });

  it('end where a wire ends, within a centimetre in space', () => {
    const { surfaces } = report.parts.find((p) => p.id === part.id)!;
    const ends = circuit.runs
      .filter((r) => r.partId === part.id)
      .flatMap((r) => [r.points[0]!, r.points.at(-1)!]);
    for (const { place } of found) {
      if (place.on !== 'path') throw new Error('a channel is a path');
      const { grid } = surfaces.find((s) => s.pieceId === place.panel)!;
      for (const [x, y] of [place.points[0]!, place.points.at(-1)!]) {
        const at = onGrid(grid, { x, y });
        expect(Math.min(...ends.map((e) => dist3(e, at)))).to.be.lessThan(10);
      }
    }
  });

  it('are none where no wire runs', () => {
    expect(proposedChannels(doc, part, [], 24)).to.deep.equal([]);
  });
});

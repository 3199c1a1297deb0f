import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../report';
import { readBuildFile } from '../files/buildFile';
import { inRows } from './drawing';
import { printedPieces, sourcedPieces } from './sourcedPieces';
import { drawingSvg } from '../files/svg';

describe('the pattern of a bought thing', () => {
  const read = readBuildFile(
    readFileSync(new URL('../../../demo/lampwarden-tide.fomrik.json', import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(read.message);
  const report = derive(read.value.build);
  const printed = printedPieces(report);
  const cut = new Set(sourcedPieces(report).map((p) => p.source.code));

  it('has the walls that something is drilled in, and no wall that stays whole', () => {
    const walls = printed.filter((p) => p.piece.template).map((p) => p.piece.id);
    expect(walls).to.have.members(['top', 'right']);
    expect(new Set(printed.map((p) => p.source.code)).size).to.equal(printed.length);
  });

  it('cuts none of them from a sheet', () => {
    const laid = report.packed.sheets.flatMap((s) => s.laid.map((p) => p.pieceId));
    expect(laid).to.not.include.members(['top']);
    expect(laid).to.not.include.members(['right']);
    for (const p of printed) expect(cut.has(p.source.code)).to.equal(!p.piece.template);
  });

  it('leaves the house with lamp holes where they are in the case: 36 mm apart, read back from the file', () => {
    const { shapes, widthMm, heightMm } = inRows(printed.filter((p) => p.piece.id === 'top'));
    const svg = drawingSvg(shapes, widthMm, heightMm, 'top');
    const holes = [...svg.matchAll(/<circle[^>]*cx="([\d.]+)"[^>]*cy="([\d.]+)"[^>]*r="([\d.]+)"/g)]
      .map((m) => m.slice(1).map(Number))
      .filter(([, , r]) => r === 2.5);
    expect(holes).to.have.length(2);
    expect(Math.hypot(holes[0]![0]! - holes[1]![0]!, holes[0]![1]! - holes[1]![1]!)).to.be.closeTo(36, 0.01);
  });
});

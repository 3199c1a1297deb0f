import { expect } from 'chai';
import type { BuildDoc, Part } from '../document';
import { cutListCsv } from '../files/csv';
import { meshArea, meshVolume } from '../geometry';
import { newBuild, newPart, standardKinds } from '../parts';
import { adultMeasures } from '../parts/testing/worn.test';
import { printedPieces } from '../pattern';
import { derive } from '../report';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
const docOf = (...parts: Part[]): BuildDoc => ({ ...newBuild('One', '2026-03-02', wearer), parts });
const reported = (...parts: Part[]) => derive(docOf(...parts), { untried: true });
const asPrint = (part: Part): Part => ({ ...part, printed: true });

const printable = [...standardKinds.forms.values()].filter(
  (f) => f.sheets === 'one' || f.sheets === 'layers',
);

describe('a part whose shell is printed', function () {
  this.timeout(120_000);

  for (const { kind } of printable)
    it(`${kind}: is cut from no sheet, weighs its plastic instead of its foam, and is printed before it is painted`, () => {
      const one = { ...newPart('one', wearer, kind), name: 'Printed one', lining: null };
      const [cut, printed] = [reported(one), reported(asPrint(one))];
      const [was, is] = [cut.parts[0]!, printed.parts[0]!];
      expect(printed.packed.sheets).to.deep.equal([]);
      expect(printedPieces(printed)).to.deep.equal([]);
      // Pipes and dowels are sawn as ever.
      expect(
        cutListCsv(printed)
          .split('\n')
          .filter((l) => l.includes(one.name) && /EVA/.test(l)),
      ).to.deep.equal([]);
      // Mass: what it had besides foam and finish, and the plastic of its solids.
      const rest = was.totalG - was.foamG - was.finishG;
      expect(is.totalG).to.be.closeTo(rest + is.printing!.plasticG + is.finishG, 1e-6);
      expect(is.weight.massG).to.be.closeTo(is.totalG, 1e-6);
      // No denser than solid plastic, no lighter than its fill.
      const mm3 = meshVolume(is.solid.mesh);
      expect(is.printing!.plasticG / mm3).to.be.within(0.14 * 1.24e-3, 1.25e-3);
      const ids = printed.steps.map((s) => s.id);
      expect(ids).to.not.include('print');
      expect(printed.steps.flatMap((s) => s.after).filter((id) => !ids.includes(id))).to.deep.equal([]);
      const at = (id: string) => ids.indexOf(id);
      expect(ids).to.include.members(['one:print-shell', 'one:print-filled']);
      expect(ids.filter((id) => /:(trace|cut|form|seams?|seal-\d)$/.test(id))).to.deep.equal([]);
      expect(at('one:print-shell')).to.be.lessThan(at('one:print-filled'));
      const painting = printed.steps.findIndex((s) => s.kind === 'paint' || s.kind === 'coat');
      if (painting >= 0) expect(at('one:print-filled')).to.be.lessThan(painting);
      expect(printed.cost.some((l) => l.what === 'printing plastic' && l.total > 0)).to.equal(true);
    });

  it('weighs as two walls and thin fill by hand: a blade’s layer of 10 mm', () => {
    const blade = newPart('one', wearer, 'blade');
    const one = asPrint({
      ...blade,
      params: {
        ...blade.params,
        point: 'square',
        lengthMm: 200,
        widthMm: 60,
        tipWidthMm: 60,
        bevelMm: 0,
        tangMm: 0,
      },
      stack: [{ foamId: 'dense-eva', nominalMm: 10 }],
    });
    const made = reported(one).parts[0]!;
    const [mm3, mm2] = [meshVolume(made.solid.mesh), meshArea(made.solid.mesh)];
    const walls = mm2 * 0.8;
    expect(made.printing!.plasticG).to.be.closeTo(((walls + (mm3 - walls) * 0.15) * 1.24) / 1000, 0.01);
    // Longer than the bed of 220 mm it would be split: it is not.
    expect(made.printing!.pieces).to.equal(1);
  });

  it('is not judged by what foam cannot do, and still by how it fits', () => {
    const tight = { ...newPart('one', wearer, 'bracer'), stack: [{ foamId: 'dense-eva', nominalMm: 30 }] };
    const foamOnly = (part: Part) =>
      reported(part)
        .findings.filter((f) => /bend|stretch|sold/.test(f.title))
        .map((f) => f.title);
    expect(foamOnly(tight)).to.not.deep.equal([]);
    expect(foamOnly(asPrint(tight))).to.deep.equal([]);
  });

  it('keeps what is laid on it to be cut', () => {
    const bracer = newPart('one', wearer, 'bracer');
    const lined = { ...bracer, lining: { foamId: 'dense-eva', nominalMm: 2 } };
    const printed = reported(asPrint(lined));
    const roles = printedPieces(printed).map((p) => p.piece.role);
    expect(new Set(roles)).to.deep.equal(new Set(['lining']));
    expect(printed.packed.sheets).to.not.deep.equal([]);
  });
});

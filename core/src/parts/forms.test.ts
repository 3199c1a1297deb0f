import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody } from '../body';
import { holds } from '../document';
import { sightThrough } from '../forms/helmet/sight';
import { meshVolume } from '../geometry/mesh';
import { overlapsItself, signedArea } from '../geometry';
import { startHabits } from '../materials';
import type { Piece } from '../panel';
import { standardKinds } from './kinds';
import { partReport } from './partReport';
import {
  adult,
  anyone,
  areaOf,
  contextOf,
  bodyOf,
  checkOf,
  edgeInSpaceMm,
  edgeMm,
  expectCured,
  make,
  partOf,
  pieceOf,
  tiers,
} from './testing/worn.test';

const { forms } = standardKinds;

describe('every form', () => {
  const sheeted = [...forms.values()]
    .filter((f) => f.sheets === 'one' || f.sheets === 'layers')
    .map((f) => f.kind);
  for (const kind of sheeted) {
    it(`${kind}: for anyone, pieces without NaN, flip or overlap, and seams that meet or say their ease`, function () {
      this.timeout(60_000);
      fc.assert(
        fc.property(anyone, fc.constantFrom(2, 5, 6, 10), (measures, nominalMm) => {
          const body = resolveBody(measures);
          const made = make(
            kind,
            forms.get(kind)!.fields.some((f) => f.key === 'darts') ? { darts: 0 } : {},
            {
              body,
              nominalMm,
            },
          );
          expect(made.pieces.length).to.be.greaterThan(0);
          for (const piece of made.pieces) {
            expect(
              piece.outline.every((p) => Number.isFinite(p.x) && Number.isFinite(p.y)),
              piece.name,
            ).to.equal(true);
            expect(signedArea(piece.outline), piece.name).to.be.greaterThan(0);
            expect(overlapsItself(piece.outline), piece.name).to.equal(false);
            for (const edge of piece.edges) {
              expect(edge.lengthMm, `${piece.name} ${edge.name}`).to.be.at.least(0);
              if (edge.joint !== 'seam') continue;
              const ease = edge.lengthMm - edgeMm(pieceOf(made, edge.mate!.pieceId), edge.mate!.edgeId);
              if (Math.abs(ease) > 0.5)
                expect(edge.easeMm, `${piece.name} ${edge.name}`).to.be.closeTo(ease, 1e-9);
              else expect(edge.easeMm).to.equal(undefined);
            }
          }
          const { mesh } = made.solid();
          expect(mesh.points.every((p) => Number.isFinite(p.x + p.y + p.z))).to.equal(true);
          expect(meshVolume(mesh)).to.be.greaterThan(0);
        }),
        { numRuns: 6 },
      );
    });
  }

  it('has defaults that its fields can hold, and no other', () => {
    for (const [kind, form] of forms) {
      const defaults = form.defaults(adult);
      for (const field of form.fields)
        expect(holds(field, defaults[field.key]), `${kind}.${field.key}`).to.equal(true);
      expect(Object.keys(defaults).sort()).to.deep.equal(form.fields.map((f) => f.key).sort());
    }
  });
});

describe('halves', () => {
  it('are cut as one another flipped, and the form really is symmetric', () => {
    for (const [kind, change] of [
      ['breastplate', { halves: 2 }],
      ['backplate', { halves: 2 }],
      ['half-mask', { halves: 2 }],
      ['greave', { panels: 2 }],
      ['knee-cop', { halves: 2 }],
    ] as const) {
      const made = make(kind, change);
      const [a, b] = made.pieces as [Piece, Piece];
      expect(b.areaMm2, kind).to.be.closeTo(a.areaMm2, 1e-6);
      for (const [one, two] of [
        ['left', 'right'],
        ['right', 'left'],
        ['top', 'top'],
        ['bottom', 'bottom'],
      ] as const)
        expect(edgeMm(a, one)).to.be.closeTo(edgeMm(b, two), 1e-6);
      // Against the form itself: the halves' own edges in space are as long on either side.
      const length = (piece: Piece, edge: string): number => edgeInSpaceMm(made, piece.id, edge);
      expect(length(a, 'top'), kind).to.be.closeTo(length(b, 'top'), 0.5);
      expect(length(a, 'left'), kind).to.be.closeTo(length(b, 'right'), 0.5);
    }
  });
});

describe('gores', () => {
  it('follow the half-width (πR/n)·cos φ and height of the sinusoidal gore', () => {
    // Sinusoidal gores: sheet-metal pattern tables and map projections (half-width (πR/n)·cos φ, quarter arc πR/2).
    const body = bodyOf({
      headLength: 200,
      headBreadth: 200,
      headHeight: 200,
      headGirth: Math.PI * 200,
      stature: 1700,
    });
    const n = 10;
    const gore = pieceOf(make('helmet', { scheme: 'gores', gores: n, darts: 0 }, { body }), 'gore-1');
    const R = 100 + 3 + 12 + 3;
    const rad = (d: number): number => (d * Math.PI) / 180;
    const width = edgeMm(gore, 'bottom');
    expect(width).to.be.closeTo(((2 * Math.PI * R) / n) * Math.cos(rad(8)), width * 0.04); // the brow edge is free and takes up strain
    const arc = R * rad(87 - 8);
    expect(edgeMm(gore, 'left')).to.be.within(arc * 0.985, arc * 1.02);
  });
});

describe('fit of worn forms', () => {
  it('a closed collar must pass the head; every cure it offers lessens what is wrong', function () {
    this.timeout(60_000);
    const found = expectCured('gorget', { closure: 'none', roomMm: 6 }, 'head');
    expect(found.title).to.match(/leaves a \d+ mm opening at tier \d; this head needs 578 mm/);
  });

  it('tiers cost their thickness all round: 2π mm of opening for each millimetre', () => {
    // Trade fact (common practice, no source): tiers reduce the opening by their thickness.
    const collar = (nominalMm: number) =>
      make(
        'gorget',
        { tiers: tiers(2, () => ({ leanMm: 0 })), stepMm: 4, roomMm: 20, closure: 'none' },
        { nominalMm },
      );
    const { pieces } = collar(6);
    expect(edgeMm(pieces[0]!, 'bottom') - edgeMm(pieces[1]!, 'bottom')).to.be.closeTo(
      2 * Math.PI * (6 + 4),
      8,
    );
    const opening = (mm: number): number => Math.min(...collar(mm).clearances.map((p) => p.openingMm));
    expect(opening(10)).to.be.closeTo(opening(6), 1e-6);
  });

  it('a narrow slit is a stop, its cure sees better', () => {
    expect(expectCured('helmet', { slitMm: 10, slitDropMm: 0 }, 'sight').severity).to.equal('stop');
    expect(checkOf(make('helmet', { ears: 'covered' }), 'ears')!.severity).to.equal('stop');
    expect(checkOf(make('half-mask', { breath: 'none' }), 'breath')!.severity).to.equal('stop');
  });

  it('a closed greave must pass the heel', () => {
    expect(
      checkOf(make('greave', { closure: 'none', gapMm: 0, easeMm: 0, paddingMm: 0 }), 'pass'),
    ).to.not.equal(undefined);
    expect(checkOf(make('greave'), 'pass')).to.equal(undefined);
  });

  it('sees what plane geometry says', () => {
    const sight = sightThrough(
      { x: 0, y: 0, z: 0 },
      { halfWidthMm: 100, sideY: 100, topZ: 50, bottomZ: -50, frontY: 50 },
    );
    expect(sight.sideDeg).to.be.closeTo(45, 1e-9);
    expect(sight.downDeg).to.be.closeTo(45, 1e-9);
  });

  it('moves where it should when the wearer changes', () => {
    const [middling, wide] = [
      { chestGirth: 980, waistGirth: 840, hipGirth: 990 },
      { chestGirth: 1150, waistGirth: 1000, hipGirth: 1100 },
    ].map((girths) =>
      areaOf(
        make('breastplate', { darts: 0 }, { body: bodyOf({ stature: 1720, headGirth: 568, ...girths }) }),
      ),
    );
    expect(wide!).to.be.greaterThan(middling! * 1.05);
  });
});

describe('mass of a finished part', () => {
  it('counts foam, glue, coats and paint, reckoned here from its pieces (densities from memory)', () => {
    const part = partOf('greave', { halves: 2 });
    const made = partReport(part, contextOf());
    const shell = made.pieces.filter((p) => p.role === 'shell');
    const m2 = shell.reduce((sum, p) => sum + p.areaMm2, 0) / 1e6;
    // Light EVA 100 kg/m³ or as the catalogue has it, 6 mm; rubber 190 and paint 90 g/m²; contact cement 2.5 g/m.
    expect(made.foamG).to.be.closeTo(m2 * 0.006 * shell[0]!.densityKgM3 * 1000, 0.01);
    const seamM = shell
      .flatMap((p) => p.edges)
      .filter((e) => e.joint === 'seam')
      .reduce((s, e) => s + e.lengthMm / 2000, 0);
    expect(made.finishG).to.be.closeTo(m2 * 280 + seamM * 2.5, 0.01);
    expect(made.totalG).to.be.at.least(made.foamG + made.finishG);
  });

  it('follows a sheet that was weighed, and coats as the shop seals', () => {
    const part = partOf('greave');
    const plain = partReport(part, contextOf());
    const sheet = plain.foam;
    // A sheet of 6 mm that weighs as much as 200 kg/m³ would.
    const sheetG = (sheet.widthMm * sheet.heightMm * 6 * 200) / 1e6;
    const stock = [{ foamId: sheet.foamId, nominalMm: 6, sheets: 1, sheetG }];
    const weighed = partReport(part, contextOf({ stock }));
    expect(weighed.foam.densityKgM3).to.deep.include({ provenance: 'measured' });
    expect(weighed.foamG / plain.foamG).to.be.closeTo(200 / sheet.densityKgM3.value, 1e-6);
    const thick = partReport(part, { ...contextOf(), habits: { ...startHabits, seal: 'thermoplastic' } });
    expect(thick.finishG).to.be.greaterThan(2 * plain.finishG);
  });
});

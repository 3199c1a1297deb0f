import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody } from '../../body/estimate';
import type { Measure, MeasureKey } from '../../body/measures';
import { signedArea } from '../../geometry/polygon';
import { overlapsItself } from '../../geometry/overlap';
import { dist3 } from '../../geometry/vec';
import type { Piece } from '../piece';
import { meshVolume } from '../../geometry/mesh';
import { catalogue } from '../../materials/catalogue';
import { foamSheet, type FoamSheet } from '../../materials/stock';
import type { FormInput, FormParams } from '../contract';
import { counterweightG, neckMomentNmm } from '../helmet/balance';
import { sightThrough } from '../helmet/sight';
import { drapedKinds, type DrapedKindName } from '../kinds';
import { anyone } from '../testing/worn.test';

const sheetOf = (mm: number): FoamSheet =>
  foamSheet(catalogue.foams, [], 'light-eva', mm) ?? foamSheet(catalogue.foams, [], 'light-eva', 6)!;
const taken = (values: Partial<Record<MeasureKey, number>>): Measure[] =>
  (Object.entries(values) as [MeasureKey, number][]).map(([key, valueMm]) => ({
    key,
    valueMm,
    source: 'tape',
    takenOn: '2026-03-01',
  }));

const adult = resolveBody(
  taken({ stature: 1720, headGirth: 568, chestGirth: 980, waistGirth: 840, hipGirth: 990 }),
);
const input = (
  kind: DrapedKindName,
  change: FormParams = {},
  body = adult,
  nominalMm = 6,
): FormInput<FormParams> => ({
  params: { ...drapedKinds[kind].defaults(body), ...change },
  body,
  underLayerMm: 3,
  foam: sheetOf(nominalMm),
  sheetOf,
});

describe('draped forms', () => {
  for (const kind of Object.keys(drapedKinds) as DrapedKindName[]) {
    it(`${kind}: for anyone, pieces without NaN, flip or overlap, and seams that meet or say their ease`, function () {
      this.timeout(60_000);
      fc.assert(
        fc.property(anyone, fc.constantFrom(2, 5, 6, 10), (measures, nominalMm) => {
          const body = resolveBody(measures);
          const made = drapedKinds[kind].shape(input(kind, { darts: 0 }, body, nominalMm));
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
              const mate = made.pieces
                .find((p) => p.id === edge.mate!.pieceId)!
                .edges.find((e) => e.id === edge.mate!.edgeId)!;
              const ease = edge.lengthMm - mate.lengthMm;
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

  it('gives every field a range its default lies in', () => {
    for (const [kind, form] of Object.entries(drapedKinds)) {
      const defaults = form.defaults(adult);
      for (const field of form.fields) {
        const value = defaults[field.key]!;
        if (field.type === 'choice')
          expect(
            field.choices.map((c) => c.value),
            `${kind}.${field.key}`,
          ).to.include(value);
        else expect(value, `${kind}.${field.key}`).to.be.within(...field.range);
      }
      expect(Object.keys(defaults).sort()).to.deep.equal(form.fields.map((f) => f.key).sort());
    }
  });
});

describe('halves', () => {
  it('are cut as one another flipped, and the form really is symmetric', () => {
    for (const kind of ['breastplate', 'backplate', 'half-mask', 'greave', 'knee-cop'] as const) {
      const made = drapedKinds[kind].shape(input(kind, { halves: 2, panels: 2 }));
      const [a, b] = made.pieces as [Piece, Piece];
      expect(b.areaMm2, kind).to.be.closeTo(a.areaMm2, 1e-6);
      for (const [one, two] of [
        ['left', 'right'],
        ['right', 'left'],
        ['top', 'top'],
        ['bottom', 'bottom'],
      ] as const) {
        expect(a.edges.find((e) => e.id === one)!.lengthMm).to.be.closeTo(
          b.edges.find((e) => e.id === two)!.lengthMm,
          1e-6,
        );
      }
      // Against the form itself: the halves' own edges in space are as long on either side.
      const { edgeLines } = made.solid();
      const length = (piece: string, edge: string): number => {
        const { points } = edgeLines.find((l) => l.pieceId === piece && l.edgeId === edge)!;
        return points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);
      };
      expect(length(a.id, 'top'), kind).to.be.closeTo(length(b.id, 'top'), 0.5);
      expect(length(a.id, 'left'), kind).to.be.closeTo(length(b.id, 'right'), 0.5);
    }
  });
});

describe('gores', () => {
  it('follow the half-width (πR/n)·cos φ and height of the sinusoidal gore', () => {
    // Sinusoidal gores: sheet-metal pattern tables and map projections (half-width (πR/n)·cos φ, quarter arc πR/2).
    const body = resolveBody(
      taken({ headLength: 200, headBreadth: 200, headHeight: 200, headGirth: Math.PI * 200, stature: 1700 }),
    );
    const n = 10;
    const made = drapedKinds.helmet.shape(input('helmet', { scheme: 'gores', gores: n, darts: 0 }, body));
    const gore = made.pieces.find((p) => p.id === 'gore-1')!;
    const R = 100 + 3 + 12 + 3;
    const rad = (d: number): number => (d * Math.PI) / 180;
    const width = gore.edges.find((e) => e.id === 'bottom')!.lengthMm;
    expect(width).to.be.closeTo(((2 * Math.PI * R) / n) * Math.cos(rad(8)), width * 0.04); // the brow edge is free and takes up strain
    const arc = R * rad(87 - 8);
    expect(gore.edges.find((e) => e.id === 'left')!.lengthMm).to.be.within(arc * 0.985, arc * 1.02);
  });
});

describe('fit of worn forms', () => {
  const check = (kind: DrapedKindName, change: FormParams, id: string) =>
    drapedKinds[kind].shape(input(kind, change)).checks.find((c) => c.id === id);

  it('a closed collar must pass the head; every cure it offers does', () => {
    const tight = { back: 'closed', roomMm: 6 };
    const found = check('gorget', tight, 'head')!;
    expect(found.title).to.match(/leaves a \d+ mm opening at tier \d; this head needs 578 mm/);
    for (const cure of found.cures)
      expect(check('gorget', { ...tight, ...cure.set }, 'head')).to.equal(undefined);
  });

  it('tiers cost their thickness all round: 2π mm of opening for each millimetre', () => {
    // Trade fact (common practice, no source): tiers reduce the opening by their thickness.
    const opening = (mm: number): number =>
      drapedKinds.gorget
        .shape(input('gorget', { tiers: 2, leanMm: 0, roomMm: 20 }, adult, mm))
        .figures.find((f) => f.label === 'collar opening')!.value;
    const outerMost = drapedKinds.gorget.shape(
      input('gorget', { tiers: 2, leanMm: 0, roomMm: 20 }, adult, 6),
    );
    expect(outerMost.pieces[0]!.edges[0]!.lengthMm - outerMost.pieces[1]!.edges[0]!.lengthMm).to.be.closeTo(
      2 * Math.PI * (6 + 4),
      8,
    );
    expect(opening(10)).to.be.closeTo(opening(6), 1e-6);
  });

  it('a narrow slit is a stop, its cure sees better', () => {
    const found = check('helmet', { slitMm: 10, slitDropMm: 0 }, 'sight')!;
    expect(found.severity).to.equal('stop');
    expect(found.cures.length).to.be.greaterThan(0);
    expect(check('helmet', { ears: 'covered' }, 'ears')!.severity).to.equal('stop');
    expect(check('half-mask', { breath: 'none' }, 'breath')!.severity).to.equal('stop');
  });

  it('a closed greave must pass the heel', () => {
    expect(check('greave', { gapMm: 0, easeMm: 0, paddingMm: 0 }, 'pass')).to.not.equal(undefined);
    expect(check('greave', {}, 'pass')).to.equal(undefined);
  });

  it('sees what plane geometry says', () => {
    const sight = sightThrough(
      { x: 0, y: 0, z: 0 },
      { halfWidthMm: 100, sideY: 100, topZ: 50, bottomZ: -50, frontY: 50 },
    );
    expect(sight.sideDeg).to.be.closeTo(45, 1e-9);
    expect(sight.downDeg).to.be.closeTo(45, 1e-9);
  });

  it('balances by the lever', () => {
    // 600 g carried 20 mm ahead of the pivot is balanced by 120 g carried 100 mm behind (law of the lever).
    expect(counterweightG(600, 20, 100)).to.be.closeTo(120, 1e-9);
    expect(neckMomentNmm(600, 20)).to.be.closeTo(117.68, 0.01);
  });

  it('moves where it should when the wearer changes', () => {
    const wide = resolveBody(
      taken({ stature: 1720, headGirth: 568, chestGirth: 1150, waistGirth: 1000, hipGirth: 1100 }),
    );
    const area = (body: typeof adult): number =>
      drapedKinds.breastplate
        .shape(input('breastplate', { darts: 0 }, body))
        .pieces.reduce((s, p) => s + p.areaMm2, 0);
    expect(area(wide)).to.be.greaterThan(area(adult) * 1.05);
  });
});

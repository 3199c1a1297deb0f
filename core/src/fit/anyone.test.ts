import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody, zoneInfo } from '../body';
import type { Feature } from '../document';
import { overlapsItself, signedArea } from '../geometry';
import { drawnPieces, partReport, standardKinds } from '../parts';
import { anyone, contextOf, partOf } from '../parts/testing/worn.test';
import { runs } from '../units/testing/sampled';
import { movementsOf } from './moving/moving';
import { strapsOf } from './straps';

/** One of each feature, sized by chance, on a piece and edge by chance. */
const chance = fc.record({
  piece: fc.nat(20),
  edge: fc.nat(3),
  widthMm: fc.integer({ min: 4, max: 60 }),
  insetMm: fc.integer({ min: 2, max: 60 }),
  spacingMm: fc.integer({ min: 8, max: 90 }),
  nominalMm: fc.constantFrom(2, 6, 10),
  u: fc.double({ min: 0, max: 1, noNaN: true }),
  v: fc.double({ min: 0, max: 1, noNaN: true }),
});

describe('for anyone', function () {
  this.timeout(120_000);
  const worn = [...standardKinds.forms.values()].filter(
    (f) => f.sheets !== 'none' && f.zones.some((z) => !zoneInfo(z).held),
  );
  for (const { kind: form, surface } of worn) {
    it(`${form}: sits with gaps that are numbers, and features become sound pieces or a finding`, () => {
      fc.assert(
        fc.property(anyone, chance, (measures, d) => {
          const body = resolveBody(measures);
          const context = contextOf({ body });
          const part = partOf(form, {}, { body });
          const plain = partReport(part, context, false, undefined, { untried: true });
          const shell = drawnPieces(plain).filter((p) => p.role === 'shell');
          const on = shell[d.piece % shell.length]!;
          const runs = (i: number) => ({
            on: 'edges' as const,
            runs: [{ panel: on.id, edge: on.edges[(d.edge + i) % on.edges.length]!.id }],
          });
          const at = { on: 'panel' as const, panel: on.id, u: d.u, v: d.v, turnDeg: 0 };
          const { widthMm, nominalMm, insetMm, spacingMm } = d;
          const features: Feature[] = [
            {
              id: 't',
              kind: 'trim',
              place: runs(0),
              params: { widthMm, foamMm: nominalMm, look: 'rounded' },
            },
            {
              id: 'i',
              kind: 'strip',
              place: runs(1),
              params: { widthMm, foamMm: nominalMm },
            },
            { id: 'l', kind: 'overlay', place: at, params: { insetMm, foamMm: nominalMm, lapMm: 0 } },
            {
              id: 'r',
              kind: 'rivets',
              place: runs(0),
              params: { insetMm: 10, spacingMm, diameterMm: 8, liftMm: 0 },
            },
            {
              id: 's',
              kind: 'line',
              place: {
                on: 'path',
                panel: on.id,
                points: [
                  [d.u, d.v],
                  [1 - d.u, 1 - d.v],
                ],
              },
              params: { look: 'score' },
            },
            {
              id: 'lamp',
              kind: 'lamps',
              place: at,
              params: {
                count: 3,
                layout: 'line',
                rows: 2,
                colour: 'amber',
                body: '5mm',
                pitchMm: 25,
                shows: 'hole',
                awayMm: 5,
              },
            },
            { id: 'pack', kind: 'pack', place: at, params: { packId: '3xaaa', pocket: 'cut' } },
          ];
          const made = partReport({ ...part, features }, context, false, undefined, { untried: true });
          for (const { gapMm, contours } of made.wear!.standOff) {
            expect(gapMm.flat().every(Number.isFinite), form).to.equal(true);
            for (const c of contours)
              expect(c.flat.flat().every((p) => Number.isFinite(p.x + p.y))).to.equal(true);
          }
          // Bent back without stretch a piece comes home to its form, or its stretch is reported.
          const reported = made.checks.some((c) => c.id === 'stretch');
          for (const piece of shell)
            expect((piece.stretch?.refoldMm ?? 0) <= 12 || reported, `${piece.name} refolds`).to.equal(true);
          for (const pad of made.wear!.pads) expect(pad.thicknessMm).to.be.within(3, 30);
          for (const { sagMm } of made.wear!.sags) expect(sagMm).to.be.at.least(0).and.to.be.lessThan(2000);
          for (const id of ['t', 'i', 'l']) {
            const laid = made.pieces.filter((p) => p.featureId === id);
            if (laid.length === 0)
              expect(
                made.checks.some((c) => c.id === `feature-${id}`),
                `${form} ${id}`,
              ).to.equal(true);
            for (const piece of laid) {
              expect(
                piece.outline.every((p) => Number.isFinite(p.x + p.y)),
                `${form} ${id}`,
              ).to.equal(true);
              expect(signedArea(piece.outline), `${form} ${id}`).to.be.greaterThan(0);
              expect(overlapsItself(piece.outline), `${form} ${id} overlaps`).to.equal(false);
            }
          }
          for (const mark of drawnPieces(made).find((p) => p.id === on.id)!.marks)
            expect(
              mark.points.every((p) => Number.isFinite(p.x + p.y)),
              mark.kind,
            ).to.equal(true);
          for (const item of made.items)
            expect(Number.isFinite(item.at.x + item.at.y + item.at.z + item.marginMm), item.name).to.equal(
              true,
            );
          const worn = { id: 'p', name: part.name, zone: made.zone!, mesh: made.solid.mesh };
          for (const m of movementsOf(body, [worn])) expect(m.angleDeg).to.be.within(0, m.mostDeg);
          for (const s of strapsOf([made])) expect(s.lengthMm).to.be.within(20, 8000);
        }),
        { numRuns: runs(surface ? 1 : 3) },
      );
    });
  }
});

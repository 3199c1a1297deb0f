import { expect } from 'chai';
import fc from 'fast-check';
import type { Part } from '../build/document';
import { newPart } from '../build/newBuild';
import { partReport } from '../build/partReport';
import { resolveBody } from '../body/estimate';
import type { Detail } from '../forms/details/detail';
import { formKinds, type FormKindName } from '../forms/kinds';
import { anyone } from '../forms/testing/worn.test';
import { overlapsItself } from '../geometry/overlap';
import { signedArea } from '../geometry/polygon';
import { catalogue } from '../materials/catalogue';
import { movementsOf } from './moving/moving';
import { strapsOf } from './straps';

/** One of each detail, sized by chance, on a piece and edge by chance. */
const details = fc.record({
  piece: fc.nat(20),
  edge: fc.nat(3),
  widthMm: fc.integer({ min: 4, max: 60 }),
  insetMm: fc.integer({ min: 2, max: 60 }),
  spacingMm: fc.integer({ min: 8, max: 90 }),
  nominalMm: fc.constantFrom(2, 6, 10),
  from: fc.record({
    x: fc.double({ min: 0, max: 1, noNaN: true }),
    y: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
});

describe('for anyone', function () {
  this.timeout(120_000);
  for (const form of Object.keys(formKinds) as FormKindName[]) {
    it(`${form}: sits with gaps that are numbers, and details become sound pieces or a finding`, () => {
      fc.assert(
        fc.property(anyone, details, (measures, d) => {
          const wearer = { name: 'Anyone', underLayerMm: 3, measures };
          const body = resolveBody(measures);
          const part = newPart('p', wearer, form);
          const plain = partReport(part, body, 3, catalogue, []);
          const shell = plain.pieces.filter((p) => p.role === 'shell');
          const on = shell[d.piece % shell.length]!;
          const edgeId = on.edges[d.edge]!.id;
          const laid: Detail[] = [
            {
              id: 't',
              kind: 'trim',
              pieceId: on.id,
              edgeId,
              face: 'outer',
              widthMm: d.widthMm,
              nominalMm: d.nominalMm,
              look: 'rounded',
            },
            {
              id: 'i',
              kind: 'trim',
              pieceId: on.id,
              edgeId: on.edges[(d.edge + 1) % 4]!.id,
              face: 'inner',
              widthMm: d.widthMm,
              nominalMm: d.nominalMm,
              look: 'square',
            },
            { id: 'l', kind: 'layer', pieceId: on.id, insetMm: d.insetMm, nominalMm: d.nominalMm },
            {
              id: 'r',
              kind: 'rivets',
              pieceId: on.id,
              edgeId,
              insetMm: 10,
              spacingMm: d.spacingMm,
              diameterMm: 8,
            },
            {
              id: 's',
              kind: 'line',
              pieceId: on.id,
              look: 'score',
              points: [d.from, { x: 1 - d.from.x, y: 1 - d.from.y }],
            },
          ];
          const made = partReport({ ...part, details: laid } as Part, body, 3, catalogue, []);
          for (const { gapMm, contours } of made.wear.standOff) {
            expect(gapMm.flat().every(Number.isFinite), form).to.equal(true);
            for (const c of contours)
              expect(c.flat.flat().every((p) => Number.isFinite(p.x + p.y))).to.equal(true);
          }
          // Bent back without stretch a piece comes home to its form, or its stretch is told.
          const told = made.checks.some((c) => c.id === 'stretch');
          for (const piece of shell)
            expect((piece.stretch?.refoldMm ?? 0) <= 12 || told, `${piece.name} refolds`).to.equal(true);
          for (const pad of made.wear.pads) expect(pad.thicknessMm).to.be.within(3, 30);
          if (made.wear.sag) expect(made.wear.sag.sagMm).to.be.at.least(0).and.to.be.lessThan(2000);
          for (const id of ['t', 'i', 'l']) {
            const piece = made.pieces.find((p) => p.id === id);
            if (!piece) {
              expect(
                made.checks.some((c) => c.id === `detail-${id}`),
                `${form} ${id}`,
              ).to.equal(true);
              continue;
            }
            expect(
              piece.outline.every((p) => Number.isFinite(p.x + p.y)),
              `${form} ${id}`,
            ).to.equal(true);
            expect(signedArea(piece.outline), `${form} ${id}`).to.be.greaterThan(0);
            expect(overlapsItself(piece.outline), `${form} ${id} overlaps`).to.equal(false);
          }
          for (const mark of made.pieces.find((p) => p.id === on.id)!.marks)
            expect(
              mark.points.every((p) => Number.isFinite(p.x + p.y)),
              mark.kind,
            ).to.equal(true);
          const worn = { id: 'p', name: part.name, zone: made.zone, mesh: made.solid.mesh };
          for (const m of movementsOf(body, [worn])) expect(m.angleDeg).to.be.within(0, m.mostDeg);
          for (const s of strapsOf(body, 3, [{ ...made, laced: false }]))
            expect(s.lengthMm).to.be.within(50, 3000);
        }),
        { numRuns: 4 },
      );
    });
  }
});

import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody, type Body } from '../../body/estimate';
import type { Measure, MeasureKey } from '../../body/measures';
import { dist3 } from '../../geometry/vec';
import { catalogue } from '../../materials/catalogue';
import { foamSheet, type FoamSheet } from '../../materials/stock';
import type { FormCheck, FormParams, FormShape } from '../contract';
import { drapedKinds, type DrapedKindName } from '../kinds';
import type { Piece } from '../piece';

/** Light foam in any thickness sold. */
export const sheetOf = (mm: number): FoamSheet =>
  foamSheet(catalogue.foams, [], 'light-eva', mm) ?? foamSheet(catalogue.foams, [], 'light-eva', 6)!;

export const bodyOf = (values: Partial<Record<MeasureKey, number>>): Body =>
  resolveBody(
    (Object.entries(values) as [MeasureKey, number][]).map(([key, valueMm]): Measure => ({
      key,
      valueMm,
      source: 'tape',
      takenOn: '2026-03-01',
    })),
  );

/** A made-up adult of middling build. */
export const adult = bodyOf({
  stature: 1720,
  headGirth: 568,
  neckGirth: 350,
  chestGirth: 980,
  underBustGirth: 868,
  waistGirth: 840,
  hipGirth: 990,
  wristGirth: 166,
  forearmGirth: 276,
  calfGirth: 376,
});

export interface Making {
  body?: Body;
  nominalMm?: number;
  underLayerMm?: number;
}

/** A form with its defaults and the changes named. */
export function make(kind: DrapedKindName, change: FormParams = {}, how: Making = {}): FormShape {
  const body = how.body ?? adult;
  return drapedKinds[kind].shape({
    params: { ...drapedKinds[kind].defaults(body), ...change },
    body,
    underLayerMm: how.underLayerMm ?? 3,
    foam: sheetOf(how.nominalMm ?? 6),
    sheetOf,
  });
}

export const checkOf = (shape: FormShape, id: string): FormCheck | undefined =>
  shape.checks.find((c) => c.id === id);

export const figureOf = (shape: FormShape, label: string): number =>
  shape.figures.find((f) => f.label.startsWith(label))!.value;

export const pieceOf = (shape: FormShape, id: string): Piece => shape.pieces.find((p) => p.id === id)!;

export const edgeMm = (piece: Piece, id: string): number => piece.edges.find((e) => e.id === id)!.lengthMm;

export const areaOf = (shape: FormShape): number => shape.pieces.reduce((sum, p) => sum + p.areaMm2, 0);

/** Length of an edge where it runs on the solid's outer face. */
export function edgeInSpaceMm(shape: FormShape, pieceId: string, edgeId: string): number {
  const { points } = shape.solid().edgeLines.find((l) => l.pieceId === pieceId && l.edgeId === edgeId)!;
  return points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);
}

/** Every cure a check offers must do away with it, or at least change what it says. */
export function expectCured(
  kind: DrapedKindName,
  change: FormParams,
  id: string,
  how: Making = {},
): FormCheck {
  const found = checkOf(make(kind, change, how), id);
  expect(found, `${kind} ${id}`).to.not.equal(undefined);
  expect(found!.cures.length, `${kind} ${id} offers a cure`).to.be.greaterThan(0);
  for (const cure of found!.cures) {
    const after = checkOf(make(kind, { ...change, ...cure.set }, how), id);
    expect(after?.title ?? 'cured', `${kind} ${id} after “${cure.label}”`).to.not.equal(found!.title);
  }
  return found!;
}

/** Anyone from a child to a tall adult, slim or stout, as readings of a tape. */
export const anyone = fc
  .record({
    stature: fc.integer({ min: 1150, max: 1950 }),
    chest: fc.double({ min: 0.5, max: 0.68, noNaN: true }),
    waist: fc.double({ min: 0.78, max: 1.05, noNaN: true }),
    head: fc.integer({ min: 500, max: 610 }),
  })
  .map(({ stature, chest, waist, head }) =>
    (
      Object.entries({
        stature,
        headGirth: head,
        chestGirth: chest * stature,
        waistGirth: waist * chest * stature,
      }) as [MeasureKey, number][]
    ).map(([key, valueMm]): Measure => ({ key, valueMm, source: 'tape', takenOn: '2026-03-01' })),
  );

import { expect } from 'chai';
import fc from 'fast-check';
import { type Body, type Measure, type MeasureKey, resolveBody } from '../../body';
import {
  applyChanges,
  type Check,
  type Feature,
  type Params,
  type Part,
  type Ply,
  type Row,
} from '../../document';
import type { FormFigure, OpeningClearance } from '../../forms';
import { dist3 } from '../../geometry';
import { catalogue, type FoamSheet, type FoamStock, startHabits } from '../../materials';
import { type Piece, type Solid, solidOf, type Surface } from '../../panel';
import { sheetOf, type Context } from '../context';
import { triedRemedies } from '../remedies';
import { standardKinds } from '../kinds';
import { makePart, type MadePart } from '../made';
import { newPart } from '../newPart';
import { partReport, type PartReport } from '../partReport';

export const taken = (values: Partial<Record<MeasureKey, number>>): Measure[] =>
  (Object.entries(values) as [MeasureKey, number][]).map(([key, valueMm]): Measure => ({
    key,
    valueMm,
    source: 'tape',
    takenOn: '2026-03-01',
  }));

export const bodyOf = (values: Partial<Record<MeasureKey, number>>): Body => resolveBody(taken(values));

/** A made-up adult of middling build. */
export const adultMeasures = taken({
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
export const adult = resolveBody(adultMeasures);

export interface Making {
  body?: Body;
  nominalMm?: number;
  foamId?: string;
  underLayerMm?: number;
  lining?: Ply;
  features?: Feature[];
  stock?: FoamStock[];
}

export const contextOf = ({ body = adult, underLayerMm = 3, stock = [] }: Making = {}): Context => ({
  body,
  underLayerMm,
  catalogue,
  stock,
  habits: startHabits,
  finish: 1,
  meshes: [],
  through: [],
  times: 1,
  kinds: standardKinds,
});

/** Any foam in any thickness, as the catalogue has it. */
export const foam = (nominalMm: number, foamId = 'light-eva'): FoamSheet =>
  sheetOf({ catalogue, stock: [] })({ foamId, nominalMm });

/** A part of a form with its defaults for a body and the values named. */
export function partOf(kind: string, change: Params = {}, how: Making = {}): Part {
  const body = how.body ?? adult;
  const part = newPart(kind, { name: 'Anyone', underLayerMm: 3, measures: [] }, kind);
  return {
    ...part,
    params: { ...standardKinds.forms.get(kind)!.defaults(body), ...change },
    stack: [{ foamId: how.foamId ?? 'light-eva', nominalMm: how.nominalMm ?? 6 }],
    lining: how.lining ?? null,
    features: how.features ?? [],
  };
}

export interface Made {
  made: MadePart;
  pieces: Piece[];
  checks: Check[];
  figures: FormFigure[];
  clearances: OpeningClearance[];
  surfaces: () => Surface[];
  solid: () => Solid;
}

/** A form with its defaults and the changes named, laid flat; shell pieces only. */
export function make(kind: string, change: Params = {}, how: Making = {}): Made {
  const made = makePart(partOf(kind, change, how), contextOf(how));
  return {
    made,
    pieces: made.pieces.filter((p) => p.role === 'shell'),
    checks: made.noticed.map((n) => n.check),
    figures: made.model.figures,
    clearances: made.model.clearances,
    surfaces: () => made.surfaces,
    solid: () => solidOf(made.laid),
  };
}

export const reportOf = (kind: string, change: Params = {}, how: Making = {}): PartReport =>
  partReport(partOf(kind, change, how), contextOf(how));

export const checkOf = (shape: Made, id: string): Check | undefined => shape.checks.find((c) => c.id === id);

export const figureOf = (shape: Made, key: string): number => shape.figures.find((f) => f.key === key)!.value;

export const pieceOf = (shape: { pieces: Piece[] }, id: string): Piece =>
  shape.pieces.find((p) => p.id === id)!;

export const edgeMm = (piece: Piece, id: string): number => piece.edges.find((e) => e.id === id)!.lengthMm;

export const areaOf = (shape: Made): number => shape.pieces.reduce((sum, p) => sum + p.areaMm2, 0);

/** Length of an edge where it runs on the solid's outer face. */
export function edgeInSpaceMm(shape: Made, pieceId: string, edgeId: string): number {
  const { points } = shape.solid().edgeLines.find((l) => l.pieceId === pieceId && l.edgeId === edgeId)!;
  return points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);
}

/** Rows of a list field alike but for what is named. */
export const rowsOf = (count: number, row: (i: number) => Row): Row[] =>
  Array.from({ length: count }, (_, i) => row(i));
export const tiers = (count: number, more: (i: number) => Row = () => ({})): Row[] =>
  rowsOf(count, (i) => ({ heightMm: 20, leanMm: 8, overlapMm: i === 0 ? 0 : 4, foamMm: 0, ...more(i) }));
export const lames = (count: number, more: (i: number) => Row = () => ({})): Row[] =>
  rowsOf(count, (i) => ({ heightMm: 52, overlapMm: 18, flareMm: 6, foamMm: 0, ...more(i) }));

/** Every cure a check offers must do away with it, or lessen it; there must be one. */
export function expectCured(kind: string, change: Params, id: string, how: Making = {}): Check {
  const part = partOf(kind, change, how);
  const context = contextOf(how);
  const made = makePart(part, context);
  const noticed = made.noticed.find((n) => n.check.id === id);
  expect(noticed, `${kind} ${id}`).to.not.equal(undefined);
  const remedies = triedRemedies(noticed!, part, context, made);
  expect(remedies.length, `${kind} ${id} offers a cure`).to.be.greaterThan(0);
  for (const cure of remedies) {
    const after = makePart(applyChanges(part, cure.changes), context).noticed.find((n) => n.check.id === id);
    expect(after?.check.excess ?? 0, `${kind} ${id} after “${cure.label}”`).to.be.lessThan(
      noticed!.check.excess,
    );
  }
  return noticed!.check;
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
    taken({
      stature,
      headGirth: head,
      chestGirth: chest * stature,
      waistGirth: waist * chest * stature,
    }),
  );

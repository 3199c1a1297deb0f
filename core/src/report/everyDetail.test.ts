import { expect } from 'chai';
import { polygonContains } from 'd3-polygon';
import fc from 'fast-check';
import type { Feature, Part, Place } from '../document';
import type { FeatureKind } from '../features';
import { packs } from '../materials';
import { drawnPieces, makePart, newBuild, newPart, standardKinds, startFeature } from '../parts';
import type { MadePart } from '../parts/made';
import { adultMeasures, contextOf } from '../parts/testing/worn.test';
import { derive } from './derive';
import { startLightsIn } from './startLightsIn';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
const context = contextOf();
const { forms, features } = standardKinds;
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261130);

/** How far a point lies outside a ring, by d3-polygon and the steps of the ring; nothing inside. */
function outsideMm(ring: readonly { x: number; y: number }[], p: { x: number; y: number }): number {
  if (
    polygonContains(
      ring.map((q): [number, number] => [q.x, q.y]),
      [p.x, p.y],
    )
  )
    return 0;
  return Math.min(
    ...ring.map((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const t = Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
    }),
  );
}

/** The thinnest pack that is no coin cells. */
const thinnestMm = Math.min(...packs.filter((p) => p.cell.id !== 'cr2032').map((p) => p.thickMm));

/** What of a part's pieces is cut beside them: points of the rims of holes, and of openings. */
function besides({ pieces, templates }: MadePart, own: string): string[] {
  return drawnPieces({ pieces, templates }).flatMap((piece) => [
    ...piece.holes
      .filter((h) => h.id.startsWith(own))
      .flatMap((h) =>
        Array.from({ length: 12 }, (_, i) => ({
          x: h.centre.x + (h.diameterMm / 2) * Math.cos((i * Math.PI) / 6),
          y: h.centre.y + (h.diameterMm / 2) * Math.sin((i * Math.PI) / 6),
        })),
      )
      .filter((p) => outsideMm(piece.outline, p) > 0.3)
      .map(() => `a hole on ${piece.name}`),
    ...piece.marks
      .filter((m) => m.kind === 'slot')
      .flatMap((m) => m.points)
      .filter((p) => outsideMm(piece.outline, p) > 0.3)
      .map(() => `an opening of ${piece.name}`),
  ]);
}

/** A form with its shell worked out once. */
function bareOf(form: string): { part: Part; bare: MadePart } {
  const part = newPart('one', wearer, form);
  return { part, bare: makePart(part, context, { coarse: true }) };
}

const withFeature = ({ part, bare }: ReturnType<typeof bareOf>, feature: Feature): MadePart =>
  makePart({ ...part, features: [feature] }, context, { coarse: true, before: bare });

/** Any place of a kind on a panel: its corners and edges as often as its middle. */
const anyPlace = (start: Place): fc.Arbitrary<Place> => {
  const share = fc.oneof(fc.constantFrom(0, 0.02, 0.5, 0.98, 1), fc.double({ min: 0, max: 1, noNaN: true }));
  if (start.on === 'panel')
    return fc
      .record({ u: share, v: share, turnDeg: fc.constantFrom(0, 45, 90) })
      .map((at) => ({ ...start, ...at }));
  if (start.on === 'path')
    return fc
      .array(fc.tuple(share, share), { minLength: 2, maxLength: 4 })
      .map((points) => ({ ...start, points }));
  return fc.constant(start);
};

describe('every detail on every form, anywhere', function () {
  this.timeout(120_000);
  const sheeted = [...forms.values()].filter((f) => f.sheets !== 'none');

  for (const { kind: form } of sheeted)
    it(`${form}: nothing is cut beside its piece`, () => {
      const host = bareOf(form);
      const panels = host.bare.laid.filter((l) => !l.panel.loose);
      if (panels.length === 0) return;
      const anything = fc.constantFrom(...features.values()).chain((kind: FeatureKind) =>
        fc.constantFrom(...panels).chain((panel) => {
          const { place, params } = kind.start({
            panel: panel.panel.id,
            edge: panel.piece.edges[0]!.id,
            at: { x: 0.5, y: 0.5 },
          });
          return anyPlace(place).map((at): Feature => ({ id: 'any', kind: kind.kind, place: at, params }));
        }),
      );
      fc.assert(
        fc.property(anything, (feature) => {
          expect(besides(withFeature(host, feature), 'any'), JSON.stringify(feature)).to.deep.equal([]);
        }),
        { numRuns: 16, seed },
      );
    });

  for (const { kind: form } of sheeted)
    it(`${form}: a detail that is added fits, or says why it does not`, () => {
      const host = bareOf(form);
      const known = new Set(host.bare.noticed.map((n) => n.check.id));
      const [first] = host.bare.laid.filter((l) => !l.panel.loose);
      if (!first) return;
      const pointed = { panel: first.panel.id, edge: first.piece.edges[0]!.id, at: { x: 0.5, y: 0.5 } };
      let refused = 0;
      for (const kind of features.values()) {
        const started = startFeature(host.part, context, { kind, pointed, id: 'new' });
        if (!started.ok) {
          expect(started.message, kind.kind).to.match(/\w{3,}.*\w/);
          refused += 1;
          continue;
        }
        const made = withFeature(host, started.value);
        const stops = made.noticed.filter(
          ({ check }) => !known.has(check.id) && (check.severity === 'stop' || check.id === 'feature-new'),
        );
        expect(
          stops.map((n) => n.check.title),
          kind.kind,
        ).to.deep.equal([]);
        expect(besides(made, 'new'), kind.kind).to.deep.equal([]);
      }
      // A bracket or a board behind keyholes is wider than a grip.
      expect(refused, 'most details find room').to.be.at.most(Math.ceil(features.size / 4));
    });

  for (const { kind: form } of sheeted)
    it(`${form}: is lit without a stop`, () => {
      const doc = { ...newBuild('One', '2026-03-01', wearer), parts: [newPart('one', wearer, form)] };
      const stopsOf = (of: typeof doc): string[] =>
        derive(of, { untried: true })
          .findings.filter((f) => f.severity === 'stop')
          .map((f) => f.id);
      const before = stopsOf(doc);
      const lit = startLightsIn(doc, 'one', (base) => base);
      if (!lit.ok) {
        // Where nothing but coin cells goes behind any wall, it may say why there is no light.
        const { rooms } = bareOf(form).bare;
        const deepest = Math.max(0, ...rooms.map((r) => r.depthAt(r.middle) ?? 0));
        expect(deepest, lit.message).to.be.lessThan(thinnestMm);
        return;
      }
      const { features: laid, circuit, params } = lit.value;
      const after = stopsOf({
        ...doc,
        parts: [{ ...doc.parts[0]!, params, features: laid }],
        circuits: [circuit],
      });
      expect(after.filter((id) => !before.includes(id))).to.deep.equal([]);
    });
});

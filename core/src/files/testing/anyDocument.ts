import fc from 'fast-check';
import type { Wearer } from '../../body';
import type { BuildDoc, Circuit, Feature, Part, Place, Version } from '../../document';
import { resolveBody } from '../../body';
import type { FeatureKind } from '../../features';
import { newBuild, standardKinds } from '../../parts';
import { makePart } from '../../parts/made';
import { anyField, anyPart } from '../../parts/testing/anyPart';
import { anyone, contextOf } from '../../parts/testing/worn.test';

const share = fc.oneof(fc.constantFrom(0, 0.5, 1), fc.double({ min: 0, max: 1, noNaN: true }));
const turnDeg = fc.constantFrom(0, 45, 90, 180, -30);

/** What of a part details can be placed on. */
interface Spots {
  panels: string[];
  edges: { panel: string; edge: string }[];
  rooms: string[];
}

function spotsOf(part: Part, wearer: Wearer): Spots {
  const context = contextOf({ body: resolveBody(wearer.measures), underLayerMm: wearer.underLayerMm });
  const { laid, model } = makePart(part, context, { coarse: true });
  return {
    panels: laid.map((l) => l.panel.id),
    edges: laid.flatMap(({ panel, piece }) => piece.edges.map((e) => ({ panel: panel.id, edge: e.id }))),
    rooms: (model.rooms ?? []).map((r) => r.id),
  };
}

/** Any place of a kind; nothing where the part has none. */
function anyPlace(on: Place['on'], { panels, edges, rooms }: Spots): fc.Arbitrary<Place> | undefined {
  switch (on) {
    case 'panel':
      return panels.length === 0
        ? undefined
        : fc.record({ on: fc.constant(on), panel: fc.constantFrom(...panels), u: share, v: share, turnDeg });
    case 'path':
      return panels.length === 0
        ? undefined
        : fc.record({
            on: fc.constant(on),
            panel: fc.constantFrom(...panels),
            points: fc.array(fc.tuple(share, share), { minLength: 2, maxLength: 5 }),
          });
    case 'edges':
      return edges.length === 0
        ? undefined
        : fc.record({
            on: fc.constant(on),
            runs: fc.array(fc.constantFrom(...edges), { minLength: 1, maxLength: 3 }),
          });
    case 'room':
      return rooms.length === 0
        ? undefined
        : fc.record({
            on: fc.constant(on),
            room: fc.constantFrom(...rooms),
            alongMm: fc.integer({ min: -200, max: 400 }),
            acrossMm: fc.integer({ min: -60, max: 60 }),
            turnDeg,
          });
  }
}

/** Any valid detail of a kind, anywhere on a part. */
function anyFeature(
  id: string,
  { kind, places, fields }: FeatureKind,
  spots: Spots,
): fc.Arbitrary<Feature> | undefined {
  const own = places.flatMap((on) => anyPlace(on, spots) ?? []);
  if (own.length === 0) return undefined;
  const params = fc.record(Object.fromEntries(fields.map((f) => [f.key, anyField(f)])));
  return fc.record({ id: fc.constant(id), kind: fc.constant(kind), place: fc.oneof(...own), params });
}

const kindsOfFeature = [...standardKinds.features.values()];

const anyDetailed = (form: string, id: string, wearer: Wearer): fc.Arbitrary<Part> =>
  fc
    .tuple(anyPart(form, wearer), fc.array(fc.constantFrom(...kindsOfFeature), { maxLength: 3 }))
    .chain(([bare, kinds]) => {
      const spots = spotsOf(bare, wearer);
      const features = kinds.flatMap((kind, i) => anyFeature(`${id}-f${i}`, kind, spots) ?? []);
      return fc.tuple(...features).map((made) => ({ ...bare, id, name: `Part ${id}`, features: made }));
    });

/** Circuits that wire what is there: every load to some source, by chance. */
const anyCircuits = (parts: readonly Part[]): fc.Arbitrary<Circuit[]> => {
  const of = (what: FeatureKind['electric']): string[] =>
    parts
      .flatMap((p) => p.features)
      .filter((f) => standardKinds.features.get(f.kind)!.electric === what)
      .map((f) => f.id);
  const [loads, sources, switches] = [of('load'), of('source'), of('switch')];
  if (loads.length === 0 || sources.length === 0) return fc.constant([]);
  return fc
    .record({
      source: fc.constantFrom(...sources),
      switch: fc.constantFrom(null, ...switches),
      loads: fc.subarray(loads, { minLength: 1 }),
      currentMa: fc.constantFrom(1, 20, 60),
      fused: fc.boolean(),
      apart: fc.boolean(),
    })
    .map(({ loads: fed, currentMa, fused, apart, ...rest }) => [
      {
        id: 'c1',
        name: 'Light',
        ...rest,
        loads: fed.map((feature) => ({ feature, currentMa })),
        ...(fused && { fused: true as const }),
        ...(apart && { apart: true as const }),
      },
    ]);
};

const anyVersions = (parts: readonly Part[]): fc.Arbitrary<Version[]> =>
  fc.array(
    fc
      .record({ statureMm: fc.constantFrom(1200, 1700, 2100), leftOut: fc.constantFrom(...parts) })
      .map(({ statureMm, leftOut }) => ({
        id: 'v1',
        name: 'Otherwise',
        statureMm,
        parts: parts.length > 1 ? { [leftOut.id]: { leftOut: true as const } } : {},
      })),
    { maxLength: 1 },
  );

/** Any valid build of one or two parts: forms, foams, details in any place, circuits, habits and versions as chance has them. */
export const anyDocument = (
  forms: readonly string[] = [...standardKinds.forms.keys()],
): fc.Arbitrary<BuildDoc> =>
  fc
    .record({
      measures: anyone,
      kinds: fc.array(fc.constantFrom(...forms), { minLength: 1, maxLength: 2 }),
    })
    .chain(({ measures, kinds }) => {
      const wearer: Wearer = { name: 'Anyone', underLayerMm: 2, measures };
      return fc.tuple(...kinds.map((form, i) => anyDetailed(form, `p${i}`, wearer))).chain((parts) =>
        fc.record({
          wearer: fc.constant(wearer),
          parts: fc.constant(parts as Part[]),
          circuits: anyCircuits(parts),
          versions: anyVersions(parts),
          glue: fc.constantFrom('contact', 'instant', 'hot'),
          fold: fc.constantFrom('v-groove', 'slanted-pair', 'heat-and-fold', 'partial-cut'),
          cutter: fc.constantFrom('knife', 'band-saw', 'laser'),
          bevel: fc.constantFrom('two-lines', 'tilted'),
          lightHours: fc.constantFrom(0, 6, 200),
          page: fc.constantFrom('A4', 'A3', 'Letter', 'Legal'),
        }),
      );
    })
    .map(({ wearer, parts, circuits, versions, lightHours, page, ...habits }) => {
      const plain = newBuild('Anything', '2026-03-01', wearer);
      return {
        ...plain,
        parts,
        circuits,
        versions,
        brief: { ...plain.brief, lightHours },
        cut: { ...plain.cut, page },
        make: { ...plain.make, habits: { ...plain.make.habits, ...habits } },
      } as BuildDoc;
    });

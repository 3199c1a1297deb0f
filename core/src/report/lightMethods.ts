import { byId, firstOf, lastOf, itemAt } from '../units';
import { packChoices } from '../circuit';
import { applyChanges, type BuildDoc, type Change, type Circuit, type Feature, type Part } from '../document';
import type { LightRun, LightMethod } from '../features';
import { dist2, type Vec2 } from '../geometry';
import { catalogue, type LampColour, type Pack, type SwitchKind } from '../materials';
import { makePart, standardKinds } from '../parts';
import { createDeriver } from './derive';
import type { Report } from './report';
import { contextOfPart, surroundingsOf } from './surroundings';

/** Sized to the hours asked, or to three times them. */
export type PowerMethod = 'day' | 'never-out';

export interface MethodsAsked {
  power: PowerMethod;
  switching: SwitchKind;
}

/** A circuit as one method would have it, with what that changes. */
export interface MethodProposal {
  method: string;
  label: string;
  /** How it is now. */
  now: boolean;
  changes: Change[];
  lights: string[];
  pack: string;
  switch: string;
  hours: number;
  massG: number;
  cost: number;
  /** Stops of the whole build that it would have. */
  stops: number;
}

const NEVER_OUT = 3;
/** Strips and rings on less of their voltage shine, but dimly; a pack nearer to it is taken where there is one. */
const NEAR_V = 0.85;

/** A single lamp is taken for a run of this, mm. */
const SHORT_MM = 20;

/** The run along which a feature gives light, when it lies on a panel. */
function runOf(doc: BuildDoc, part: Part, feature: Feature): LightRun | undefined {
  const { place, params } = feature;
  if (place.on !== 'panel' && place.on !== 'path') return undefined;
  const made = makePart(part, contextOfPart(doc, part, surroundingsOf(doc, catalogue, standardKinds)), {
    coarse: true,
  });
  const laid = made.laid.find((l) => l.panel.id === place.panel);
  if (!laid) return undefined;
  const own = made.featured.items.filter((i) => i.featureId === feature.id && i.flat);
  const flats: Vec2[] =
    place.on === 'path'
      ? [firstOf(place.points), lastOf(place.points)].map(([x, y]) => laid.flatAt({ x, y }))
      : own.length > 1
        ? [firstOf(own).flat!, lastOf(own).flat!]
        : [laid.flatAt({ x: place.u, y: place.v })];
  const [a, b] = [firstOf(flats), lastOf(flats)];
  const [from, to] = [laid.uvAt(a), laid.uvAt(b)];
  if (!from || !to) return undefined;
  const lengthMm = dist2(a, b);
  return {
    panel: place.panel,
    from,
    to,
    lengthMm: Math.max(SHORT_MM, lengthMm),
    turnDeg:
      lengthMm > 1
        ? (Math.atan2(b.x - a.x, b.y - a.y) * 180) / Math.PI
        : place.on === 'panel'
          ? place.turnDeg
          : 0,
    colour: (typeof params['colour'] === 'string' ? params['colour'] : 'amber') as LampColour,
  };
}

interface Known extends LightMethod {
  kind: string;
}

const methods: readonly Known[] = [...standardKinds.features.values()].flatMap((k) =>
  (k.methods ?? []).map((s) => ({ ...s, kind: k.kind })),
);

/** A pack for the hours asked: the least room that lasts, or the longest there is. */
function packFor(report: Report, circuit: Circuit, wantedH: number): Pack | undefined {
  const made = byId(report.circuits, circuit.id);
  if (!made) return undefined;
  const all = packChoices(made, catalogue.packs, wantedH);
  const regulated = made.feed.regulator !== undefined;
  const near = all.filter(({ pack: { cell, series } }) =>
    made.steady.every((s) => regulated || cell.nominalV * series >= s.ratedV * NEAR_V),
  );
  const rows = near.length > 0 ? near : all;
  const lasting = rows.filter((r) => r.hours >= wantedH).sort((a, b) => a.volumeCm3 - b.volumeCm3);
  return (lasting[0] ?? rows[0])?.pack;
}

/** The lights of a circuit by every method there is, each with a pack and a switch to go with it; worked out whole. */
export function lightMethods(
  doc: BuildDoc,
  circuitId: string,
  { power, switching }: MethodsAsked,
): MethodProposal[] {
  const at = doc.circuits.findIndex((c) => c.id === circuitId);
  const circuit = doc.circuits[at];
  if (!circuit) return [];
  const deriver = createDeriver();
  const homeOf = (id: string) => {
    const part = doc.parts.findIndex((p) => p.features.some((f) => f.id === id));
    const feature = doc.parts[part]?.features.findIndex((f) => f.id === id) ?? -1;
    return { part, feature, is: doc.parts[part]?.features[feature] };
  };
  const lit = circuit.loads.map((l) => homeOf(l.feature)).filter((h) => h.is !== undefined);
  const methodOf = ({ kind, params }: Feature): string | undefined =>
    methods.find((s) => s.kind === kind && s.is(params))?.method;
  const runs = lit.map((h) => runOf(doc, itemAt(doc.parts, h.part), h.is!));
  // What lies in a room or is a kind of its own, such as a light box, stays as it is.
  if (lit.every((h, i) => !runs[i] || methodOf(h.is!) === undefined)) return [];
  const wantedH = doc.brief.lightHours * (power === 'day' ? 1 : NEVER_OUT);
  const source = homeOf(circuit.source);
  const toggle = circuit.switch === null ? undefined : homeOf(circuit.switch);
  return methods.flatMap((method): MethodProposal[] => {
    const relit = lit.flatMap((h, i): Change[] => {
      const run = runs[i];
      if (!run || methodOf(h.is!) === undefined || methodOf(h.is!) === method.method) return [];
      return [
        {
          path: ['parts', h.part, 'features', h.feature],
          value: { id: h.is!.id, kind: method.kind, ...method.along(run) },
        },
      ];
    });
    const switches = catalogue.switches.filter((s) => s.kind === switching);
    const first = deriver(applyChanges(doc, relit));
    const made = byId(first.circuits, circuit.id);
    const draws = made?.working?.totalA ?? 0;
    const thrown =
      made?.switch?.kind === switching
        ? undefined
        : (switches.find((s) => s.maxA >= draws) ?? switches.at(-1));
    const pack = packFor(first, circuit, wantedH);
    const choose = (
      home: ReturnType<typeof homeOf> | undefined,
      item: { choose?: (string | number)[] } | undefined,
      now: string | undefined,
      value: string | undefined,
    ): Change[] =>
      home && home.part >= 0 && item?.choose && value !== undefined && value !== now
        ? [{ path: ['parts', home.part, ...item.choose], value }]
        : [];
    const changes = [
      ...relit,
      ...choose(source, made?.source?.item, made?.pack?.id, pack?.id),
      ...choose(toggle, made?.toggle?.item, made?.switch?.id, thrown?.id),
      ...(pack?.cell.wantsFuse && !circuit.fused ? [{ path: ['circuits', at, 'fused'], value: true }] : []),
    ];
    const report = deriver(applyChanges(doc, changes));
    const now = byId(report.circuits, circuit.id);
    if (!now?.run || now.infeasible !== undefined) return [];
    const lights = new Map<string, number>();
    for (const { item, times } of now.lamps)
      lights.set(
        item.steady?.name ?? `${item.lamp!.colour} LED`,
        (lights.get(item.steady?.name ?? `${item.lamp!.colour} LED`) ?? 0) + times,
      );
    return [
      {
        method: method.method,
        label: method.label,
        now: relit.length === 0,
        changes,
        lights: [...lights].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name)),
        pack: now.pack?.name ?? '',
        switch: now.switch?.name ?? '',
        hours: now.run.hours,
        massG: report.totals.massG,
        cost: report.totals.cost,
        stops: report.findings.filter((f) => f.severity === 'stop').length,
      },
    ];
  });
}

import { itemAt, firstOf } from '../units';
import { type Zone, zoneInfo } from '../body';
import { type Check, copiesOf, type Feature, type Part, type PieceDarts } from '../document';
import { type Laid, type LaidPart, nothing } from '../features';
import type { Model } from '../forms';
import { signedArea } from '../geometry';
import type { FoamSheet } from '../materials';
import {
  bendingOf,
  eachOf,
  type LaidPanel,
  type LayOptions,
  layPanels,
  netsOf,
  type Panel,
  type Piece,
  type Surface,
  surfaceOf,
} from '../panel';
import { bodiesOf } from './bodies';
import { foamFor, formModel, split, sheetOf, type Context } from './context';
import { waysOut } from './checks/wayOut';
import { touchChecks } from './checks/touch';
import { cutAways, cutAwayWork } from './cutAway';
import { drillWork, probeWork, templateOf } from './drilling';
import { foldWork } from './foldWork';
import { liningOf } from './lining';
import { withTemplates } from './templates';
import { keptOn } from './onPiece';
import { withPattern } from './patterned';
import { repointed } from './repointed';
import { roomsOf } from './rooms';
import { partFit, standOffs } from './wear/partFit';
import type { StandOff } from './wear/standOff';
import { noticedIn } from './noticed';
import type { HowMade, MadePart, Shell } from './madePart';

export type { HowMade, MadePart, Noticed, Shell } from './madePart';

/** Where on the wearer a part is worn; what is held in the hand is not. */
export const zoneOf = ({ mount }: Part): Zone | undefined =>
  mount.to === 'wearer' && !zoneInfo(mount.zone).held ? mount.zone : undefined;

function gapsOf(part: Part, surfaces: readonly Surface[], { body, underLayerMm }: Context): StandOff[] {
  const zone = zoneOf(part);
  return zone === undefined ? [] : standOffs(surfaces, zoneInfo(zone).clearance(body), underLayerMm);
}

const add = (all: Laid, one: Laid): Laid =>
  Object.fromEntries(
    (Object.keys(all) as (keyof Laid)[]).map((key) => [key, [...all[key], ...one[key]]]),
  ) as unknown as Laid;

/** Kinds of feature that are all as they were; what a feature lays depends on itself and others of its kind alone. */
function unchangedKinds({ features }: Part, { features: before }: MadePart): Set<string> | undefined {
  if (features.length !== before.length || features.some((f, i) => f.id !== itemAt(before, i).id))
    return undefined;
  const changed = features.filter((f, i) => JSON.stringify(f) !== JSON.stringify(before[i]));
  return new Set(features.map((f) => f.kind).filter((kind) => changed.every((f) => f.kind !== kind)));
}

function shellOf(
  form: Model,
  model: Model,
  foamAt: (panel: Panel) => FoamSheet,
  options: LayOptions,
  part: Part,
  context: Context,
  touched: readonly Check[] | undefined,
): Shell {
  const laid = layPanels(model.panels, model.joins, foamAt, options);
  const surfaces = laid.map(surfaceOf);
  return {
    form,
    model,
    laid,
    surfaces,
    gaps: gapsOf(part, surfaces, context),
    bending: bendingOf(laid.filter((l) => !l.panel.existing)),
    touching: touched?.filter((c) => laid.some((l) => l.panel.id === c.pieceId)) ?? touchChecks(model, laid),
  };
}

/** What a finding about a detail is about, whichever detail of its kind it is. */
const alikeOf = ({ id, severity }: Check, feature: Feature): string =>
  `${severity} ${feature.kind} ${id.replace(feature.id, '')}`;

/** Everything the features of a part lay, by their ids; kinds that are all as they were are not laid again. */
function laysOf(
  part: Part,
  on: LaidPart,
  laid: readonly LaidPanel[],
  { kinds }: Context,
  known: ReadonlyMap<string, Laid>,
): Map<string, Laid> {
  const path = ({ id }: Feature) => ['features', part.features.findIndex((f) => f.id === id)];
  return new Map(
    part.features.map((feature): [string, Laid] => {
      const kind = kinds.features.get(feature.kind);
      const lay = (): Laid => {
        if (!kind) return nothing();
        const pointed = kind.parts ? feature : repointed(feature, laid);
        const own = keptOn(kind.lay(on, pointed), pointed, kind, laid, path);
        return {
          ...own,
          drawn: own.drawn.map((d) => ({ ...d, featureId: feature.id })),
          work: own.work.map((w) => ({ ...w, featureId: feature.id })),
          checks: own.checks.map((c) => ({ ...c, featureId: feature.id, alike: alikeOf(c, feature) })),
        };
      };
      return [feature.id, known.get(feature.id) ?? lay()];
    }),
  );
}

/** Of what was laid before, what is not to be laid again. */
function stillLaid(part: Part, before: MadePart | undefined): ReadonlyMap<string, Laid> {
  const same = before && unchangedKinds(part, before);
  if (!same) return new Map();
  const kindOf = new Map(part.features.map((f) => [f.id, f.kind]));
  return new Map([...before.lays].filter(([id]) => same.has(kindOf.get(id) ?? '')));
}

/** How flat pieces are to lie, by the values of the part. */
const layOptions = (
  part: Part,
  darts: readonly PieceDarts[],
  coarse: boolean,
  context: Context,
): LayOptions => {
  const { stretchPct, darts: most } = part.params;
  return {
    limit: typeof stretchPct === 'number' ? stretchPct / 100 : 1,
    darts: typeof most === 'number' ? most : 0,
    dartsByHand: [...part.darts, ...darts],
    coarse,
    ways: context.habits,
  };
};

/** A piece with what features drill, mark and hollow in it. */
function drilled(piece: Piece, { holes, marks: all }: Laid): Piece {
  const marks = all.filter((m) => m.pieceId === piece.id).map((m) => m.mark);
  const outMm3 = marks.reduce((sum, m) => sum + Math.abs(signedArea(m.points)) * (m.takesMm ?? 0), 0);
  const wholeMm3 = piece.volumeMm3 ?? piece.areaMm2 * piece.thicknessMm;
  return {
    ...piece,
    holes: [...piece.holes, ...holes.filter((h) => h.pieceId === piece.id).map((h) => h.hole)],
    marks: [...piece.marks, ...marks],
    ...(outMm3 > 0 && { volumeMm3: Math.max(0, wholeMm3 - outMm3) }),
  };
}

/** A part worked out: its model laid flat, its rooms, its features, how it sits, and what was noticed. Pure. */
export function makePart(
  part: Part,
  context: Context,
  {
    coarse = false,
    darts = [],
    wear: satBefore,
    touching: touched,
    before,
    ways: waysAsked = false,
  }: HowMade = {},
): MadePart {
  const ply = firstOf(part.stack);
  const sheet = sheetOf(context);
  const foam = sheet(ply);
  const lining = part.lining ? sheet(part.lining) : undefined;
  const options = layOptions(part, darts, coarse, context);
  const form = before?.form ?? formModel(part, context);
  const model = split(form, part, context);
  const bare =
    before && model === before.model
      ? before
      : shellOf(form, model, foamFor(context, ply), options, part, context, touched);
  const { laid, surfaces, gaps, bending, touching } = bare;
  const zone = zoneOf(part);
  const rooms = roomsOf(bare, lining?.thicknessMm.value ?? 0, zone, context);
  const on: LaidPart = {
    panels: laid,
    rooms,
    ply,
    lined: lining !== undefined,
    sheet,
    features: part.features,
    packs: context.catalogue.packs,
    switches: context.catalogue.switches,
    gaps,
    tender: (zone && zoneInfo(zone).tender?.(context.body)) ?? [],
  };
  const lays = laysOf(part, on, laid, context, stillLaid(part, bare === before ? before : undefined));
  const featured = [...lays.values()].reduce(add, nothing());
  const there = new Set(laid.flatMap((l) => (l.panel.existing ? [l.panel.id] : [])));
  const shell = laid.map((l) => l.piece);
  const cut = shell.filter((p) => !there.has(p.id));
  // How it sat before says nothing of pieces that are gone.
  const still = satBefore?.standOff.every((s) => shell.some((p) => p.id === s.pieceId))
    ? satBefore
    : undefined;
  const wear =
    still ??
    (zone && surfaces.length > 0 ? partFit(gaps, cut, surfaces, featured, sheet, model.padded) : undefined);
  const lined = lining && liningOf(model, lining);
  const linings = lined
    ? layPanels(lined.panels, lined.joins, () => lining, { ...options, dartsByHand: [] })
    : [];
  const flat = [
    ...cut.map((p) => drilled(p, featured)),
    ...linings.map(({ piece }) => ({ ...piece, role: 'lining' as const })),
    ...featured.pieces,
  ];
  const templates = shell
    .filter((p) => there.has(p.id))
    .map((p) => templateOf(drilled(p, featured), featured.items));
  const bodies = bodiesOf(rooms, featured.items);
  const ways = coarse && !waysAsked ? undefined : waysOut(laid, model.joins, model.sticks, lays, bodies);
  const nets = netsOf(laid, model.joins, context.habits.fold);
  const made = {
    ...{ form, model, laid, surfaces, gaps, bending, touching, foam, rooms, bodies, templates },
    ...(lining && { lining }),
    ...(ways && { ways }),
    ...(wear && { wear }),
  };
  const noticed = noticedIn(part, context, { ...made, featured, shell, cut, flat }, coarse);
  const hands = handsOf(part, context.times);
  return {
    ...made,
    nets,
    features: part.features,
    on,
    lays,
    featured: {
      ...featured,
      work: [
        ...probeWork(templates, featured.probed),
        ...featured.work,
        ...foldWork(laid),
        ...cutAwayWork(cutAways(rooms, featured.items)),
        ...drillWork(templates),
      ],
    },
    pieces: withPattern(withTemplates(nets.gather(flat)), context.habits).map((p) => {
      const each = eachOf(p);
      return { ...p, ...hands, quantity: hands.quantity * each, flipped: hands.flipped * each };
    }),
    noticed: noticed.map(({ check, from }) => {
      const net = check.pieceId === undefined ? undefined : nets.placeOf(check.pieceId);
      return { from, check: net ? { ...check, pieceId: net.netId } : check };
    }),
  };
}

/**
 * How many copies are cut, and how many of them flipped. Forms are made on the wearer's right: the flat, folded with
 * its outer face out, lies there as it is drawn, so the left is cut flipped.
 */
function handsOf(part: Part, times: number): Pick<Piece, 'quantity' | 'flipped' | 'hand'> {
  const { mount } = part;
  const mirrored = mount.to === 'part' && mount.copies?.way === 'mirrored';
  // What is held is the same thing in either hand.
  const side = mount.to === 'wearer' && zoneOf(part) ? mount.side : 'middle';
  return {
    quantity: copiesOf(part) * times,
    flipped: side === 'pair' || side === 'left' || mirrored ? times : 0,
    ...(side !== 'middle' && { hand: side }),
  };
}

import { itemAt, firstOf } from '../units';
import { type Zone, zoneInfo } from '../body';
import { type Check, copiesOf, type Feature, type Part, type PieceDarts } from '../document';
import { type Laid, type LaidPart, nothing } from '../features';
import type { Model } from '../forms';
import type { FoamSheet } from '../materials';
import {
  type Bending,
  bendingOf,
  eachOf,
  type LaidPanel,
  type LayOptions,
  layPanels,
  type Nets,
  netsOf,
  type Panel,
  type Piece,
  type Room,
  type Surface,
  surfaceOf,
} from '../panel';
import { bodiesOf, type Body } from './bodies';
import { foamFor, formModel, split, sheetOf, type Context } from './context';
import { bendChecks, unsoldChecks } from './checks/foam';
import { crossingChecks } from './checks/crossing';
import { clashChecks } from './checks/inside';
import { stretchChecks } from './checks/stretch';
import { lidSwingChecks } from './checks/lidSwing';
import { wayOutChecks, waysOut, type WaysOut } from './checks/wayOut';
import { foldBackChecks } from './checks/foldBack';
import { touchChecks } from './checks/touch';
import { cutAwayChecks, cutAways, cutAwayWork } from './cutAway';
import { drillWork, templateOf, wholeChecks } from './drilling';
import { lidChecks } from './lids';
import { foldWork } from './foldWork';
import { liningOf } from './lining';
import { withTemplates } from './templates';
import { keptOn } from './onPiece';
import { repointed } from './repointed';
import { roomsOf } from './rooms';
import { pressChecks, slackChecks } from './checks/wear';
import { partFit, standOffs, type PartFit } from './wear/partFit';
import type { StandOff } from './wear/standOff';

/** Where something that was noticed comes from: the form alone, the part as laid, how it came to lie flat, or the ways out of it. */
export type Origin = 'model' | 'part' | 'flat' | 'ways';

export interface Noticed {
  check: Check;
  from: Origin;
}

/** The shell of a part, laid flat, with nothing on it. */
export interface Shell {
  /** Its form, and the same with its flat panels parted by its features. */
  form: Model;
  model: Model;
  laid: LaidPanel[];
  surfaces: Surface[];
  /** How far it stands off whoever wears it. */
  gaps: StandOff[];
  bending: Bending;
  /** Where pieces touch that are not meant to. */
  touching: Check[];
}

/** One part worked out, before it is reported: everything later is read from here and not looked up again. */
export interface MadePart extends Shell {
  foam: FoamSheet;
  lining?: FoamSheet;
  /** Panels that are cut as one sheet and folded. */
  nets: Nets;
  rooms: Room[];
  /** What was put in, as solids. */
  bodies: Body[];
  /** How what may have to come out does; not looked for in a first answer. */
  ways?: WaysOut;
  wear?: PartFit;
  features: readonly Feature[];
  /** What each feature lays, by its id, and all of it together. */
  lays: ReadonlyMap<string, Laid>;
  featured: Laid;
  /** Shell, lining and laid pieces, drilled and marked; one copy. */
  pieces: Piece[];
  /** Walls that are there already, with what is drilled and cut in them; nothing is cut from a sheet. */
  templates: Piece[];
  noticed: Noticed[];
}

export interface HowMade {
  /** A first answer: fewer rounds of flattening, no search for darts. */
  coarse?: boolean;
  /** Ways out are looked for in a first answer as well. */
  ways?: boolean;
  /** Darts of pieces that were placed before, kept in a coarse answer. */
  darts?: readonly PieceDarts[];
  /** How it sat before, kept in a coarse answer. */
  wear?: PartFit;
  /** The same part before some of its features changed, and nothing else: its shell is not worked out again. */
  before?: MadePart;
}

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
    touching: touchChecks(model, laid),
  };
}

/** A part worked out: its model laid flat, its rooms, its features, how it sits, and what was noticed. Pure. */
export function makePart(
  part: Part,
  context: Context,
  { coarse = false, darts = [], wear: satBefore, before, ways: waysAsked = false }: HowMade = {},
): MadePart {
  const ply = firstOf(part.stack);
  const sheet = sheetOf(context);
  const foam = sheet(ply);
  const lining = part.lining ? sheet(part.lining) : undefined;
  const { stretchPct, darts: mostDarts } = part.params;
  const options = {
    limit: typeof stretchPct === 'number' ? stretchPct / 100 : 1,
    darts: typeof mostDarts === 'number' ? mostDarts : 0,
    dartsByHand: [...part.darts, ...darts],
    coarse,
    ways: context.habits,
  };
  const form = before?.form ?? formModel(part, context);
  const model = split(form, part, context);
  const bare =
    before && model === before.model
      ? before
      : shellOf(form, model, foamFor(context, ply), options, part, context);
  const { laid, surfaces, gaps, bending } = bare;
  const liningMm = lining?.thicknessMm.value ?? 0;
  const zone = zoneOf(part);
  const rooms = roomsOf(bare, liningMm, zone, context);
  const on: LaidPart = {
    panels: laid,
    rooms,
    ply,
    lined: lining !== undefined,
    sheet,
    features: part.features,
    packs: context.catalogue.packs,
    switches: context.catalogue.switches,
    tender: (zone && zoneInfo(zone).tender?.(context.body)) ?? [],
  };
  const same = bare === before ? unchangedKinds(part, before) : undefined;
  const lays = new Map(
    part.features.map((feature): [string, Laid] => {
      const kind = context.kinds.features.get(feature.kind);
      const known = same?.has(feature.kind) ? before!.lays.get(feature.id) : undefined;
      const lay = (): Laid => {
        if (!kind) return nothing();
        const pointed = kind.parts ? feature : repointed(feature, laid);
        return keptOn(kind.lay(on, pointed), pointed, kind, laid, ({ id }) => [
          'features',
          part.features.findIndex((f) => f.id === id),
        ]);
      };
      return [feature.id, known ?? lay()];
    }),
  );
  const featured = [...lays.values()].reduce(add, nothing());
  const there = new Set(laid.flatMap((l) => (l.panel.existing ? [l.panel.id] : [])));
  const shell = laid.map((l) => l.piece);
  const cut = shell.filter((p) => !there.has(p.id));
  // How it sat before says nothing of pieces that are gone.
  const still = satBefore?.standOff.every((s) => shell.some((p) => p.id === s.pieceId))
    ? satBefore
    : undefined;
  const wear = still ?? (zone && partFit(gaps, cut, surfaces, featured, sheet, model.padded));
  const linings = lining
    ? (({ panels, joins }) => layPanels(panels, joins, () => lining, { ...options, dartsByHand: [] }))(
        liningOf(model, lining),
      )
    : [];
  const drilled = (p: Piece): Piece => ({
    ...p,
    holes: [...p.holes, ...featured.holes.filter((h) => h.pieceId === p.id).map((h) => h.hole)],
    marks: [...p.marks, ...featured.marks.filter((m) => m.pieceId === p.id).map((m) => m.mark)],
  });
  const pieces = [
    ...cut.map(drilled),
    ...linings.map(({ piece }) => ({ ...piece, role: 'lining' as const })),
    ...featured.pieces,
  ];
  const templates = shell.filter((p) => there.has(p.id)).map((p) => templateOf(drilled(p), featured.items));
  const bodies = bodiesOf(rooms, featured.items);
  const ways = coarse && !waysAsked ? undefined : waysOut(laid, model.joins, model.sticks, lays, bodies);
  const away = cutAways(rooms, featured.items);
  const nets = netsOf(laid, model.joins, context.habits.fold);
  const used = [
    foam,
    ...(lining ? [lining] : []),
    ...laid.filter((l) => !l.panel.existing).map((l) => l.foam),
    ...featured.pieces.map((p) => sheet(p)),
  ];
  const noticed: Noticed[] = [
    ...model.checks.map((check) => ({ check, from: 'model' as const })),
    ...[
      ...unsoldChecks(part, context, used),
      ...bendChecks(part, context, bending),
      ...(wear ? [...pressChecks(wear, shell), ...slackChecks(wear, cut, part, context.kinds)] : []),
      ...bare.touching,
      ...foldBackChecks(pieces),
      ...(coarse ? [] : crossingChecks(pieces)),
      ...clashChecks(part, bodies, rooms, laid),
      ...worstOf(featured.checks),
      ...wholeChecks(laid, templates),
      ...lidChecks(laid, templates, featured.items),
      ...lidSwingChecks(laid, model.sticks, bodies),
      ...cutAwayChecks(away),
    ].map((check) => ({ check, from: 'part' as const })),
    ...stretchChecks(cut, part).map((check) => ({ check, from: 'flat' as const })),
    ...(ways ? wayOutChecks(part, ways, bodies, laid, context.kinds, featured.checks) : []).map((check) => ({
      check,
      from: 'ways' as const,
    })),
  ];
  return {
    form,
    model,
    laid,
    surfaces,
    gaps,
    bending,
    touching: bare.touching,
    foam,
    ...(lining && { lining }),
    nets,
    rooms,
    bodies,
    ...(ways && { ways }),
    ...(wear && { wear }),
    features: part.features,
    lays,
    featured: {
      ...featured,
      work: [...featured.work, ...foldWork(laid), ...cutAwayWork(away), ...drillWork(templates)],
    },
    templates,
    pieces: withTemplates(nets.gather(pieces)).map((p) => {
      const hands = handsOf(part, context.times);
      const each = eachOf(p);
      return { ...p, ...hands, quantity: hands.quantity * each, flipped: hands.flipped * each };
    }),
    noticed: noticed.map(({ check, from }) => {
      const net = check.pieceId === undefined ? undefined : nets.placeOf(check.pieceId);
      return { from, check: net ? { ...check, pieceId: net.netId } : check };
    }),
  };
}

/** Several features may notice the same; the worst of them speaks. */
const worstOf = (checks: readonly Check[]): Check[] =>
  checks.filter(
    (c, i) =>
      !checks.some((o, k) => o.id === c.id && (o.excess > c.excess || (o.excess === c.excess && k < i))),
  );

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

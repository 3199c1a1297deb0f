import {
  type InFront,
  inFrontOf,
  type PutInClash,
  putInClashes,
  type Standing,
  standingsOf,
  withLetIn,
} from '../assembly';
import { type Body, doubts } from '../body';
import { circuitsOf } from '../circuit';
import { createCarried, onBack, onEar, onHead, onShoulders } from '../carry';
import { packAll, type Packed, sticksOf } from '../cut';
import type { BuildDoc, Part } from '../document';
import { createFitting, gettingAbout, type GettingAbout, insideHead, type InsideHead } from '../fit';
import { allFindings, type Totals, type Worked } from '../findings';
import { type Catalogue, catalogue as standard, controller } from '../materials';
import {
  fasteningsG,
  featureAdvice,
  type Kinds,
  partAdvice,
  partReport,
  rootOf,
  type PartReport,
  standardKinds,
} from '../parts';
import { pagesNeeded, printedPieces } from '../pattern';
import {
  atShopPace,
  batched,
  buildSteps,
  calendarOf,
  isRenewed,
  partLetters,
  schedule,
  shopping,
  toMake,
} from '../plan';
import { createRemembered } from './remembered';
import type { Report } from './report';
import { contextOfPart, sideOf, surroundingsOf } from './surroundings';

export interface DeriveOptions {
  catalogue?: Catalogue;
  kinds?: Kinds;
  /** What is found, without trying remedies or other thicknesses: enough to count what stops a build. */
  untried?: boolean;
  /** ISO date; the schedule begins no earlier. */
  today?: string;
}

/** How an answer is wanted. */
export interface Asking {
  /** Parts that changed are worked out coarsely from what they were before, movements are left as they were. */
  coarse?: boolean;
  /** Asked before each part is worked out in full; once it says no, the rest stay coarse for now. */
  goOn?: () => boolean;
}

interface Remembered {
  /** Sticks that pass through it, and how often what it hangs on is there. */
  through: string;
  body: string;
  stock: BuildDoc['stock'];
  habits: BuildDoc['make']['habits'];
  finish: number;
  meshes: BuildDoc['meshes'];
  foams: BuildDoc['foams'];
  underLayerMm: number;
  report: PartReport;
}

/** Body values as one string, so that an edit elsewhere does not redo a part. */
const bodyKey = (body: Body): string =>
  Object.values(body)
    .map((m) => m.valueMm)
    .join(' ');

/** Which pieces there are, how many and in what: what must not change for sheets to stay as they were. */
const piecesKey = (parts: readonly PartReport[]): string =>
  parts
    .flatMap((p) => p.pieces.map((q) => `${p.id}/${q.id} ${q.quantity} ${q.foamId} ${q.nominalMm}`))
    .join();

function totalsOf(worked: Omit<Worked, 'totals'>): Totals {
  const { parts, circuits, fitting, packed, steps, cost, schedule: plan } = worked;
  // One that does not light burns for no time.
  const hours = circuits.filter((c) => c.lamps.length > 0).map((c) => c.run?.hours ?? 0);
  const own = parts.reduce((sum, p) => sum + p.totalG * p.copies, 0);
  const straps = fasteningsG(fitting.straps);
  const counted = parts.reduce((sum, p) => sum + fasteningsG(p.fastenings) * p.copies, 0);
  return {
    massG:
      own +
      (straps - counted) +
      circuits.reduce(
        (sum, c) =>
          sum + (c.wireG + (c.feed.regulator?.massG ?? 0) + (c.controlled ? controller.massG : 0)) * c.copies,
        0,
      ),
    foamAreaMm2: parts.reduce((sum, p) => sum + p.areaMm2 * p.copies, 0),
    sheets: packed.sheets.length,
    cost: cost.reduce((sum, l) => sum + l.total, 0),
    lightHours: hours.length > 0 ? Math.min(...hours) : null,
    workMin: steps.reduce((sum, s) => sum + s.workMin, 0),
    daysToSpare: plan.daysToSpare,
  };
}

/**
 * A deriver that remembers each part by identity: an edit that leaves a part, the body and the stock
 * untouched does not work that part out again. Same document in, same report out, remembered or not.
 */
export function createDeriver({
  catalogue: base = standard,
  kinds = standardKinds,
  untried = false,
  today,
}: DeriveOptions = {}): (doc: BuildDoc, asking?: Asking) => Report {
  const full = new WeakMap<Part, Remembered>();
  const coarseMemory = new WeakMap<Part, Remembered>();
  const last = new Map<string, PartReport>();
  const fitting = createFitting();
  const carrying = createCarried();
  let lastStandings: Standing[] = [];
  let lastAbout: GettingAbout | undefined;
  let lastInside: InsideHead[] = [];
  const rememberedInside = createRemembered<InsideHead[]>();
  const rememberedAbout = createRemembered<GettingAbout | undefined>();
  let lastClashes: PutInClash[] = [];
  let lastInFront: InFront[] = [];
  let lastPacked: { pieces: string; packed: Packed } | undefined;
  let lastPages: { parts: readonly PartReport[]; key: string; count: number } | undefined;
  /** Pages of the printed pattern; planned anew when a piece or the paper changed. */
  const pagesOf = (
    parts: readonly PartReport[],
    letters: Record<string, string>,
    cut: BuildDoc['cut'],
  ): number => {
    const { page, pagePlan, overlapMm, barMeasuredMm, barAlongMeasuredMm } = cut;
    const key = JSON.stringify([letters, page, pagePlan, overlapMm, barMeasuredMm, barAlongMeasuredMm]);
    const same = lastPages?.key === key && parts.every((p, i) => p.pieces === lastPages!.parts[i]?.pieces);
    if (!same || lastPages!.parts.length !== parts.length)
      lastPages = { parts, key, count: pagesNeeded(printedPieces({ parts, letters }), cut) };
    return lastPages!.count;
  };

  return (doc, { coarse = false, goOn = () => true } = {}) => {
    const { measures, underLayerMm } = doc.wearer;
    const surroundings = surroundingsOf(doc, base, kinds);
    const { catalogue } = surroundings.context;
    const { context, bodies, constants } = surroundings;
    const { body } = context;
    const keys = {
      left: bodyKey(bodies.left),
      right: bodyKey(bodies.right),
      pair: bodyKey(body),
      middle: bodyKey(body),
    };
    const { habits } = doc.make;
    const coarseParts: string[] = [];
    let going = !coarse;
    const made = doc.parts.map((part) => {
      const key = keys[sideOf(part)];
      const own = contextOfPart(doc, part, surroundings);
      const passing = JSON.stringify([own.through, own.times]);
      const holds = (known: Remembered | undefined): PartReport | undefined =>
        known?.body === key &&
        known.through === passing &&
        known.stock === doc.stock &&
        known.habits === habits &&
        known.finish === context.finish &&
        known.meshes === doc.meshes &&
        known.foams === doc.foams &&
        known.underLayerMm === underLayerMm
          ? known.report
          : undefined;
      const known = holds(full.get(part));
      if (known) return known;
      const before = last.get(part.id);
      const remember = (memory: typeof full, report: PartReport): PartReport => {
        memory.set(part, {
          body: key,
          through: passing,
          stock: doc.stock,
          habits,
          finish: context.finish,
          meshes: doc.meshes,
          foams: doc.foams,
          underLayerMm,
          report,
        });
        return report;
      };
      going = going && goOn();
      if (!going) {
        coarseParts.push(part.id);
        return (
          holds(coarseMemory.get(part)) ??
          remember(coarseMemory, partReport(part, own, true, before?.form === part.form ? before : undefined))
        );
      }
      const report = remember(full, partReport(part, own, false, undefined, { untried }));
      last.set(part.id, report);
      return report;
    });
    const parts = withLetIn(made);
    if (coarseParts.length === 0) {
      lastStandings = standingsOf(parts);
      lastAbout = rememberedAbout([keys.pair, ...parts], () => gettingAbout(body, parts));
      const onHeads = parts.filter((p) => {
        const { mount } = rootOf(p, parts);
        return mount.to === 'wearer' && mount.zone === 'head';
      });
      lastInside = rememberedInside([keys.pair, ...onHeads], () => insideHead(parts, body));
      lastClashes = putInClashes(parts, (p) => rootOf(p, parts));
      lastInFront = inFrontOf(parts, (p) => rootOf(p, parts));
    }
    // While an answer is coarse the sheets stay as they were laid, as long as they hold the same pieces.
    const making = toMake(parts);
    const pieces = piecesKey(making);
    const packed =
      coarseParts.length > 0 && lastPacked?.pieces === pieces
        ? lastPacked.packed
        : packAll(doc, making, catalogue);
    lastPacked = { pieces, packed };
    const fitted = fitting(context, parts, doc.parts, coarseParts.length > 0);
    const sticks = sticksOf(making, catalogue, habits.sawKerfMm);
    const circuits = circuitsOf(doc.circuits, body, parts, doc.brief.coldC, constants.capacity.factor);
    // What is there already is wired already, and its straps hold until they have aged.
    const isThere = (id: string): boolean => parts.some((p) => p.id === id && p.reused);
    const wiring = circuits.filter((c) => c.lamps.length === 0 || c.lamps.some((l) => !isThere(l.partId)));
    const straps = fitted.straps.filter((s) => {
      const reused = parts.find((p) => p.id === s.partId)?.reused;
      return !reused || isRenewed(s.closure, reused.years);
    });
    const letters = partLetters(parts, doc.cut.letters);
    const pages = coarseParts.length > 0 && lastPages ? lastPages.count : pagesOf(parts, letters, doc.cut);
    const each = buildSteps(doc, making, { ...fitted, straps }, wiring, constants.coverage.factor, pages);
    const steps = atShopPace(
      doc.make.calendar?.order === 'batches' ? batched(each, doc.make.done) : each,
      constants,
    );
    const start = today && today > doc.brief.startDate ? today : doc.brief.startDate;
    const plan = schedule(steps, doc.make.done, start, doc.brief.eventDate, calendarOf(doc));
    const worked: Omit<Worked, 'totals'> = {
      constants,
      body,
      sides: { left: bodies.left, right: bodies.right },
      doubts: doubts(measures),
      parts,
      letters,
      pages,
      fitting: fitted,
      circuits,
      standings: lastStandings,
      putInClashes: lastClashes,
      inFront: lastInFront,
      carried: carrying(
        parts,
        catalogue,
        Math.min(doc.brief.luggageMm, doc.brief.eventMaxMm),
        coarseParts.length > 0,
      ),
      onHead: onHead(parts, body),
      onEar: onEar(parts, body),
      onBack: onBack(parts, body),
      onShoulders: onShoulders(parts, body),
      about: lastAbout,
      insideHead: lastInside,
      packed,
      sticks,
      steps,
      schedule: plan,
      cost: shopping(doc, making, packed.sheets, sticks, catalogue, straps, wiring, {
        coverage: constants.coverage.factor,
        glue: constants.glue.factor,
      }),
    };
    const report: Worked = { ...worked, totals: totalsOf(worked) };
    return {
      ...report,
      findings: allFindings({ doc, report, context }),
      advice: [...partAdvice(parts), ...featureAdvice(doc, parts, context)],
      coarse: coarseParts,
    };
  };
}

/** The whole build worked out once. Pure and deterministic. */
export const derive = (doc: BuildDoc, options: DeriveOptions = {}): Report => createDeriver(options)(doc);

import { withLetIn } from '../assembly';
import { type Body, doubts } from '../body';
import { circuitsOf } from '../circuit';
import {
  createCarried,
  type FrameSag,
  frameSags,
  hungOn,
  onBack,
  onEar,
  onHead,
  onLimbs,
  onShoulders,
} from '../carry';
import { packAll, type Packed, sticksOf } from '../cut';
import type { BuildDoc, Part } from '../document';
import { createFitting, insideHead, type InsideHead } from '../fit';
import { allFindings, type Worked } from '../findings';
import { type Catalogue, catalogue as standard } from '../materials';
import {
  featureAdvice,
  type Kinds,
  partAdvice,
  partReport,
  rootOf,
  type PartReport,
  standardKinds,
} from '../parts';
import { pagesNeeded, pagesReckoned, printedPieces } from '../pattern';
import {
  atShopPace,
  batched,
  buildSteps,
  calendarOf,
  enoughHours,
  isRenewed,
  partLetters,
  schedule,
  shopping,
  toMake,
} from '../plan';
import { createContexts } from './contexts';
import { type Settled, settledOf } from './settled';
import { totalsOf } from './totals';
import type { Report } from './report';
import { createStages } from '../units';
import { sideOf, surroundingsOf } from './surroundings';

export interface DeriveOptions {
  catalogue?: Catalogue;
  kinds?: Kinds;
  /** What is found, without trying remedies or other thicknesses: enough to count what stops a build. */
  untried?: boolean;
  /** ISO date; the schedule begins no earlier. */
  today?: string;
  /** Told of every stage that is worked out anew, and of every part. */
  onMade?: (stage: string) => void;
}

/** How an answer is wanted. */
export interface Asking {
  /** Parts that changed are worked out coarsely from what they were before, movements are left as they were. */
  coarse?: boolean;
  /** Asked before each part is worked out in full; once it says no, the rest stay coarse for now. */
  goOn?: () => boolean;
  /** Pages are planned in a coarse answer too where they never were, not reckoned: for what is compared to the minute. */
  pagesPlanned?: boolean;
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

/**
 * A deriver that remembers each part by identity: an edit that leaves a part, the body and the stock
 * untouched does not work that part out again. Same document in, same report out, remembered or not.
 */
export function createDeriver({
  catalogue: base = standard,
  kinds = standardKinds,
  untried = false,
  today,
  onMade,
}: DeriveOptions = {}): (doc: BuildDoc, asking?: Asking) => Report {
  const full = new WeakMap<Part, Remembered>();
  const coarseMemory = new WeakMap<Part, Remembered>();
  const last = new Map<string, PartReport>();
  const fitting = createFitting();
  const carrying = createCarried();
  const stage = createStages<BuildDoc>(['brief', 'make', 'cut'], onMade);
  const contexts = createContexts();
  let settled: Settled = { standings: [], about: undefined, clashes: [], inFront: [] };
  let inside: InsideHead[] = [];
  let frames: FrameSag[] = [];
  let enough: number | undefined;
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

  return (doc, { coarse = false, goOn = () => true, pagesPlanned = false } = {}) => {
    const { measures, underLayerMm } = doc.wearer;
    const surroundings = stage('surroundings', doc, [], (d) => surroundingsOf(d, base, kinds));
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
      const { context: own, passing } = contexts(doc, part, surroundings);
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
      onMade?.('part');
      const report = remember(full, partReport(part, own, false, undefined, { untried }));
      last.set(part.id, report);
      return report;
    });
    const isCoarse = coarseParts.length > 0;
    const parts = stage('let in', doc, made, () => withLetIn(made));
    if (!isCoarse) {
      settled = stage('settled', doc, [parts, body], () => settledOf(parts, body));
      frames = stage('frames', doc, [parts, catalogue], () => frameSags(parts, catalogue));
      const onHeads = parts.filter((p) => {
        const { mount } = rootOf(p, parts);
        return mount.to === 'wearer' && mount.zone === 'head';
      });
      inside = stage('inside the head', doc, [body, ...onHeads], () => insideHead(parts, body));
    }
    // While an answer is coarse the sheets stay as they were laid, as long as they hold the same pieces.
    const making = stage('to make', doc, [parts], () => toMake(parts));
    const pieces = stage('pieces', doc, [making], () => piecesKey(making));
    const packed =
      isCoarse && lastPacked?.pieces === pieces
        ? lastPacked.packed
        : stage('sheets', doc, [making, catalogue], (d) => packAll(d, making, catalogue));
    lastPacked = { pieces, packed };
    const fitted = stage('fit', doc, [context, parts, isCoarse], (d) =>
      fitting(context, parts, d.parts, isCoarse),
    );
    const sticks = stage('sticks', doc, [making, catalogue, habits.sawKerfMm], () =>
      sticksOf(making, catalogue, habits.sawKerfMm),
    );
    const circuits = stage('circuits', doc, [body, parts, constants], (d) =>
      circuitsOf(d, body, parts, constants.capacity.factor, stage),
    );
    // What is there already is wired already, and its straps hold until they have aged.
    const isThere = (id: string): boolean => parts.some((p) => p.id === id && p.reused);
    const wiring = stage('wiring', doc, [circuits, parts], () =>
      circuits.filter((c) => c.lamps.length === 0 || c.lamps.some((l) => !isThere(l.partId))),
    );
    const straps = stage('straps', doc, [fitted, parts], () =>
      fitted.straps.filter((s) => {
        const reused = parts.find((p) => p.id === s.partId)?.reused;
        return !reused || isRenewed(s.closure, reused.years);
      }),
    );
    const letters = stage('letters', doc, [parts], (d) => partLetters(parts, d.cut.letters));
    const reckoned = isCoarse && !lastPages && !pagesPlanned;
    const pages = reckoned
      ? stage('pages reckoned', doc, [parts, letters], (d) =>
          pagesReckoned(printedPieces({ parts, letters }), d.cut),
        )
      : isCoarse && lastPages && !pagesPlanned
        ? lastPages.count
        : pagesOf(parts, letters, doc.cut);
    const steps = stage('steps', doc, [making, fitted, straps, wiring, constants, pages, reckoned], (d) => {
      const each = buildSteps(
        d,
        making,
        { ...fitted, straps },
        wiring,
        constants.coverage.factor,
        { count: pages, reckoned },
        stage,
      );
      return atShopPace(d.make.calendar?.order === 'batches' ? batched(each, d.make.done) : each, constants);
    });
    const start = today && today > doc.brief.startDate ? today : doc.brief.startDate;
    const calendar = stage('calendar', doc, [], calendarOf);
    const plan = stage('schedule', doc, [steps, start, calendar], (d) =>
      schedule(steps, d.make.done, start, d.brief.eventDate, calendar),
    );
    if (!isCoarse) enough = stage('enough hours', doc, [steps, plan], (d) => enoughHours(d, steps, plan));
    const reach = Math.min(doc.brief.luggageMm, doc.brief.eventMaxMm);
    const worked: Omit<Worked, 'totals'> = {
      constants,
      body,
      sides: stage('sides', doc, [bodies], () => ({ left: bodies.left, right: bodies.right })),
      doubts: stage('doubts', doc, [measures], () => doubts(measures)),
      parts,
      letters,
      pages,
      fitting: fitted,
      circuits,
      standings: settled.standings,
      putInClashes: settled.clashes,
      inFront: settled.inFront,
      carried: stage('carried', doc, [parts, catalogue, reach, isCoarse], () =>
        carrying(parts, catalogue, reach, isCoarse),
      ),
      ...stage('borne', doc, [parts, body], () => ({
        onHead: onHead(parts, body),
        onEar: onEar(parts, body),
        hung: hungOn(parts),
        onBack: onBack(parts, body),
        onShoulders: onShoulders(parts, body),
        onLimbs: onLimbs(parts),
      })),
      frames,
      about: settled.about,
      insideHead: inside,
      packed,
      sticks,
      steps,
      schedule: plan,
      enoughHours: enough,
      cost: stage('cost', doc, [making, packed, sticks, catalogue, straps, wiring, constants], (d) =>
        shopping(d, making, packed.sheets, sticks, catalogue, straps, wiring, {
          coverage: constants.coverage.factor,
          glue: constants.glue.factor,
        }),
      ),
    };
    const all = Object.values(worked);
    const report: Worked = { ...worked, totals: stage('totals', doc, all, () => totalsOf(worked)) };
    return {
      ...report,
      findings: stage('findings', doc, [...all, context], (d) => allFindings({ doc: d, report, context })),
      advice: stage('advice', doc, [parts, context], (d) => [
        ...partAdvice(parts),
        ...featureAdvice(d, parts, context),
      ]),
      coarse: coarseParts,
    };
  };
}

/** The whole build worked out once. Pure and deterministic. */
export const derive = (doc: BuildDoc, options: DeriveOptions = {}): Report => createDeriver(options)(doc);

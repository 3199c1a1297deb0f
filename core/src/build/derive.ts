import { largerBody, resolveBody, type Body } from '../body/estimate';
import { doubts } from '../body/plausible';
import { isPaired } from '../forms/partForm';
import { allFindings } from '../findings/allFindings';
import { catalogue as standard, type Catalogue } from '../materials/catalogue';
import { shopping } from '../plan/cost';
import { schedule } from '../plan/schedule';
import { buildSteps } from '../plan/steps';
import type { BuildDoc, Part } from './document';
import { createFitting } from './fitting';
import { packAll } from './packAll';
import { partReport } from './partReport';
import type { PartReport, Report } from './report';

export interface DeriveOptions {
  catalogue?: Catalogue;
  /** ISO date; the schedule begins no earlier. */
  today?: string;
}

interface Remembered {
  body: string;
  stock: BuildDoc['stock'];
  underLayerMm: number;
  report: PartReport;
}

/** Body values as one string, so that an edit elsewhere does not redo a part. */
const bodyKey = (body: Body): string =>
  Object.values(body)
    .map((m) => m.valueMm)
    .join(' ');

/**
 * A deriver that remembers each part by identity: an edit that leaves a part, the body and the stock
 * untouched does not work that part out again. Same document in, same report out, remembered or not. Asked for a
 * quick answer, parts that changed are worked out coarsely from what they were before, and movements are left as
 * they were; the full answer comes when it is asked for.
 */
export function createDeriver({ catalogue = standard, today }: DeriveOptions = {}): (
  doc: BuildDoc,
  quick?: boolean,
) => Report {
  const memory = new WeakMap<Part, Remembered>();
  const last = new Map<string, PartReport>();
  const fitting = createFitting();
  const rememberPart = (part: Part, doc: BuildDoc, body: Body, key: string, quick: boolean): PartReport => {
    const { underLayerMm } = doc.wearer;
    const known = memory.get(part);
    if (known?.body === key && known.stock === doc.stock && known.underLayerMm === underLayerMm)
      return known.report;
    const before = quick ? last.get(part.id) : undefined;
    const report = partReport(
      part,
      body,
      underLayerMm,
      catalogue,
      doc.stock,
      before?.form === part.form ? before : undefined,
    );
    if (before) return report;
    last.set(part.id, report);
    memory.set(part, { body: key, stock: doc.stock, underLayerMm, report });
    return report;
  };
  return (doc, quick = false) => {
    const { measures } = doc.wearer;
    const [left, right] = [resolveBody(measures, 'left'), resolveBody(measures, 'right')];
    const body = largerBody(left, right);
    const bodies = { left, right, pair: body };
    const keys = { left: bodyKey(left), right: bodyKey(right), pair: bodyKey(body) };
    const parts = doc.parts.map((part) => {
      const side = isPaired(part) ? part.sides : 'pair';
      return rememberPart(part, doc, bodies[side], keys[side], quick);
    });
    const packed = packAll(doc, parts, catalogue);
    const fitted = fitting(body, doc.wearer.underLayerMm, parts, quick);
    const steps = buildSteps(doc, parts, fitted);
    const start = today && today > doc.brief.startDate ? today : doc.brief.startDate;
    const plan = schedule(
      steps,
      new Set(Object.keys(doc.make.done)),
      start,
      doc.brief.eventDate,
      doc.brief.hoursPerDay,
    );
    const cost = shopping(doc, parts, packed, catalogue, fitted.straps);
    const hours = parts.flatMap((p) => (p.inside?.run ? [p.inside.run.hours] : []));
    const lit = parts.some((p) => (p.inside?.lamps.length ?? 0) > 0);
    const report: Omit<Report, 'findings'> = {
      body,
      sides: { left, right },
      doubts: doubts(doc.wearer.measures),
      parts,
      fitting: fitted,
      packed,
      steps,
      schedule: plan,
      cost,
      totals: {
        massG: parts.reduce((sum, p) => sum + p.totalG * p.copies, 0),
        foamAreaMm2: parts.reduce((sum, p) => sum + p.areaMm2 * p.copies, 0),
        sheets: packed.sheets.length,
        cost: cost.reduce((sum, l) => sum + l.total, 0),
        lightHours: lit ? (hours.length > 0 ? Math.min(...hours) : 0) : null,
        workMin: steps.reduce((sum, s) => sum + s.workMin, 0),
        daysToSpare: plan.daysToSpare,
      },
    };
    return { ...report, findings: allFindings(doc, report, catalogue) };
  };
}

/** The whole build worked out once. Pure and deterministic. */
export const derive = (doc: BuildDoc, options: DeriveOptions = {}): Report => createDeriver(options)(doc);

import { controller } from '../materials';
import type { Totals, Worked } from '../findings';
import { eachOf } from '../panel';
import { cutPieces, fasteningsG, type PartReport } from '../parts';

/** What is cut from sheet for one copy. */
const cutAreaMm2 = (part: PartReport): number =>
  cutPieces(part).reduce((sum, p) => sum + p.areaMm2 * eachOf(p), 0);

/** The figures of the ledger. */
export function totalsOf(worked: Omit<Worked, 'totals'>): Totals {
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
    foamAreaMm2: parts.reduce((sum, p) => sum + cutAreaMm2(p) * p.copies, 0),
    sheets: packed.sheets.length,
    cost: cost.reduce((sum, l) => sum + l.total, 0),
    lightHours: hours.length > 0 ? Math.min(...hours) : null,
    workMin: steps.reduce((sum, s) => sum + s.workMin, 0),
    daysToSpare: plan.daysToSpare,
  };
}

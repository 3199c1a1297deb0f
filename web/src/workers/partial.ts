import type { PartReport } from '@fomrik/core/parts';
import type { Report } from '@fomrik/core/report';

/** A report on its way to the page: parts that have not changed since the last one are only named. */
export interface PartialReport extends Omit<Report, 'parts'> {
  parts: (PartReport | string)[];
}

/** Leaves out the parts the page already has; remembers what it was sent. */
export function createSender(): (report: Report) => PartialReport {
  let sent = new Map<string, PartReport>();
  return (report) => {
    const parts = report.parts.map((p) => (sent.get(p.id) === p ? p.id : p));
    sent = new Map(report.parts.map((p) => [p.id, p]));
    return { ...report, parts };
  };
}

/** Puts the parts back, the very same ones as before, so that nothing drawn from them is drawn again. */
export function createReceiver(): (partial: PartialReport) => Report {
  let known = new Map<string, PartReport>();
  return (partial) => {
    const parts = partial.parts.map((p) => {
      const part = typeof p === 'string' ? known.get(p) : p;
      if (!part) throw new Error(`The part “${String(p)}” was never sent.`);
      return part;
    });
    known = new Map(parts.map((p) => [p.id, p]));
    return { ...partial, parts };
  };
}

import { byId } from '@fomrik/core/units';
import { inVersion, type BuildDoc } from '@fomrik/core/document';
import type { Totals } from '@fomrik/core/findings';
import { useEffect, useState } from 'react';
import { DeriveClient } from '../../workers/deriveClient';

/** Totals of the document (under an empty name) and of each of its versions, worked out one after another in a worker. */
export function useVersionTotals(doc: BuildDoc): ReadonlyMap<string, Totals & { stops: number }> {
  const [totals, setTotals] = useState<ReadonlyMap<string, Totals & { stops: number }>>(new Map());
  const { versions } = doc;
  useEffect(() => {
    if (!versions || versions.length === 0) return;
    const waiting = ['', ...versions.map((v) => v.id)];
    const found = new Map<string, Totals & { stops: number }>();
    const next = (): void => {
      const id = waiting[0];
      if (id !== undefined) client.ask(inVersion(doc, byId(versions, id)));
    };
    const client = new DeriveClient(
      (report, of) => {
        if (report.coarse.length > 0 || report.parts.length < of.parts.length) return;
        const id = waiting.shift();
        if (id === undefined) return;
        const stops = report.findings.filter((f) => f.severity === 'stop').length;
        found.set(id, { ...report.totals, stops });
        setTotals(new Map(found));
        next();
      },
      () => waiting.shift(),
    );
    next();
    return () => client.end();
  }, [doc, versions]);
  return totals;
}

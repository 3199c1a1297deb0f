import type { Digest } from '@fomrik/core/report';
import type { BuildRow } from './entities/build';

/** A build as the shelf shows it. */
export interface BuildSummary {
  id: string;
  name: string;
  version: number;
  updatedAt: string;
  eventDate: string;
  wearer: string;
  parts: number;
  /** Places on the wearer where parts are worn. */
  worn: { zone: string; side: string }[];
  /** What it may cost, and what its receipts come to; those in other currencies are counted apart. */
  money?: { budget: number; currency: string; spent: number; other: number };
  /** What was last worked out of it, when that was from this version. */
  digest?: Digest;
  /** Why it cannot be opened, when it cannot. */
  broken?: string;
}

/** Receipts of a build in one currency. */
export interface Receipts {
  buildId: string;
  unit: string;
  count: number;
  total: number;
}

function moneyOf(
  { budget, currency }: { budget?: unknown; currency?: unknown },
  receipts: readonly Receipts[],
): Pick<BuildSummary, 'money'> {
  if (typeof budget !== 'number' || typeof currency !== 'string') return {};
  const own = receipts.filter((r) => r.unit === currency);
  const sum = (of: (r: Receipts) => number, all: readonly Receipts[]): number =>
    all.reduce((total, r) => total + of(r), 0);
  return {
    money: {
      budget,
      currency,
      spent: sum((r) => r.total, own),
      other: sum((r) => r.count, receipts) - sum((r) => r.count, own),
    },
  };
}

const isDate = (value: unknown): value is string => {
  if (typeof value !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(value)) return false;
  const at = new Date(`${value}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(value);
};

/** Where a part is worn, as every version since mounts came says it. */
function wornAt(part: unknown): { zone: string; side: string }[] {
  const { mount } = part as { mount?: { zone?: unknown; side?: unknown } };
  return typeof mount?.zone === 'string' && typeof mount.side === 'string'
    ? [{ zone: mount.zone, side: mount.side }]
    : [];
}

/** What the shelf shows is told alike by every version; a build that cannot be read says so and harms no other. */
export function summaryOf(
  { id, name, version, updatedAt, doc, digest }: BuildRow,
  receipts: readonly Receipts[] = [],
): BuildSummary {
  const head = { id, name, version, updatedAt };
  const nothing = { ...head, eventDate: '', wearer: '', parts: 0, worn: [] };
  try {
    const { brief, wearer, parts } = JSON.parse(doc) as {
      brief?: { eventDate?: unknown; budget?: unknown; currency?: unknown };
      wearer?: { name?: unknown };
      parts?: unknown;
    };
    if (!isDate(brief?.eventDate)) return { ...nothing, broken: 'its date is not a date' };
    if (typeof wearer?.name !== 'string' || !Array.isArray(parts))
      return { ...nothing, broken: 'its wearer or its parts are missing' };
    const known = digest === null ? undefined : (JSON.parse(digest) as Digest & { version: number });
    return {
      ...head,
      eventDate: brief.eventDate,
      wearer: wearer.name,
      parts: parts.length,
      worn: parts.flatMap(wornAt),
      ...moneyOf(brief, receipts),
      ...(known?.version === version && { digest: known }),
    };
  } catch {
    return { ...nothing, broken: 'what was stored is not a build' };
  }
}

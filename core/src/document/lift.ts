import { trimNumber } from '../units';
import { type Field, holds, type RowsField } from './field';

/** What became of a value of an earlier form or detail: it has another name, or is gone. */
export interface Lift {
  was: string;
  /** Its name today; none when it is gone. */
  now?: string;
  /** Its value today, where that is another one. */
  as?: (value: unknown) => unknown;
}

/** A kind of form or detail, as far as its older values are lifted. */
export interface LiftedKind {
  readonly label: string;
  readonly fields: readonly Field[];
  /** What became of values it had. */
  readonly lifts?: readonly Lift[];
}

type Values = Record<string, unknown>;

function renamed(values: Values, lifts: readonly Lift[]): Values {
  const found = lifts.filter(({ was }) => was in values);
  if (found.length === 0) return values;
  const next = { ...values };
  for (const { was, now, as = (v: unknown) => v } of found) {
    delete next[was];
    if (now !== undefined && !(now in values)) next[now] = as(values[was]);
  }
  return next;
}

/** A value that an earlier range allowed, brought into today's; nothing when it needs none. */
function broughtIn(field: Field, value: unknown): number | undefined {
  if (!('range' in field) || field.type === 'rows' || field.before === undefined) return undefined;
  if (typeof value !== 'number' || holds(field, value)) return undefined;
  const [low, high] = field.before;
  if (!(value >= low && value <= high)) return undefined;
  const near = Math.min(field.range[1], Math.max(field.range[0], value));
  return field.type === 'count' ? Math.round(near) : near;
}

/** Lines of a list, each with what it did not have when it was written; the very same lines where nothing is missing. */
function filled({ of }: RowsField, lines: unknown): unknown {
  const fresh = of.filter((f) => f.formerly !== undefined);
  const isOld = (line: unknown): line is Values =>
    typeof line === 'object' && line !== null && fresh.some((f) => !(f.key in line));
  if (!Array.isArray(lines) || !lines.some(isOld)) return lines;
  const were = (line: Values): Values =>
    Object.fromEntries(fresh.flatMap((f) => (f.key in line ? [] : [[f.key, f.formerly]])));
  return lines.map((line: unknown) => (isOld(line) ? { ...line, ...were(line) } : line));
}

/**
 * Values of any age as today's: renamed or left out as the kind says, filled from `start` where they are missing, and
 * brought in where a range was narrowed. The very same object when nothing is to be done.
 * @returns the values, and in words what was brought in.
 */
export function liftedParams(
  values: Values,
  { label, fields, lifts = [] }: LiftedKind,
  start: Values,
): { values: Values; said: string[] } {
  let next = renamed(values, lifts);
  const missing = Object.entries(start).filter(([key]) => !(key in next));
  if (missing.length > 0) next = { ...next, ...Object.fromEntries(missing) };
  const said: string[] = [];
  for (const field of fields) {
    const was = next[field.key];
    const lines = field.type === 'rows' ? filled(field, was) : was;
    if (lines !== was) next = { ...next, [field.key]: lines };
    const now = broughtIn(field, was);
    if (now === undefined) continue;
    next = { ...next, [field.key]: now };
    const unit = field.type === 'angle' ? '°' : field.type === 'length' ? ' mm' : '';
    said.push(`${label}, ${field.label}: ${trimNumber(Number(was))}${unit} is now ${trimNumber(now)}${unit}`);
  }
  return { values: next, said };
}

import { getFrom } from '../units';
import { inOrder } from './inOrder';
import type { Step } from './step';
import type { WorkKind } from './workKinds';

/** Getting ready for a kind of work and clearing it away, min: saved on every part after the first. From memory. */
const SET_UP_MIN: Partial<Record<WorkKind, number>> = {
  trace: 3,
  cut: 3,
  detail: 4,
  bevel: 4,
  groove: 3,
  glue: 4,
  sand: 4,
  drill: 4,
  coat: 6,
  paint: 6,
};

/** However much is alike, no step takes less than this share of itself. */
const LEAST_SHARE = 0.5;

/** What a step is, whatever part it is of; nothing for what belongs to no part. */
const sortOf = ({ id, partId }: Step): string | undefined =>
  partId !== undefined && id.startsWith(`${partId}:`) ? id.slice(partId.length + 1) : undefined;

/** Everything each step waits for, however many steps between. */
function ancestorsOf(steps: readonly Step[]): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>();
  for (const s of steps) found.set(s.id, new Set(s.after.flatMap((id) => [id, ...(found.get(id) ?? [])])));
  return found;
}

/** Alike enough to be done together: the same work, with the same wait after it, and none of it done, or done together. */
const keyOf = (step: Step, done: Readonly<Record<string, string>>): string | undefined => {
  const sort = sortOf(step);
  return sort !== undefined && SET_UP_MIN[step.kind] !== undefined
    ? [sort, step.kind, step.waitMin, step.waitFor ?? '', step.cautions.join(), done[step.id] ?? ''].join('/')
    : undefined;
};

function together(steps: readonly Step[]): Step {
  const [first] = steps;
  const own = first!;
  const whole = steps.reduce((sum, s) => sum + s.workMin, 0);
  const saved = (steps.length - 1) * SET_UP_MIN[own.kind]!;
  const names = steps.map((s) => s.title.slice(0, s.title.indexOf(': ')));
  const { reads: _reads, ...rest } = own;
  const stated = steps.every((s) => s.reads?.quantity === own.reads?.quantity)
    ? steps.reduce((sum, s) => sum + (s.reads?.stated ?? 0), 0)
    : 0;
  return {
    ...rest,
    title: `${steps.length} parts together: ${own.title.slice(own.title.indexOf(': ') + 2)}`,
    detail: steps.map((s, i) => `${names[i]}: ${s.detail}`).join(' '),
    of: steps.map((s) => s.id),
    partIds: [...new Set(steps.flatMap((s) => s.partId ?? []))],
    featureIds: steps.flatMap((s) => s.featureIds ?? []),
    ...(own.reads && stated > 0 && { reads: { ...own.reads, stated } }),
    workMin: Math.ceil(Math.max(LEAST_SHARE * whole, whole - saved)),
    after: [...new Set(steps.flatMap((s) => s.after))],
    ...(steps.some((s) => s.lags) && {
      lags: Object.assign({}, ...steps.map((s) => s.lags)) as Record<string, number>,
    }),
  };
}

/**
 * Like steps of several parts as one: sawn together, sprayed together. Only steps none of which waits for another, however
 * far: what must come first still does. Getting ready is counted once.
 * @param done when steps were done, by their ids: what was done by itself stays by itself.
 */
export function batched(steps: readonly Step[], done: Readonly<Record<string, string>>): Step[] {
  let now = [...steps];
  const keys = [...new Set(steps.flatMap((s) => keyOf(s, done) ?? []))];
  for (const key of keys) {
    const ancestors = ancestorsOf(now);
    const group: Step[] = [];
    for (const s of now)
      if (!s.of && keyOf(s, done) === key && group.every((o) => !getFrom(ancestors, s.id).has(o.id)))
        group.push(s);
    if (group.length < 2) continue;
    const ids = new Set(group.map((s) => s.id));
    const one = together(group);
    const links = (id: string): string => (ids.has(id) ? one.id : id);
    const next = now.flatMap((s): Step[] =>
      s.id === one.id
        ? [one]
        : ids.has(s.id)
          ? []
          : [
              {
                ...s,
                after: [...new Set(s.after.map(links))],
                ...(s.lags && {
                  lags: Object.fromEntries(Object.entries(s.lags).map(([id, lag]) => [links(id), lag])),
                }),
              },
            ],
    );
    now = inOrder(next) ?? now;
  }
  return now;
}

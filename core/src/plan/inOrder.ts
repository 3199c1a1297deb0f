import type { Step } from './step';

/** The same steps, each after what it waits for among them, otherwise as they were; nothing where they wait for each other. */
export function inOrder(steps: readonly Step[]): Step[] | undefined {
  const own = new Set(steps.map((s) => s.id));
  const placed = new Set<string>();
  const ordered: Step[] = [];
  for (let left = [...steps]; left.length > 0;) {
    const next = left.find((s) => s.after.every((id) => placed.has(id) || !own.has(id)));
    if (!next) return undefined;
    ordered.push(next);
    placed.add(next.id);
    left = left.filter((s) => s !== next);
  }
  return ordered;
}

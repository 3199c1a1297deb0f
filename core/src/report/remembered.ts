/**
 * What was worked out last, as long as the things it was worked out of are the very same.
 * @returns what `work` gives of them, now or then.
 */
export function createRemembered<T>(): (of: readonly unknown[], work: () => T) => T {
  let last: { of: readonly unknown[]; value: T } | undefined;
  return (of, work) => {
    if (!last || last.of.length !== of.length || of.some((thing, i) => thing !== last!.of[i]))
      last = { of: [...of], value: work() };
    return last.value;
  };
}

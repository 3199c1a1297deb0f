/** Vertices of a whole numbered anew in the order they are asked for; `origin` has the old number of each. */
export function numbering(): { of: (v: number) => number; origin: number[] } {
  const own = new Map<number, number>();
  const origin: number[] = [];
  return {
    origin,
    of: (v) => {
      let n = own.get(v);
      if (n === undefined) {
        n = origin.push(v) - 1;
        own.set(v, n);
      }
      return n;
    },
  };
}

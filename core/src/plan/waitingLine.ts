import TinyQueue from 'tinyqueue';
import { type Hours, opensFrom } from './calendar';

/** A step that may begin: ready from a moment on, and its rank among those that could begin alike. */
interface Ready {
  gatedMin: number;
  rank: number;
}

/** Steps that wait for the same hours of the same makers, so that only the first of them has to be looked at. */
export class WaitingLine<S extends Ready> {
  /** Those that could begin as soon as the makers are free, and those that are not ready then. */
  private readonly now = new TinyQueue<S>([], (a, b) => a.rank - b.rank);
  private readonly later = new TinyQueue<{ of: S; opensMin: number }>(
    [],
    (a, b) => a.opensMin - b.opensMin || a.of.rank - b.of.rank,
  );

  constructor(private readonly hours: Hours) {}

  add(of: S): void {
    this.later.push({ of, opensMin: opensFrom(of.gatedMin, this.hours) });
  }

  /** The one that begins first when the makers are free from a minute on, which never goes back. */
  first(freeMin: number): { of: S; startMin: number } | undefined {
    if (this.now.length + this.later.length === 0) return undefined;
    const openMin = opensFrom(freeMin, this.hours);
    while (this.later.length > 0 && this.later.peek()!.opensMin <= openMin)
      this.now.push(this.later.pop()!.of);
    const of = this.now.peek();
    if (of) return { of, startMin: openMin };
    const next = this.later.peek()!;
    return { of: next.of, startMin: next.opensMin };
  }

  /** Takes away the one that was first. */
  take(): void {
    if (this.now.length > 0) this.now.pop();
    else this.later.pop();
  }
}

/** Runs jobs strictly one after another, whether they succeed or fail. */
export class Queue {
  private last: Promise<unknown> = Promise.resolve();

  run<T>(job: () => Promise<T>): Promise<T> {
    const next = this.last.then(job, job);
    this.last = next.catch(() => undefined);
    return next;
  }
}

/**
 * The same object with every method queued. SQLite has one connection here, so two transactions
 * begun at once would mix; this keeps them apart.
 */
export function oneAtATime<T extends object>(target: T, queue: Queue): T {
  return new Proxy(target, {
    get(object, key) {
      const member: unknown = Reflect.get(object, key);
      if (typeof member !== 'function') return member;
      return (...args: unknown[]) => queue.run(() => Promise.resolve(member.apply(object, args) as unknown));
    },
  });
}

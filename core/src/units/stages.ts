/** What was read of a document, field by field, and what it was then. */
type Reads = Map<string, unknown>;

const ALL = '*';

/** A document that tells what is read of it: whole fields, and of its branches their fields one by one. */
function watched<D extends object>(doc: D, branches: readonly (keyof D)[], reads: Reads): D {
  const watch = <T extends object>(
    of: T,
    path: string,
    inner: (key: string, value: unknown) => unknown,
  ): T => {
    const whole = (): void => void reads.set(`${path}${ALL}`, of);
    // It stands before nothing: a frozen object would have to give what it holds, and not one that is watched.
    return new Proxy({} as T, {
      get: (_, key) => {
        const value: unknown = Reflect.get(of, key);
        return typeof key === 'string' ? inner(key, value) : value;
      },
      // Copied or listed, it is read as a whole.
      ownKeys: () => {
        whole();
        return Reflect.ownKeys(of);
      },
      has: (_, key) => {
        whole();
        return Reflect.has(of, key);
      },
      getOwnPropertyDescriptor: (_, key) => {
        const own = Reflect.getOwnPropertyDescriptor(of, key);
        return own && { ...own, configurable: true };
      },
    });
  };
  return watch(doc, '', (key, value) => {
    if ((branches as readonly string[]).includes(key) && typeof value === 'object' && value !== null)
      return watch(value, `${key}.`, (field, inner) => {
        reads.set(`${key}.${field}`, inner);
        return inner;
      });
    reads.set(key, value);
    return value;
  });
}

/** What stands in a document where something was read. */
function readAgain(doc: object, path: string): unknown {
  const [key = '', field] = path.split('.');
  if (key === ALL) return doc;
  const value: unknown = Reflect.get(doc, key);
  if (field === undefined || field === ALL) return value;
  return (value as Record<string, unknown> | undefined)?.[field];
}

interface Held {
  of: readonly unknown[];
  reads: Reads;
  value: unknown;
}

/** Works a stage out, or gives what it gave before; `of` is what it is made of besides the document. */
export type Stage<D> = <T>(name: string, doc: D, of: readonly unknown[], make: (doc: D) => T) => T;

/**
 * Stages that remember what they gave last, as long as what they were made of, and whatever they read of the document,
 * are the very same. A list whose members are those it had before is the list it was before.
 * @param branches fields of the document that are watched field by field, since many stages read only a little of them.
 * @param onMade told of every stage that is made anew.
 */
export function createStages<D extends object>(
  branches: readonly (keyof D)[],
  onMade: (name: string) => void = () => undefined,
): Stage<D> {
  const held = new Map<string, Held>();
  return <T>(name: string, doc: D, of: readonly unknown[], make: (doc: D) => T): T => {
    const last = held.get(name);
    if (
      last &&
      last.of.length === of.length &&
      of.every((thing, i) => Object.is(thing, last.of[i])) &&
      [...last.reads].every(([path, value]) => Object.is(readAgain(doc, path), value))
    )
      return last.value as T;
    onMade(name);
    const reads: Reads = new Map();
    const made = make(watched(doc, branches, reads));
    const value = sameList(last?.value, made) ? (last!.value as T) : made;
    held.set(name, { of: [...of], reads, value });
    return value;
  };
}

const sameList = (before: unknown, now: unknown): boolean =>
  Array.isArray(before) &&
  Array.isArray(now) &&
  before.length === now.length &&
  before.every((thing, i) => Object.is(thing, now[i]));

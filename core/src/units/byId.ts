type Id = string | number;

const known = new WeakMap<readonly object[], Map<Id, number>>();

/** The one of a list with an id; looked up in an index that is made once for each list and mended where the list has changed. */
export function byId<T extends { readonly id: Id }>(
  list: readonly T[],
  id: T['id'] | undefined,
): T | undefined {
  if (id === undefined) return undefined;
  let index = known.get(list);
  const at = index?.get(id);
  if (at !== undefined && list[at]?.id === id) return list[at];
  const found = list.findIndex((one) => one.id === id);
  if (found < 0) return undefined;
  if (!index) known.set(list, (index = new Map<Id, number>()));
  index.set(id, found);
  return list[found];
}

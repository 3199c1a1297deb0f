import type { BuildDoc, Part } from '../document';
import { byId } from '../units';
import type { Context } from '../parts';
import { contextOfPart, type Surroundings } from './surroundings';

/** What a part is worked out from, and in one string what hangs above it gives to it. */
export interface PartContext {
  context: Context;
  passing: string;
}

/** What a part hangs on, and so on: its context depends on these alone. */
function hostsOf(part: Part, parts: readonly Part[]): Part[] {
  const hosts: Part[] = [];
  for (let { mount } = part; mount.to === 'part';) {
    const host = byId(parts, mount.part);
    if (!host || hosts.includes(host)) break;
    hosts.push(host);
    ({ mount } = host);
  }
  return hosts;
}

/** Contexts of parts, each made anew only when it, one it hangs on, or what all parts are made from is another. */
export function createContexts(): (doc: BuildDoc, part: Part, surroundings: Surroundings) => PartContext {
  const known = new WeakMap<
    Part,
    { surroundings: Surroundings; hosts: readonly Part[]; made: PartContext }
  >();
  return (doc, part, surroundings) => {
    const hosts = hostsOf(part, doc.parts);
    const last = known.get(part);
    if (
      last?.surroundings === surroundings &&
      last.hosts.length === hosts.length &&
      hosts.every((h, i) => h === last.hosts[i])
    )
      return last.made;
    const context = contextOfPart(doc, part, surroundings);
    const made = { context, passing: JSON.stringify([context.through, context.times]) };
    known.set(part, { surroundings, hosts, made });
    return made;
  };
}

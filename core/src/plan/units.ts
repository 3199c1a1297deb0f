import { byId } from '../units';
import type { Mount } from '../document';
import type { PartReport } from '../parts';

type Mounted = Pick<PartReport, 'id' | 'mount'>;

/** Glued for good to the part it is mounted on. */
export const isGlued = (mount: Mount): boolean => mount.to === 'part' && mount.apart !== true;

/**
 * Parts that are glued to each other for good, as one thing that is filled, sealed and painted together; what comes off
 * again is a thing of its own. In the order of the parts, what carries the rest first.
 */
export function unitsOf<P extends Mounted>(parts: readonly P[]): P[][] {
  const headOf = (part: P, deep = 0): string => {
    const { mount } = part;
    const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
    return host && isGlued(mount) && deep < parts.length ? headOf(host, deep + 1) : part.id;
  };
  const units = new Map<string, P[]>();
  for (const part of parts) {
    const head = headOf(part);
    units.set(head, [...(units.get(head) ?? []), part]);
  }
  return [...units.values()];
}

/** Whether one of two parts is mounted on the other. */
export const touch = (a: Mounted, b: Mounted): boolean =>
  (a.mount.to === 'part' && a.mount.part === b.id) || (b.mount.to === 'part' && b.mount.part === a.id);

import { byId } from '../units';
import type { PartReport } from './partReport';

/** The part at the foot of what something is mounted on; itself when it is mounted on none. */
export const rootOf = (part: PartReport, parts: readonly PartReport[], deep = 0): PartReport => {
  const { mount } = part;
  const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
  return host && deep < parts.length ? rootOf(host, parts, deep + 1) : part;
};

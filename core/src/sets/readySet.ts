import { type Wearer, zoneInfo } from '../body';
import type { Mount, Params, Part, Ply } from '../document';
import { newPart } from '../parts';
import { itemAt } from '../units';

/** A part of a ready set: a form as it begins, but for what is said here. */
export interface SetPart {
  form: string;
  name: string;
  /** The part of the set it is mounted on, by its place in the list, and where. */
  on?: { part: number } & Omit<Extract<Mount, { to: 'part' }>, 'to' | 'part'>;
  params?: Params;
  stack?: readonly Ply[];
}

/** A build to begin with. Adding one is adding a file that exports one of these, and a line in the registry. */
export interface ReadySet {
  key: string;
  label: string;
  summary: string;
  parts: readonly SetPart[];
}

/** The parts of a set for a wearer, seeded from their body. */
export function partsOfSet(set: ReadySet, wearer: Wearer): Part[] {
  const made: Part[] = [];
  for (const [i, { form, name, on, params, stack }] of set.parts.entries()) {
    const fresh = newPart(`${form}-${i + 1}`, wearer, form);
    const mount: Mount = on
      ? (({ part, ...where }) => ({ to: 'part', part: itemAt(made, part).id, ...where }))(on)
      : fresh.mount;
    made.push({
      ...fresh,
      name,
      mount,
      params: { ...fresh.params, ...params },
      ...(stack && { stack: stack.map((ply) => ({ ...ply })) }),
    });
  }
  return made;
}

/** Whether nothing of some parts is worn: they begin where they are shaped, not at the tape. */
export const propsOnly = (parts: readonly Pick<Part, 'mount'>[]): boolean =>
  parts.every(({ mount }) => mount.to !== 'wearer' || zoneInfo(mount.zone).held === true);

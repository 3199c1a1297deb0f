import { byId } from '@fomrik/core/units';
import type { Part } from '@fomrik/core/document';
import { useView } from './view';

/** Whether a part is hidden because something it is mounted on is folded. */
export function isFolded(id: string, parts: readonly Part[], folded: readonly string[]): boolean {
  let at = byId(parts, id);
  for (let deep = 0; at?.mount.to === 'part' && deep < parts.length; deep++) {
    const host: string = at.mount.part;
    if (folded.includes(host)) return true;
    at = byId(parts, host);
  }
  return false;
}

export function fold(id: string): void {
  useView.setState(({ folded }) => ({
    folded: folded.includes(id) ? folded.filter((f) => f !== id) : [...folded, id],
  }));
}

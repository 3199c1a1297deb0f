import type { HandMove, Sheet, SheetGroup } from '@fomrik/core/cut';
import { type Remote, wrap } from 'comlink';
import type { NestWorker } from './nest.worker';
import { leanGroup } from './leanGroup';

let api: Remote<NestWorker> | undefined;

/** The sheets of a group with one piece moved by hand; nothing when no spot near there is clear. */
export function movePiece(
  group: SheetGroup,
  sheets: readonly Sheet[],
  move: HandMove,
  spacingMm: number,
): Promise<Sheet[] | undefined> {
  api ??= wrap<NestWorker>(new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' }));
  return api.move(leanGroup(group), sheets, move, spacingMm);
}

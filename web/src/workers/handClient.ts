import type { HandMove, Sheet, SheetGroup } from '@fomrik/core/cut';
import { leanGroup } from './leanGroup';
import type { NestWorker } from './nest.worker';
import { workerOf } from './workerOf';

const { api } = workerOf<NestWorker>(
  () => new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' }),
);

/** The sheets of a group with one piece moved by hand; nothing when no spot near there is clear. */
export const movePiece = (
  group: SheetGroup,
  sheets: readonly Sheet[],
  move: HandMove,
  spacingMm: number,
): Promise<Sheet[] | undefined> => api.move(leanGroup(group), sheets, move, spacingMm);

import type { LogSort } from '@fomrik/core/document';

/** What kinds of entries are called. */
export const sorts: { value: LogSort; label: string }[] = [
  { value: 'note', label: 'what happened' },
  { value: 'broke', label: 'broke, or was mended' },
  { value: 'next', label: 'otherwise next time' },
  { value: 'bought', label: 'bought, with its receipt' },
];

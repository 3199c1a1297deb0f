import type { Station } from '@fomrik/core/document';

/** The line of seven, in the order makers work. */
export const stations: { key: Station; label: string }[] = [
  { key: 'brief', label: 'Brief' },
  { key: 'body', label: 'Body' },
  { key: 'shape', label: 'Shape' },
  { key: 'inside', label: 'Inside' },
  { key: 'cut', label: 'Cut' },
  { key: 'make', label: 'Make' },
  { key: 'log', label: 'Log' },
];

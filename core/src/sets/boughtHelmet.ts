import type { ReadySet } from './readySet';

/** A helmet that was bought, refitted and lit. */
export const boughtHelmet: ReadySet = {
  key: 'bought-helmet',
  label: 'Bought helmet',
  summary: 'A bought helmet measured, padded out, covered and lit.',
  parts: [{ form: 'donor-helmet', name: 'Bought helmet' }],
};

import type { ReadySet } from './readySet';

/** A helmet and the collar below it. */
export const helmetAndGorget: ReadySet = {
  key: 'helmet',
  label: 'Helmet and gorget',
  summary: 'A helmet with a visor, and the collar below it.',
  parts: [
    { form: 'helmet', name: 'Helmet' },
    { form: 'gorget', name: 'Gorget' },
  ],
};

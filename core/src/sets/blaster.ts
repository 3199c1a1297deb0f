import type { ReadySet } from './readySet';

/** A body of layers with a barrel and a ring at its muzzle. */
export const blaster: ReadySet = {
  key: 'blaster',
  label: 'Blaster',
  summary: 'A body of layers on a barrel, with a ring at the muzzle.',
  parts: [
    { form: 'prop-body', name: 'Body' },
    {
      form: 'turned',
      name: 'Muzzle ring',
      on: { part: 0, anchor: 'muzzle', alongMm: -4 },
      params: {
        make: 'discs',
        profile: [
          { zMm: -14, acrossMm: 40 },
          { zMm: 6, acrossMm: 46 },
        ],
      },
    },
  ],
};

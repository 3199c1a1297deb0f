import type { ReadySet } from './readySet';

/** A turned head on a short shaft. */
export const mace: ReadySet = {
  key: 'mace',
  label: 'Mace',
  summary: 'A turned head on a short shaft with a grip.',
  parts: [
    { form: 'haft', name: 'Shaft', params: { rod: 'pvc-1in', lengthMm: 560, handMm: 130 } },
    {
      form: 'grip',
      name: 'Grip',
      on: { part: 0, anchor: 'hand', alongMm: 0 },
      params: { lengthMm: 140, widthMm: 38, wrap: 'leather', stripMm: 20, stripThickMm: 1.5 },
    },
    {
      form: 'turned',
      name: 'Head',
      on: { part: 0, anchor: 'tip', alongMm: -60 },
      params: {
        make: 'discs',
        profile: [
          { zMm: -50, acrossMm: 50 },
          { zMm: -20, acrossMm: 110 },
          { zMm: 20, acrossMm: 110 },
          { zMm: 50, acrossMm: 50 },
        ],
      },
    },
  ],
};

import type { ReadySet } from './readySet';

/** A staff that comes apart, with a lantern at its head. */
export const staff: ReadySet = {
  key: 'staff',
  label: 'Staff',
  summary: 'A staff in two lengths, with a grip and a lantern at its head.',
  parts: [
    {
      form: 'haft',
      name: 'Shaft',
      params: { rod: 'pvc-1in', lengthMm: 960, handMm: 380, joint: 'coupler', joints: [{ atMm: 580 }] },
    },
    {
      form: 'grip',
      name: 'Grip',
      on: { part: 0, anchor: 'hand', alongMm: 0 },
      params: { lengthMm: 230, widthMm: 38, hands: 2, wrap: 'leather', stripMm: 20, stripThickMm: 1.5 },
    },
    { form: 'lantern', name: 'Lantern', on: { part: 0, anchor: 'tip', alongMm: -6 } },
  ],
};

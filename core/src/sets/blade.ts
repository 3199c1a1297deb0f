import type { ReadySet } from './readySet';

/** A bladed weapon on a short stick: handle, wrapped grip, guard, blade. */
export const blade: ReadySet = {
  key: 'blade',
  label: 'Blade',
  summary: 'A blade on a handle, with guard and grip.',
  parts: [
    { form: 'haft', name: 'Handle', params: { rod: 'pvc-3-4in', lengthMm: 155, handMm: 76 } },
    {
      form: 'grip',
      name: 'Grip',
      on: { part: 0, anchor: 'hand', alongMm: 0 },
      params: { lengthMm: 130, widthMm: 38, wrap: 'cord', stripMm: 4, stripThickMm: 2, overlapPct: 0 },
    },
    {
      form: 'guard',
      name: 'Guard',
      on: { part: 0, anchor: 'tip', alongMm: -5 },
      params: { shape: 'disc', widthMm: 78, deepMm: 48, bevelMm: 5 },
    },
    {
      form: 'blade',
      name: 'Blade',
      on: { part: 0, anchor: 'tip', alongMm: 0 },
      params: { lengthMm: 420, tangMm: 60, tangWidthMm: 18 },
      stack: [2, 6, 2].map((nominalMm) => ({ foamId: 'dense-eva', nominalMm })),
    },
  ],
};

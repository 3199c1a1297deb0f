import type { ReadySet } from './readySet';

/** Plates, boxes and tubes worn on the back. */
export const backPack: ReadySet = {
  key: 'pack',
  label: 'Pack',
  summary: 'A frame on the back with plates, boxes and tubes.',
  parts: [{ form: 'back-frame', name: 'Pack' }],
};

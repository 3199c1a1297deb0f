import type { ReadySet } from './readySet';

/** A wand with room inside for light. */
export const lightWand: ReadySet = {
  key: 'wand',
  label: 'Wand',
  summary: 'A hollow wand with a handle, room for light inside.',
  parts: [{ form: 'wand', name: 'Wand' }],
};

import type { ReadySet } from './readySet';

/** Armour from the shoulders to the shins. */
export const harness: ReadySet = {
  key: 'harness',
  label: 'Harness',
  summary: 'Breast and back, gorget, shoulders, forearms, belt, shins.',
  parts: [
    { form: 'breastplate', name: 'Breastplate' },
    { form: 'backplate', name: 'Back plate' },
    { form: 'gorget', name: 'Gorget' },
    { form: 'pauldron', name: 'Pauldrons' },
    { form: 'bracer', name: 'Bracers' },
    { form: 'belt', name: 'Belt' },
    { form: 'greave', name: 'Greaves' },
  ],
};

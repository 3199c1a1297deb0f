import type { ChoiceField, NumberField } from '../contract';

/** A length field of a form. */
export const length = <P>(
  key: keyof P & string,
  label: string,
  range: [number, number],
  help: string,
  group = 'Form',
): NumberField<P> => ({ type: 'length', key, label, range, help, group });
export const angle = <P>(
  key: keyof P & string,
  label: string,
  range: [number, number],
  help: string,
  group = 'Form',
): NumberField<P> => ({ type: 'angle', key, label, range, help, group });
export const count = <P>(
  key: keyof P & string,
  label: string,
  range: [number, number],
  help: string,
  group = 'Form',
): NumberField<P> => ({ type: 'count', key, label, range, help, group });
export const choice = <P>(
  key: keyof P & string,
  label: string,
  choices: [string | number, string][],
  help: string,
  group = 'Form',
): ChoiceField<P> => ({
  type: 'choice',
  key,
  label,
  help,
  group,
  choices: choices.map(([value, text]) => ({ value, label: text })),
});

/** Thickness of a piece of its own: 0 takes the part's foam. */
export const ownFoam = <P>(key: keyof P & string, label: string): ChoiceField<P> =>
  choice(
    key,
    label,
    [[0, 'as the part'], ...([2, 4, 5, 6, 8, 10] as const).map((t): [number, string] => [t, `${t} mm`])],
    'Thickness of these pieces alone.',
    'Foam',
  );

export const orSame = (nominalMm: number): { nominalMm?: number } => (nominalMm === 0 ? {} : { nominalMm });

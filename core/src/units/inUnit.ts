import { type LengthUnit, printInches } from './length';

/** A number, or two with a dash or a cross between, before `mm`; signs of a change come along. */
const LENGTHS = /([+−-]?\d+(?:\.\d+)?)((?:\s?[–×x]\s?\d+(?:\.\d+)?)*)\s?mm\b(?!²|³)/g;
const DIAMETER = /Ø(\d+(?:\.\d+)?)/g;

const inches = (number: string): string => {
  const signed = number.replace('−', '-');
  const printed = printInches(Math.abs(Number(signed)));
  return /^[+−-]/.test(number) ? `${number[0]}${printed}` : printed;
};

/**
 * Words with their lengths in the unit that was chosen: `a hole of 12 mm` is `a hole of 15/32"` in inches. Words are made in
 * millimetres; this is the one place where they are put otherwise.
 */
export function inUnit(text: string, unit: LengthUnit): string {
  if (unit === 'mm') return text;
  return text
    .replace(
      LENGTHS,
      (_, first: string, more: string) => inches(first) + more.replace(/\d+(?:\.\d+)?/g, inches),
    )
    .replace(DIAMETER, (_, number: string) => `Ø${inches(number)}`);
}

import { fail, ok, type Result } from './result';

/** One signed quantity of a sum: its number and the unit word that followed, if any. */
export interface Term {
  sign: 1 | -1;
  number: number;
  unit: string;
}

const MIXED = /^(\d+)(?:\s+|\s*-\s*)(\d+)\s*\/\s*(\d+)/;
const FRACTION = /^(\d+)\s*\/\s*(\d+)/;
const DECIMAL = /^(?:\d+(?:[.,]\d+)?|[.,]\d+)/;
const UNIT = /^(?:[a-zµ]+|["″”'′’])/i;
const WORD: Record<string, string> = { '″': '"', '”': '"', '′': "'", '’': "'" };

function scanNumber(rest: string): { value: number; size: number } | undefined {
  const mixed = MIXED.exec(rest);
  if (mixed) return { value: Number(mixed[1]) + Number(mixed[2]) / Number(mixed[3]), size: mixed[0].length };
  const fraction = FRACTION.exec(rest);
  if (fraction) return { value: Number(fraction[1]) / Number(fraction[2]), size: fraction[0].length };
  const decimal = DECIMAL.exec(rest);
  if (decimal) return { value: Number(decimal[0].replace(',', '.')), size: decimal[0].length };
  return undefined;
}

/**
 * Splits typed text such as `3-3/8 in`, `1'2"` or `120+6` into signed terms.
 * Terms that follow without a sign (feet then inches, pounds then ounces) take the sign before them.
 * @returns the terms, or a sentence that quotes the text.
 */
export function scanTerms(text: string): Result<Term[]> {
  const quoted = `“${text.trim()}”`;
  const terms: Term[] = [];
  let rest = text.trim();
  if (rest === '') return fail('Type a value; the field is empty.');
  let sign: 1 | -1 = 1;
  while (rest !== '') {
    const signed = /^([+-])\s*/.exec(rest);
    if (signed) {
      sign = signed[1] === '-' ? -1 : 1;
      rest = rest.slice(signed[0].length);
    } else if (terms.length > 0 && terms[terms.length - 1]!.unit === '') {
      return fail(`${quoted} has two numbers with nothing between them. Put a + or a unit.`);
    }
    const number = scanNumber(rest);
    if (!number) return fail(`${quoted} is not a number I can read near “${rest}”.`);
    if (!Number.isFinite(number.value)) return fail(`${quoted} divides by zero.`);
    rest = rest.slice(number.size).trimStart();
    const unit = UNIT.exec(rest);
    if (unit) rest = rest.slice(unit[0].length).trimStart();
    const word = unit ? unit[0].toLowerCase() : '';
    terms.push({ sign, number: number.value, unit: WORD[word] ?? word });
  }
  return ok(terms);
}

/** Adds up terms whose unit words are in `table` (factor to the base unit). */
export function sumTerms(text: string, table: Record<string, number>, whenBare: string): Result<number> {
  const scanned = scanTerms(text);
  if (!scanned.ok) return scanned;
  let sum = 0;
  for (const term of scanned.value) {
    const factor = table[term.unit || whenBare];
    if (factor === undefined) {
      const known = Object.keys(table).filter((word) => /[a-z]/.test(word));
      return fail(
        `“${text.trim()}”: I do not know the unit “${term.unit}”. Use ${known.slice(0, 6).join(', ')}.`,
      );
    }
    sum += term.sign * term.number * factor;
  }
  return ok(sum);
}

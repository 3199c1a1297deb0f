import { itemAt } from '../units';
import type { Finding, Severity } from '../document';
import type { RuleInput } from './rule';
import { type DeclaredRules, rules, weights } from './rules';

const severities: readonly Severity[] = ['stop', 'mind', 'note'];

/** Every rule run: worst first, then the weightiest, then in the order the rules are declared in. */
export function allFindings(input: RuleInput, declared: readonly DeclaredRules[] = rules): Finding[] {
  const { doc, report } = input;
  const found = declared.flatMap(({ weight, parts = [], build = [] }) =>
    [
      ...build.flatMap((rule) => rule(input)),
      ...doc.parts.flatMap((part, index) =>
        parts.flatMap((rule) => rule({ ...input, part, made: itemAt(report.parts, index), index })),
      ),
    ].map((finding) => ({ finding, weight: weights.indexOf(weight) })),
  );
  return found
    .sort(
      (a, b) =>
        severities.indexOf(a.finding.severity) - severities.indexOf(b.finding.severity) ||
        a.weight - b.weight,
    )
    .map(({ finding }) => finding);
}

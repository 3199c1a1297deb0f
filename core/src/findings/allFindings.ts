import * as buildRules from './buildRules';
import type { Finding, Severity } from './finding';
import * as fitRules from './fitRules';
import * as foamRules from './foamRules';
import * as insideRules from './insideRules';
import * as powerRules from './powerRules';
import type { BuildContext, BuildRule, PartRule } from './rule';

const partRules: PartRule[] = [
  ...Object.values(fitRules),
  ...Object.values(foamRules),
  ...Object.values(insideRules),
  ...Object.values(powerRules),
];
const wholeRules: BuildRule[] = Object.values(buildRules);

const order: Record<Severity, number> = { stop: 0, mind: 1, note: 2 };

/** Every rule run; worst first, otherwise in the order of the rules. */
export function allFindings(
  doc: BuildContext['doc'],
  report: BuildContext['report'],
  catalogue: BuildContext['catalogue'],
): Finding[] {
  const context = { doc, report, catalogue };
  const perPart = doc.parts.flatMap((part, index) =>
    partRules.flatMap((rule) => rule({ ...context, part, made: report.parts[index]!, index })),
  );
  const whole = wholeRules.flatMap((rule) => rule(context));
  return [...whole, ...perPart].sort((a, b) => order[a.severity] - order[b.severity]);
}

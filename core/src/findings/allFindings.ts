import type { Severity } from '../document';
import * as assemblyRules from './assemblyRules';
import * as buildRules from './buildRules';
import * as carryRules from './carryRules';
import * as circuitRules from './circuitRules';
import * as cutRules from './cutRules';
import * as faceRules from './faceRules';
import * as feedRules from './feedRules';
import type { Finding } from './finding';
import * as partRules from './partRules';
import * as pictureRules from './pictureRules';
import * as regulatorRules from './regulatorRules';
import * as tellRules from './tellRules';
import * as wireRules from './wireRules';
import type { BuildContext, BuildRule, PartRule } from './rule';

const perPart: PartRule[] = [...Object.values(partRules), ...Object.values(tellRules)];
const perBuild: BuildRule[] = [
  ...Object.values(assemblyRules),
  ...Object.values(buildRules),
  ...Object.values(carryRules),
  ...Object.values(circuitRules),
  ...Object.values(cutRules),
  ...Object.values(faceRules),
  ...Object.values(feedRules),
  ...Object.values(pictureRules),
  ...Object.values(regulatorRules),
  ...Object.values(wireRules),
];

const order: Record<Severity, number> = { stop: 0, mind: 1, note: 2 };

/** Every rule run; worst first, otherwise in the order of the rules. */
export function allFindings(context: BuildContext): Finding[] {
  const { doc, report } = context;
  const parts = doc.parts.flatMap((part, index) => {
    const made = report.parts[index]!;
    return perPart.flatMap((rule) => rule({ ...context, part, made, index }));
  });
  const whole = perBuild.flatMap((rule) => rule(context));
  return [...whole, ...parts].sort((a, b) => order[a.severity] - order[b.severity]);
}

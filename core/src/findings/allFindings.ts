import * as buildRules from './buildRules';
import type { Finding, Severity } from './finding';
import * as fitRules from './fitRules';
import * as foamRules from './foamRules';
import * as formRules from './formRules';
import * as insideRules from './insideRules';
import * as powerRules from './powerRules';
import * as sideRules from './sideRules';
import * as wearRules from './wearRules';
import type { BuildContext, BracerRule, BuildRule, PartRule } from './rule';

const bracerRules: BracerRule[] = [...Object.values(fitRules), ...Object.values(insideRules)];
const partRules: PartRule[] = [
  ...Object.values(foamRules),
  ...Object.values(formRules),
  ...Object.values(sideRules),
  ...Object.values(powerRules),
  wearRules.presses,
  wearRules.slackEdge,
];
const wholeRules: BuildRule[] = [...Object.values(buildRules), wearRules.moves, wearRules.heat];

const order: Record<Severity, number> = { stop: 0, mind: 1, note: 2 };

/** Every rule run; worst first, otherwise in the order of the rules. */
export function allFindings(
  doc: BuildContext['doc'],
  report: BuildContext['report'],
  catalogue: BuildContext['catalogue'],
): Finding[] {
  const context = { doc, report, catalogue };
  const perPart = doc.parts.flatMap((part, index) => {
    const made = report.parts[index]!;
    const general = partRules.flatMap((rule) => rule({ ...context, part, made, index }));
    const { fit } = made;
    if (part.form !== 'bracer' || !fit) return general;
    return [
      ...bracerRules.flatMap((rule) => rule({ ...context, part, made: { ...made, fit }, index })),
      ...general,
    ];
  });
  const whole = wholeRules.flatMap((rule) => rule(context));
  return [...whole, ...perPart].sort((a, b) => order[a.severity] - order[b.severity]);
}

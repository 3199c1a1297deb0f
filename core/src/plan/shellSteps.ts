import type { BuildDoc } from '../document';
import type { PartReport } from '../parts';
import { lastOf } from '../units';
import {
  bevelStep,
  cutStep,
  formStep,
  grooveStep,
  type Link,
  patternStep,
  piecesToCut,
  traceStep,
} from './cuttingSteps';
import { dartStep, joinStep, layOnStep, seamStep } from './gluingSteps';
import { layerSteps } from './layerSteps';
import { printId, type Step } from './step';
import { workSteps } from './workSteps';

/** The paper tried on, before anything worn is cut. */
export const mockUpId = 'mock-up';

/** Steps that take the part from sheet to formed shell, each after the one before. */
export function shellSteps(doc: BuildDoc, part: PartReport): Step[] {
  if (piecesToCut(part) === 0)
    return [...workSteps(part, 'flat', printId), ...workSteps(part, 'formed', printId)];
  const steps: Step[] = [{ ...traceStep(part), after: [part.zone === undefined ? printId : mockUpId] }];
  const follow = (...links: (Link | undefined)[]): void => {
    for (const link of links) if (link) steps.push({ ...link, after: [lastOf(steps).id] });
  };
  follow(cutStep(doc, part));
  steps.push(...workSteps(part, 'flat', lastOf(steps).id));
  follow(
    patternStep(doc, part),
    bevelStep(doc, part),
    grooveStep(doc, part),
    dartStep(doc, part),
    formStep(part),
  );
  steps.push(...layerSteps(doc, part, lastOf(steps).id));
  follow(seamStep(doc, part), joinStep(doc, part), layOnStep(doc, part));
  steps.push(...workSteps(part, 'formed', lastOf(steps).id));
  return steps;
}

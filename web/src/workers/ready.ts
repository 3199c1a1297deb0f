import type { BuildDoc } from '@fomrik/core/document';
import type { Readiness } from '@fomrik/core/plan';
import { type Easing, easings, readinessRuns, type Report } from '@fomrik/core/report';

type Plan = Pick<Report, 'steps' | 'schedule' | 'constants'>;

const RUNS = 1000;
const TELL_EVERY = 50;

export const ready = {
  /** A thousand ways the plan may go, told every fifty; then what each way to ease it buys, one by one. */
  run: (
    doc: BuildDoc,
    plan: Plan,
    today: string,
    tell: (now: Readiness) => void,
    tellEasing: (easing: Easing) => void,
  ): void => {
    for (const now of readinessRuns(doc, plan, RUNS)) if (now.runs % TELL_EVERY === 0) tell(now);
    for (const easing of easings(doc, today)) tellEasing(easing);
  },
};

export type ReadyApi = typeof ready;

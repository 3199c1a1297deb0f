import type { Finding } from './finding';
import { setParam, type PartRule } from './rule';

/** What a form noticed about itself. */
export const formChecks: PartRule = (context) =>
  context.made.checks.map((check): Finding => ({
    id: `${check.id}:${context.part.id}`,
    severity: check.severity,
    station: 'shape',
    title: `${context.part.name}: ${check.title}`,
    why: check.why,
    sure: check.sure,
    partId: context.part.id,
    remedies: check.cures.map((cure) => ({
      label: cure.label,
      changes: Object.entries(cure.set).map(([key, value]) => setParam(context, key, value)),
    })),
  }));

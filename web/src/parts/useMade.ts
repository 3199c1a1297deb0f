import type { PartReport } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { useReport } from '../store/report';

/** What was worked out about a part; drawn anew only when that changes. */
export const useMade = (partId: string | undefined): PartReport | undefined =>
  useReport((s) => byId(s.report?.parts ?? [], partId));

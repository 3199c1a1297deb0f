import type { CautionKey } from '../materials';

/** One thing to do. */
export interface Step {
  id: string;
  title: string;
  detail: string;
  partId?: string;
  workMin: number;
  /** Time that must pass afterwards before what follows; runs overnight. */
  waitMin: number;
  waitFor?: string;
  after: string[];
  /** Why this must be done before what it holds back. */
  gate?: string;
  cautions: CautionKey[];
}

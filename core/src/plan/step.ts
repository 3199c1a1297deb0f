import type { Quantity } from '../learn';
import type { CautionKey } from '../materials';
import type { WorkKind } from './workKinds';

/** What a step handles: whole pieces, or edges of a kind. */
export type StepAbout = 'pieces' | 'seams' | 'bevels' | 'darts' | 'attached' | 'laid' | 'lining';

/** One thing to do. */
export interface Step {
  id: string;
  title: string;
  detail: string;
  kind: WorkKind;
  /** Wants two people where there are two. */
  hands?: 2;
  partId?: string;
  /** Like steps of several parts that are done together: their ids, each of which is done with it. */
  of?: string[];
  /** Which of the part's pieces and edges it is about; drawn beside the words. */
  about?: StepAbout;
  /** What may be read off it besides its minutes, and what is stated for it before anything was learned. */
  reads?: { quantity: Quantity; stated: number };
  workMin: number;
  /** Time that must pass afterwards before what follows; runs overnight. */
  waitMin: number;
  waitFor?: string;
  /** Minutes after that until it may be worn. */
  cureMin?: number;
  after: string[];
  /** So many minutes more after some of them: dry to handle is not yet cured to wear. */
  lags?: Readonly<Record<string, number>>;
  /** Why this must be done before what it holds back. */
  gate?: string;
  cautions: CautionKey[];
}

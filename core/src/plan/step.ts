import type { CautionKey } from '../materials';

/** What a step handles: whole pieces, or edges of a kind. */
export type StepAbout = 'pieces' | 'seams' | 'bevels' | 'darts' | 'hung' | 'laid' | 'lining';

/** One thing to do. */
export interface Step {
  id: string;
  title: string;
  detail: string;
  partId?: string;
  /** Which of the part's pieces and edges it is about; drawn beside the words. */
  about?: StepAbout;
  workMin: number;
  /** Time that must pass afterwards before what follows; runs overnight. */
  waitMin: number;
  waitFor?: string;
  after: string[];
  /** Why this must be done before what it holds back. */
  gate?: string;
  cautions: CautionKey[];
}

import type { Quantity } from '../learn';
import type { CautionKey } from '../materials';
import type { WorkKind } from './workKinds';

/** What a step handles, which is what its picture shows. */
export type StepAbout =
  /** Flat pieces, or some of them. */
  | 'pieces'
  | 'bevels'
  | 'folds'
  | 'darts'
  | 'laid'
  | 'lining'
  /** Edges that meet on the solid. */
  | 'seams'
  | 'attached'
  /** The solid: bent, rounded, coated, masked, strapped. */
  | 'bends'
  | 'edges'
  | 'surface'
  | 'masks'
  | 'straps'
  /** Some of its details. */
  | 'details'
  /** What is put in, and its wires. */
  | 'items'
  | 'wires'
  /** The part on what carries it. */
  | 'mount'
  /** The whole build: its paper, as it is worn, written up. */
  | 'pages'
  | 'worn'
  | 'build';

const handled = new Set<StepAbout>([
  'pieces',
  'bevels',
  'folds',
  'darts',
  'laid',
  'lining',
  'seams',
  'attached',
]);

/** Whether a step takes pieces in hand, so that it helps to name them. */
export const handlesPieces = ({ about }: Pick<Step, 'about'>): boolean => handled.has(about);

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
  /** The parts it is done on, where they are several. */
  partIds?: string[];
  about: StepAbout;
  /** The details it is about, where it is about some. */
  featureIds?: string[];
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

/** The step that prints the pattern: what is traced waits for it. */
export const printId = 'print';

import type { Constant, Quantity } from '../learn';
import type { Body, Doubt } from '../body';
import type { InFront, PutInClash, Standing } from '../assembly';
import type { CircuitReport } from '../circuit';
import type { Carried, FrameSag, Hung, OnBack, OnEar, OnHead, OnLimb, OnShoulders } from '../carry';
import type { GettingAbout, InsideHead } from '../fit';
import type { Packed, StickSet } from '../cut';
import type { Fitting } from '../fit';
import type { PartReport } from '../parts';
import type { CostLine, Schedule, Step } from '../plan';

/** The figures of the ledger. */
export interface Totals {
  massG: number;
  foamAreaMm2: number;
  sheets: number;
  cost: number;
  /** Shortest burn of any circuit; null when nothing is lit. */
  lightHours: number | null;
  workMin: number;
  daysToSpare: number;
}

/** Everything worked out of a build but what was noticed. */
export interface Worked {
  /** The larger of both sides, which pairs are cut to. */
  body: Body;
  sides: { left: Body; right: Body };
  doubts: Doubt[];
  /** What this shop's readings say of what is planned. */
  constants: Record<Quantity, Constant>;
  parts: PartReport[];
  /** Letters of the parts, by their ids, in the order they are put together. */
  letters: Record<string, string>;
  /** Pages of the printed pattern, its front among them. */
  pages: number;
  fitting: Fitting;
  circuits: CircuitReport[];
  /** Parts that lie in each other or float; as they were before in a first answer. */
  standings: Standing[];
  /** What was put in one part and lies in another. */
  putInClashes: PutInClash[];
  /** Switches another part leaves no room in front of. */
  inFront: InFront[];
  /** Everything held in a hand, as one. */
  carried: Carried[];
  /** Everything worn on the head, with what hangs on it. */
  onHead: OnHead[];
  /** What the shoulders carry of what is worn on the back. */
  /** Breathing, hearing and glasses in what is worn on the head. */
  insideHead: InsideHead[];
  onEar: OnEar[];
  /** How far frames of pipes give; as they did before in a first answer. */
  frames: FrameSag[];
  /** What hangs on details that bear something. */
  hung: Hung[];
  onBack: OnBack[];
  /** What the shoulders carry in all; nothing when nothing hangs on them. */
  onShoulders: OnShoulders | undefined;
  onLimbs: OnLimb[];
  /** Doors, seats and toilets in everything worn; nothing when nothing is. */
  about: GettingAbout | undefined;
  packed: Packed;
  sticks: StickSet[];
  steps: Step[];
  schedule: Schedule;
  /** Hours a day that would leave a day to spare, where there is none; as before in a first answer. */
  enoughHours: number | undefined;
  cost: CostLine[];
  totals: Totals;
}

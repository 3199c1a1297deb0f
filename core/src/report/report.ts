import type { Finding } from '../document';
import type { Worked } from '../findings';
import type { Advice } from '../parts';

/** Everything worked out of a build, and what was noticed. */
export interface Report extends Worked {
  findings: Finding[];
  /** Thicknesses that would serve better, over the whole build. */
  advice: Advice[];
  /** Parts worked out only coarsely so far. */
  coarse: string[];
}

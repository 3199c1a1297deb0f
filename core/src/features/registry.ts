import type { FeatureKind } from './contract';
import { hole } from './hole/hole';
import { lamps } from './lamps/lamps';
import { line } from './line/line';
import { overlay } from './overlay/overlay';
import { pack } from './pack/pack';
import { pocket } from './pocket/pocket';
import { rivets } from './rivets/rivets';
import { strip } from './strip/strip';
import { toggle } from './toggle/toggle';
import { trim } from './trim/trim';

/** Every feature, in the order they are offered. */
export const features: readonly FeatureKind[] = [
  trim,
  strip,
  overlay,
  rivets,
  line,
  hole,
  lamps,
  pack,
  toggle,
  pocket,
];

import { puttyCoats } from '../printed';
import { trimNumber } from '../units';

/** Setting a print up and taking it off the bed, min; from memory. */
export const TAKE_OFF_MIN = 10;

/** How far a print is off, and who watches it. */
export const PRINT_CARE =
  'a print is 0.2 mm off either way (from memory). Air the room; someone stays within hearing of a printer that runs.';

/** How layers are made to vanish. */
export const fillingOf = (puttyMl: number): string =>
  `Supports off with pliers, 120 grit until the layers are gone, ${puttyCoats} thin coats of putty (${trimNumber(puttyMl, 0)} ml), 240 grit wet after each. Putty is dry when it turns to powder under the paper.`;

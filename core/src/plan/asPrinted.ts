import type { Bought, Work } from '../features';
import type { PartReport } from '../parts';
import { cutPieces } from '../parts';
import { type Printing, puttyCoats, puttyDryMin } from '../printed';
import { eachOf } from '../panel';
import { counted, printMinutes, trimNumber } from '../units';
import { fillingOf, PRINT_CARE, TAKE_OFF_MIN } from './printWords';

/** Gluing one joint, and setting one pin, min; from memory. */
const PIN_MIN = 4;
/** Glue of a printed joint holds after so long; the packet wins. */
const GLUE_DRY_MIN = 60;

/** Price of a millilitre; from memory. */
const PUTTY_ML_PRICE = 0.06;

/** Printing a shell, joining what the bed split, and filling its layers, in that order. */
function printWork(
  { plasticG, supportG, hours, pieces, pins, sandMin, puttyMl }: Printing,
  shells: number,
  copies: number,
): Work[] {
  const work = (
    own: Pick<Work, 'step' | 'verb' | 'what' | 'count' | 'eachMin' | 'detail'> & Partial<Work>,
  ): Work => ({
    when: 'flat',
    cautions: [],
    waitMin: 0,
    ...own,
  });
  const joined = pieces - 1;
  return [
    work({
      step: 'print-shell',
      verb: 'print',
      what: 'pieces of the shell',
      count: pieces,
      eachMin: TAKE_OFF_MIN,
      detail: `${trimNumber(plasticG, 0)} g and ${trimNumber(supportG, 0)} g of support for one copy, about ${printMinutes(hours * 60)} of printing; 0.2 mm layers, two walls, 15 % fill; each piece on the side that takes the least. One small piece first, measured: ${PRINT_CARE}`,
      // One printer, one copy after another.
      waitMin: Math.ceil(hours * 60 * copies),
      waitFor: 'of printing',
    }),
    ...(joined > 0
      ? [
          work({
            step: 'print-joined',
            verb: 'join',
            what: 'printed pieces',
            count: joined,
            eachMin: PIN_MIN + (PIN_MIN * pins) / Math.max(1, joined),
            detail: `${pins > 0 ? `${counted(pins, 'pin')} of 3 mm wire or filament where the bed split it, two to a joint. ` : ''}Dry first; then gap-filling glue, held square until it sets. Seams are filled from inside with slurry, scraps of the same plastic in its own solvent, where the plastic dissolves (ABS in acetone; polylactide does not: putty or two-part glue). Slurry dries a day.`,
            cautions: ['solvent'],
            waitMin: GLUE_DRY_MIN,
            waitFor: 'glue dry',
          }),
        ]
      : []),
    work({
      step: 'print-filled',
      verb: 'sand and fill',
      what: shells > 1 ? 'the pieces of the shell' : 'the print',
      count: 1,
      eachMin: Math.ceil(sandMin),
      detail: fillingOf(puttyMl),
      cautions: ['boardDust', 'paint'],
      waitMin: puttyCoats * puttyDryMin,
      waitFor: 'putty dry',
    }),
  ];
}

/** Plastic and putty of one copy. */
const printBought = ({ plasticG, supportG, price, puttyMl }: Printing): Bought[] => [
  {
    what: 'printing plastic',
    unit: 'g',
    count: Math.ceil(plasticG + supportG),
    each: price / (plasticG + supportG),
    massG: 0,
    provenance: 'memory',
  },
  {
    what: 'putty for printed shells',
    unit: 'ml',
    count: Math.ceil(puttyMl),
    each: PUTTY_ML_PRICE,
    massG: 0,
    provenance: 'memory',
  },
];

const known = new WeakMap<PartReport, PartReport>();

/** A part whose shell is printed, as it is planned, cut and bought: what is laid on it is still cut. */
export function asPrinted(part: PartReport, printing: Printing): PartReport {
  const before = known.get(part);
  if (before) return before;
  const pieces = cutPieces(part);
  const thin = {
    ...part,
    pieces,
    bent: false,
    areaMm2: pieces.reduce((sum, p) => sum + p.areaMm2 * eachOf(p), 0),
    bought: [...part.bought, ...printBought(printing)],
    work: [...printWork(printing, part.pieces.length - pieces.length, part.copies), ...part.work],
  };
  known.set(part, thin);
  return thin;
}

import type { Printing } from '@fomrik/core/printed';
import { counted, printMinutes, trimNumber } from '@fomrik/core/units';

/** What printing takes, in a line. */
export const printingWords = ({ plasticG, supportG, hours, pieces, pins, sandMin }: Printing): string =>
  [
    `${trimNumber(plasticG, plasticG < 10 ? 1 : 0)} g`,
    ...(supportG >= 0.5 ? [`${trimNumber(supportG, 0)} g of support`] : []),
    `about ${printMinutes(hours * 60)}`,
    ...(pieces > 1 ? [`in ${counted(pieces, 'piece')}, ${counted(pins, 'pin')}`] : []),
    `${trimNumber(Math.max(1, sandMin), 0)} min of sanding`,
  ].join(', ');

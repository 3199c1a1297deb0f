import type { BuildDoc, PrintedPart } from '../document';
import { printedKinds, type Printing, printingOfAll, puttyCoats, puttyDryMin } from '../printed';
import { counted, findIn, printMinutes, trimNumber } from '../units';
import type { CostLine } from './cost';
import { fillingOf, PRINT_CARE, TAKE_OFF_MIN } from './printWords';
import type { Step } from './step';

/** Sold as; prices from memory. */
const PUTTY = { soldMl: 150, price: 9 };

const printingOfPart = ({ kind, params }: PrintedPart): Printing =>
  printingOfAll(
    findIn(printedKinds, (k) => k.kind === kind)
      .solids(params)
      .map((s) => s.mesh),
  );

/** Printing the small parts of a build, then sanding and filling them; ready to go in, primed with the rest. */
export function printSteps({ printed = [] }: Pick<BuildDoc, 'printed'>): Step[] {
  if (printed.length === 0) return [];
  const all = printed.map(printingOfPart);
  const sum = (of: (p: Printing) => number): number => all.reduce((total, p) => total + of(p), 0);
  const names = printed.map((p) => findIn(printedKinds, (k) => k.kind === p.kind).label.toLowerCase());
  const hours = sum((p) => p.hours);
  return [
    {
      id: 'printed:print',
      kind: 'detail',
      about: 'build',
      title: `Print ${counted(printed.length, 'small part')}`,
      detail: `${names.join(', ')}: ${trimNumber(
        sum((p) => p.plasticG + p.supportG),
        0,
      )} g, about ${printMinutes(hours * 60)} of printing. Try the first in its place before the rest are printed; ${PRINT_CARE}`,
      workMin: TAKE_OFF_MIN * printed.length,
      waitMin: Math.ceil(hours * 60),
      waitFor: 'of printing',
      after: [],
      cautions: [],
    },
    {
      id: 'printed:fill',
      kind: 'sand',
      about: 'build',
      title: 'Sand and fill the prints',
      detail: fillingOf(sum((p) => p.puttyMl)),
      workMin: Math.ceil(sum((p) => p.sandMin)) + 5 * printed.length,
      waitMin: puttyCoats * puttyDryMin,
      waitFor: 'putty dry',
      after: ['printed:print'],
      cautions: ['boardDust', 'paint'],
    },
  ];
}

/** Plastic and putty for them. */
export function printLines({ printed = [] }: Pick<BuildDoc, 'printed'>): CostLine[] {
  if (printed.length === 0) return [];
  const all = printed.map(printingOfPart);
  const g = Math.ceil(all.reduce((sum, p) => sum + p.plasticG + p.supportG, 0));
  const ml = all.reduce((sum, p) => sum + p.puttyMl, 0);
  const price = all.reduce((sum, p) => sum + p.price, 0);
  const tubes = Math.ceil(ml / PUTTY.soldMl);
  return [
    {
      what: 'printing plastic',
      need: g,
      have: 0,
      unit: 'g',
      each: price / g,
      total: price,
      provenance: 'memory',
    },
    {
      what: 'putty for prints',
      need: tubes,
      have: 0,
      unit: `tubes of ${PUTTY.soldMl} ml`,
      each: PUTTY.price,
      total: tubes * PUTTY.price,
      provenance: 'memory',
    },
  ];
}

import { printMm, trimNumber } from '../units';
import { GLASSES_MM, type InsideHead } from './insideHead';

function breathWords({ breathPa, airMm2 }: InsideHead): string {
  if (breathPa === undefined) return 'Breath: the mouth is free';
  if (airMm2 < 1) return 'Breath: no way in for air';
  return `Breath: about ${trimNumber(airMm2 / 100, 1)} cm² open, ${breathPa < 1 ? 'less than 1' : trimNumber(breathPa, 0)} Pa at a deep breath`;
}

const hearWords = ({ hearShare, earHoles }: InsideHead): string =>
  hearShare > 0.5
    ? 'Hearing: an ear is free'
    : hearShare > 0
      ? 'Hearing: an ear is partly free'
      : earHoles
        ? 'Hearing: through the holes at the ears; try it with someone calling from behind'
        : 'Hearing: both ears are covered, as far as is known';

function glassesWords({ glassesMm, armsMm }: InsideHead): string {
  if (glassesMm === undefined) return 'Glasses: nothing is before them';
  if (glassesMm < GLASSES_MM.out)
    return `Glasses: ${printMm(Math.max(0, glassesMm), 0)} before the eyes, they want about ${printMm(GLASSES_MM.out, 0)}: contact lenses, or a lens inside`;
  if (armsMm !== undefined && armsMm < GLASSES_MM.arm)
    return `Glasses: room before the eyes, but ${printMm(Math.max(0, armsMm), 0)} beside the head for their arms`;
  return 'Glasses: they go under it';
}

/** Bears on what it is nearest to: further off than this the others want pads, mm; from memory. */
const ALIKE_MM = 3;

function seatWords({ seat }: InsideHead): string[] {
  const over = [
    { what: 'nose', mm: seat.nose },
    { what: 'cheeks', mm: seat.cheeks },
    { what: 'brow', mm: seat.brow },
  ].flatMap(({ what, mm }) => (mm === undefined ? [] : [{ what, mm }]));
  if (over.length === 0) return [];
  const least = Math.min(...over.map((o) => o.mm));
  const first = over.filter((o) => o.mm - least <= ALIKE_MM);
  const rest = over.filter((o) => o.mm - least > ALIKE_MM);
  const off = over.map((o) => `${o.what} ${printMm(Math.max(0, o.mm), 0)}`).join(', ');
  const pads = rest.map((o) => `${printMm(o.mm - least, 0)} more at the ${o.what}`).join(', ');
  return [
    `Seat: off the skin ${off}; it bears first on the ${first.map((o) => o.what).join(' and ')}${pads ? `, pads ${pads}` : ''}`,
  ];
}

/** Where it bears, breathing, hearing and glasses, a line each. */
export const insideLines = (inside: InsideHead): string[] =>
  [breathWords(inside), hearWords(inside), glassesWords(inside), ...seatWords(inside)].map(
    (line) => `${line}.`,
  );

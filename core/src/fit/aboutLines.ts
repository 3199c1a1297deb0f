import { CAR_MM, DOOR_MM, type GettingAbout, RISER_MM, SEAT_MM } from './gettingAbout';
import { printMm } from '../units';

const names = (all: readonly { name: string }[]): string => [...new Set(all.map((p) => p.name))].join(', ');

const DOOR: Record<GettingAbout['door'], (about: GettingAbout) => string> = {
  straight: ({ widthMm }) => `Doorways: straight through, ${printMm(widthMm, 0)} wide`,
  sideways: ({ widthMm, deepMm }) =>
    `Doorways: sideways, ${printMm(widthMm, 0)} wide but ${printMm(deepMm, 0)} deep`,
  not: ({ widthMm, deepMm }) =>
    `Doorways: too wide (${printMm(widthMm, 0)}) and too deep (${printMm(deepMm, 0)}) for ${printMm(DOOR_MM.wide, 0)}`,
};

/** Doors, chairs, cars and toilets in everything worn, a line each. */
export function aboutLines(about: GettingAbout): string[] {
  const seatLeftMm = SEAT_MM.deep - about.behindMm;
  return [
    `${DOOR[about.door](about)}${about.stoopMm > 0 ? `; stoop by ${printMm(about.stoopMm, 0)}` : ''}.`,
    `Chairs: ${
      about.behindMm < 5
        ? 'nothing stands behind the back'
        : seatLeftMm >= SEAT_MM.least
          ? `${printMm(about.behindMm, 0)} forward of the backrest`
          : `${printMm(about.behindMm, 0)} stand behind the back; a stool or bench without a back`
    }${about.satOn.length > 0 ? `; ${names(about.satOn)} would be sat on` : ''}.`,
    `Car: ${printMm(about.aboveSeatMm, 0)} above the seat, ${about.fitsCar ? 'under' : 'over'} the ${printMm(CAR_MM, 0)} of a small car (est.)${about.fitsCar ? '' : about.aboveHeadMm > 5 ? '; what is on the head comes off first' : '; sit low, or lean the seat back'}.`,
    `Stairs: ${about.troddenOn.length > 0 ? `${names(about.troddenOn)} ${about.troddenOn.length > 1 ? 'hang' : 'hangs'} lower than a riser of ${printMm(RISER_MM, 0)}: held up, or trodden on` : `nothing hangs lower than a riser of ${printMm(RISER_MM, 0)}`}; a hand on the rail, a guide where the feet are not seen.`,
    `Toilet: ${about.offFirst.length > 0 ? `${names(about.offFirst)} off first; plan time and company` : 'nothing covers the hips'}.`,
  ];
}

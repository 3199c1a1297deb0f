import { trimNumber } from './length';
import { fail, ok, type Result } from './result';
import { sumTerms } from './scan';

const MINUTES: Record<string, number> = {
  s: 1 / 60,
  min: 1,
  m: 1,
  h: 60,
  hr: 60,
  hours: 60,
  d: 1440,
  day: 1440,
  days: 1440,
};

/** Reads `90`, `1h30m`, `1:30`, `2 days`; a bare number is minutes. @returns minutes. */
export function parseMinutes(text: string): Result<number> {
  const clock = /^\s*(\d+):(\d{1,2})\s*$/.exec(text);
  if (clock) {
    const minutes = Number(clock[2]);
    if (minutes > 59) return fail(`“${text.trim()}” has ${minutes} minutes past the hour; at most 59.`);
    return ok(Number(clock[1]) * 60 + minutes);
  }
  return sumTerms(text, MINUTES, 'min');
}

export function printMinutes(minutes: number): string {
  if (minutes < 1) return `${Math.round(minutes * 60)} s`;
  if (minutes < 60) return `${Math.round(minutes)} min`;
  const total = Math.round(minutes);
  const rest = total % 60;
  return rest === 0 ? `${Math.floor(total / 60)} h` : `${Math.floor(total / 60)} h ${rest} min`;
}

export const printHours = (hours: number): string => `${trimNumber(hours, hours < 10 ? 1 : 0)} h`;

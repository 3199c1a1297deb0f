import { trimNumber } from './length';

export function printMinutes(minutes: number): string {
  if (minutes < 1) return `${Math.round(minutes * 60)} s`;
  if (minutes < 60) return `${Math.round(minutes)} min`;
  const total = Math.round(minutes);
  const rest = total % 60;
  return rest === 0 ? `${Math.floor(total / 60)} h` : `${Math.floor(total / 60)} h ${rest} min`;
}

export const printHours = (hours: number): string => `${trimNumber(hours, hours < 10 ? 1 : 0)} h`;

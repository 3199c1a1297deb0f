import { figure, type Figure } from '../units';

/** Bought fittings that join plain pipes in sockets. */
export type PipeFitting = 'coupler' | 'elbow' | 'halfElbow' | 'corner' | 'tee' | 'cross' | 'cap' | 'flange';

/** What each fitting is called, where its pipes go, and what it costs beside a coupler; prices from memory. */
export const pipeFittings: Record<PipeFitting, { what: string; dearer: number; screws: number }> = {
  coupler: { what: 'coupler', dearer: 1, screws: 0 },
  elbow: { what: '90° elbow', dearer: 1.3, screws: 0 },
  halfElbow: { what: '45° elbow', dearer: 1.4, screws: 0 },
  corner: { what: 'three-way corner', dearer: 2.6, screws: 0 },
  tee: { what: 'tee', dearer: 1.6, screws: 0 },
  cross: { what: 'cross', dearer: 3, screws: 0 },
  cap: { what: 'end cap', dearer: 0.9, screws: 0 },
  flange: { what: 'floor flange', dearer: 3.2, screws: 4 },
};

const HALF_OF_45 = Math.tan(Math.PI / 8);
/** What is left between the ends of two pipes in a coupler, or a pipe's end and the bottom of a cap; mm each. */
const STOP_MM = 1;

/**
 * From the middle of a fitting to the end of the pipe in it, mm: half the outside and 1 mm at a right angle, half the
 * outside by the tangent of 22.5° and 1 mm at 45° (ISO 264, laying lengths of solvent fittings, metric series); inch
 * fittings come within a millimetre or two of it, from memory.
 */
export const takeOffMm = (fitting: PipeFitting, outsideMm: number): number => {
  switch (fitting) {
    case 'elbow':
    case 'corner':
    case 'tee':
    case 'cross':
      return outsideMm / 2 + 1;
    case 'halfElbow':
      return (outsideMm / 2) * HALF_OF_45 + 1;
    default:
      return STOP_MM;
  }
};

/** How deep a pipe goes into a solvent socket: half the outside and 6 mm, never under 12 (ISO 727-1). */
export const socketMm = (outsideMm: number): Figure => figure(Math.max(12, outsideMm / 2 + 6), 'standard');

/** One fitting, by what a coupler of that pipe costs. */
export const fittingPrice = (fitting: PipeFitting, couplerPrice: number): number =>
  pipeFittings[fitting].dearer * couplerPrice;

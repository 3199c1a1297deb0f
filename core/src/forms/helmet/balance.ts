/** Standard gravity, m/s² (ISO 80000-3). */
const G = 9.80665;

/** Turning moment of a helmet about the neck, newton millimetres; positive tips the face down. */
export const neckMomentNmm = (massG: number, aheadMm: number): number => (massG / 1000) * G * aheadMm;

/** Mass that balances the helmet when placed behind the neck pivot. */
export const counterweightG = (massG: number, aheadMm: number, behindMm: number): number =>
  Math.max(0, (massG * aheadMm) / behindMm);

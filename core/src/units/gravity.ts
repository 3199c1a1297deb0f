/** Standard gravity, m/s² (ISO 80000-3). */
export const GRAVITY_M_S2 = 9.80665;
/** What a gram weighs, newton. */
export const newtonsOf = (massG: number): number => (massG / 1000) * GRAVITY_M_S2;

/** Volts to a hundredth, as a bench meter shows them: `4.52 V`. */
export const printVolts = (volts: number): string => `${volts.toFixed(2)} V`;

/** The lower edge of a mask stands this far below the eyes before it is moved, mm; from memory. */
export const BELOW_EYES_MM = 105;

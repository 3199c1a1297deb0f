/** A to Z, then AA, AB …: what things are called in the order they come. */
export const letterAt = (i: number): string =>
  (i < 26 ? '' : String.fromCharCode(64 + Math.floor(i / 26))) + String.fromCharCode(65 + (i % 26));

/** Steps that are mixed: more gain little and cost memory. */
const DEPTH = 6;

/**
 * Anderson mixing of a fixed-point iteration: the next place is the one whose remaining step would be least, as far as
 * the last few steps tell.
 * Source: Walker, Ni, Anderson Acceleration for Fixed-Point Iterations, 2011; for rigid pieces Peng and others, Anderson
 * Acceleration for Geometry Optimization and Physics Simulation, 2018.
 */
export class Mixing {
  private readonly steps: Float64Array[] = [];
  private readonly images: Float64Array[] = [];
  private lastStep: Float64Array | undefined;
  private lastImage: Float64Array | undefined;

  /** Forgets what it saw: the way was broken off. */
  reset(): void {
    this.steps.length = this.images.length = 0;
    this.lastStep = this.lastImage = undefined;
  }

  /**
   * @param place where it is.
   * @param image where one plain step leads from there; neither is kept.
   * @returns the mixed next place.
   */
  next(place: Float64Array, image: Float64Array): Float64Array {
    const step = image.map((v, i) => v - place[i]!);
    if (this.lastStep && this.lastImage) {
      this.steps.unshift(difference(step, this.lastStep));
      this.images.unshift(difference(image, this.lastImage));
      if (this.steps.length > DEPTH) {
        this.steps.pop();
        this.images.pop();
      }
    }
    this.lastStep = step;
    this.lastImage = Float64Array.from(image);
    const shares = leastSquares(this.steps, step);
    const mixed = Float64Array.from(image);
    shares.forEach((share, k) => {
      const image = this.images[k]!;
      for (let i = 0; i < mixed.length; i++) mixed[i]! -= share * image[i]!;
    });
    return mixed;
  }
}

const difference = (a: Float64Array, b: Float64Array): Float64Array => a.map((v, i) => v - b[i]!);

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
}

/** Shares of some columns that come nearest to a vector; by normal equations, a little damped. */
function leastSquares(columns: readonly Float64Array[], of: Float64Array): number[] {
  const n = columns.length;
  const rows = columns.map((a, i) =>
    [...columns.map((b) => dot(a, b)), dot(a, of)].map((v, j) => (i === j ? v * (1 + 1e-10) : v)),
  );
  for (let i = 0; i < n; i++) {
    const pivot = rows[i]![i]!;
    if (!(pivot > 1e-300)) return columns.map(() => 0);
    for (let r = i + 1; r < n; r++) {
      const by = rows[r]![i]! / pivot;
      for (let c = i; c <= n; c++) rows[r]![c]! -= by * rows[i]![c]!;
    }
  }
  const found = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = rows[i]![n]!;
    for (let c = i + 1; c < n; c++) sum -= rows[i]![c]! * found[c]!;
    found[i] = sum / rows[i]![i]!;
  }
  return found;
}

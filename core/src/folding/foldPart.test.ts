import { expect } from 'chai';
import { reportOf } from '../parts/testing/worn.test';
import { toScene } from '../view';
import { foldedPart } from '.';

const spot = (keys: Float32Array, i: number): [number, number, number] => [
  keys[i * 3]!,
  keys[i * 3 + 1]!,
  keys[i * 3 + 2]!,
];
const apart = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(...a.map((v, k) => v - b[k]!));

describe('a part from the table to the solid', () => {
  for (const form of ['bracer', 'helmet', 'box', 'breastplate', 'greave', 'pauldron', 'blade']) {
    const part = reportOf(form);
    const folded = foldedPart(part);

    it(`${form}: every piece ends where it is on the solid`, () => {
      const place = toScene(part);
      expect(folded.length).to.be.greaterThan(0);
      expect(folded.map((p) => p.from).sort((a, b) => a - b)).to.deep.equal(
        part.solid.runs.filter((r) => r.to > r.from).map((r) => r.from),
      );
      folded.forEach((piece) => {
        const run = part.solid.runs.find((r) => r.from === piece.from)!;
        expect(piece.id).to.equal(run.id);
        const ended = piece.keys.at(-1)!;
        part.solid.mesh.triangles.slice(run.from, run.to).forEach((corners, t) =>
          corners.forEach((i, k) => {
            const { x, y, z } = place(part.solid.mesh.points[i]!);
            expect(apart(spot(ended, piece.triangles[t * 3 + k]!), [x, y, z]), piece.id).to.be.lessThan(0.6);
          }),
        );
      });
    });

    it(`${form}: every piece begins flat on the table, facing the eye, none over another`, () => {
      const boxes = folded.map(({ id, keys }) => {
        const [begun] = keys;
        const all = Array.from({ length: begun!.length / 3 }, (_, i) => spot(begun!, i));
        const depth = all.map((p) => p[2]);
        // A sheet as thick as its foam, bevels and all.
        expect(Math.max(...depth) - Math.min(...depth), `${id} is not flat`).to.be.lessThan(
          2.2 * part.foam.thicknessMm.value,
        );
        const reach = (k: 0 | 1): [number, number] => [
          Math.min(...all.map((p) => p[k])),
          Math.max(...all.map((p) => p[k])),
        ];
        return { id, x: reach(0), y: reach(1) };
      });
      // Bevels stand out by less than the room between.
      const over = (a: [number, number], b: [number, number]): number =>
        Math.min(a[1], b[1]) - Math.max(a[0], b[0]);
      boxes.forEach((a, i) =>
        boxes
          .slice(i + 1)
          .forEach((b) =>
            expect(Math.min(over(a.x, b.x), over(a.y, b.y)), `${a.id} over ${b.id}`).to.be.lessThan(1),
          ),
      );
    });
  }
});
